package polydex.desktop.mouse;

import java.util.List;
import java.util.concurrent.CompletableFuture;
import javafx.application.Platform;
import polydex.desktop.desk.Desk;
import polydex.files.reminder.AtRest;
import polydex.person.Knowledge;
import polydex.reminder.Dearest;
import polydex.totals.Reminder;

/** The person at an open file, for what is said when their hands rest. */
final class WhoseHands implements AtRest.Person {
  private final Desk desk;

  WhoseHands(Desk desk) {
    this.desk = desk;
  }

  @Override
  public CompletableFuture<Knowledge> known() {
    CompletableFuture<Knowledge> known = new CompletableFuture<>();
    Platform.runLater(
        () ->
            desk.session()
                .whenLogRead(
                    () -> known.complete(desk.session().knowledge()),
                    why -> known.completeExceptionally(new IllegalStateException(why))));
    return known;
  }

  @Override
  public void keep(Reminder reminder) {
    Platform.runLater(() -> desk.session().add(reminder));
  }

  @Override
  public void drill(Dearest dearest) {
    Platform.runLater(
        () -> {
          if (!desk.session().workspace().get().learning().marked().contains(dearest.item())) {
            desk.drills().mark(List.of(dearest.item()));
          }
        });
  }

  @Override
  public void never(Dearest dearest) {
    Platform.runLater(() -> desk.drills().drop(dearest.item()));
  }

  @Override
  public boolean isInFront() {
    return desk.recording().isInFront();
  }
}
