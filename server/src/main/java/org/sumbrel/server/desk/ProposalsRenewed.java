package org.sumbrel.server.desk;

/** What is thought of a company's waiting entries is current again, and that is written. */
public record ProposalsRenewed(Long companyId) {}
