/** The cent trail and the flow of the day. */
package org.sumbrel.server.tieout;
