/** Settlements: posting, previewing, reversing. */
package org.sumbrel.server.settle;
