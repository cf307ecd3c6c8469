package org.sumbrel.server;

import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.context.properties.ConfigurationPropertiesScan;
import org.springframework.data.jpa.repository.config.EnableJpaRepositories;
import org.springframework.data.repository.config.BootstrapMode;
import org.springframework.scheduling.annotation.EnableAsync;
import org.springframework.scheduling.annotation.EnableScheduling;

/** The application: HTTP API, storage and the built interface in one process. */
@SpringBootApplication
@ConfigurationPropertiesScan
@EnableAsync
@EnableScheduling
@EnableJpaRepositories(
    repositoryBaseClass = RepositoryOfRows.class,
    bootstrapMode = BootstrapMode.LAZY)
public class SumbrelServer {

  public static void main(String[] args) {
    SpringApplication.run(SumbrelServer.class, args);
  }
}
