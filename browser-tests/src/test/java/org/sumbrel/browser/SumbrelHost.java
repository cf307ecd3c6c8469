package org.sumbrel.browser;

import java.io.BufferedReader;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.util.List;

/**
 * Runs the packed application again and again in one process, over one data folder after another: a
 * process that has started it once starts it in a third of the time. Each line of its input is a
 * list of options, separated by tabs, or empty to stop what runs.
 */
final class SumbrelHost {

  private SumbrelHost() {}

  public static void main(String[] args) throws Exception {
    var application = Class.forName("org.sumbrel.server.SumbrelServer");
    var run =
        Class.forName("org.springframework.boot.SpringApplication")
            .getMethod("run", Class.class, String[].class);
    AutoCloseable running = null;
    var lines = new BufferedReader(new InputStreamReader(System.in, StandardCharsets.UTF_8));
    for (var line = lines.readLine(); line != null; line = lines.readLine()) {
      if (running != null) {
        running.close();
        running = null;
      }
      if (line.isEmpty()) {
        System.out.println("Sumbrel has stopped");
      } else {
        var options = List.of(line.split("\t")).toArray(String[]::new);
        try {
          running = (AutoCloseable) run.invoke(null, application, options);
        } catch (ReflectiveOperationException e) {
          e.printStackTrace(System.out);
          System.out.println("Sumbrel did not start");
        }
      }
    }
    System.exit(0);
  }
}
