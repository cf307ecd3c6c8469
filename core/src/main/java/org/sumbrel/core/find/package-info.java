/**
 * The search line: what a clerk types to find entries, open items and settled ones, over any age.
 */
package org.sumbrel.core.find;
