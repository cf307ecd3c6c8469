/** Who may do what: users, sign-in, roles, sessions. */
package org.sumbrel.server.access;
