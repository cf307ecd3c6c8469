/** What all parts of the HTTP API share: money, pages, problems. */
package org.sumbrel.server.api;
