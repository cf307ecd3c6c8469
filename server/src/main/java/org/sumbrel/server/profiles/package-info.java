/** Profiles: the shapes of tables that were explained once, by example. */
package org.sumbrel.server.profiles;
