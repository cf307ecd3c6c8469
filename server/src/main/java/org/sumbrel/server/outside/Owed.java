package org.sumbrel.server.outside;

import org.joda.money.Money;

/** An open invoice that a made-up customer may pay. */
record Owed(Long customer, String name, String number, String order, Money open) {}
