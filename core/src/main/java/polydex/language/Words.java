package polydex.language;

import com.ibm.icu.text.MessageFormat;
import java.util.Locale;
import java.util.Map;
import java.util.MissingResourceException;
import java.util.ResourceBundle;
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.Pattern;

/**
 * The words of a part of the program, in the language that is spoken. Each stands under a key in a
 * bundle in UTF-8, one for each language, English being the one without a name. {@code {0}} stands
 * for the first thing that is filled in; numbers are written as the language writes them. Where
 * words hang on a number, they are a message of ICU, as in {@code {0,plural,one{1 page}other{#
 * pages}}}. A name in capitals in braces, such as {@code {UNDO}}, stands for the keys of a command
 * and is left for those who know them.
 */
public final class Words {
  /** What is filled in by others, and would be taken for something to be filled in by ICU. */
  private static final Pattern KEYS = Pattern.compile("\\{[A-Z_]+\\}");

  private static final String CHOOSES = ",plural,";

  private final String bundle;
  private final ClassLoader loader;
  private final Map<String, MessageFormat> messages = new ConcurrentHashMap<>();
  private volatile Read read = new Read(Language.ENGLISH, Map.of());

  private record Read(Language language, Map<String, String> words) {}

  /** The words of a bundle, found as the classes of the module that has it are. */
  public Words(String bundle, ClassLoader loader) {
    this.bundle = bundle;
    this.loader = loader;
  }

  /**
   * The words under a key, with what is filled in.
   *
   * @throws MissingResourceException if nothing stands under the key
   */
  public String worded(String key, Object... filledIn) {
    String words = words().get(key);
    if (words == null) {
      throw new MissingResourceException("No words for " + key, bundle, key);
    }
    return filledIn.length == 0
        ? words
        : words.contains(CHOOSES) ? chosen(key, words, filledIn) : filled(words, filledIn);
  }

  private Map<String, String> words() {
    Read now = read;
    if (now.words().isEmpty() || now.language() != Language.now()) {
      now = new Read(Language.now(), in(Language.now()));
      messages.clear();
      read = now;
    }
    return now.words();
  }

  private Map<String, String> in(Language language) {
    Locale locale = language == Language.ENGLISH ? Locale.ROOT : Locale.of(language.code());
    ResourceBundle found =
        ResourceBundle.getBundle(
            bundle,
            locale,
            loader,
            ResourceBundle.Control.getNoFallbackControl(ResourceBundle.Control.FORMAT_PROPERTIES));
    Map<String, String> words = new ConcurrentHashMap<>();
    found.keySet().forEach(k -> words.put(k, found.getString(k)));
    return words;
  }

  private String chosen(String key, String words, Object... filledIn) {
    MessageFormat message =
        messages.computeIfAbsent(
            key, _ -> new MessageFormat(KEYS.matcher(words).replaceAll("'$0'"), Language.locale()));
    // One at a time: a message is not made for several at once.
    synchronized (message) {
      return message.format(filledIn);
    }
  }

  /** Each {@code {n}} as the thing of that number, in one pass: nothing is filled into those. */
  private static String filled(String words, Object... filledIn) {
    StringBuilder all = new StringBuilder(words.length() + 16 * filledIn.length);
    int at = 0;
    while (at < words.length()) {
      int number =
          at + 2 < words.length() && words.charAt(at) == '{' ? words.charAt(at + 1) - '0' : -1;
      if (number >= 0 && number < filledIn.length && words.charAt(at + 2) == '}') {
        all.append(filledIn[number] instanceof Number n ? Language.number(n) : filledIn[number]);
        at += 3;
      } else {
        all.append(words.charAt(at));
        at++;
      }
    }
    return all.toString();
  }
}
