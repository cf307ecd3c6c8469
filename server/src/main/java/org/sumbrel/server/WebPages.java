package org.sumbrel.server;

import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;

/**
 * Every address of the interface is answered with its one page, so that links into it and reloads
 * work.
 */
@Controller
class WebPages {

  @GetMapping({
    "/",
    "/arrived/**",
    "/waiting/**",
    "/pouch/**",
    "/posted/**",
    "/tied-out/**",
    "/sign-in",
    "/users",
    "/audit",
    "/settings",
    "/settings/**",
    "/start",
    "/money-rules",
    "/policies",
    "/house-rules",
    "/keys"
  })
  String page() {
    return "forward:/index.html";
  }
}
