package polydex.log;

import java.util.Optional;
import polydex.catalog.ActionId;
import polydex.keys.Gesture;

/** Knows what keys mean where a deed was done, so that the door can tell commands from writing. */
public interface Interpreter {
  /**
   * Whether keys would write, in the setup that is in use there, and do nothing else; where none is
   * known, whether they would on some platform.
   */
  boolean writes(Deed where, Gesture gesture);

  /** Whether keys cause an action, in any context that is there. */
  boolean binds(Deed where, Gesture gesture);

  /** The action of a gesture that ends in plain characters, such as a walk through the menus. */
  Optional<ActionId> does(Deed where, Gesture gesture);
}
