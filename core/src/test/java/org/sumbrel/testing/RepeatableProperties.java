package org.sumbrel.testing;

import net.jqwik.api.Property;
import net.jqwik.api.lifecycle.AroundPropertyHook;
import net.jqwik.api.lifecycle.PropagationMode;
import net.jqwik.api.lifecycle.PropertyExecutionResult;
import net.jqwik.api.lifecycle.PropertyExecutor;
import net.jqwik.api.lifecycle.PropertyLifecycleContext;

/**
 * Gives every property a seed of its own, made from one seed for the whole run. Without further
 * settings that seed is fixed and each property has a share of its tries; with {@code
 * -Dsumbrel.tests=full} the seed is fresh and printed, and all tries are made. {@code
 * -Dsumbrel.seed=N} repeats a run.
 */
public final class RepeatableProperties implements AroundPropertyHook {

  private static final long FIXED = 20_260_529L;

  /** Without {@code full}, one try of so many is made, but never fewer than these. */
  private static final int SHARE = 5;

  private static final int FEWEST = 10;

  /** As in junit-platform.properties. */
  private static final int DEFAULT = 500;

  private static final boolean FULL = TestDepth.full();
  private static final long SEED = Long.getLong("sumbrel.seed", FULL ? System.nanoTime() : FIXED);

  static {
    System.out.println(
        "Properties: seed " + SEED + (FULL ? ", all tries" : ", one in " + SHARE + " tries"));
  }

  @Override
  public PropertyExecutionResult aroundProperty(
      PropertyLifecycleContext context, PropertyExecutor property) {
    var attributes = context.attributes();
    if (attributes.seed().filter(s -> !s.equals(Property.SEED_NOT_SET)).isEmpty()) {
      var name = context.containerClass().getName() + "." + context.targetMethod().getName();
      attributes.setSeed(Long.toString(SEED * 31 + name.hashCode()));
    }
    if (!FULL) {
      var tries = attributes.tries().orElse(DEFAULT);
      attributes.setTries(Math.min(tries, Math.max(FEWEST, tries / SHARE)));
    }
    return property.execute();
  }

  @Override
  public PropagationMode propagateTo() {
    return PropagationMode.ALL_DESCENDANTS;
  }

  @Override
  public int aroundPropertyProximity() {
    return -100;
  }
}
