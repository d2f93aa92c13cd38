package polydex.desktop.mouse;

import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import polydex.desktop.controls.Lists;
import polydex.desktop.controls.OverlayBox;
import polydex.desktop.controls.ScrolledText;
import polydex.desktop.controls.Texts;
import polydex.desktop.desk.Desk;
import polydex.desktop.keys.KeyCommand;
import polydex.effort.SpokenTime;
import polydex.mouse.Remaining.RemainingRow;
import polydex.mouse.WeeklyReview;
import polydex.own.OwnKey;
import polydex.person.Findings;
import polydex.recognition.Place;
import polydex.reminder.ReminderEffect;

/** The week in one page. */
public final class ReviewView {
  private static final DateTimeFormatter DAY =
      DateTimeFormatter.ofPattern("d MMMM", Locale.ENGLISH);
  private static final int NAMED = 6;

  private final Desk desk;
  private final WeeklyReview review;
  private final ReminderEffect reminders;

  /** Of what was found. */
  public ReviewView(Desk desk, Findings found) {
    this.desk = desk;
    this.review = found.review();
    this.reminders = found.reminders();
  }

  /** Opens it over the place. */
  public void open() {
    ListView<RemainingRow> proposals =
        Lists.of(
            "Proposals for the next week",
            this::row,
            r -> desk.titles().action(r.place()),
            Texts.quiet("Nothing that the mouse does costs anything now."));
    proposals.getItems().setAll(review.proposals());
    proposals.getSelectionModel().selectFirst();
    proposals.getStyleClass().add("three-rows");
    ScrolledText words = new ScrolledText(words());
    VBox box =
        OverlayBox.wide(
            Texts.heading(
                "The week from %s to %s"
                    .formatted(
                        DAY.format(review.days().getStart()),
                        DAY.format(review.days().getEndInclusive()))),
            words,
            Texts.part("For the next week"),
            proposals);
    List<KeyCommand> keys = new ArrayList<>(words.keys());
    keys.add(
        KeyCommand.of(
            OwnKey.REVIEW_RUN,
            () ->
                Optional.ofNullable(proposals.getSelectionModel().getSelectedItem())
                    .ifPresent(
                        r -> {
                          desk.keys().close();
                          NextStep.take(desk, r);
                        })));
    desk.keys().open(box, proposals, keys);
  }

  private List<Node> words() {
    List<Node> words = new ArrayList<>();
    words.add(Texts.words(numbers()));
    words.addAll(part("Replaced", review.replaced(), "nothing new"));
    words.addAll(part("Came back", review.cameBack(), "nothing"));
    words.addAll(part("Slipped after twenty times by keys", review.slipped(), "nothing"));
    words.add(Texts.part("Costs most now"));
    words.add(
        Texts.words(
            review.dearest().isEmpty()
                ? "nothing"
                : review.dearest().stream()
                    .map(
                        r ->
                            "%s (%s a year)"
                                .formatted(
                                    desk.titles().action(r.place()),
                                    SpokenTime.hours(r.hoursAYear())))
                    .collect(Collectors.joining(", "))));
    if (!reminders.isEmpty()) {
      words.add(Texts.part("What was said when your hands rested"));
      words.add(Texts.words(reminders.inWords()));
    }
    return words;
  }

  private String numbers() {
    WeeklyReview.Totals now = review.now();
    if (now.workingDays() == 0) {
      return "Nothing was logged in these seven days.";
    }
    WeeklyReview.Totals before = review.before();
    List<String> said = new ArrayList<>();
    said.add(
        "%,d uses by keys and %,d by mouse on %d working days."
            .formatted(now.keys(), now.pointer(), now.workingDays()));
    now.coverage()
        .ifPresent(
            c ->
                said.add(
                    "%s by keys%s."
                        .formatted(
                            Spoken.percent(c),
                            before
                                .coverage()
                                .map(b -> ", after " + Spoken.percent(b) + " the week before")
                                .orElse(""))));
    now.tripsAnHour()
        .ifPresent(
            t ->
                said.add(
                    String.format(
                        Locale.ROOT,
                        "The hand went to the mouse %.0f times an hour%s.",
                        t,
                        before
                            .tripsAnHour()
                            .map(b -> String.format(Locale.ROOT, ", after %.0f", b))
                            .orElse(""))));
    return String.join(" ", said);
  }

  private List<Node> part(String title, List<Place> places, String none) {
    String names =
        String.join(", ", places.stream().limit(NAMED).map(this::named).toList())
            + (places.size() > NAMED ? " and %d more".formatted(places.size() - NAMED) : "");
    Label words = Texts.words(places.isEmpty() ? none : names);
    return List.of(Texts.part("%s: %d".formatted(title, places.size())), words);
  }

  private String named(Place place) {
    return "%s (%s)"
        .formatted(desk.titles().action(place), desk.titles().title(place.environment()));
  }

  private void row(HBox box, RemainingRow row) {
    box.getChildren()
        .addAll(
            Lists.growing(Texts.styled(desk.titles().action(row.place()), "row-title")),
            Lists.column(Texts.styled(desk.titles().place(row.place().environment()), "quiet"), 14),
            Lists.number(SpokenTime.hours(row.hoursAYear()) + " a year", 9.5),
            Lists.column(Marks.kind(row.kind()), 9));
  }
}
