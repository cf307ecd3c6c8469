/** What is kept, changed by hand and handed on as a YAML file. */
package org.sumbrel.formats.yaml;
