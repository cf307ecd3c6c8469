/**
 * Looks whether every rule that never breaks holds in the books as they are stored; and backs them
 * up while people work.
 */
package org.sumbrel.server.check;
