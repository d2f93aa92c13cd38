package polydex.catalog;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.AlphaChars;
import net.jqwik.api.constraints.StringLength;
import org.junit.jupiter.api.Test;

class WordsTest {
  @Test
  void whatMeansTheSameAsTheSameMeansTheSame() {
    for (List<String> same :
        List.of(
            List.of("launch", "begin", "start", "beginning", "started"),
            List.of("remove", "deleting", "erase"),
            List.of("documents", "file", "files", "doc"),
            List.of("previous", "backwards", "prev"))) {
      assertThat(same.stream().map(Words::meaning)).containsOnly(Words.meaning(same.getFirst()));
    }
    assertThat(Words.meaning("open")).isNotEqualTo(Words.meaning("close"));
    assertThat(Words.meaning("left")).isNotEqualTo(Words.meaning("right"));
  }

  /** A meaning stands for itself, so that it does not matter how often it is asked. */
  @Property
  void aMeaningMeansItself(@ForAll @AlphaChars @StringLength(min = 1, max = 9) String word) {
    for (String w : List.of(word.toLowerCase(java.util.Locale.ROOT), "launch", "prefs", "win")) {
      String meaning = Words.meaning(w);
      boolean stands = Words.meaning(meaning).equals(meaning) || meaning.equals(Words.stem(w));
      assertThat(stands).as(w).isTrue();
    }
  }
}
