/** The journal and the trial balance. */
package org.sumbrel.server.journal;
