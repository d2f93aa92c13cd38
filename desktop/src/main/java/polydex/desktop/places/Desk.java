package polydex.desktop.places;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import polydex.catalog.Action;
import polydex.catalog.ActionSearch;
import polydex.catalog.Catalog;
import polydex.catalog.Environment;
import polydex.catalog.Environment.Application;
import polydex.desktop.controls.GestureView;
import polydex.desktop.controls.NumberedChoices;
import polydex.desktop.controls.OverlayBox;
import polydex.desktop.controls.Texts;
import polydex.desktop.keys.KeyCapture;
import polydex.desktop.keys.KeyCommand;
import polydex.desktop.state.Analyst;
import polydex.desktop.state.Auditor;
import polydex.desktop.state.Drills;
import polydex.desktop.state.Recording;
import polydex.desktop.state.Session;
import polydex.keys.Gesture;
import polydex.keys.Modifier;
import polydex.keys.PointerAct;
import polydex.mouse.Place;
import polydex.route.Setup;

/**
 * What a place has to work with.
 *
 * @param session what is open
 * @param analyst what is found out about it
 * @param drills what is asked about drills
 * @param auditor finds out what the mouse log says
 * @param recording the recorder that is at work, if one is
 * @param keys who gets the keys
 * @param narrow whether the window is so narrow for its text that less stands side by side
 */
public record Desk(
    Session session,
    Analyst analyst,
    Drills drills,
    Auditor auditor,
    Recording recording,
    Keys keys,
    ReadOnlyBooleanProperty narrow) {

  private static final int LOOKS = 4;
  private static final int FEW = 5;

  /** Keys to choose stand apart from the digit that chooses them. */
  private static final Insets APART = new Insets(0, 0, 0, 16);

  private static final int MOST_FOUND = 9;

  /** Who gets the keys. */
  public interface Keys {
    /** The commands of the place have changed. */
    void changed();

    /**
     * Every key goes to the listener until {@link #release}.
     *
     * @param spelled whether modifiers latch
     * @param leave what holding Esc does, as the rest of "To ..."
     */
    void capture(KeyCapture.Listener listener, boolean spelled, String leave);

    /** The pointer did something where a gesture is being recorded. */
    void pointed(PointerAct act);

    /** Keys are commands again. */
    void release();

    /**
     * Shows something over the place, or over what lies there already, until Esc or {@link #close}.
     *
     * @param focus what gets the focus
     * @param commands the keys that work there, which are shown below it
     */
    void open(VBox shown, Node focus, List<KeyCommand> commands);

    /** The same where every key is the focused control's own. */
    default void open(VBox shown, Node focus) {
      open(shown, focus, List.of());
    }

    /** Takes away what was shown last. */
    void close();

    /** Begins a drill. */
    void drill();

    /** Shows how it went with the mouse, week by week. */
    void weeks();

    /** Goes to the place with this letter. */
    void go(char letter);

    /** Shows the way of a gesture through the setup in use, where that is shown. */
    void follow(Gesture gesture);
  }

  /** Lets one of these be chosen over the place, by its digit or by some of its words. */
  public <T> void choose(
      String heading, List<T> all, Function<T, String> title, Consumer<T> chosen) {
    open(
        heading,
        new NumberedChoices<>(heading, title, words -> with(words, all, title), closing(chosen)),
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
    ActionSearch search = ActionSearch.of(all);
    open(
        heading,
        new NumberedChoices<>(
            heading,
            Action::title,
            words -> words.isBlank() ? all : search.find(words, MOST_FOUND),
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
    choices.list().getStyleClass().add(size <= FEW ? "five-rows" : "nine-rows");
    keys.open(OverlayBox.narrow(Texts.heading(heading), choices), choices.focus());
  }

  /**
   * Asks for some words over the place.
   *
   * @param asked what stands in the empty field, and what a screen reader says
   * @param said gets them when Enter is pressed
   */
  public void ask(String heading, String asked, Consumer<String> said) {
    TextField field = new TextField();
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
            Texts.quiet("Enter takes it. Esc leaves everything as it is."));
    keys.open(box, field);
  }

  /** The words of a platform, or of the platform of an application, for modifiers. */
  public Map<Modifier, String> words(String environmentId) {
    Catalog catalog = session.workspace().get().catalog();
    return catalog
        .environment(environmentId)
        .map(
            e ->
                switch (e.kind()) {
                  case Environment.Platform p -> p.modifierNames();
                  case Application a ->
                      a.platforms().stream()
                          .findFirst()
                          .filter(p -> !p.equals(environmentId))
                          .map(this::words)
                          .orElse(Map.of());
                })
        .orElse(Map.of());
  }

  /** The title of an environment. */
  public String title(String environmentId) {
    return session
        .workspace()
        .get()
        .catalog()
        .environment(environmentId)
        .map(Environment::title)
        .orElse(environmentId);
  }

  /** An environment with the platform that it is on: "Timeline on Corvid". */
  public String place(String environmentId) {
    String platform = platform(environmentId);
    return platform.equals(environmentId)
        ? title(environmentId)
        : title(environmentId) + " on " + title(platform);
  }

  /** The platform of an application, as far as it has just one; a platform's own id. */
  private String platform(String environmentId) {
    return session
        .workspace()
        .get()
        .catalog()
        .environment(environmentId)
        .map(Environment::kind)
        .filter(Application.class::isInstance)
        .map(k -> ((Application) k).platforms())
        .filter(p -> p.size() == 1)
        .map(List::getFirst)
        .orElse(environmentId);
  }

  /** The title of a setup. */
  public String setup(String setupId) {
    return Optional.ofNullable(session.workspace().get().setups().get(setupId))
        .map(Setup::title)
        .orElse(setupId.isEmpty() ? "no setup" : setupId);
  }

  /** What is done in a place: the title of its action, or the name that nobody knows. */
  public String action(Place place) {
    return place.isUnknown()
        ? "\u201c" + place.action().substring(Place.UNKNOWN.length()) + "\u201d"
        : action(place.action());
  }

  /** Goes to a place of the program by its letter. */
  public void go(char letter) {
    keys.go(letter);
  }

  /** The title of an action. */
  public String action(String actionId) {
    return session.workspace().get().catalog().title(actionId);
  }

  /**
   * The style class of the caps of an environment: each platform has a look of its own, so that
   * where one is can be told from the keys.
   */
  public String caps(String environmentId) {
    Catalog catalog = session.workspace().get().catalog();
    String platform = platform(environmentId);
    List<String> platforms =
        catalog.environments().stream()
            .filter(e -> e.kind() instanceof Environment.Platform)
            .map(Environment::id)
            .toList();
    return "caps-" + Math.max(0, platforms.indexOf(platform)) % LOOKS;
  }
}
