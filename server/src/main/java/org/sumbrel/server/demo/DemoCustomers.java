package org.sumbrel.server.demo;

import java.text.Normalizer;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;

/** The customers of Larkstow Mill; every name is made up. */
final class DemoCustomers {

  private static final String[] PLACES = {
    "Alder", "Bramble", "Copper", "Dunmore", "Eelbrook", "Fernhill", "Gable", "Hollow", "Ivory",
        "Juniper", "Kestrel",
    "Larch", "Millrace", "Nettle", "Orchard", "Pebble", "Quarry", "Rowan", "Sandpiper", "Tansy",
        "Umber", "Vale",
    "Willow", "Yarrow"
  };
  private static final String[] KINDS = {
    "Bakery",
    "Patisserie",
    "Pizza Oven",
    "Bread Co",
    "Canteen",
    "Tea Rooms",
    "Crumb Kitchen",
    "Loaf House",
    "Pie Shop",
    "Doughnut Bar"
  };

  private DemoCustomers() {}

  static List<DemoCustomer> all(Random random) {
    var all = new ArrayList<DemoCustomer>();
    all.add(
        customer("C001", "Three Rivers Sourdough", "", "7712004401", 7, 0, "2/10 net 30", false));
    all.add(customer("C002", "Thistlebrook School Kitchens", "", "7712004402", 0, 0, "", false));
    all.add(customer("C003", "Oskar & Daughters Bakehouse", "", "", 7, 142_000, "", false));
    all.add(customer("C004", "Bakehouse on Oskar Lane", "", "", 7, 153_600, "", false));
    all.add(customer("C005", "Piazza Forno", "", "7712004405", 10, 0, "2/10 net 30", false));
    all.add(customer("C006", "Café Tamarisk", "", "", 14, 61_230, "", false));
    all.add(customer("C007", "Wrenhouse Bagels", "", "7712004407", 7, 120_450, "", false));
    all.add(customer("C008", "Halloway Street Deli", "", "", 14, 0, "", false));
    all.add(customer("C009", "Saltmarsh Hotel Kitchens", "", "7712004409", 7, 88_800, "", true));
    all.add(customer("C010", "Ferrymans Rest", "", "", 14, 45_000, "", true));
    all.add(customer("C011", "Upper Weir Bakery", "", "", 7, 72_500, "", true));
    all.add(customer("C012", "Marlpit Flatbreads", "", "", 10, 0, "2/10 net 30", false));
    var schools =
        List.of(
            "Elm Road",
            "Fairmead",
            "Hob Lane",
            "Kiln Green",
            "Larkrise",
            "Mere Bank",
            "Old Forge",
            "Stile End");
    for (var i = 0; i < schools.size(); i++) {
      all.add(
          customer(
              "C0" + (21 + i),
              schools.get(i) + " School Kitchen",
              "C002",
              "",
              14,
              18_400 + 2_150 * i,
              "",
              false));
    }
    for (var n = 31; all.size() < 58; n++) {
      var name = PLACES[n % PLACES.length] + " " + KINDS[random.nextInt(KINDS.length)];
      var standing = random.nextInt(3) == 0 ? 20_000 + 2_500 * random.nextInt(40) : 0;
      var terms = random.nextInt(6) == 0 ? "2/10 net 30" : "";
      var account = random.nextInt(3) == 0 ? "77120044" + n : "";
      all.add(
          customer("C0" + n, name, "", account, 10 + random.nextInt(8), standing, terms, false));
    }
    return all;
  }

  private static DemoCustomer customer(
      String number,
      String name,
      String parent,
      String account,
      int days,
      int usual,
      String terms,
      boolean oldest) {
    return new DemoCustomer(
        number, name, parent, account, days, usual, terms, oldest, asBanksWrite(name));
  }

  /** Capitals, no accents, no small signs, cut at 32 characters. */
  private static String asBanksWrite(String name) {
    var plain =
        Normalizer.normalize(name, Normalizer.Form.NFKD)
            .replaceAll("[^\\p{Alnum} ]", "")
            .replaceAll(" +", " ")
            .toUpperCase(Locale.ROOT);
    return plain.length() <= 32 ? plain : plain.substring(0, 32).strip();
  }
}
