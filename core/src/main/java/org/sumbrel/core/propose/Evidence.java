package org.sumbrel.core.propose;

/**
 * One reason for or against an explanation.
 *
 * @param code what kind of reason, such as {@code reference.exact}; does not change with the
 *     wording
 * @param text the sentence the clerk reads, with the figures
 * @param weight in log-odds; negative where it speaks against
 */
public record Evidence(String code, String text, double weight) {}
