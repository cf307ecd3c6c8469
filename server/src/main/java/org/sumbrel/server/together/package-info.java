/** What stands in several currencies and companies, side by side and in one currency. */
package org.sumbrel.server.together;
