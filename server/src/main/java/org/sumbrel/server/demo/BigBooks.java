package org.sumbrel.server.demo;

import java.time.LocalDate;
import java.util.Locale;
import java.util.Random;

/**
 * The big made-up set: 5,000 customers, 100,000 open items, 10,000 waiting entries, from a seed.
 */
final class BigBooks {

  private static final int CUSTOMERS = 5_000;
  private static final int INVOICES = 100_000;
  private static final int ENTRIES = 10_000;
  private static final String[] FIRST = {
    "Amber", "Birch", "Cobble", "Drover", "Ember", "Fallow", "Garnet", "Heron", "Inkwell", "Jasper",
    "Kelp", "Linden", "Maple", "North", "Oat", "Plover", "Quill", "Reed", "Saffron", "Teasel"
  };
  private static final String[] SECOND = {
    "bank", "bridge", "brook", "combe", "cross", "dale", "field", "ford", "gate", "ham", "hill",
    "holt", "lea", "mead", "moor", "stead", "ton", "wick", "wood", "worth"
  };
  private static final String[] KIND = {
    "Bakery", "Kitchens", "Foods", "Deli", "Loaves", "Grocers", "Ovens", "Catering"
  };

  private final Random random = new Random(DemoBooks.SEED + 1);
  private final long[] cents = new long[INVOICES];

  private static String name(int customer) {
    return FIRST[customer % 20]
        + SECOND[customer / 20 % 20]
        + " "
        + KIND[customer / 400 % 8]
        + " "
        + (customer / 3_200 + 1);
  }

  private static String number(int invoice) {
    return "LB-%07d".formatted(1_000_001 + invoice);
  }

  String customers() {
    var csv = new StringBuilder("customer_id,name,parent_id,payer_account\n");
    for (var c = 0; c < CUSTOMERS; c++) {
      var account = c % 3 == 0 ? "88%08d".formatted(c) : "";
      csv.append('B')
          .append(10_000 + c)
          .append(',')
          .append(name(c))
          .append(",,")
          .append(account)
          .append('\n');
    }
    return csv.toString();
  }

  String invoices() {
    var csv =
        new StringBuilder(
            "number,kind,customer_id,customer_name,issue_date,due_date,currency,total,open,order_ref,creditor_ref,terms\n");
    for (var i = 0; i < INVOICES; i++) {
      cents[i] = 5_000 + 5L * random.nextInt(60_000);
      var issued = LocalDate.of(2026, 3, 1).plusDays(random.nextInt(85));
      var amount = cents[i] / 100 + "." + "%02d".formatted(cents[i] % 100);
      csv.append(number(i))
          .append(",invoice,B")
          .append(10_000 + i % CUSTOMERS)
          .append(",,")
          .append(issued)
          .append(',')
          .append(issued.plusDays(30))
          .append(",USD,")
          .append(amount)
          .append(',')
          .append(amount)
          .append(",PO-B")
          .append(500_000 + i)
          .append(",,")
          .append(i % 20 == 0 ? "2/10 net 30" : "")
          .append('\n');
    }
    return csv.toString();
  }

  /**
   * After {@link #invoices()}: each entry pays an invoice or two, most with a number in the text.
   */
  String entries() {
    var csv =
        new StringBuilder(
            "entry_id,booking_date,amount,currency,payer_name,payer_account,remittance,bank_reference,check_number\n");
    for (var e = 0; e < ENTRIES; e++) {
      var first = 10 * e;
      var customer = first % CUSTOMERS;
      var second = first + CUSTOMERS;
      var two = random.nextInt(8) == 0 && second < INVOICES;
      var sum = cents[first] + (two ? cents[second] : 0);
      var text =
          switch (random.nextInt(5)) {
            case 0, 1 -> "INV " + number(first) + (two ? " " + number(second) : "");
            case 2 -> "REF " + (1_000_001 + first);
            case 3 -> "ORDER PO-B" + (500_000 + first);
            default -> "FLOUR";
          };
      csv.append("BIG")
          .append(e)
          .append(",2026-05-28,")
          .append(sum / 100)
          .append('.')
          .append("%02d".formatted(sum % 100))
          .append(",USD,")
          .append(name(customer).toUpperCase(Locale.ROOT))
          .append(",,")
          .append(text)
          .append(",,\n");
    }
    return csv.toString();
  }
}
