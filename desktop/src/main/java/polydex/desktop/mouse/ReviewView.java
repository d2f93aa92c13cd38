package polydex.desktop.mouse;

import static polydex.desktop.language.DesktopWords.worded;
import static polydex.language.Language.decimals;

import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
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
import polydex.language.Language;
import polydex.mouse.Remaining.RemainingRow;
import polydex.mouse.WeeklyReview;
import polydex.own.OwnKey;
import polydex.person.Findings;
import polydex.recognition.Place;
import polydex.reminder.ReminderEffect;

/** The week in one page. */
public final class ReviewView {
  private static final DateTimeFormatter DAY = Language.dates(worded("any.d-mmmm"));
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
            worded("mouse.proposals-for-the-next-week"),
            this::row,
            r -> desk.titles().action(r.place()),
            Texts.quiet(worded("mouse.nothing-that-the-mouse-does-costs")));
    proposals.getItems().setAll(review.proposals());
    proposals.getSelectionModel().selectFirst();
    proposals.getStyleClass().add("three-rows");
    ScrolledText words = new ScrolledText(words());
    VBox box =
        OverlayBox.wide(
            Texts.heading(
                worded(
                    "mouse.the-week-from-to",
                    DAY.format(review.days().getStart()),
                    DAY.format(review.days().getEndInclusive()))),
            words,
            Texts.part(worded("mouse.for-the-next-week")),
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
    words.addAll(part(worded("mouse.replaced"), review.replaced(), worded("mouse.nothing-new")));
    words.addAll(part(worded("mouse.came-back"), review.cameBack(), worded("mouse.nothing")));
    words.addAll(
        part(
            worded("mouse.slipped-after-twenty-times-by-keys"),
            review.slipped(),
            worded("mouse.nothing")));
    words.add(Texts.part(worded("mouse.costs-most-now")));
    words.add(
        Texts.words(
            review.dearest().isEmpty()
                ? worded("mouse.nothing")
                : review.dearest().stream()
                    .map(
                        r ->
                            worded(
                                "mouse.a-year-2",
                                desk.titles().action(r.place()),
                                SpokenTime.hours(r.hoursAYear())))
                    .collect(Collectors.joining(", "))));
    if (!reminders.isEmpty()) {
      words.add(Texts.part(worded("mouse.what-was-said-when-your-hands")));
      words.add(Texts.words(reminders.inWords()));
    }
    return words;
  }

  private String numbers() {
    WeeklyReview.Totals now = review.now();
    if (now.workingDays() == 0) {
      return worded("mouse.nothing-was-logged-in-these-seven");
    }
    WeeklyReview.Totals before = review.before();
    List<String> said = new ArrayList<>();
    said.add(
        worded("mouse.uses-by-keys-and-by-mouse", now.keys(), now.pointer(), now.workingDays()));
    now.coverage()
        .ifPresent(
            c ->
                said.add(
                    worded(
                        "mouse.by-keys-3",
                        Spoken.percent(c),
                        before
                            .coverage()
                            .map(b -> worded("mouse.after-the-week-before", Spoken.percent(b)))
                            .orElse(""))));
    now.tripsAnHour()
        .ifPresent(
            t ->
                said.add(
                    worded(
                        "mouse.the-hand-went-to-the-mouse",
                        decimals(0, t),
                        before
                            .tripsAnHour()
                            .map(b -> worded("mouse.after", decimals(0, b)))
                            .orElse(""))));
    return String.join(" ", said);
  }

  private List<Node> part(String title, List<Place> places, String none) {
    String names =
        String.join(", ", places.stream().limit(NAMED).map(this::named).toList())
            + (places.size() > NAMED ? worded("mouse.and-more", places.size() - NAMED) : "");
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
            Lists.number(worded("any.a-year", SpokenTime.hours(row.hoursAYear())), 9.5),
            Lists.column(Marks.kind(row.kind()), 9));
  }
}
