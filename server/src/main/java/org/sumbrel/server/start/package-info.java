/**
 * The first steps of a new company: what is done already, and sample files to try the rest with.
 */
package org.sumbrel.server.start;
