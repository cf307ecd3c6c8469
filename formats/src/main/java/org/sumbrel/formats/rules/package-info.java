/** House rules as a file: aliases and treatments, to be kept and handed on. */
package org.sumbrel.formats.rules;
