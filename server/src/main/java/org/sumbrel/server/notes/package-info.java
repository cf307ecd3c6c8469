/** Notes and questions on entries, items and customers, with attached files. */
package org.sumbrel.server.notes;
