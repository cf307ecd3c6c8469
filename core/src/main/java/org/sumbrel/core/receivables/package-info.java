/**
 * What customers owe: customers, open items, terms, ageing and the references they are known by.
 */
package org.sumbrel.core.receivables;
