package polydex.conflict;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Size;

/** The table of ints against a map, with hashes as good as none. */
class FirstSeenTest {
  @Property(tries = 500)
  void itFindsTheFirstThatIsTheSame(
      @ForAll @Size(max = 200) List<@IntRange(max = 40) Integer> values,
      @ForAll @IntRange(min = 1, max = 50) int hashes) {
    FirstSeen seen = new FirstSeen(values.size(), (a, b) -> values.get(a).equals(values.get(b)));
    Map<Integer, Integer> expected = new HashMap<>();
    for (int i = 0; i < values.size(); i++) {
      int value = values.get(i);
      assertThat(seen.first(value % hashes, j -> values.get(j) == value))
          .isEqualTo(expected.getOrDefault(value, -1));
      expected.putIfAbsent(value, i);
      assertThat(seen.firstOf(i, value % hashes)).isEqualTo(expected.get(value));
    }
    assertThat(seen.first(0, _ -> false)).isEqualTo(-1);
  }
}
