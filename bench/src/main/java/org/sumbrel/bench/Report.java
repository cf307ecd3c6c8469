package org.sumbrel.bench;

import com.fasterxml.jackson.annotation.JsonAutoDetect.Visibility;
import com.fasterxml.jackson.annotation.PropertyAccessor;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.SerializationFeature;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.sumbrel.bench.Accuracy.Measured;
import org.sumbrel.bench.Accuracy.Row;
import org.sumbrel.bench.SolverRace.Race;
import org.sumbrel.bench.Throughput.Run;

/** The figures as a table for people and as JSON for later comparison. */
final class Report {

  private static final int BAR = 40;

  private final PrintStream out;
  private final Map<String, Object> results = new LinkedHashMap<>();

  Report(PrintStream out) {
    this.out = out;
  }

  void accuracy(Measured measured) {
    out.printf("%n%s, seeds from %d%n", measured.profile(), measured.seed());
    out.printf(
        "%-26s %6s %9s %8s %8s %8s %9s %12s%n",
        "behaviour", "all", "determ.", "right", "in five", "clear", "commonly", "wrong clear");
    measured.rows().forEach(this::row);
    row("TOTAL", measured.total());
    out.println("said   was    how many");
    for (var bin : measured.bins()) {
      out.printf(
          "%.3f  %.3f  %6d  %s%n",
          bin.said(), bin.was(), bin.count(), "#".repeat((int) Math.round(bin.was() * BAR)));
    }
    var total = measured.total();
    var figures = new LinkedHashMap<String, Object>();
    figures.put("seed", measured.seed());
    figures.put("payments", total.all);
    figures.put("determined", total.determined);
    figures.put("wrongAmongClear", total.wrongAmongClear());
    figures.put("clearOfDetermined", total.ofDetermined(total.clearDetermined));
    figures.put("rightOfDetermined", total.ofDetermined(total.right));
    figures.put("inFiveOfDetermined", total.ofDetermined(total.rightInFive));
    figures.put("commonPracticeRightOfDetermined", total.ofDetermined(total.commonlyRight));
    figures.put("calibrationError", measured.calibrationError());
    figures.forEach((name, value) -> out.printf("%-32s %s%n", name, shown(value)));
    figures.put("bins", measured.bins());
    figures.put("behaviours", measured.rows());
    results.put(measured.profile().name(), figures);
  }

  private static String shown(Object value) {
    return value instanceof Double d ? "%.5f".formatted(d) : value.toString();
  }

  private void row(String name, Row row) {
    out.printf(
        "%-26s %6d %9d %7.1f%% %7.1f%% %7.1f%% %8.1f%% %12d%n",
        name,
        row.all,
        row.determined,
        100 * row.ofDetermined(row.right),
        100 * row.ofDetermined(row.rightInFive),
        100 * row.ofDetermined(row.clearDetermined),
        100 * row.ofDetermined(row.commonlyRight),
        row.wrongClear);
  }

  void race(Race race) {
    out.printf(
        "%n%d items, a true set of %d: %d instances, %d proven, median %.1f ms, p99 %.1f ms%n",
        race.items(), race.trueSet(), race.instances(), race.proven(), race.median(), race.p99());
    out.printf(
        "CP-SAT on %d of them: same best value %d, not finished %d, median %.0f ms, %.0f times ours%n",
        race.raced(), race.same(), race.unfinished(), race.independentMedian(), race.timesFaster());
    results.put("solver of " + race.items(), race);
  }

  void speed(List<Run> runs) {
    out.printf(
        "%n%9s %9s %10s %12s %10s%n", "receipts", "items", "seconds", "per second", "heap MiB");
    for (var run : runs) {
      out.printf(
          "%9d %9d %10.2f %12.0f %10d%n",
          run.receipts(), run.items(), run.seconds(), run.perSecond(), run.heapMebibytes());
    }
    for (var n = 1; n < runs.size(); n++) {
      out.printf(
          "%d receipts cost %.1f times as much as %d%n",
          runs.get(n).receipts(),
          runs.get(n).seconds() / runs.get(n - 1).seconds(),
          runs.get(n - 1).receipts());
    }
    results.put("speed", runs);
  }

