package polydex.hands;

import java.util.regex.Pattern;

/**
 * Tells entries that are documents, as menus of recent files and of windows have them, from
 * commands: what somebody's documents are called is nobody's business, and they are all the same
 * thing to do.
 */
final class DocumentName {
  /** What stands in the log for any of them. */
  static final String ANY = "a document of the list";

  private static final Pattern NUMBERED = Pattern.compile("_?\\d{1,2}[.:)]\\s+\\S.*");
  private static final Pattern FILE =
      Pattern.compile(".*\\S\\.[A-Za-z][A-Za-z0-9]{1,4}[\\])]?\\s*");
  private static final Pattern IN_TITLE =
      Pattern.compile("[^\\s\u201c\"'(\\[]+\\.[A-Za-z][A-Za-z0-9]{1,4}\\b");
  private static final Pattern PATH = Pattern.compile("(.*\\s)?(~|[A-Za-z]:)?[/\\\\]\\S.*");

  private DocumentName() {}

  /** The title of a dialog, without the name of the document that it is about. */
  static String inTitle(String title) {
    return IN_TITLE.matcher(title).replaceAll(ANY);
  }

  /** The name of an entry, or the one that stands for all documents. O(length). */
  static String of(String entry) {
    boolean document =
        NUMBERED.matcher(entry).matches()
            || FILE.matcher(entry).matches()
            || PATH.matcher(entry).matches();
    return document ? ANY : entry;
  }
}
