/** What the engine learns from people: offered where they correct it, shown and forgotten again. */
package org.sumbrel.server.learning;
