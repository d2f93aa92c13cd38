package polydex.desktop.desk;

import static polydex.desktop.language.DesktopWords.worded;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.geometry.Insets;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import polydex.catalog.Action;
import polydex.desktop.controls.GestureView;
import polydex.desktop.controls.NumberedChoices;
import polydex.desktop.controls.OverlayBox;
import polydex.desktop.controls.Texts;
import polydex.desktop.state.ActionIndex;
import polydex.desktop.state.Session;
import polydex.keys.Gesture;
import polydex.keys.Modifier;

/** Questions that are asked over the place: one of several, or some words. */
public final class Dialogs {
  private static final int FEW = 5;

  /** Keys to choose stand apart from the digit that chooses them. */
  private static final Insets APART = new Insets(0, 0, 0, 16);

  private static final int MOST_FOUND = 9;

  private final Session session;
  private final ActionIndex index;
  private final Navigation keys;

  /** For what is open, shown by whoever shows what lies over the place. */
  public Dialogs(Session session, ActionIndex index, Navigation keys) {
    this.session = session;
    this.index = index;
    this.keys = keys;
  }

  /** Lets one of these be chosen over the place, by its digit or by some of its words. */
  public <T> void choose(
      String heading, List<T> all, Function<T, String> title, Consumer<T> chosen) {
    open(
        heading,
        new NumberedChoices<>(heading, title, words -> with(words, all, title), closing(chosen)),
        all.size());
  }

  /** Lets one of these be chosen over the place, once it was said what for. */
  public <T> void choose(
      String heading, String what, List<T> all, Function<T, String> title, Consumer<T> chosen) {
    open(
        heading,
        Optional.of(what),
        new NumberedChoices<>(heading, title, words -> with(words, all, title), closing(chosen)),
        all.size());
  }

  /** Lets one of these be chosen over the place, or whatever else is typed. */
  public void chooseOrWrite(
      String heading, String what, List<String> all, Consumer<String> chosen) {
    open(
        heading,
        Optional.of(what),
        new NumberedChoices<>(
            heading,
            one -> one,
            words -> {
              List<String> found = new ArrayList<>(with(words, all, one -> one));
              if (!words.isBlank() && !found.contains(words.strip())) {
                found.add(words.strip());
              }
              return found;
            },
            closing(chosen)),
        all.size());
  }

  /** Lets one of these gestures be chosen, drawn with an environment's words for modifiers. */
  public void chooseGesture(
      String heading, List<Gesture> all, Map<Modifier, String> words, Consumer<Gesture> chosen) {
    open(
        heading,
        new NumberedChoices<>(
            heading,
            Gesture::toString,
            (row, gesture) -> {
              GestureView keys = new GestureView(gesture, words);
              HBox.setMargin(keys, APART);
              row.getChildren().add(keys);
            },
            typed -> with(typed, all, Gesture::toString),
            closing(chosen)),
        all.size());
  }

  /** Lets any action be chosen, by words in whatever order. */
  public void chooseAction(String heading, Consumer<Action> chosen) {
    List<Action> all = session.workspace().get().catalog().actions();
    open(
        heading,
        new NumberedChoices<>(
            heading,
            Action::title,
            words -> words.isBlank() ? all : index.find(words, MOST_FOUND),
            closing(chosen)),
        all.size());
  }

  private static <T> List<T> with(String words, List<T> all, Function<T, String> title) {
    String wanted = words.strip().toLowerCase(Locale.ROOT);
    return all.stream()
        .filter(one -> title.apply(one).toLowerCase(Locale.ROOT).contains(wanted))
        .toList();
  }

  private <T> BiConsumer<T, KeyEvent> closing(Consumer<T> chosen) {
    return (one, _) -> {
      keys.close();
      chosen.accept(one);
    };
  }

  private <T> void open(String heading, NumberedChoices<T> choices, int size) {
    open(heading, Optional.empty(), choices, size);
  }

  private <T> void open(
      String heading, Optional<String> what, NumberedChoices<T> choices, int size) {
    choices.list().getStyleClass().add(size <= FEW ? "five-rows" : "nine-rows");
    VBox box = OverlayBox.narrow(Texts.heading(heading), choices);
    what.ifPresent(words -> box.getChildren().add(1, Texts.words(words)));
    keys.open(box, choices.focus());
  }

  /** Asks for some words over the place, with none to begin with. */
  public void ask(String heading, String asked, Consumer<String> said) {
    ask(heading, asked, "", said);
  }

  /**
   * Asks for some words over the place.
   *
   * @param asked what stands in the empty field, and what a screen reader says
   * @param first what stands there to begin with
   * @param said gets them when Enter is pressed
   */
  public void ask(String heading, String asked, String first, Consumer<String> said) {
    TextField field = new TextField(first);
    field.setPromptText(asked);
    field.setAccessibleText(asked);
    field.setOnAction(
        _ -> {
          keys.close();
          said.accept(field.getText().strip());
        });
    VBox box =
        OverlayBox.narrow(
            Texts.heading(heading),
            field,
            Texts.quiet(worded("desk.enter-takes-it-esc-leaves-everything")));
    keys.open(box, field);
  }
}
