package org.sumbrel.server.companies;

/** A policy was decided anew, and that is written. */
public record PolicyDecided(Long companyId) {}
