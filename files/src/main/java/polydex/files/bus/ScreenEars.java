package polydex.files.bus;

import static polydex.files.language.FilesWords.worded;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.function.LongSupplier;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import polydex.files.FileProblem;
import polydex.files.bus.AccessibilityBus.Running;
import polydex.files.bus.Bus.Signal;
import polydex.files.bus.Bus.Silent;
import polydex.files.bus.Bus.Target;
import polydex.hands.Backlog;
import polydex.hands.Done.Spot;
import polydex.hands.MenuTrail;
import polydex.hands.Seen;

/**
 * Listens to what programs tell of their menus and of what has the focus, and asks them what lies
 * under the pointer. What they tell is stamped as it comes and looked into on a thread of its own,
 * one after the other; whoever floods it is heard in part.
 */
public final class ScreenEars implements AutoCloseable {
  private static final Logger LOG = LoggerFactory.getLogger(ScreenEars.class);
  private static final Target REGISTRY =
      new Target("org.a11y.atspi.Registry", "/org/a11y/atspi/registry");
  private static final List<String> WANTED =
      List.of(
          "object:state-changed:focused",
          "object:state-changed:selected",
          "object:state-changed:showing",
          "window:activate");
  private static final Set<String> STATES = Set.of("focused", "selected", "showing");
  private static final int MOST_WAITING = 2000;
  private static final int MOST_ALIVE = 200;
  private static final int MOST_SHOWN = 2000;

  private static final MenuTrail.Area NOWHERE = new MenuTrail.Area(0, 0, 0, 0);

  /** How GTK 4 calls itself; GTK 3 has small letters. */
  private static final String GTK_4 = "GTK";

  /** Something that was told, and when. */
  private record Told(long millis, Signal signal) {}

  private final Bus bus;
  private final AccessibilityBus list;
  private final BusLook look;
  private final UnderPointer under;
  private final ProgramsHere programs;
  private final LongSupplier now;
  private final BlockingQueue<Told> waiting = new LinkedBlockingQueue<>(MOST_WAITING);
  private final Backlog unheard = new Backlog();
  private final MenuTrail<Target> trail = new MenuTrail<>();

  /** What came alive lately, as it described itself then. */
  private final Map<Target, Described> alive = new Latest<>(MOST_ALIVE);

  /** Where entries of menus were last. */
  private final Map<Target, MenuTrail.Area> shown = new Latest<>(MOST_SHOWN);

  private final Map<String, String> toolkits = new Latest<>(MOST_ALIVE);
  private final Map<String, Boolean> onControl = new Latest<>(MOST_ALIVE);
  private final SecretFields secrets;
  private final Thread thread;
  private volatile boolean open = true;

  private ScreenEars(Bus bus, AccessibilityBus list, LongSupplier now) {
    this.bus = bus;
    this.list = list;
    this.look = new BusLook(bus);
    this.under = new UnderPointer(look);
    this.programs = new ProgramsHere(list, now);
    this.now = now;
    this.secrets = new SecretFields(look);
    this.thread = Thread.ofPlatform().name("screen ears").daemon().unstarted(this::work);
  }

  /**
   * Begins to listen.
   *
   * @param session the address of the session's message bus
   * @param now milliseconds since 1970
   * @throws FileProblem that says what is missing
   */
  public static ScreenEars listen(String session, LongSupplier now) throws FileProblem {
    AccessibilityBus list = AccessibilityBus.connect(session);
    ScreenEars ears = new ScreenEars(list.bus(), list, now);
    ears.bus.listen("org.a11y.atspi.Event.Object", "StateChanged", ears::told);
    ears.bus.listen("org.a11y.atspi.Event.Window", "Activate", ears::told);
    try {
      for (String event : WANTED) {
        ears.bus.call(REGISTRY, "org.a11y.atspi.Registry", "RegisterEvent", event).answer();
      }
    } catch (Silent e) {
      list.close();
      throw new FileProblem(worded("bus.the-registry-of-the-accessibility-bus"), e);
    }
    ears.thread.start();
    return ears;
  }

  private void told(Signal signal) {
    if (open && (signal.member().equals("Activate") || STATES.contains(signal.text(0)))) {
      long millis = now.getAsLong();
      unheard.waits(millis);
      if (!waiting.offer(new Told(millis, signal))) {
        unheard.leaves();
        if (signal.text(0).equals("focused") && signal.number(1) != 0) {
          secrets.begin(millis, signal.source());
        }
      }
    }
  }

  /** Whether all that programs told until a time has been looked into. */
  public boolean hasHeard(long millis) {
    return unheard.isPast(millis);
  }

  private void work() {
    try {
      while (open) {
        Told next = waiting.poll(250, TimeUnit.MILLISECONDS);
        if (next != null) {
          take(next);
          unheard.done();
        }
        secrets.check(now.getAsLong());
      }
    } catch (InterruptedException _) {
      Thread.currentThread().interrupt();
    }
  }

  private void take(Told told) {
    Target source = told.signal().source();
    try {
      if (told.signal().member().equals("Activate")) {
        put(new MenuTrail.Front<>(told.millis()));
        return;
      }
      boolean on = told.signal().number(1) != 0;
      switch (told.signal().text(0)) {
        case "showing" -> {
          if (on) {
            shown(source);
          } else {
            hidden(told.millis(), source);
          }
        }
        case "focused" -> {
          if (!lives(told.millis(), source, on)) {
            secrets.focused(told.millis(), source, on);
            if (isUntold(source)) {
              onControl(source, on);
            }
          }
        }
        default -> lives(told.millis(), source, on);
      }
    } catch (Silent | FileProblem _) {
      // It is gone already, or does not answer; the next one may.
    } catch (RuntimeException e) {
      LOG.error("While listening to programs", e);
    }
  }

