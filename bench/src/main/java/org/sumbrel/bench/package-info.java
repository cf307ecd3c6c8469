/**
 * Made-up, labelled payments, and how well and how fast the engine explains them. The generator
 * shares no code with the engine for damaging and repairing.
 */
package org.sumbrel.bench;
