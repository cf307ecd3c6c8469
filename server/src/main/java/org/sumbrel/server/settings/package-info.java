/** What the administrator sets, each with its history; a wrong change is taken back. */
package org.sumbrel.server.settings;
