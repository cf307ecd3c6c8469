/** Which of many amounts come to a sum. Knows nothing of what the amounts are of. */
package org.sumbrel.core.sums;
