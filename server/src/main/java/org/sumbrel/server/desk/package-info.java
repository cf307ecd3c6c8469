/** Bank entries that wait, and what the engine proposes for them. */
package org.sumbrel.server.desk;
