package org.sumbrel.server.api;

import jakarta.validation.constraints.NotNull;
import java.util.List;
import java.util.function.Function;

/**
 * A part of a list.
 *
 * @param rows in the list's order
 * @param next what to pass as {@code cursor} for the rows after these; null where there are none
 */
public record Page<T>(@NotNull List<T> rows, String next) {

  private static final int MOST = 500;

  /** Cuts one row more than asked for into a page, with a cursor where there was one more. */
  public static <R, T> Page<T> of(
      List<R> found, int limit, Function<R, T> view, Function<R, String> cursor) {
    var more = found.size() > limit;
    var kept = more ? found.subList(0, limit) : found;
    return new Page<>(
        kept.stream().map(view).toList(), more ? cursor.apply(kept.get(limit - 1)) : null);
  }

  /** The limit that counts: between 1 and 500. */
  public static int limit(int asked) {
    return Math.max(1, Math.min(MOST, asked));
  }

  /** Reads a cursor that is a number; {@code otherwise} where there is none. */
  public static long cursor(String cursor, long otherwise) {
    if (cursor == null || cursor.isBlank()) {
      return otherwise;
    }
    try {
      return Long.parseLong(cursor);
    } catch (NumberFormatException e) {
      throw new BadRequest("\"" + cursor + "\" is not a cursor that this list gave.");
    }
  }
}
