package polydex.cli;

import static polydex.cli.CliWords.worded;
import static polydex.language.Language.quoted;

import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.function.UnaryOperator;
import polydex.files.reminder.AtRest;
import polydex.files.store.StoreLine;
import polydex.person.Knowledge;
import polydex.recall.Learning;
import polydex.reminder.Dearest;
import polydex.totals.Reminder;
import polydex.workspace.Change;
import polydex.workspace.Workspace;

/** The person whose file it is, for what is said when their hands rest. */
final class WhoseFile implements AtRest.Person {
  private final StoreLine line;

  WhoseFile(StoreLine line) {
    this.line = line;
  }

  @Override
  public CompletableFuture<Knowledge> known() {
    return line.ask(s -> Logged.of(s, s.workspace(), ZoneId.systemDefault()).known());
  }

  @Override
  public void keep(Reminder reminder) {
    line.write(s -> s.add(reminder));
  }

  @Override
  public void drill(Dearest dearest) {
    learn(
        worded("command.marked-for-drills"),
        dearest,
        said -> said.marking(List.of(dearest.item())));
  }

  @Override
  public void never(Dearest dearest) {
    learn(
        worded("command.dropped-from-what-to-learn"),
        dearest,
        said -> said.dropping(dearest.item()));
  }

  private void learn(String title, Dearest dearest, UnaryOperator<Learning> more) {
    line.write(
        s -> {
          Workspace before = s.workspace();
          String named = before.catalog().title(dearest.item().action());
          s.save(
              new Change.Edit(
                  title + quoted(named), before, before.with(more.apply(before.learning()))),
              Instant.now());
        });
  }

  @Override
  public boolean isInFront() {
    return false;
  }
}
