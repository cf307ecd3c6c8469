/** Proof that every cent that arrived is somewhere. */
package org.sumbrel.core.tieout;
