package polydex.desktop.route;

import static polydex.desktop.language.DesktopWords.worded;
import static polydex.language.Language.decimals;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import polydex.catalog.Action;
import polydex.catalog.ActionId;
import polydex.conflict.Failures;
import polydex.desktop.controls.GestureView;
import polydex.desktop.controls.Lists;
import polydex.desktop.controls.OverlayBox;
import polydex.desktop.controls.Texts;
import polydex.desktop.desk.Desk;
import polydex.desktop.keys.KeyCommand;
import polydex.desktop.state.Analysis;
import polydex.keys.Gesture;
import polydex.own.OwnKey;
import polydex.route.Reach;
import polydex.route.TracedBinding;
import polydex.route.Tracer;

/** From an action to the gestures that cause it here, or why each one that should does not. */
final class WaysTo {

  /** A gesture that can be followed, with what is said of it. */
  private record WayRow(
      TracedBinding binding, Gesture gesture, Optional<Double> effort, String words) {}

  private final Desk desk;
  private final Consumer<Followed> follow;

  /**
   * A gesture to be followed as it is pressed where its binding holds.
   *
   * @param tracer with the contexts of the binding active
   */
  record Followed(Gesture gesture, Tracer tracer) {}

  WaysTo(Desk desk, Consumer<Followed> follow) {
    this.desk = desk;
    this.follow = follow;
  }

  /** Asks for the action, and shows the ways to it. */
  void choose() {
    desk.dialogs().chooseAction(worded("route.ways-to-do-what"), this::show);
  }

  private void show(Action action) {
    Optional<Analysis> analysis = desk.analyst().found().get();
    if (analysis.isEmpty()) {
      desk.session().say(worded("route.the-setup-is-still-being-looked"));
      return;
    }
    Label state = Texts.quiet(worded("route.looking-for-every-way"));
    ListView<WayRow> list =
        Lists.of(
            worded("route.ways"),
            this::row,
            r -> r.gesture().toString(),
            Texts.quiet(worded("route.no-keymap-of-this-setup-has")));
    list.getStyleClass().add("nine-rows");
    Lists.waiting(list, worded("route.looking-for-its-gestures"));
    VBox box = OverlayBox.wide(Texts.heading(worded("route.ways-to", action.title())), state, list);
    desk.keys()
        .open(
            box,
            list,
            List.of(
                KeyCommand.of(
                    OwnKey.WAYS_TO_FOLLOW,
                    () ->
                        Optional.ofNullable(list.getSelectionModel().getSelectedItem())
                            .ifPresent(
                                r -> {
                                  desk.keys().close();
                                  follow.accept(
                                      new Followed(
                                          r.gesture(),
                                          analysis.get().traces().tracer(r.binding())));
                                }))));
    desk.analyst()
        .look(
            "ways to",
            _ -> rows(analysis.get(), action.id()),
            rows -> {
              long ways = rows.stream().filter(r -> r.effort().isPresent()).count();
              state.setText(said(ways, rows.size() - ways));
              Lists.found(list, rows);
              list.getSelectionModel().selectFirst();
            },
            why -> {
              state.setText("");
              Lists.failed(list, why);
            });
  }

  private static String said(long ways, long misses) {
    String does =
        switch ((int) ways) {
          case 0 -> worded("route.nothing-does-it-in-this-setup");
          case 1 -> worded("route.one-gesture-does-it");
          default -> worded("route.gestures-do-it-the-easiest-first", ways);
        };
    return misses == 0 ? does : does + worded("route.that-should-do-not", misses);
  }

  private static List<WayRow> rows(Analysis analysis, ActionId action) {
    Reach reach = new Reach(analysis.traces());
    List<WayRow> rows = new ArrayList<>();
    for (Reach.Way way : reach.of(action)) {
      rows.add(
          new WayRow(
              way.binding(),
              way.gesture(),
              Optional.of(way.effort()),
              way.isRoundabout()
                  ? worded("route.arrives-as", way.binding().gesture())
                  : worded("route.as-its-keymap-says")));
    }
    for (TracedBinding binding : reach.bindings(action)) {
      if (reach.of(binding).stream().noneMatch(w -> w.gesture().equals(binding.gesture()))) {
        rows.add(
            new WayRow(
                binding,
                binding.gesture(),
                Optional.empty(),
                Failures.why(analysis.traces(), binding)
                    .orElse(worded("route.another-binding-has-the-same-gesture"))));
      }
    }
    return rows;
  }

  private void row(HBox box, WayRow row) {
    Label words = Texts.words(row.words());
    HBox.setHgrow(words, Priority.ALWAYS);
    words.setMinWidth(0);
    Region notch = new Region();
    notch.getStyleClass().add("notch");
    notch.setVisible(row.effort().isEmpty());
    GestureView caps =
        new GestureView(row.gesture(), desk.titles().words(row.binding().environment()));
    box.setSpacing(10);
    box.getChildren()
        .addAll(
            notch,
            Lists.column(caps, 12),
            Lists.rightColumn(
                Texts.styled(
                    row.effort()
                        .map(e -> worded("any.points", decimals(1, e)))
                        .orElse(worded("route.fails")),
                    "number"),
                5.5),
            Lists.column(
                Texts.styled(desk.titles().place(row.binding().environment()), "quiet"), 11),
            words);
  }
}
