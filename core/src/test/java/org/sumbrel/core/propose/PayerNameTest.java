package org.sumbrel.core.propose;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.sumbrel.core.Books.customer;
import static org.sumbrel.core.Books.policy;
import static org.sumbrel.core.Books.receipt;

import java.util.List;
import java.util.Map;
import org.apache.commons.text.similarity.JaroWinklerSimilarity;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PayerNameTest {

  /**
   * Source: Winkler, "String Comparator Metrics and Enhanced Decision Rules in the Fellegi-Sunter
   * Model of Record Linkage" (1990), table of name pairs: MARTHA/MARHTA 0.961, DWAYNE/DUANE 0.840,
   * DIXON/DICKSONX 0.813. Holds the library to the published figures.
   */
  @ParameterizedTest
  @CsvSource({"MARTHA, MARHTA, 0.961", "DWAYNE, DUANE, 0.840", "DIXON, DICKSONX, 0.813"})
  void comparesAsPublished(String one, String other, double similarity) {
    assertThat(new JaroWinklerSimilarity().apply(one, other)).isCloseTo(similarity, within(0.0006));
  }

  @ParameterizedTest
  @CsvSource({
    "OSKAR DAUGHTERS BAKEHSE, 1, payer.name",
    "Oskar & Daughters Bakehouse Ltd., 1, payer.name",
    "BAKEHOUSE ON OSKAR LN, 2, payer.name_part",
    "CAFE TAMARISK, 3, payer.name",
    "TAMARISK CAFE LLC, 3, payer.name",
    "MOULIN IMPORTERS S, 4, payer.name"
  })
  void findsTheCustomerBehindAName(String written, String id, String code) {
    var snapshot =
        new Snapshot(
            List.of(),
            Map.of(),
            List.of(
                customer("1", "Oskar & Daughters Bakehouse"),
                    customer("2", "Bakehouse on Oskar Lane"),
                customer("3", "Café Tamarisk"), customer("4", "Moulin Importers SARL")),
            List.of(Alias.ofText("HALLORAN TRUST 77", "3")),
            List.of(
                new PastPayer("B. Quill", "", "4"),
                new PastPayer("B. Quill", "", "4"),
                new PastPayer("B. Quill", "", "1")),
            policy());
    var resolver = PayerResolver.over(snapshot);

    assertThat(resolver.resolve(receipt("1.00", written, ""), Asked.NOT_NOTED).get(0))
        .satisfies(
            lead -> {
              assertThat(lead.customerId()).isEqualTo(id);
              assertThat(lead.evidence().code()).isEqualTo(code);
            });
    assertThat(
            resolver
                .resolve(receipt("1.00", "Halloran Trust, 77", ""), Asked.NOT_NOTED)
                .get(0)
                .customerId())
        .isEqualTo("3");
    assertThat(resolver.resolve(receipt("1.00", "B QUILL", ""), Asked.NOT_NOTED))
        .extracting(PayerLead::customerId)
        .containsExactly("4", "1");
    assertThat(resolver.resolve(receipt("1.00", "Nobody Known", ""), Asked.NOT_NOTED)).isEmpty();
  }
}
