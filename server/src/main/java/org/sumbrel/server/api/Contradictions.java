package org.sumbrel.server.api;

import jakarta.persistence.Column;
import jakarta.persistence.Embeddable;
import java.time.Instant;
import java.util.List;

/**
 * In what something that came contradicts itself, a sentence each, and who answers for it. Until
 * somebody does, nothing of it may be posted.
 */
@Embeddable
public class Contradictions {

  @Column(name = "contradictions")
  private String sentences;

  private String acceptedBy;
  private Instant acceptedAt;
  private String acceptedWhy;

  protected Contradictions() {}

  public Contradictions(List<String> sentences) {
    this.sentences = String.join("\n", sentences);
  }

  public List<String> sentences() {
    return sentences.lines().toList();
  }

  /** Whether there are any and nobody has accepted them. */
  public boolean block() {
    return !sentences.isEmpty() && acceptedBy == null;
  }

  /**
   * Somebody answers for them.
   *
   * @param what came, for a sentence: {@code batch}
   * @throws Conflict where there is nothing to accept
   */
  public void accept(String what, String why, String by, Instant at) {
    if (!block()) {
      throw new Conflict(
          "CHANGED_MEANWHILE",
          acceptedBy == null
              ? "This " + what + " does not contradict itself; there is nothing to accept."
              : acceptedBy + " has accepted this already.");
    }
    acceptedWhy = why;
    acceptedBy = by;
    acceptedAt = at;
  }

  /** Who answers for them; null where nobody does yet. */
  public String acceptedBy() {
    return acceptedBy;
  }

  public Instant acceptedAt() {
    return acceptedAt;
  }

  public String acceptedWhy() {
    return acceptedWhy;
  }
}
