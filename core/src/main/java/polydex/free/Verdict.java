package polydex.free;

import java.util.List;
import java.util.Optional;
import polydex.catalog.Action.Harm;
import polydex.catalog.ActionId;
import polydex.route.Layer;
import polydex.route.TracedBinding;

/** What would come of binding a gesture, in one setup. */
public sealed interface Verdict {

  /** It does what it is bound to, and nothing that works today stops working. */
  record Free() implements Verdict {}

  /**
   * It is in use: either something else takes it first, or what works today would stop working.
   *
   * @param layer where it is taken today
   * @param action the id of what it does there; none where a longer gesture waits for it
   * @param harm what happens when that is done unasked
   * @param lost the bindings that would stop working, the ones that lose work first
   */
  record Taken(Layer layer, Optional<ActionId> action, Harm harm, List<TracedBinding> lost)
      implements Verdict {
    /** Copies the list. */
    public Taken {
      lost = List.copyOf(lost);
    }
  }

  /**
   * The platform never lets it through.
   *
   * @param layer where
   * @param action the id of what it does
   */
  record Reserved(Layer layer, ActionId action) implements Verdict {}

  /**
   * It can't be pressed.
   *
   * @param reason a sentence
   */
  record Untypable(String reason) implements Verdict {}

  /**
   * It is how one types a character.
   *
   * @param text the character
   */
  record Types(String text) implements Verdict {}

  /**
   * It does not come to where the binding would live, although nobody takes it.
   *
   * @param layer where it goes another way
   * @param reason a sentence
   */
  record Astray(Layer layer, String reason) implements Verdict {}

  /** How bad it is to bind it all the same: 0 free, then worse and worse. */
  default int rank() {
    return switch (this) {
      case Free _ -> 0;
      case Taken t -> t.harm() == Harm.LOSES_WORK ? 4 : 3;
      case Types _ -> 2;
      case Astray _ -> 1;
      case Untypable _ -> 5;
      case Reserved _ -> 6;
    };
  }
}
