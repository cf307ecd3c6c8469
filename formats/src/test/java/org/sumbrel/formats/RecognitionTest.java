package org.sumbrel.formats;

import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.sumbrel.formats.TestFiles.read;

import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class RecognitionTest {

  @Test
  void knowsALockboxFileOfFixedWidth() {
    assertThatThrownBy(
            () ->
                read(
                    "101COPPERBECKLARKSTOWML2605291200"
                        + " ".repeat(20)
                        + "\n2LARKSTOWMLCOPPERBECK\n"))
        .hasMessageContaining("no record 9 at its end");
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "%PDF-1.7|a PDF",
        "PK\u0003\u0004rest|archive is damaged",
        "<!DOCTYPE html><html><body>Session expired</body></html>|web page",
        "<Document xmlns='urn:iso:std:iso:20022:tech:xsd:pain.001.001.09'/>|begins with <Document>",
        "{1:F01AAAABBXXAXXX0000000000}{2:I103AAAABBXXXXXXN}{4:|MT103",
        "ISA*00*~ST*810*0001~|transaction set 810",
        "Dear Sir, please find the money|begins with"
      })
  void saysWhatElseItIs(String file, String reason) {
    assertThatThrownBy(() -> read(file))
        .isInstanceOf(BrokenFile.class)
        .hasMessageContaining(reason);
  }

  @Test
  void refusesBytesThatAreNoText() {
    assertThatThrownBy(() -> AnyFile.read(new byte[] {7, 1, 0, 9}))
        .hasMessageContaining("binary")
        .hasMessageContaining("byte 2");
    assertThatThrownBy(() -> AnyFile.read(new byte[0])).hasMessageContaining("empty");
    assertThatThrownBy(() -> AnyFile.read("\u001f\u008b12".getBytes(StandardCharsets.ISO_8859_1)))
        .hasMessageContaining("packed");
  }
}
