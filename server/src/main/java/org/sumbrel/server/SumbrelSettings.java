package org.sumbrel.server;

import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.boot.context.properties.bind.DefaultValue;

/**
 * What can be set from outside.
 *
 * @param data the folder of the database
 * @param inbox the folder whose files are taken in, or empty where none is watched
 * @param businessDate a fixed ISO date for demonstrations and tests, or empty for the real one
 * @param stopWhenReady whether to stop again as soon as everything is in place, which prepares a
 *     data folder
 * @param forcedCommits whether a commit is on disk before it is answered; false only to measure
 *     what that costs
 */
@ConfigurationProperties("sumbrel")
public record SumbrelSettings(
    String data,
    @DefaultValue("") String inbox,
    @DefaultValue("") String businessDate,
    @DefaultValue("false") boolean stopWhenReady,
    @DefaultValue("true") boolean forcedCommits,
    @DefaultValue Demo demo) {

  /**
   * The made-up company.
   *
   * @param enabled whether it is put into an empty database
   * @param big whether the big set is added
   */
  public record Demo(@DefaultValue("false") boolean enabled, @DefaultValue("false") boolean big) {}
}
