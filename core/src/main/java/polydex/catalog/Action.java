package polydex.catalog;

import java.util.List;
import java.util.Optional;
import polydex.keys.Visible;

/**
 * A thing that a person wants done, shared by all keymaps that can do it.
 *
 * @param id short and stable: {@code edit.copy}
 * @param title what it does, as a command: "Copy"
 * @param group what it belongs to, for lists
 * @param words other words that people search it by
 * @param harm what it does when it happens unasked
 * @param opposite the id of the action that takes it back or goes the other way
 * @param toggles whether doing it again takes it back
 */
public record Action(
    ActionId id,
    String title,
    String group,
    List<String> words,
    Harm harm,
    Optional<ActionId> opposite,
    boolean toggles) {

  /** What an action does when it was not meant. */
  public enum Harm {
    /** Work is lost that undo does not bring back. */
    LOSES_WORK,
    /** Something visible happens. */
    VISIBLE
  }

  /** An action without an opposite that is known. */
  public Action(ActionId id, String title, String group, List<String> words, Harm harm) {
    this(id, title, group, words, harm, Optional.empty(), false);
  }

  /** Copies the words. */
  public Action {
    title = Visible.of(title);
    group = Visible.of(group);
    words = List.copyOf(words);
  }

  /** The same called otherwise. */
  public Action titled(String other) {
    return new Action(id, other, group, words, harm, opposite, toggles);
  }

  /** The same in another group. */
  public Action in(String other) {
    return new Action(id, title, other, words, harm, opposite, toggles);
  }

  /** The same searched by other words. */
  public Action searchedBy(List<String> others) {
    return new Action(id, title, group, others, harm, opposite, toggles);
  }

  /** The same doing something else when it was not meant. */
  public Action harming(Harm other) {
    return new Action(id, title, group, words, other, opposite, toggles);
  }

  /** The same with another opposite, or none. */
  public Action opposed(Optional<ActionId> other) {
    return new Action(id, title, group, words, harm, other, toggles);
  }

  /** The same that takes itself back when it is done again, or not. */
  public Action toggling(boolean takesBack) {
    return new Action(id, title, group, words, harm, opposite, takesBack);
  }

  /** A plain one. */
  public static Action of(ActionId id, String title, String group) {
    return new Action(id, title, group, List.of(), Harm.VISIBLE);
  }
}
