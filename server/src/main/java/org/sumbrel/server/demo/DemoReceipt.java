package org.sumbrel.server.demo;

import java.time.LocalDate;
import java.util.List;

/**
 * A made-up movement on the bank account, with what it truly pays.
 *
 * @param cents money to us positive
 * @param pays the invoices it settles in full; empty where nobody knows
 * @param discountCents the early-payment discount taken, all on the one invoice it pays
 */
record DemoReceipt(
    String id,
    LocalDate on,
    int cents,
    String type,
    String name,
    String account,
    String memo,
    List<DemoInvoice> pays,
    int discountCents) {}
