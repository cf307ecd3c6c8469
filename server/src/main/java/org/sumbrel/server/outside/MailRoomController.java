package org.sumbrel.server.outside;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.io.IOException;
import java.security.Principal;
import java.time.LocalDate;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.sumbrel.server.companies.BankAccountEntity;
import org.sumbrel.server.outside.Deliveries.DeliveryView;
import org.sumbrel.server.outside.SimulatedDeliveryEntity.Source;

/** The simulated mail room, there with the demo data only. */
@RestController
@RequestMapping("/api/outside/mail-room")
@Tag(name = "outside")
class MailRoomController {

  private final SimulatedMailRoom room;
  private final Deliveries deliveries;
  private final DemoOnly demo;

  MailRoomController(SimulatedMailRoom room, Deliveries deliveries, DemoOnly demo) {
    this.room = room;
    this.deliveries = deliveries;
    this.demo = demo;
  }

  record MailRoomView(
      @Schema(description = "the lockbox whose envelopes it opens; missing where there is none")
          String lockbox,
      @NotNull @Schema(description = "the last day whose envelopes it has opened") LocalDate day,
      @NotNull MailRoomBehaviour behaviour,
      @NotNull List<DeliveryView> deliveries) {}

  @GetMapping
  @Operation(summary = "The simulated mail room, its files and what became of them")
  MailRoomView view(@RequestParam(required = false) Long company) {
    var owner = owner(company);
    var now = room.of(owner);
    return new MailRoomView(
        room.account(owner).map(BankAccountEntity::lockbox).orElse(null),
        now.day(),
        now.behaviour(),
        deliveries.of(owner, Source.MAIL_ROOM));
  }

  private Long owner(Long company) {
    return demo.companyOf(company, "simulated mail room");
  }

  @PostMapping("/day")
  @Operation(summary = "Lets a working day go by at the simulated mail room, which makes its file")
  MailRoomView dayForward(@RequestParam(required = false) Long company) {
    room.dayForward(owner(company));
    return view(company);
  }

  @PutMapping("/behaviour")
  @Operation(summary = "Sets how the simulated mail room misbehaves from now on")
  MailRoomView behave(
      @RequestParam(required = false) Long company,
      @Valid @RequestBody MailRoomBehaviour behaviour) {
    room.behave(owner(company), behaviour);
    return view(company);
  }

  @PostMapping("/fetch")
  @Operation(summary = "Fetches what lies ready at the simulated mail room and takes it in")
  MailRoomView fetch(@RequestParam(required = false) Long company, Principal principal)
      throws IOException {
    var owner = owner(company);
    deliveries.fetch(owner, room.ready(owner), principal.getName());
    return view(company);
  }
}
