package org.sumbrel.core.propose;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.function.Function;
import org.junit.jupiter.api.Test;

class NamesakesTest {

  private static final List<String> ALL =
      List.of("Saltpan Trading Inc", "Saltpan Trade", "Café Žižka & Søn", "GmbH", "");

  private static List<String> called(String... names) {
    return Namesakes.in(ALL, Function.identity(), List.of(names));
  }

  @Test
  void areCalledByTheSameWords() {
    assertThat(called("SALTPAN TRADING LLC")).containsExactly("Saltpan Trading Inc");
    assertThat(called("trading, saltpan")).containsExactly("Saltpan Trading Inc");
    assertThat(called("CAFE ZIZKA SØN", "Saltpan Trade"))
        .containsExactly("Saltpan Trade", "Café Žižka & Søn");
  }

  @Test
  void areNotOnlyNearlyCalledSo() {
    assertThat(called("SALTPAN TRADIN", "SALTPAN", "SALTPAN TRADING WEST")).isEmpty();
  }

  @Test
  void aNameWithoutWordsIsNobodys() {
    assertThat(called("", "GMBH", "& Co")).isEmpty();
    assertThat(Namesakes.lookUp("& Co")).isEmpty();
  }

  @Test
  void areLookedUpByTheirLongestWords() {
    assertThat(Namesakes.lookUp("The old mill of Saltpan Trading Ltd"))
        .containsExactly("SALTPAN", "TRADING", "MILL");
  }
}
