package polydex.desktop.mouse;

import static polydex.desktop.language.DesktopWords.worded;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import polydex.catalog.Action;
import polydex.catalog.ActionId;
import polydex.catalog.TitleMatcher;
import polydex.desktop.controls.Lists;
import polydex.desktop.controls.OverlayBox;
import polydex.desktop.controls.Texts;
import polydex.desktop.desk.Desk;
import polydex.desktop.keys.KeyCommand;
import polydex.log.Deed;
import polydex.own.OwnKey;
import polydex.recognition.LearntName;
import polydex.totals.Standing.Strange;
import polydex.totals.Standing.Unknown;

/** The names in the log that no keymap knows: each is explained once, many at a time. */
public final class NamesView {
  /** What a name is decided to be: an action by its id, or none. */
  private record Decision(Optional<ActionId> action) {}

  private record NameRow(Unknown unknown, Optional<Action> likely) {}

  private final Desk desk;
  private final Map<LearntName, Decision> decided = new HashMap<>();
  private final ListView<NameRow> list;
  private final Label summary = Texts.quiet("");

  /** For the log of the session. */
  public NamesView(Desk desk) {
    this.desk = desk;
    list =
        Lists.of(
            worded("mouse.names-that-nobody-knows"),
            this::row,
            r -> r.unknown().name().joined(),
            Texts.quiet(worded("mouse.every-name-in-the-log-is")));
    list.getStyleClass().add("setup-lines");
  }

  /** Opens it over the place. */
  public void open() {
    Lists.waiting(list, worded("mouse.comparing-the-names-with-all-titles"));
    VBox box =
        OverlayBox.wide(
            Texts.heading(worded("mouse.what-are-these")),
            Texts.quiet(worded("mouse.each-is-asked-once-what-you")),
            list,
            summary);
    List<Strange> strangers = desk.session().standing().strangers();
    if (!strangers.isEmpty()) {
      box.getChildren().add(desk.keyed(Texts.words(Strangers.said(strangers))));
    }
    List<KeyCommand> keys =
        new ArrayList<>(
            List.of(
                KeyCommand.of(OwnKey.NAMES_LIKELIEST, this::takeLikely),
                KeyCommand.of(OwnKey.NAMES_OTHER, this::chooseAction),
                KeyCommand.of(OwnKey.NAMES_NONE, () -> decide(new Decision(Optional.empty()))),
                KeyCommand.of(OwnKey.NAMES_TAKE, this::take)));
    Strangers.setups(desk, strangers).ifPresent(make -> keys.addFirst(make));
    desk.keys().open(box, list, keys);
    List<Unknown> unknown = desk.session().standing().unknown();
    desk.index()
        .made()
        .get()
        .ifPresentOrElse(
            index ->
                desk.analyst()
                    .look(
                        "names",
                        _ -> unknown.stream().map(u -> row(u, index.likeness())).toList(),
                        this::show,
                        why -> Lists.failed(list, why)),
            () -> show(unknown.stream().map(u -> new NameRow(u, Optional.empty())).toList()));
  }

  private static NameRow row(Unknown unknown, TitleMatcher likeness) {
    return new NameRow(
        unknown,
        likeness.match(last(unknown.deed())).stream().map(TitleMatcher.Match::action).findFirst());
  }

  private void show(List<NameRow> rows) {
    Lists.found(list, rows);
    list.getSelectionModel().selectFirst();
    tell();
  }

  private static String last(Deed deed) {
    List<String> way = deed.way();
    return way.isEmpty() ? "" : way.getLast().replace("...", "");
  }

  private Optional<NameRow> chosen() {
    return Optional.ofNullable(list.getSelectionModel().getSelectedItem());
  }

  private void takeLikely() {
    chosen()
        .ifPresent(
            r ->
                r.likely()
                    .ifPresentOrElse(
                        a -> decide(new Decision(Optional.of(a.id()))), this::chooseAction));
  }

  /** Decides about the chosen one, or takes the same decision back, and goes on to the next. */
  private void decide(Decision decision) {
    Optional<NameRow> row = chosen();
    if (row.isEmpty()) {
      return;
    }
    LearntName name = row.get().unknown().name();
    if (decision.equals(decided.get(name))) {
      decided.remove(name);
    } else {
      decided.put(name, decision);
      list.getSelectionModel().selectNext();
    }
    list.refresh();
    tell();
  }

  private void chooseAction() {
    if (chosen().isEmpty()) {
      return;
    }
    desk.dialogs()
        .chooseAction(
            worded("mouse.what-is", last(chosen().get().unknown().deed())),
            action -> decide(new Decision(Optional.of(action.id()))));
  }

  private void take() {
    if (decided.isEmpty()) {
      summary.setText(desk.named(worded("mouse.nothing-is-decided-yet-names-likeliest")));
      return;
    }
    Map<LearntName, Optional<ActionId>> meanings = new LinkedHashMap<>();
    decided.forEach((name, d) -> meanings.put(name, d.action()));
    desk.keys().close();
    new Choices(desk).name(meanings);
  }

  private void tell() {
    long events = list.getItems().stream().mapToLong(r -> r.unknown().count()).sum();
    summary.setText(
        list.getItems().isEmpty()
            ? ""
            : worded("mouse.names-uses-decided", list.getItems().size(), events, decided.size()));
  }

  private void row(HBox box, NameRow row) {
    Unknown u = row.unknown();
    Label name = Texts.styled(Spoken.way(u.deed()), "row-title");
    HBox.setHgrow(name, Priority.ALWAYS);
    name.setMaxWidth(Double.MAX_VALUE);
    name.setMinWidth(0);
    Decision decision = decided.get(u.name());
    String is =
        decision == null
            ? row.likely()
                .map(a -> worded("mouse.is-it", a.title()))
                .orElse(worded("mouse.unlike-any"))
            : decision
                .action()
                .map(a -> worded("mouse.is", desk.titles().action(a)))
                .orElse(worded("mouse.is-no-action"));
    box.getChildren()
        .addAll(
            name,
            Lists.column(Texts.styled(desk.titles().title(u.name().environment()), "quiet"), 10),
            Lists.number(worded("mouse.times", u.count()), 6),
            Lists.column(Texts.styled(is, decision == null ? "quiet" : "own"), 18));
  }
}