  /** Whether it is something in a menu, that comes alive or is so no longer. */
  private boolean lives(long millis, Target source, boolean on) throws FileProblem, Silent {
    if (!on) {
      Described was;
      synchronized (trail) {
        was = alive.get(source);
      }
      if (was != null) {
        put(alive(millis, was, false));
      }
      return was != null;
    }
    Described.Part part = new Described.Part(source, look.role(source), "");
    if (!part.isEntry()) {
      return false;
    }
    Described told = look.describe(source);
    Described described =
        told.at(isUntold(source) ? NOWHERE : shown.getOrDefault(source, told.area()));
    if (!described.isInMenu()) {
      return false;
    }
    synchronized (trail) {
      alive.put(source, described);
    }
    put(alive(millis, described, true));
    return true;
  }

  private MenuTrail.Event<Target> alive(long millis, Described what, boolean on)
      throws FileProblem, Silent {
    boolean hasMenu = on && look.children(what.part().target()) > 0;
    return new MenuTrail.Alive<>(
        millis,
        what.part().target(),
        what.above().stream().map(Described.Part::target).toList(),
        what.opens(hasMenu),
        what.area(),
        on);
  }

  /** Where an entry is while its menu is open: a moment later that may be gone. */
  private void shown(Target source) throws FileProblem, Silent {
    if (new Described.Part(source, look.role(source), "").isEntry()) {
      MenuTrail.Area area = look.area(source);
      if (area.isKnown()) {
        shown.put(source, area);
      }
    }
  }

  private void hidden(long millis, Target source) throws FileProblem, Silent {
    boolean entry = shown.containsKey(source);
    if (entry || new Described.Part(source, look.role(source), "").isMenu()) {
      put(new MenuTrail.Gone<>(millis, source));
    }
  }

  /** A button went down: what comes alive then belongs to that click rather than to another. */
  public void pressed(long millis) {
    put(new MenuTrail.Press<>(millis));
  }

  private void put(MenuTrail.Event<Target> event) {
    synchronized (trail) {
      trail.take(event);
    }
  }

  /** What a click chose of a menu, or that it closed one; none where no menu was open. */
  public Optional<Seen> inMenu(long press, Spot spot, String application) {
    synchronized (trail) {
      return trail.at(press, spot).map(a -> inMenu(a, application));
    }
  }

  private Seen inMenu(MenuTrail.Answer<Target> answer, String application) {
    return switch (answer) {
      case MenuTrail.Chose<Target>(Target item, MenuTrail.Area area, boolean opens) -> {
        Described what = alive.get(item);
        yield what == null
            ? Seen.nothing(application)
            : new Seen(
                application,
                opens ? Seen.Sort.OPENS : Seen.Sort.ENTRY,
                what.part().name(),
                what.path(),
                area.width() > 0 ? area.width() : Double.NaN,
                Double.NaN,
                Double.NaN);
      }
      case MenuTrail.Closed<Target>() -> Seen.nothing(application);
    };
  }

  /**
   * What lies at a spot of the screen now; of a sort that is unknown where nobody tells.
   *
   * @param process of the window there
   * @param across where in that window, as a share of its width
   * @param down the same of its height
   */
  public Seen at(int process, Spot spot, String application, double across, double down) {
    Seen unknown = Seen.unknown(application, across, down);
    Optional<Running> program = programs.find(process);
    if (program.isEmpty()) {
      return unknown;
    }
    try {
      Target root = new Target(program.get().bus(), program.get().path());
      if (program.get().toolkit().equals(GTK_4)) {
        return unknown;
      }
      Optional<Target> found = look.at(root, spot.x(), spot.y());
      return found.isEmpty() ? unknown : under.seen(look.describe(found.get()), spot, unknown);
    } catch (Silent | FileProblem _) {
      return unknown;
    }
  }

  /** How the program of a process calls itself; none where it is not on the bus. */
  public Optional<String> title(int process) {
    return programs.find(process).map(Running::title);
  }

  /**
   * Whether something is of a toolkit that does not tell what its fields are, and says where they
   * are as seen from a window of which nobody knows where it is.
   */
  private boolean isUntold(Target source) throws FileProblem, Silent {
    return toolkit(source).equals(GTK_4);
  }

  /** How the toolkit calls itself that something was made with. */
  private String toolkit(Target source) throws FileProblem, Silent {
    synchronized (toolkits) {
      String known = toolkits.get(source.name());
      if (known == null) {
        known = look.toolkit(source);
        if (!known.isEmpty()) {
          toolkits.put(source.name(), known);
        }
      }
      return known;
    }
  }

  /** Whether a field for secrets had the focus at any time between two moments. */
  public boolean isSecret(long from, long until) {
    return secrets.between(from, until);
  }

  private void onControl(Target source, boolean on) throws FileProblem, Silent {
    Described.Part part = new Described.Part(source, on ? look.role(source) : 0, "");
    synchronized (onControl) {
      onControl.put(source.name(), on && Described.sort(part) == Seen.Sort.CONTROL);
    }
  }

  /**
   * Whether what has the focus in a program may be a field for secrets, since its toolkit tells no
   * such field from others, nor does it tell of what has the focus in a window that was just
   * opened; or since nobody knows yet what program it is.
   */
  public boolean mayHide(int process) {
    Optional<Running> program = programs.find(process).filter(p -> p.toolkit().equals(GTK_4));
    if (programs.isNew(process)) {
      return true;
    }
    synchronized (onControl) {
      return program.isPresent() && !onControl.getOrDefault(program.get().bus(), false);
    }
  }

  @Override
  public void close() {
    open = false;
    thread.interrupt();
    list.close();
  }
}
