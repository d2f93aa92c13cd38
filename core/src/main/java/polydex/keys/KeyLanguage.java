package polydex.keys;

import java.util.Arrays;
import java.util.Collection;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.ResourceBundle;
import java.util.Set;
import java.util.regex.Pattern;
import polydex.keys.SpokenNames.After;
import polydex.keys.SpokenNames.And;
import polydex.keys.SpokenNames.Filler;
import polydex.keys.SpokenNames.Holds;
import polydex.keys.SpokenNames.Meaning;
import polydex.keys.SpokenNames.Pad;
import polydex.keys.SpokenNames.Points;
import polydex.keys.SpokenNames.Presses;
import polydex.keys.SpokenNames.Then;

/**
 * A language whose keyboards print names of their own on keys. English is always read; another one
 * is read where a list as a whole is written in it, since its words may be anything elsewhere. The
 * names are the resource {@code languages.properties}.
 */
public enum KeyLanguage {
  /** Read everywhere. */
  ENGLISH("en"),
  /** Strg, Umschalt, Entf. */
  GERMAN("de"),
  /** Maj, Suppr, Entrée. */
  FRENCH("fr"),
  /** Mayús, Supr, Intro. */
  SPANISH("es"),
  /** Maiusc, Canc, Invio. */
  ITALIAN("it"),
  /** Início, Fim, seta. */
  PORTUGUESE("pt"),
  /** Spatiebalk, pijl. */
  DUTCH("nl"),
  /** Mellanslag, retur. */
  SWEDISH("sv"),
  /** Spacja, strzałka. */
  POLISH("pl"),
  /** Пробел, стрелка. */
  RUSSIAN("ru"),
  /** Names in kana and kanji. */
  JAPANESE("ja");

  private static final Pattern BREAKS = Pattern.compile("[^\\p{L}\\p{N}\\p{M}↑↓←→]+");
  private static final Pattern APART = Pattern.compile("[-_\u2011\u00a0 .'\u2019]+");
  private static final Map<KeyLanguage, Map<String, Meaning>> NAMES =
      new EnumMap<>(KeyLanguage.class);
  private static final Map<KeyLanguage, Set<String>> OR_WORDS = new EnumMap<>(KeyLanguage.class);

  static {
    ResourceBundle table = ResourceBundle.getBundle("polydex.keys.languages", Locale.ROOT);
    for (KeyLanguage language : values()) {
      NAMES.put(language, names(language, table));
      OR_WORDS.put(language, Set.copyOf(words(table, language.code + ".or")));
    }
  }

  private final String code;

  KeyLanguage(String code) {
    this.code = code;
  }

  /** As ISO 639-1 has it: {@code de}. */
  public String code() {
    return code;
  }

  /** As it is called in sentences. */
  public String title() {
    return name().charAt(0) + name().substring(1).toLowerCase(Locale.ROOT);
  }

  /** The language of a code. */
  public static Optional<KeyLanguage> ofCode(String code) {
    return Arrays.stream(values()).filter(l -> l.code.equalsIgnoreCase(code)).findFirst();
  }

  /** The words that stand between alternatives, in small letters. */
  public Set<String> orWords() {
    return OR_WORDS.get(this);
  }

  /**
   * The language that texts are written in: the one whose names, unknown to English, stand in most
   * of them; English where none does. O(length of the texts · languages).
   */
  public static KeyLanguage of(Collection<String> texts) {
    Map<KeyLanguage, Integer> counts = new EnumMap<>(KeyLanguage.class);
    for (String text : texts) {
      Set<String> seen = phrases(text);
      for (KeyLanguage language : values()) {
        Map<String, Meaning> names = NAMES.get(language);
        if (language != ENGLISH && seen.stream().anyMatch(p -> isOwn(names.get(p), p))) {
          counts.merge(language, 1, Integer::sum);
        }
      }
    }
    return counts.entrySet().stream()
        .max(
            Map.Entry.<KeyLanguage, Integer>comparingByValue()
                .thenComparing(Map.Entry::getKey, Comparator.reverseOrder()))
        .map(Map.Entry::getKey)
        .orElse(ENGLISH);
  }

  /** A name that means something by itself, and that English does not have. */
  private static boolean isOwn(Meaning meaning, String phrase) {
    return (meaning instanceof Holds || meaning instanceof Presses)
        && SpokenNames.phrase(phrase).isEmpty();
  }

  private static Set<String> phrases(String text) {
    List<String> words =
        Arrays.stream(BREAKS.split(text.toLowerCase(Locale.ROOT)))
            .filter(w -> !w.isEmpty())
            .limit(24)
            .toList();
    Set<String> all = new HashSet<>();
    for (int from = 0; from < words.size(); from++) {
      for (int to = from + 1; to <= Math.min(words.size(), from + 3); to++) {
        all.add(String.join(" ", words.subList(from, to)));
      }
    }
    return all;
  }

  /** What a phrase stands for in this language; none for what only English has. */
  Optional<Meaning> phrase(String folded) {
    return Optional.ofNullable(NAMES.get(this).get(folded));
  }

  /** As phrases are compared: dots, dashes and spaces are one space. */
  static String fold(String phrase) {
    return APART.matcher(phrase.toLowerCase(Locale.ROOT)).replaceAll(" ").strip();
  }

  private static Map<String, Meaning> names(KeyLanguage language, ResourceBundle table) {
    Map<String, Meaning> all = new HashMap<>();
    List<String> suffixes = words(table, language.code + ".suffix");
    for (String entry : table.keySet()) {
      if (!entry.startsWith(language.code + ".")) {
        continue;
      }
      String what = entry.substring(language.code.length() + 1);
      meaning(what)
          .ifPresent(
              meaning -> {
                for (String word : words(table, entry)) {
                  String folded = fold(word);
                  all.put(folded, meaning);
                  for (String suffix : suffixes) {
                    all.put(folded + suffix, meaning);
                    all.put(folded + " " + suffix, meaning);
                  }
                }
              });
    }
    for (String suffix : suffixes) {
      for (String word : List.of("ctrl", "alt", "shift", "tab", "esc", "enter", "fn", "alt gr")) {
        SpokenNames.phrase(word)
            .ifPresent(
                m -> {
                  all.put(word + suffix, m);
                  all.put(word + " " + suffix, m);
                });
      }
    }
    return Map.copyOf(all);
  }

  private static List<String> words(ResourceBundle table, String entry) {
    return table.containsKey(entry) ? List.of(table.getString(entry).split(";")) : List.of();
  }

  private static Optional<Meaning> meaning(String what) {
    Optional<Meaning> joins =
        switch (what) {
          case "key" -> Optional.of(new Filler());
          case "and" -> Optional.of(new And());
          case "then" -> Optional.of(new Then());
          case "twice" -> Optional.of(new After(2));
          case "pad" -> Optional.of(new Pad());
          case "arrows" -> SpokenNames.phrase("arrows");
          default -> Optional.empty();
        };
    if (joins.isPresent()) {
      return joins;
    }
    Optional<Meaning> modifier =
        Arrays.stream(Modifier.values())
            .filter(m -> m.name().equalsIgnoreCase(what))
            .findFirst()
            .map(m -> new Holds(Modifiers.of(m)));
    return modifier
        .or(() -> Key.ofCode(what).map(k -> new Presses(new KeyRef.Placed(k))))
        .or(() -> KeyNames.pointerAct(what).map(Points::new))
        .or(() -> SpokenNames.phrase(what));
  }
}
