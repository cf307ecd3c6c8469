/** What a day's work came to: how long money waited, how much of it went without a hand. */
package org.sumbrel.core.day;
