/** The engine: from money that arrived to explanations with their evidence, in six stages. */
package org.sumbrel.core.propose;
