package polydex.files.json;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.util.List;
import java.util.Optional;
import polydex.catalog.Action;
import polydex.catalog.Action.Harm;
import polydex.catalog.ActionId;
import polydex.own.OwnTitles;

/**
 * An action as a file writes it, with everything left out that goes without saying.
 *
 * @param words other words that people search it by
 * @param harm what it does when it happens unasked; something visible if left out
 * @param opposite the id of the action that takes it back
 * @param toggles whether doing it again takes it back
 */
@JsonInclude(JsonInclude.Include.NON_EMPTY)
record ActionForm(
    String id,
    String title,
    String group,
    List<String> words,
    Optional<Harm> harm,
    Optional<String> opposite,
    Optional<Boolean> toggles) {

  static ActionForm of(Action action) {
    Action a = OwnTitles.kept(action);
    return new ActionForm(
        a.id().value(),
        a.title(),
        a.group(),
        a.words(),
        Optional.of(a.harm()),
        a.opposite().map(ActionId::value),
        Optional.of(a.toggles()).filter(t -> t));
  }

  Action action() {
    return OwnTitles.said(
        new Action(
            new ActionId(id),
            title,
            group,
            words,
            harm.orElse(Harm.VISIBLE),
            opposite.map(ActionId::new),
            toggles.orElse(false)));
  }
}
