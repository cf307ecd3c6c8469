/** Makes sure that what was answered with success is on disk. */
package org.sumbrel.server.durability;
