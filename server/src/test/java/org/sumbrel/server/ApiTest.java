package org.sumbrel.server;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;
import org.springframework.boot.test.autoconfigure.web.servlet.AutoConfigureMockMvc;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.test.context.TestPropertySource;

/** A test through the HTTP API on a real H2 with the demo company in it. */
@Target(ElementType.TYPE)
@Retention(RetentionPolicy.RUNTIME)
@SpringBootTest
@AutoConfigureMockMvc
@TestPropertySource(
    properties = {
      "spring.datasource.url=jdbc:h2:mem:${random.uuid};DB_CLOSE_DELAY=-1;LOCK_TIMEOUT=1000",
      "spring.jpa.hibernate.ddl-auto=validate",
      "sumbrel.business-date=2026-05-29",
      "sumbrel.inbox=",
      "sumbrel.runs-every=1s",
      "sumbrel.demo.enabled=true"
    })
public @interface ApiTest {}
