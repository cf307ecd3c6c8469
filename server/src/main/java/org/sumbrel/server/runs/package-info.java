/** Runs: many drafts posted as one job, line by line, stoppable, going on after a stop. */
package org.sumbrel.server.runs;
