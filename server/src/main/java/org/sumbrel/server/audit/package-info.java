/**
 * The audit trail: the database tells of every change of a row, one record for each thing that was
 * changed is written with it, and nobody can change what is written.
 */
package org.sumbrel.server.audit;
