/** Companies, their bank accounts, chart of accounts and policies. */
package org.sumbrel.server.companies;
