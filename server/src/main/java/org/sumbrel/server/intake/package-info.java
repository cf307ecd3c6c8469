/** Files taken in: statements, invoices, customers. */
package org.sumbrel.server.intake;
