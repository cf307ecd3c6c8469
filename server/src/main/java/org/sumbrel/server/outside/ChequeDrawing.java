package org.sumbrel.server.outside;

import java.time.LocalDate;
import org.joda.money.Money;
import org.springframework.web.util.HtmlUtils;
import org.sumbrel.core.money.MoneyText;
import org.sumbrel.core.receivables.DayText;

/**
 * A made-up cheque as a scanner would show it.
 *
 * @param memo what the drawer wrote it is for
 * @param routing nine digits with their check digit
 */
record ChequeDrawing(
    String drawer,
    String payee,
    LocalDate on,
    Money amount,
    String memo,
    String routing,
    String account,
    String number) {

  /** What a reader makes of the line at the foot, transit as {@code T} and on-us as {@code U}. */
  String codeLine() {
    return "T%sT %sU %s".formatted(routing, account, number);
  }

  /** The picture, as SVG. */
  String svg() {
    return """
        <svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 720 300" font-family="Georgia, 'Liberation Serif', serif" fill="#2c3138">
          <rect x="2" y="2" width="716" height="296" rx="6" fill="#f4f1e6" stroke="#9b9584"/>
          <g stroke="#e2dcc8">%s</g>
          <text x="28" y="44" font-size="20">%s</text>
          <text x="28" y="64" font-size="11" fill="#6d685b">made up for the demonstration, no real account</text>
          <text x="690" y="44" font-size="16" text-anchor="end">No. %s</text>
          <text x="690" y="78" font-size="14" text-anchor="end" font-style="italic">%s</text>
          <text x="28" y="122" font-size="11" fill="#6d685b">To the order of</text>
          <text x="122" y="124" font-size="18" font-style="italic">%s</text>
          <path d="M118 130H520" stroke="#9b9584"/>
          <rect x="548" y="100" width="142" height="34" fill="#fffdf6" stroke="#9b9584"/>
          <text x="682" y="123" font-size="18" text-anchor="end">%s %s</text>
          <text x="28" y="166" font-size="16" font-style="italic">%s</text>
          <path d="M28 172H690" stroke="#9b9584"/>
          <text x="28" y="220" font-size="11" fill="#6d685b">For</text>
          <text x="56" y="221" font-size="15" font-style="italic">%s</text>
          <path d="M52 227H380" stroke="#9b9584"/>
          <path d="M470 216c18-34 30 18 44-8s22 26 40-6 20 22 46 2 34-8 52-12" fill="none" stroke="#2b3a67" stroke-width="2"/>
          <path d="M450 227H690" stroke="#9b9584"/>
          <g font-family="'Atkinson Hyperlegible Mono', 'Liberation Mono', monospace" font-size="20">%s</g>
        </svg>
        """
        .formatted(
            weave(),
            text(drawer),
            text(number),
            DayText.of(on),
            text(payee),
            amount.getCurrencyUnit(),
            MoneyText.grouped(amount),
            text(AmountInWords.of(amount)),
            text(memo),
            foot());
  }

  /** The lines that make paper look like cheque paper. */
  private static String weave() {
    var lines = new StringBuilder();
    for (var y = 12; y < 250; y += 9) {
      lines
          .append("<path d='M10 ")
          .append(y)
          .append("q60 8 120 0t120 0 120 0 120 0 120 0 100 0'/>");
    }
    return lines.toString().replace("<path", "<path fill='none'");
  }

  /** Digits, with the two symbols drawn, since few fonts have them. */
  private String foot() {
    return symbol(30, true)
        + "<text x='48' y='276'>"
        + text(routing)
        + "</text>"
        + symbol(164, true)
        + "<text x='192' y='276'>"
        + text(account)
        + "</text>"
        + symbol(200 + 12 * account.length(), false)
        + "<text x='"
        + (228 + 12 * account.length())
        + "' y='276'>"
        + text(number)
        + "</text>";
  }

  private static String symbol(int x, boolean transit) {
    return transit
        ? "<path d='M%d 262v14M%d 262h5v5h-5zM%d 271h5v5h-5z'/>"
            .formatted(x, x + 5, x + 5)
            .replace("<path", "<path stroke='#2c3138' stroke-width='2'")
        : "<path d='M%d 262v14M%d 262v14M%d 266h5v6h-5z' stroke='#2c3138' stroke-width='2'/>"
            .formatted(x, x + 5, x + 10);
  }

  private static String text(String told) {
    return HtmlUtils.htmlEscape(told, "UTF-8");
  }
}
