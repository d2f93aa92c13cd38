package polydex.catalog;

import java.util.List;

/**
 * A thing that a person wants done, shared by all keymaps that can do it.
 *
 * @param id short and stable: {@code edit.copy}
 * @param title what it does, as a command: "Copy"
 * @param group what it belongs to, for lists
 * @param words other words that people search it by
 * @param harm what it does when it happens unasked
 */
public record Action(String id, String title, String group, List<String> words, Harm harm) {

  /** What an action does when it was not meant. */
  public enum Harm {
    /** Work is lost that undo does not bring back. */
    LOSES_WORK,
    /** Something visible happens. */
    VISIBLE
  }

  /** Copies the words. */
  public Action {
    words = List.copyOf(words);
  }

  /** A plain one. */
  public static Action of(String id, String title, String group) {
    return new Action(id, title, group, List.of(), Harm.VISIBLE);
  }
}
