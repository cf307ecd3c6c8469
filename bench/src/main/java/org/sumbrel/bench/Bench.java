package org.sumbrel.bench;

import java.nio.file.Path;
import java.util.List;
import java.util.function.Consumer;
import org.sumbrel.bench.Payments.Profile;

/**
 * {@code bin/bench}: how well and how fast the engine explains made-up payments, and how fast files
 * are read and taken in.
 */
public final class Bench {

  private static final Path LATEST = Path.of("bench", "results", "latest.json");

  private static final Path SERVER = Path.of("server", "target", "sumbrel-server.jar");
  private static final int ENTRIES = 100_000;

  private Bench() {}

  /**
   * {@code --quick} takes less than two minutes; {@code --wrong} lists what was wrong; {@code
   * --files} measures reading and intake only, {@code --desk} reads and posting on the big set,
   * {@code --lockbox} a lockbox of 5,000 cheques, {@code --payout} a payout of 50,000 items, {@code
   * --durability} what forcing commits to disk costs; {@code --fit FILE} fits the engine's factors
   * anew instead.
   */
  public static void main(String[] args) throws Exception {
    var given = List.of(args);
    if (given.contains("--fit")) {
      Fit.write(Path.of(args[args.length - 1]));
      return;
    }
    var quick = given.contains("--quick");
    Consumer<String> wrong = given.contains("--wrong") ? System.out::println : line -> {};
    var report = new Report(System.out);
    if (given.contains("--files")) {
      files(report);
      return;
    }
    if (given.contains("--lockbox")) {
      report.lockbox(LockboxRun.run(SERVER));
      return;
    }
    if (given.contains("--payout")) {
      report.payout(PayoutRun.run(SERVER));
      return;
    }
    if (given.contains("--durability")) {
      report.durability(DurabilityRun.run(SERVER));
      return;
    }
    if (given.contains("--desk")) {
      report.desk(DeskRun.run(SERVER));
      return;
    }
    for (var profile : Profile.values()) {
      report.accuracy(Accuracy.measure(profile, quick ? 4_000 : 20_000, wrong));
    }
    if (given.contains("--accuracy")) {
      return;
    }
    report.race(SolverRace.run(60, 6, quick ? 50 : 300, quick ? 2 : 8, quick ? 10 : 30));
    report.race(SolverRace.run(400, 12, quick ? 50 : 300, quick ? 1 : 4, quick ? 10 : 30));
    report.speed(
        Throughput.measure(quick ? List.of(1_000, 10_000) : List.of(1_000, 10_000, 100_000)));
    if (!quick) {
      files(report);
      report.desk(DeskRun.run(SERVER));
      report.lockbox(LockboxRun.run(SERVER));
      report.payout(PayoutRun.run(SERVER));
      report.durability(DurabilityRun.run(SERVER));
      report.write(LATEST);
    }
  }

  private static void files(Report report) throws Exception {
    report.reading(ReadingRace.run(ENTRIES));
    report.intake(IntakeRun.run(SERVER, ENTRIES));
  }
}
