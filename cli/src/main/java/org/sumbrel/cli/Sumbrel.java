package org.sumbrel.cli;

import java.util.logging.Level;
import java.util.logging.Logger;
import picocli.CommandLine;
import picocli.CommandLine.Command;

/** The command {@code sumbrel}: the rules and readers of the application from a shell. */
@Command(
    name = "sumbrel",
    description =
        "Reads statements, proposes what they pay, restores backups and checks data folders, without a browser.",
    mixinStandardHelpOptions = true,
    version = "0.1.0",
    subcommands = {ReadCommand.class, ProposeCommand.class, RestoreCommand.class})
public final class Sumbrel {

  /** Held on to, else its level is forgotten: what a library notes by the way is no problem. */
  private static final Logger NOTES = Logger.getLogger("io.xlate");

  private Sumbrel() {}

  public static void main(String[] args) {
    NOTES.setLevel(Level.WARNING);
    System.exit(run(args));
  }

  /** Runs one command: 0 done, 1 the input is wrong, 2 the call is wrong. */
  static int run(String... args) {
    return new CommandLine(new Sumbrel())
        .execute(args.length == 0 ? new String[] {"--help"} : args);
  }
}
