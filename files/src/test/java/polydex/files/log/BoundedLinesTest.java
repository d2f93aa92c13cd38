package polydex.files.log;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.StringReader;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;

/** Lines of bounded length, against a text that is split at once. */
class BoundedLinesTest {
  private static String text(Random random, int lines) {
    StringBuilder text = new StringBuilder();
    for (int i = 0; i < lines; i++) {
      switch (random.nextInt(12)) {
        case 0 -> text.append("x".repeat(BoundedLines.LONGEST + random.nextInt(3)));
        case 1 -> text.append("x".repeat(BoundedLines.LONGEST - random.nextInt(3)));
        case 2 -> text.append("a\0b");
        case 3 -> text.append("a\uFFFDb");
        case 4 -> text.append("\"open");
        case 5 -> text.append("\"closed\"\"\"");
        case 6 -> text.append("");
        default -> text.append("line ").append(i);
      }
      if (i < lines - 1 || random.nextBoolean()) {
        text.append('\n');
      }
    }
    return text.toString();
  }

  private static boolean isFine(String line, boolean quoted) {
    long marks = line.chars().filter(c -> c == '"').count();
    return line.length() <= BoundedLines.LONGEST
        && line.indexOf('\0') < 0
        && line.indexOf('\uFFFD') < 0
        && !(quoted && marks % 2 == 1);
  }

  @Property(tries = 300)
  void everyLineIsHandedOnOrToldOfAndKeepsItsNumber(
      @ForAll long seed,
      @ForAll @IntRange(min = 0, max = 25) int lines,
      @ForAll boolean quoted,
      @ForAll @IntRange(min = 1, max = 5000) int atOnce)
      throws IOException {
    String text = text(new Random(seed), lines);
    List<Long> told = new ArrayList<>();
    StringBuilder read = new StringBuilder();
    try (BoundedLines bounded =
        new BoundedLines(new StringReader(text), quoted, (line, _) -> told.add(line))) {
      char[] some = new char[atOnce];
      for (int n = bounded.read(some, 0, atOnce); n >= 0; n = bounded.read(some, 0, atOnce)) {
        read.append(some, 0, n);
      }
    }
    List<String> expected = new ArrayList<>();
    List<Long> bad = new ArrayList<>();
    String[] split = text.split("\n", -1);
    int count = text.endsWith("\n") || text.isEmpty() ? split.length - 1 : split.length;
    for (int i = 0; i < count; i++) {
      boolean fine = isFine(split[i], quoted);
      expected.add(fine ? split[i] : "");
      if (!fine) {
        bad.add(i + 1L);
      }
    }
    assertThat(told).isEqualTo(bad);
    assertThat(read.toString())
        .isEqualTo(expected.isEmpty() ? "" : String.join("\n", expected) + "\n");
  }
}
