/** Lockbox batches: taken in from the bank's file, worked through, posted and taken back as one. */
package org.sumbrel.server.lockbox;
