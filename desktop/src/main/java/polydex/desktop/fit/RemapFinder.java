package polydex.desktop.fit;

import static polydex.desktop.language.DesktopWords.worded;
import static polydex.language.Language.decimals;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import polydex.catalog.ActionId;
import polydex.desktop.controls.Lists;
import polydex.desktop.controls.OverlayBox;
import polydex.desktop.controls.Texts;
import polydex.desktop.desk.Desk;
import polydex.desktop.keys.KeyCommand;
import polydex.fit.Bench;
import polydex.fit.Fitting;
import polydex.fit.RemapDraft;
import polydex.fit.RemapSearch;
import polydex.fit.RemapSearch.Aim;
import polydex.fit.RemapSearch.Found;
import polydex.own.OwnKey;
import polydex.route.Situation.Computer;

/** The best remap among the permutations of the modifiers, for an aim that the person names. */
final class RemapFinder {
  private static final int MOST_USED = 20;

  private final Desk desk;
  private final Aim aim;
  private final List<Computer> computers;
  private final Label state = Texts.quiet("");
  private final ListView<Found> list;

  private RemapFinder(Desk desk, Aim aim, List<Computer> computers) {
    this.desk = desk;
    this.aim = aim;
    this.computers = computers;
    list =
        Lists.of(
            worded("fit.remaps-the-best-first"),
            this::row,
            this::title,
            Texts.quiet(worded("fit.no-setup-could-be-looked-at")));
    list.getStyleClass().add("nine-rows");
  }

  /** Asks for the aim, and on which computers. */
  static void ask(Desk desk) {
    List<Computer> all = new FitEdits(desk).bench().computers();
    List<List<Computer>> choices = new ArrayList<>();
    all.forEach(c -> choices.add(List.of(c)));
    for (int i = 0; i < all.size(); i++) {
      for (int j = i + 1; j < all.size(); j++) {
        choices.add(List.of(all.get(i), all.get(j)));
      }
    }
    if (choices.isEmpty()) {
      desk.session().say(worded("any.there-is-no-setup-yet-setups"));
      return;
    }
    desk.dialogs()
        .choose(
            worded("fit.what-is-the-remap-for"),
            List.of(Aim.values()),
            Aim::title,
            aim ->
                desk.dialogs()
                    .choose(
                        worded("fit.on-which-computers"),
                        choices,
                        c ->
                            c.stream()
                                .map(Computer::title)
                                .collect(Collectors.joining(worded("fit.and"))),
                        c -> new RemapFinder(desk, aim, c).open()));
  }

  private void open() {
    VBox box = OverlayBox.wide(Texts.heading(aim.title()), state, list);
    desk.keys()
        .open(
            box,
            list,
            List.of(
                KeyCommand.of(OwnKey.REMAP_FINDER_DETAIL, this::detail),
                KeyCommand.of(OwnKey.REMAP_FINDER_DRAFT, this::draft)));
    desk.analyst().stopLookingWithout(box, "best remap");
    var judge = RemapsView.judge(desk);
    List<ActionId> mostUsed = desk.session().knowledge().mostUsed(MOST_USED);
    state.setText(worded("fit.looking-at-every-setup-as-it"));
    Lists.waiting(list, worded("fit.they-come-when-all-orders-of"));
    desk.analyst()
        .look(
            "best remap",
            course -> {
              RemapSearch search = new RemapSearch(judge.get(), computers, mostUsed);
              int all = search.size();
              return search.best(
                  aim,
                  n ->
                      course.tell(
                          () ->
                              state.setText(
                                  worded("fit.of-orders-of-the-modifiers-tried", n, all))),
                  () -> !course.isWanted());
            },
            this::show,
            why -> {
              state.setText("");
              Lists.failed(list, why);
            });
  }

  private void show(List<Found> found) {
    state.setText(
        switch (aim) {
          case THUMB -> worded("fit.first-by-how-many-computers-have");
          case SAME_KEYS -> worded("fit.first-by-how-many-of-your", MOST_USED);
          case LEAST_EFFORT -> worded("fit.first-by-the-effort-of-what");
        });
    Lists.found(list, found);
    list.getSelectionModel().selectFirst();
    list.requestFocus();
  }

  private String title(Found found) {
    return found.drafts().isEmpty()
        ? worded("fit.everything-as-it-is")
        : found.drafts().stream()
            .map(d -> d.computer().title() + ": " + d.remap().title())
            .collect(Collectors.joining("; "));
  }

  private void detail() {
    Found found = list.getSelectionModel().getSelectedItem();
    if (found != null) {
      new RemapDetail(desk, title(found), found.changes()).open();
    }
  }

  private void draft() {
    Found found = list.getSelectionModel().getSelectedItem();
    if (found == null || found.drafts().isEmpty()) {
      return;
    }
    desk.keys().close();
    FitEdits edits = new FitEdits(desk);
    Bench bench = edits.bench();
    Fitting fitting = bench.fitting();
    for (RemapDraft d : found.drafts()) {
      String id = fitting.unused(d.id());
      fitting =
          fitting.with(
              new RemapDraft(id, d.computer(), d.window(), d.remap(), d.takes(), d.chosen()));
    }
    edits.all(worded("fit.draft", title(found)), new Bench(bench.situation(), fitting));
  }

  private void row(HBox box, Found found) {
    String reached =
        switch (aim) {
          case THUMB -> worded("any.of", decimals(0, found.aim()), computers.size());
          case SAME_KEYS -> worded("fit.the-same", decimals(0, found.aim()));
          case LEAST_EFFORT -> worded("any.points", decimals(0, found.aim()));
        };
    box.getChildren()
        .addAll(
            Lists.growing(Texts.styled(title(found), "row-title")),
            Lists.column(Texts.styled(reached, "number"), 7),
            Lists.column(
                Texts.styled(
                    worded(
                        "fit.lost-moved-habits",
                        found.changes().loses().size(),
                        found.changes().moves().size(),
                        found.changes().habits().size()),
                    "quiet"),
                15));
  }
}
