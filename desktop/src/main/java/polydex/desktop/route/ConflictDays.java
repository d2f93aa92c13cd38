package polydex.desktop.route;

import static polydex.desktop.language.DesktopWords.worded;

import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Optional;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import polydex.conflict.ConflictHistory.Event;
import polydex.desktop.controls.GestureView;
import polydex.desktop.controls.Lists;
import polydex.desktop.controls.OverlayBox;
import polydex.desktop.controls.Texts;
import polydex.desktop.desk.Desk;
import polydex.desktop.keys.KeyCommand;
import polydex.language.Language;
import polydex.own.OwnKey;
import polydex.route.Setup;
import polydex.route.SetupId;

/** When conflicts came and went, by days. */
final class ConflictDays {
  private static final DateTimeFormatter DAY = Language.dates(worded("route.d-mmm-uuuu"));

  private final Desk desk;
  private final Label head = Texts.quiet("");
  private boolean all;
  private final ListView<Event> list;

  ConflictDays(Desk desk) {
    this.desk = desk;
    list =
        Lists.of(
            worded("route.days-of-conflicts"),
            this::row,
            e -> DAY.format(e.day()) + " " + e.sighting().words(),
            Texts.quiet(worded("route.no-conflict-has-come-or-gone")));
    list.getStyleClass().add("setup-lines");
  }

  void open() {
    fill();
    VBox box = OverlayBox.wide(Texts.heading(worded("route.what-came-and-what-went")), head, list);
    desk.keys()
        .open(
            box,
            list,
            List.of(
                KeyCommand.of(
                    OwnKey.CONFLICT_DAYS_WHICH,
                    () -> {
                      all = !all;
                      fill();
                    }),
                KeyCommand.of(
                    OwnKey.CONFLICT_DAYS_FOLLOW,
                    () ->
                        Optional.ofNullable(list.getSelectionModel().getSelectedItem())
                            .ifPresent(
                                e -> {
                                  desk.keys().close();
                                  desk.session().choose(e.sighting().setup());
                                  desk.keys().follow(e.sighting().gesture());
                                }))));
  }

  private void fill() {
    Optional<SetupId> here = desk.session().workspace().get().current();
    List<Event> events =
        desk.session().conflicts().events().stream()
            .filter(e -> all || here.equals(Optional.of(e.sighting().setup())))
            .toList();
    long came = events.stream().filter(Event::came).count();
    head.setText(
        worded(
            "route.came-and-went-the-latest-first",
            all ? worded("route.all-setups") : here.map(this::title).orElse(""),
            came,
            events.size() - came));
    list.getItems().setAll(events);
    list.getSelectionModel().selectFirst();
  }

  private String title(SetupId setup) {
    return Optional.ofNullable(desk.session().workspace().get().setups().get(setup))
        .map(Setup::title)
        .orElse(worded("route.a-setup-that-is-gone"));
  }

  private void row(HBox box, Event event) {
    Label words = Texts.words((all ? title(event.sighting().setup()) + ". " : "") + words(event));
    HBox.setHgrow(words, Priority.ALWAYS);
    words.setMinWidth(0);
    box.getChildren()
        .addAll(
            Lists.column(Texts.styled(DAY.format(event.day()), "quiet"), 6.5),
            Lists.column(
                Texts.styled(
                    event.came() ? worded("route.came") : worded("route.went"),
                    event.came() ? "stops" : "quiet"),
                3),
            Lists.column(
                new GestureView(
                    event.sighting().gesture(),
                    desk.titles().words(event.sighting().environment())),
                11),
            words);
  }

  private static String words(Event event) {
    return event.came()
        ? event.sighting().words()
            + event.sighting().gone().map(d -> worded("route.gone-since", DAY.format(d))).orElse("")
        : event.sighting().words();
  }
}
