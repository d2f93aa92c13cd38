package polydex.files.bus;

import polydex.files.FileProblem;
import polydex.files.bus.Bus.Silent;
import polydex.hands.Done.Spot;
import polydex.hands.Seen;

/** Makes what a click was about of what answered that it lies at its spot. */
final class UnderPointer {
  /** So deep, at most, lies what is on a button. */
  private static final int ON_A_CONTROL = 3;

  private final BusLook look;

  UnderPointer(BusLook look) {
    this.look = look;
  }

  /**
   * What it was about.
   *
   * @param what answered
   * @param unknown where in which window that is, of which nothing more is known
   */
  Seen seen(Described what, Spot spot, Seen unknown) throws FileProblem, Silent {
    if (what.isInMenu()) {
      boolean opens = what.opens(look.children(what.part().target()) > 0);
      return of(what, opens ? Seen.Sort.OPENS : Seen.Sort.ENTRY, unknown);
    }
    // Some tabs say that what is on their page lies on them.
    for (Described.Part part : what.above()) {
      if (part.isTab() && look.area(part.target()).contains(spot)) {
        return of(look.describe(part.target()), unknown);
      }
    }
    // A label or a picture on a button is the button.
    for (int i = 0; i < ON_A_CONTROL && i < what.above().size() && what.isOnSomething(); i++) {
      if (Described.sort(what.above().get(i)) == Seen.Sort.CONTROL) {
        Described control = look.describe(what.above().get(i).target());
        if (control.area().contains(spot)) {
          return of(control, unknown);
        }
      }
    }
    return of(what, unknown);
  }

  private static Seen of(Described what, Seen unknown) {
    if (what.sort() == Seen.Sort.CONTROL && what.part().name().isBlank()) {
      return unknown;
    }
    return of(what, what.sort(), unknown);
  }

  private static Seen of(Described what, Seen.Sort sort, Seen unknown) {
    return new Seen(
        unknown.application(),
        sort,
        sort == Seen.Sort.UNKNOWN ? "" : what.part().name(),
        what.path(),
        what.area().width() > 0 ? what.area().width() : Double.NaN,
        unknown.across(),
        unknown.down());
  }
}
