/**
 * What was written of rows that others keep in memory: noted by the database, read as it is due.
 */
package org.sumbrel.server.changes;
