package org.sumbrel.server.access;

import jakarta.persistence.CollectionTable;
import jakarta.persistence.Column;
import jakarta.persistence.ElementCollection;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Duration;
import java.time.Instant;
import java.util.Set;
import java.util.TreeSet;
import org.hibernate.annotations.DynamicUpdate;

/** Somebody who may sign in. */
@Entity
@Table(name = "app_user")
@DynamicUpdate
class UserEntity {

  private static final int FREE_ATTEMPTS = 4;
  private static final Duration FIRST_WAIT = Duration.ofSeconds(15);
  private static final int MOST_DOUBLINGS = 6;

  @Id
  @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "app_user_seq")
  @SequenceGenerator(name = "app_user_seq", sequenceName = "app_user_seq", allocationSize = 1)
  private Long id;

  private String name;
  private String fullName;
  private String passwordHash;

  @Enumerated(EnumType.STRING)
  private Role role;

  private boolean maySignIn = true;
  private boolean everyCompany = true;

  @ElementCollection
  @CollectionTable(name = "user_company", joinColumns = @JoinColumn(name = "user_id"))
  @Column(name = "works_in")
  private Set<Long> companies = new TreeSet<>();

  private int failedAttempts;
  private Instant lockedUntil;
  @Version private long version;

  protected UserEntity() {}

  UserEntity(String name, String fullName, String passwordHash, Role role) {
    this.name = name;
    this.fullName = fullName;
    this.passwordHash = passwordHash;
    this.role = role;
  }

  String name() {
    return name;
  }

  String fullName() {
    return fullName;
  }

  String passwordHash() {
    return passwordHash;
  }

  Role role() {
    return role;
  }

  boolean maySignIn() {
    return maySignIn;
  }

  void is(String called, Role other, boolean signsIn) {
    fullName = called;
    role = other;
    maySignIn = signsIn;
  }

  /** An administrator sets up the companies, and so sees them all. */
  Membership membership() {
    return everyCompany || role == Role.ADMINISTRATOR
        ? Membership.EVERYWHERE
        : Membership.in(companies);
  }

  void worksIn(Membership other) {
    everyCompany = other.everywhere();
    companies.clear();
    other.only().ifPresent(companies::addAll);
  }

  void passwordIs(String hash) {
    passwordHash = hash;
    failedAttempts = 0;
    lockedUntil = null;
  }

  boolean lockedAt(Instant now) {
    return lockedUntil != null && now.isBefore(lockedUntil);
  }

  Instant lockedUntil() {
    return lockedUntil;
  }

  /** After a few free attempts each further one doubles the wait, up to a quarter of an hour. */
  void failed(Instant now) {
    failedAttempts++;
    if (failedAttempts >= FREE_ATTEMPTS) {
      var doublings = Math.min(MOST_DOUBLINGS, failedAttempts - FREE_ATTEMPTS);
      lockedUntil = now.plus(FIRST_WAIT.multipliedBy(1L << doublings));
    }
  }

  void signedIn() {
    failedAttempts = 0;
    lockedUntil = null;
  }
}
