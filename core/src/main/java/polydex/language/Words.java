package polydex.language;

import com.ibm.icu.text.MessageFormat;
import java.util.HashMap;
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
  private final Map<Language, Read> read = new ConcurrentHashMap<>();

  /** What a bundle has, and the messages that were asked for. */
  private record Read(Map<String, String> words, Map<String, MessageFormat> messages) {}

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
    Read now = read(Language.now());
    String words = plain(now, key);
    return filledIn.length == 0
        ? words
        : words.contains(CHOOSES) ? chosen(now, key, words, filledIn) : filled(words, filledIn);
  }

  /**
   * The words under a key in a language that need not be spoken, with nothing filled in.
   *
   * @throws MissingResourceException if nothing stands under the key
   */
  String in(Language language, String key) {
    return plain(read(language), key);
  }

  private String plain(Read from, String key) {
    String words = from.words().get(key);
    if (words == null) {
      throw new MissingResourceException("No words for " + key, bundle, key);
    }
    return words;
  }

  private Read read(Language language) {
    return read.computeIfAbsent(
        language, l -> new Read(bundle(bundle, l, loader), new ConcurrentHashMap<>()));
  }

  /** All words of a bundle in a language; never those of the computer's language instead. */
  private static Map<String, String> bundle(String bundle, Language language, ClassLoader loader) {
    ResourceBundle found = resources(bundle, language, loader);
    Map<String, String> words = new HashMap<>();
    found.keySet().forEach(k -> words.put(k, found.getString(k)));
    return words;
  }

  /** A bundle in a language; never that of the computer's language instead. */
  public static ResourceBundle resources(String bundle, Language language, ClassLoader loader) {
    return ResourceBundle.getBundle(
        bundle,
        language == Language.ENGLISH ? Locale.ROOT : Locale.of(language.code()),
        loader,
        ResourceBundle.Control.getNoFallbackControl(ResourceBundle.Control.FORMAT_PROPERTIES));
  }

  private static String chosen(Read from, String key, String words, Object... filledIn) {
    MessageFormat message =
        from.messages()
            .computeIfAbsent(
                key,
                _ -> new MessageFormat(KEYS.matcher(words).replaceAll("'$0'"), Language.locale()));
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
