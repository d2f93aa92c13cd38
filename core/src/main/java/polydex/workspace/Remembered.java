package polydex.workspace;

import java.util.Collections;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import polydex.catalog.ActionId;
import polydex.catalog.EnvironmentId;
import polydex.intake.ColumnRoles;

/**
 * What was learnt while lists were brought in, so that it need not be said twice.
 *
 * @param titles titles from outside, folded, with the id of the action that the user said they mean
 * @param columns what the columns of a table are, by {@link ColumnRoles#signature}
 * @param lists the bindings that came from each list, by the name of the list
 * @param documents the text of keymap files as they were read, by the id of their environment
 * @param sameWords groups of words that mean the same, each with commas between, by their first
 */
public record Remembered(
    Map<String, ActionId> titles,
    Map<String, String> columns,
    Map<String, Source> lists,
    Map<EnvironmentId, String> documents,
    Map<String, String> sameWords) {
  /** Nothing yet. */
  public static final Remembered NOTHING =
      new Remembered(Map.of(), Map.of(), Map.of(), Map.of(), Map.of());

  /**
   * A list that was brought in.
   *
   * @param bindings the ids of its bindings, by the id of their environment
   */
  public record Source(Map<EnvironmentId, Set<String>> bindings) {
    /** Keeps the sets as they are; they may be large, and nobody changes them afterwards. */
    public Source {
      Map<EnvironmentId, Set<String>> copy = new TreeMap<>();
      bindings.forEach(
          (environment, ids) -> copy.put(environment, Collections.unmodifiableSet(ids)));
      bindings = Collections.unmodifiableMap(copy);
    }
  }

  /** Copies the maps. */
  public Remembered {
    titles = Map.copyOf(titles);
    columns = Map.copyOf(columns);
    lists = Map.copyOf(lists);
    documents = Map.copyOf(documents);
    sameWords = Map.copyOf(sameWords);
  }

  /** A title as it is looked up: without regard to case, and with single spaces. */
  public static String folded(String title) {
    return title.strip().replaceAll("\\s+", " ").toLowerCase(Locale.ROOT);
  }

  /** The same with titles whose meaning was said. */
  public Remembered withTitles(Map<String, ActionId> more) {
    return more.isEmpty()
        ? this
        : new Remembered(joined(titles, more), columns, lists, documents, sameWords);
  }

  /** The same with the columns of a table. */
  public Remembered withColumns(String signature, String roles) {
    return new Remembered(
        titles, joined(columns, Map.of(signature, roles)), lists, documents, sameWords);
  }

  /** The same with what came from a list. */
  public Remembered withList(String name, Source source) {
    return new Remembered(
        titles, columns, joined(lists, Map.of(name, source)), documents, sameWords);
  }

  /** The same with the text of a keymap file. */
  public Remembered withDocument(EnvironmentId environment, String text) {
    return new Remembered(
        titles, columns, lists, joined(documents, Map.of(environment, text)), sameWords);
  }

  /**
   * The same with a group of words that mean the same; an empty one takes the group of that name
   * away.
   */
  public Remembered withSameWords(String first, String group) {
    Map<String, String> all = new HashMap<>(sameWords);
    if (group.isEmpty()) {
      all.remove(first);
    } else {
      all.put(first, group);
    }
    return new Remembered(titles, columns, lists, documents, all);
  }

  private static <K, V> Map<K, V> joined(Map<K, V> some, Map<K, V> more) {
    Map<K, V> all = new HashMap<>(some);
    all.putAll(more);
    return all;
  }
}
