/** Writers of what customers owe by age. */
package org.sumbrel.formats.ageing;
