/**
 * What the books say beyond the journal: the items of customers as they stood on a day, held
 * against the ledger; ageing, money that is not applied, claims, what differences cost, statements
 * for all customers.
 */
package org.sumbrel.server.books;
