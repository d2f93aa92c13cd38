package polydex.desktop;

import static polydex.desktop.language.DesktopWords.worded;

import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.List;
import polydex.desktop.desk.Dialogs;
import polydex.desktop.state.Session;
import polydex.files.store.StoreLine;

/**
 * Closes a window once all that was done in it is stored. Where that can't be, it asks first, and
 * offers another place.
 */
final class Closing {
  private final Session session;
  private final Dialogs dialogs;
  private final Runnable close;

  /** Whether the window closes as soon as what is on its way has been written. */
  private boolean waits;

  private enum Answer {
    ELSEWHERE,
    STAY,
    LOSE
  }

  /**
   * For a session.
   *
   * @param close closes the window whatever is stored
   */
  Closing(Session session, Dialogs dialogs, Runnable close) {
    this.session = session;
    this.dialogs = dialogs;
    this.close = close;
    session
        .unwritten()
        .addListener(
            (_, _, _) -> {
              if (waits) {
                wanted();
              }
            });
  }

  /** The person wants to close the window. */
  void wanted() {
    StoreLine.Progress now = session.writing();
    waits = now.waiting() > 0 && now.problem().isEmpty();
    if (now.waiting() == 0) {
      close.run();
    } else if (waits) {
      session.say(worded("window.storing-the-window-closes-then", things(now)));
    } else {
      ask(now);
    }
  }

  private static String things(StoreLine.Progress now) {
    return worded("window.things", now.waiting());
  }

  private void ask(StoreLine.Progress now) {
    dialogs.choose(
        worded("window.not-everything-is-stored"),
        "%s: %s".formatted(things(now), now.problem().orElse("")),
        List.of(Answer.values()),
        answer ->
            switch (answer) {
              case ELSEWHERE -> worded("window.keep-everything-in-another-file-then");
              case STAY -> worded("window.go-on-and-close-later");
              case LOSE -> worded("window.close-and-lose", things(now));
            },
        answer -> {
          switch (answer) {
            case ELSEWHERE -> keepElsewhere(this::wanted);
            case STAY -> session.say(worded("window.it-is-tried-again-every-second"));
            case LOSE -> close.run();
          }
        });
  }

  /**
   * Asks for another file, and keeps everything there from now on.
   *
   * @param then is run when it is there
   */
  void keepElsewhere(Runnable then) {
    Path now = session.file().get();
    ask(now.resolveSibling("copy-of-" + now.getFileName()).toString(), "", then);
  }

  private void ask(String path, String why, Runnable then) {
    dialogs.ask(
        why.isEmpty() ? worded("window.keep-everything-in-another-file") : why,
        worded("any.folder-and-name-of-a-new"),
        path,
        said -> {
          try {
            session.moveTo(Path.of(said), then, problem -> ask(said, problem, then));
          } catch (InvalidPathException e) {
            ask(said, worded("any.cant-be-the-name-of-a", said), then);
          }
        });
  }
}
