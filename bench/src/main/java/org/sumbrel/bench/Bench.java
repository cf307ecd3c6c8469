package org.sumbrel.bench;

import java.nio.file.Path;
import java.util.List;

/** {@code bin/bench}: how well and how fast the engine explains made-up payments. */
public final class Bench {

  private Bench() {}

  public static void main(String[] args) throws Exception {
    var quick = List.of(args).contains("--quick");
    var verbose = List.of(args).contains("--wrong");
    if (List.of(args).contains("--fit")) {
      Fit.write(Path.of(args[args.length - 1]));
      return;
    }
    if (List.of(args).contains("--speed")) {
      Throughput.measure(List.of(1_000, 10_000)).forEach(System.out::println);
      return;
    }
    Accuracy.measure(quick ? 4_000 : 20_000, verbose);
  }
}
