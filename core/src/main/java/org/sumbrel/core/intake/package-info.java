/**
 * What arrived: which movements of a statement are new, which are known, in whatever format they
 * came before, and how the statements of an account follow each other.
 */
package org.sumbrel.core.intake;
