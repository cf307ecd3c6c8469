/** What payers say of their payments: kept, and handed to whoever looks at the money. */
package org.sumbrel.server.remittance;
