/** A morning's cheques as the bank's mail room reports them. */
package org.sumbrel.core.lockbox;
