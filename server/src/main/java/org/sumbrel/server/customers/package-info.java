/** Customers and their open items. */
package org.sumbrel.server.customers;
