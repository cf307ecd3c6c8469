package org.sumbrel.server.lockbox;

import org.sumbrel.core.lockbox.LockboxBatch;
import org.sumbrel.core.lockbox.LockboxCheque;
import org.sumbrel.formats.BrokenFile;

/** Whether what a file says of a batch can be kept whole. */
final class Fitting {

  private static final int LONGEST_LOCKBOX = 20;
  private static final int LONGEST_BATCH = 40;
  private static final int LONGEST_ITEM = 20;
  private static final int LONGEST_NUMBER = 64;
  private static final int LONGEST_NAME = 300;
  private static final int LONGEST_REFERENCE = 200;
  private static final int MOST_ITEMS = 5_000;

  private Fitting() {}

  /**
   * Refuses a batch of which something would have to be cut.
   *
   * @throws BrokenFile with what is too long, and how long it may be
   */
  static void require(LockboxBatch batch) throws BrokenFile {
    require("the number of a lockbox", batch.lockbox(), LONGEST_LOCKBOX);
    require("the number of a batch", batch.number(), LONGEST_BATCH);
    for (var cheque : batch.cheques()) {
      require(cheque);
    }
  }

  private static void require(LockboxCheque cheque) throws BrokenFile {
    require("the number of a cheque in its batch", cheque.item(), LONGEST_ITEM);
    require("the number of a cheque", cheque.number(), LONGEST_NUMBER);
    require("the account of a cheque", cheque.account(), LONGEST_NUMBER);
    require("the drawer of a cheque", cheque.payerName(), LONGEST_NAME);
    if (cheque.items().size() > MOST_ITEMS) {
      throw new BrokenFile(
          0,
          "cheque "
              + cheque.number()
              + " pays "
              + cheque.items().size()
              + " documents; "
              + MOST_ITEMS
              + " can be kept of one");
    }
    for (var item : cheque.items()) {
      require("the number of a document", item.reference(), LONGEST_REFERENCE);
    }
  }

  private static void require(String what, String text, int longest) throws BrokenFile {
    if (text.length() > longest) {
      throw new BrokenFile(
          0,
          what
              + " has "
              + text.length()
              + " characters, \""
              + text.substring(0, longest)
              + "…\"; "
              + longest
              + " can be kept");
    }
  }
}
