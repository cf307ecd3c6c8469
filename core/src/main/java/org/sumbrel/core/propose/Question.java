package org.sumbrel.core.propose;

/**
 * What a receipt's thought asks of what is known. A thought is made of the answers alone: as long
 * as none of them changes, thinking again gives the same.
 */
enum Question {

  /** Which items a form of a reference names. */
  FORM,

  /** How an item that was named stands. */
  ITEM,

  /** How many different figures of a length name something. */
  LENGTH,

  /** What a customer owes. */
  ACCOUNT,

  /** The branches of a customer. */
  BRANCHES,

  /** Whose open balance is an amount. */
  BALANCE,

  /** Whose an account at a bank is. */
  BANK_ACCOUNT,

  /** Whose alias a payer's name is. */
  ALIAS,

  /** Which aliases begin with a word. */
  ALIAS_WORD,

  /** Whose a name is to the letter. */
  NAME,

  /** Which names have a word with this beginning. */
  NAME_KEY,

  /** Where the money of a payer went before. */
  PAST,

  /** What was chosen for a payer where another explanation stood first. */
  CHOICE,

  /** What a payer said of his money. */
  ADVICE;

  /**
   * The question about something, as a number; two that share one by accident only cost a thought
   * more.
   */
  int about(Object what) {
    var mixed = (what.hashCode() ^ ordinal() * 0x9E3779B9) * 0x85EBCA6B;
    return mixed ^ mixed >>> 15;
  }
}
