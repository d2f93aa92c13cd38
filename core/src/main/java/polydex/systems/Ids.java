package polydex.systems;

import java.util.Locale;
import java.util.function.Predicate;

/** Ids of what is made by hand, from what it is called. */
final class Ids {
  private Ids() {}

  /** One that is not taken. */
  static String free(String title, Predicate<String> taken) {
    String plain =
        title.toLowerCase(Locale.ROOT).replaceAll("[^\\p{L}\\p{N}]+", "-").replaceAll("^-|-$", "");
    String base = plain.isEmpty() ? "unnamed" : plain;
    String id = base;
    for (int i = 2; taken.test(id); i++) {
      id = base + "-" + i;
    }
    return id;
  }
}
