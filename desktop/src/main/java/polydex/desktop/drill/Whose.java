package polydex.desktop.drill;

import static polydex.desktop.language.DesktopWords.worded;

import java.util.List;
import java.util.Optional;
import polydex.boards.Presses;
import polydex.catalog.GestureIndex.Owner;
import polydex.desktop.desk.Desk;
import polydex.desktop.state.Analysis;
import polydex.keys.Gesture;
import polydex.recall.DrillItem;

/**
 * Whose a pressed gesture is: where it was asked first, then the same action elsewhere, then
 * anybody's.
 *
 * @param owner the binding and its environment
 */
record Whose(Owner owner) {

  static Optional<Whose> of(Gesture pressed, DrillItem asked, Analysis found) {
    List<Owner> owners =
        Presses.physical(pressed, found.material().layout())
            .map(found.owners()::owners)
            .orElse(List.of());
    return owners.stream()
        .filter(o -> o.environment().equals(asked.environment()))
        .findFirst()
        .or(
            () ->
                owners.stream()
                    .filter(o -> o.binding().action().equals(asked.action()))
                    .findFirst())
        .or(() -> owners.stream().findFirst())
        .map(Whose::new);
  }

  DrillItem item() {
    return new DrillItem(owner.environment(), owner.binding().action());
  }

  String say(Desk desk, Gesture pressed) {
    return worded(
        "drill.is-in",
        pressed,
        desk.titles().action(owner.binding().action()),
        desk.titles().title(owner.environment()));
  }
}
