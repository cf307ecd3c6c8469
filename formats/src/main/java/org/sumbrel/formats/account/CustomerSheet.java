package org.sumbrel.formats.account;

import java.util.List;
import org.sumbrel.core.receivables.Ageing;
import org.sumbrel.core.receivables.CustomerStatement;
import org.sumbrel.core.receivables.OpenItem;

/**
 * What a customer's statement says, in one currency.
 *
 * @param company who sends it
 * @param customer to whom
 * @param number the customer's number
 * @param statement the movements with their balances
 * @param ageing of what is open on the last day
 * @param open what is open, oldest first
 */
public record CustomerSheet(
    String company,
    String customer,
    String number,
    CustomerStatement statement,
    Ageing ageing,
    List<? extends OpenItem> open) {}
