package polydex.catalog;

import java.text.Normalizer;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Pattern;

/**
 * Words as they are compared: small letters, without accents, without the endings that English
 * inflects by, and with one word for several that mean the same in the names of actions.
 */
public final class Words {
  private static final Pattern MARKS = Pattern.compile("\\p{M}+");
  private static final Pattern CAMEL = Pattern.compile("(?<=\\p{Ll})(?=\\p{Lu})");
  private static final Pattern SPLIT = Pattern.compile("[^\\p{L}\\p{N}]+");
  private static final Map<String, String> SYNONYMS = synonyms();

  private Words() {}

  /** The words of a text, in order, in small letters and without accents. */
  public static List<String> of(String text) {
    List<String> words = new ArrayList<>();
    String spaced = CAMEL.matcher(text).replaceAll(" ");
    boolean ascii = spaced.chars().allMatch(c -> c < 128);
    String plain =
        ascii
            ? spaced
            : MARKS.matcher(Normalizer.normalize(spaced, Normalizer.Form.NFD)).replaceAll("");
    for (String word : SPLIT.split(plain.toLowerCase(Locale.ROOT))) {
      if (!word.isEmpty()) {
        words.add(word);
      }
    }
    return words;
  }

  /** What a word means: its stem, or the word that stands for it and others. */
  public static String meaning(String word) {
    String direct = SYNONYMS.get(word);
    if (direct != null) {
      return direct;
    }
    String stem = stem(word);
    return SYNONYMS.getOrDefault(stem, stem);
  }

  /**
   * The word without the endings of number and tense, as far as the first steps of Porter's
   * algorithm take it (M. F. Porter, "An algorithm for suffix stripping", 1980): enough to compare
   * titles, and short enough to be predictable.
   */
  public static String stem(String word) {
    String w = word;
    if (w.length() <= 3) {
      return w;
    }
    if (w.endsWith("sses") || w.endsWith("shes") || w.endsWith("ches") || w.endsWith("xes")) {
      w = w.substring(0, w.length() - 2);
    } else if (w.endsWith("ies")) {
      w = w.substring(0, w.length() - 3) + "y";
    } else if (w.endsWith("s") && !w.endsWith("ss") && !w.endsWith("us")) {
      w = w.substring(0, w.length() - 1);
    }
    for (String ending : List.of("ing", "ed")) {
      if (w.length() > ending.length() + 2 && w.endsWith(ending)) {
        return mended(w.substring(0, w.length() - ending.length()));
      }
    }
    return w.endsWith("e") ? w.substring(0, w.length() - 1) : w;
  }

  /** "dropp" was "drop"; "mov" was "move", whose e is left out everywhere. */
  private static String mended(String w) {
    int n = w.length();
    boolean doubled =
        n > 2 && w.charAt(n - 1) == w.charAt(n - 2) && "lsz".indexOf(w.charAt(n - 1)) < 0;
    return doubled ? w.substring(0, n - 1) : w;
  }

  private static Map<String, String> synonyms() {
    String groups =
        """
        delete remove erase del rm discard
        find search locate seek
        next forward following fwd
        previous back backward prior prev backwards
        close shut dismiss
        quit exit leave terminate
        window win
        tab page
        document file doc
        application app program
        new create make
        start begin beginning home
        end finish
        select choose mark highlight
        duplicate clone
        begin launch
        undo revert
        redo repeat
        preferences settings options prefs config configuration
        zoom magnify
        larger bigger increase enlarge in
        smaller decrease reduce shrink out
        maximize maximise
        minimize minimise iconify hide
        workspace desktop
        switch change toggle
        go move jump navigate
        show display view open
        folder directory dir
        paste insert
        comment remark
        left leftwards
        right rightwards
        up above
        down below
        word wd
        line row ln
        screen monitor
        screenshot screengrab snapshot
        lock secure
        all everything
        save store write
        print paper
        rename retitle
        refresh reload
        fullscreen
        message mail letter email
        reply answer
        """;
    Map<String, String> all = new HashMap<>();
    groups.lines().map(line -> List.of(line.split(" "))).forEach(words -> join(all, words));
    return Map.copyOf(all);
  }

  /** What means the same as the same word means the same, whichever lines they stand in. */
  private static void join(Map<String, String> all, List<String> words) {
    String first = words.getFirst();
    String one = all.getOrDefault(first, first);
    for (String word : words) {
      String other = all.get(word);
      if (other != null && !other.equals(one)) {
        all.replaceAll((_, meant) -> meant.equals(other) ? one : meant);
      }
      all.put(word, one);
      all.putIfAbsent(stem(word), one);
    }
  }
}
