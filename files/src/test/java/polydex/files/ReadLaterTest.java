package polydex.files;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class ReadLaterTest {
  @Test
  void eachIsReadOnceAndOnlyWhenItIsAskedFor() {
    List<String> read = new ArrayList<>();
    Map<String, Integer> map =
        new ReadLater<>(
            List.of("one", "three"),
            name -> {
              read.add(name);
              return name.length();
            });
    assertThat(map.keySet()).containsExactly("one", "three");
    assertThat(map.containsKey("one")).isTrue();
    assertThat(map.containsKey("two")).isFalse();
    assertThat(map.get("two")).isNull();
    assertThat(read).isEmpty();
    assertThat(map.get("three")).isEqualTo(5);
    assertThat(map.get("three")).isEqualTo(5);
    assertThat(read).containsExactly("three");
    assertThat(map).isEqualTo(Map.of("one", 3, "three", 5));
    assertThat(Map.copyOf(map)).isEqualTo(map);
    assertThat(read).containsExactly("three", "one");
  }
}
