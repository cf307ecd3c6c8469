package org.sumbrel.core.journal;

/** The companies of a group as they stand in each other's books. */
public interface Group {

  /** The account in the chart of a company that is kept for another one; its id. */
  String account(String companyId, String counterpartId);

  /** What a company is called. */
  String name(String companyId);
}
