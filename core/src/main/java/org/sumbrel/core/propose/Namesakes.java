package org.sumbrel.core.propose;

import java.util.Collection;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Function;

/**
 * Who of another company's customers is called as a payer is: by the same words in any order,
 * whatever their case, diacritics and legal form. Who is only nearly called so is another one.
 */
public final class Namesakes {

  private static final int MOST_LOOKED_UP = 3;

  private Namesakes() {}

  /** Those of {@code all} who are called by one of the names. */
  public static <T> List<T> in(
      Collection<T> all, Function<T, String> name, Collection<String> names) {
    var asked = new HashSet<Set<String>>();
    names.forEach(text -> asked.add(words(text)));
    asked.remove(Set.of());
    return all.stream().filter(one -> asked.contains(words(name.apply(one)))).toList();
  }

  /** By which words a name is best looked up: the longest of it, folded; some names have none. */
  public static List<String> lookUp(String name) {
    return PayerName.of(name).words().stream()
        .sorted(Comparator.comparingInt(String::length).reversed())
        .limit(MOST_LOOKED_UP)
        .toList();
  }

  private static Set<String> words(String name) {
    return Set.copyOf(new HashSet<>(PayerName.of(name).words()));
  }
}
