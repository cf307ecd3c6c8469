/** What a bank's mail room sends: cheques and what they pay. */
package org.sumbrel.formats.lockbox;