  void lockbox(LockboxRun.Lockbox lockbox) {
    out.printf(
        "%nlockbox of %,d cheques with %,d items: taken in in %.1f s, thought about in %.1f s, %,d ready;"
            + " control totals %.0f ms, a page of cheques %.0f ms; %,d posted in %.1f s, %.0f a second%n",
        lockbox.cheques(),
        lockbox.items(),
        lockbox.takenSeconds(),
        lockbox.thoughtSeconds(),
        lockbox.clear(),
        lockbox.batchMs(),
        lockbox.pageMs(),
        lockbox.posted(),
        lockbox.postedSeconds(),
        lockbox.posted() / lockbox.postedSeconds());
    results.put("lockbox", lockbox);
  }

  void durability(List<DurabilityRun.Pace> paces) {
    out.printf("%nsettlements a second: by hand (8 users), in a run%n");
    for (var pace : paces) {
      out.printf(
          "  commits %s: %.0f, %.0f%n",
          pace.forced() ? "forced to disk" : "written behind",
          pace.byHandPerSecond(),
          pace.runPerSecond());
    }
    results.put("durability", paces);
  }

  void payout(PayoutRun.Payout payout) {
    out.printf(
        "%npayout of %,d items: read and joined in %.1f s, %,d to invoices; statement %.0f ms,"
            + " what booking writes %.0f ms, a page of items %.0f ms; booked in %.1f s, %.0f items a second,"
            + " %d steps of it seen; taken back in %.1f s%n",
        payout.items(),
        payout.takenSeconds(),
        payout.joined(),
        payout.viewMs(),
        payout.bookingMs(),
        payout.pageMs(),
        payout.bookedSeconds(),
        payout.items() / payout.bookedSeconds(),
        payout.progressSeen(),
        payout.reversedSeconds());
    results.put("payout", payout);
  }

  void reading(ReadingRace.Race race) {
    out.printf(
        "%ncamt.053 of %d entries, %d MiB: read in %.2f s, a bare pass %.2f s, ratio %.2f; in 256 MiB of heap: %s%n",
        race.entries(),
        race.mebibytes(),
        race.seconds(),
        race.bareSeconds(),
        race.ratio(),
        race.inLittleHeap() ? "yes" : "NO");
    results.put("reading", race);
  }

  void intake(IntakeRun.Intake intake) {
    out.printf(
        "intake of %d entries through the API: %.1f s; read in %.1f s, recognised and written in %.1f s, %.0f a second; all of it once more: %.1f s%n",
        intake.entries(),
        intake.seconds(),
        intake.readSeconds(),
        intake.keptSeconds(),
        intake.perSecond(),
        intake.againSeconds());
    results.put("intake", intake);
  }

  void desk(DeskRun.Desk desk) {
    out.println("8 users at once, each a tenth of a second between two reads:");
    desk.reads().forEach(this::reads);
    out.println("8 users at once without a pause:");
    desk.hurried().forEach(this::reads);
    for (var current : desk.current()) {
      out.printf(
          "all proposals current after %-10s %4d: median %6.1f ms, p95 %6.1f ms, slowest %6.1f ms%n",
          current.after(),
          current.count(),
          current.medianMs(),
          current.p95Ms(),
          current.slowestMs());
    }
    var run = desk.posting();
    out.printf(
        "run of %d: %.1f s, %.0f a second, %d refused%n",
        run.lines(), run.seconds(), run.perSecond(), run.refused());
    results.put("desk", desk);
  }

  private void reads(DeskRun.Reads reads) {
    out.printf(
        "  %-22s %6d reads: median %6.1f ms, p95 %6.1f ms%n",
        reads.what(), reads.count(), reads.medianMs(), reads.p95Ms());
  }

  void write(Path file) throws IOException {
    Files.createDirectories(file.getParent());
    new ObjectMapper()
        .setVisibility(PropertyAccessor.FIELD, Visibility.ANY)
        .enable(SerializationFeature.INDENT_OUTPUT)
        .writeValue(file.toFile(), results);
    out.println("written to " + file.getFileName());
  }
}
