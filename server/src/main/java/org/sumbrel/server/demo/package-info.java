/** The made-up company that the demo starts with. */
package org.sumbrel.server.demo;
