package polydex.language;

import java.text.NumberFormat;
import java.time.format.DateTimeFormatter;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * The languages that the program speaks, and the one that it speaks now. It is chosen once, before
 * anything is said: what was read from a bundle stays as it was read. Numbers and dates follow the
 * place that the computer is set to as far as the language is spoken there.
 *
 * <p>How keys are written, and every form of a file, are the same in all languages.
 */
public enum Language {
  ENGLISH("English", Locale.ENGLISH),
  GERMAN("Deutsch", Locale.GERMAN);

  private static volatile Language now = of(Locale.getDefault(Locale.Category.DISPLAY));
  private static volatile Locale locale = now.localeHere();

  private final String title;
  private final Locale plain;

  Language(String title, Locale plain) {
    this.title = title;
    this.plain = plain;
  }

  /** What it is called by those who speak it. */
  public String title() {
    return title;
  }

  /** Its code in ISO 639, such as {@code de}. */
  public String code() {
    return plain.getLanguage();
  }

  /** The language of a code in ISO 639, if it is spoken here. */
  public static Optional<Language> ofCode(String code) {
    return Arrays.stream(values()).filter(l -> l.code().equals(code)).findFirst();
  }

  /** The language for those of a place: theirs if it is spoken here, else English. */
  public static Language of(Locale place) {
    return ofCode(place.getLanguage()).orElse(ENGLISH);
  }

  /** The one that is spoken. */
  public static Language now() {
    return now;
  }

  /** Speak it from now on; to be said before anything else is. */
  public static void speak(Language language) {
    now = language;
    locale = language.localeHere();
  }

  /** Whose numbers and dates are written. */
  public static Locale locale() {
    return locale;
  }

  private Locale localeHere() {
    Locale here = Locale.getDefault(Locale.Category.FORMAT);
    return here.getLanguage().equals(code()) ? here : plain;
  }

  /** A number with so many digits behind the point, the last one rounded half up. */
  public static String decimals(int digits, double number) {
    return String.format(locale, "%,." + digits + "f", number);
  }

  /** The same with its sign, also where it is not below zero. */
  public static String signed(int digits, double number) {
    return String.format(locale, "%+,." + digits + "f", number);
  }

  /**
   * Numbers that somebody typed, with spaces or semicolons between them; in English also with
   * commas, in German a comma is the decimal point, and a point is one, too.
   *
   * @throws NumberFormatException if something in it is no number
   */
  public static List<Double> numbers(String typed) {
    String plain = now == ENGLISH ? typed.replace(',', ' ') : typed.replace(',', '.');
    return Arrays.stream(plain.strip().split("[\\s;]+")).map(Double::valueOf).toList();
  }

  /** Words between the quotation marks of the language. */
  public static String quoted(String words) {
    return switch (now) {
      case ENGLISH -> "\u201c" + words + "\u201d";
      case GERMAN -> "\u201e" + words + "\u201c";
    };
  }

  /** Words of which each stands between quotation marks, but for the first and the last. */
  public static String list(List<String> words) {
    return String.join(now == ENGLISH ? "\u201d, \u201c" : "\u201c, \u201e", words);
  }

  /** Dates by a pattern, as in the bundle: "d MMMM" or "d. MMMM". */
  public static DateTimeFormatter dates(String pattern) {
    return DateTimeFormatter.ofPattern(pattern, locale);
  }

  /** A title within a sentence: English writes it small there, German as it stands. */
  public static String within(String title) {
    return now == ENGLISH ? title.toLowerCase(Locale.ROOT) : title;
  }

  static String number(Number number) {
    boolean isShort = number instanceof Integer || number instanceof Long;
    if (isShort && number.longValue() >= 0 && number.longValue() < 1000) {
      return number.toString();
    }
    return NumberFormat.getInstance(locale).format(number);
  }
}
