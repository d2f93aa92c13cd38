package polydex.desktop.mouse;

import static polydex.desktop.language.DesktopWords.worded;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.layout.VBox;
import polydex.desktop.controls.Texts;
import polydex.desktop.desk.Desk;
import polydex.desktop.desk.Place;
import polydex.desktop.keys.KeyCommand;
import polydex.own.OwnKey;
import polydex.person.Findings;

/** What is still done with the mouse, how that went, and what is being recorded. */
public final class MousePlace implements Place {
  private final Desk desk;
  private final VBox root = new VBox();
  private final RemainingView remaining;
  private final WeeksView weeks;
  private final LiveView live;

  /** The place. */
  public MousePlace(Desk desk) {
    this.desk = desk;
    remaining = new RemainingView(desk);
    weeks = new WeeksView(desk);
    live = new LiveView(desk);
    root.getStyleClass().add("place");
    root.getChildren().addAll(Texts.heading(worded("any.mouse")), remaining);
    desk.session().logged().addListener((_, _, _) -> logged());
    desk.session().workspace().addListener((_, _, _) -> askIfShown());
    desk.auditor()
        .found()
        .addListener((_, _, found) -> found.ifPresentOrElse(this::show, this::showNothing));
    showNothing();
    desk.narrow().addListener((_, _, _) -> desk.auditor().found().get().ifPresent(this::show));
    desk.recording()
        .state()
        .addListener(
            (_, _, _) -> {
              live.refresh();
              if (isShown()) {
                desk.keys().changed();
              }
            });
  }

  /** Nobody sees it elsewhere, and a drill has no time for it. */
  private boolean isShown() {
    return root.getScene() != null;
  }

  private void askIfShown() {
    if (isShown()) {
      desk.auditor().ask();
    }
  }

  private void logged() {
    if (isShown()) {
      if (view() == live) {
        live.soon();
      } else {
        desk.auditor().ask();
      }
    }
  }

  private void show(Findings found) {
    if (view() == weeks) {
      weeks.show(found);
    } else if (view() == remaining) {
      remaining.show(found);
    }
  }

  private void showNothing() {
    remaining.waiting(desk.auditor().inItsPlace());
    weeks.waiting(desk.auditor().inItsPlace());
  }

  private Node view() {
    return root.getChildren().getLast();
  }

  @Override
  public Parent node() {
    return root;
  }

  @Override
  public List<KeyCommand> commands() {
    List<KeyCommand> all = new ArrayList<>();
    if (view() == remaining) {
      all.addAll(remaining.commands());
    } else if (view() == weeks) {
      all.addAll(weeks.commands());
    } else {
      all.addAll(live.commands());
    }
    all.add(KeyCommand.of(OwnKey.EXPLAIN_NAMES, () -> new NamesView(desk).open()));
    all.add(KeyCommand.of(OwnKey.WISHES_OPEN, () -> new WishList(desk).open()));
    all.add(
        view() == weeks
            ? KeyCommand.of(OwnKey.MOUSE_TURN, worded("mouse.what-remains"), () -> turn(remaining))
            : KeyCommand.of(OwnKey.MOUSE_TURN, worded("mouse.weeks"), () -> turn(weeks)));
    all.add(KeyCommand.of(OwnKey.REVIEW_OPEN, found(f -> new ReviewView(desk, f).open())));
    if (view() != remaining) {
      all.add(
          KeyCommand.quiet(OwnKey.MOUSE_BACK, worded("mouse.what-remains"), () -> turn(remaining)));
    }
    if (view() != live) {
      all.add(KeyCommand.of(OwnKey.RECORD, () -> turn(live)));
    }
    all.add(KeyCommand.of(OwnKey.LOG_OPEN, () -> new LogView(desk).open()));
    all.add(KeyCommand.of(OwnKey.SAVED_OPEN, found(f -> SavedView.open(desk, f))));
    return all;
  }

  /** Something that needs what was found out. */
  private Runnable found(Consumer<Findings> act) {
    return () -> {
      if (desk.auditor().found().get().isEmpty()) {
        desk.session().say(worded("mouse.still-looking-at-the-log-the"));
      }
      // What a recorder has just handed on belongs to it.
      desk.auditor()
          .ask(
              f -> {
                if (isShown()) {
                  act.accept(f);
                }
              });
    };
  }

  /** Turns to the weeks, whatever was shown before. */
  public void weeks() {
    turn(weeks);
  }

  private void turn(Node view) {
    root.getChildren().set(1, view);
    desk.keys().changed();
    shown();
    if (view == live && desk.recording().title().isEmpty()) {
      live.begin();
    }
  }

  @Override
  public Map<Character, Node> reachable() {
    return Map.of('A', list());
  }

  private Node list() {
    return view() == remaining ? remaining.list() : view() == weeks ? weeks.list() : live.list();
  }

  @Override
  public void shown() {
    desk.auditor().found().get().ifPresent(this::show);
    live.refresh();
    desk.auditor().ask();
    list().requestFocus();
  }
}
