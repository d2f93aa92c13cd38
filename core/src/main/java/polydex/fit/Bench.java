package polydex.fit;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import polydex.catalog.Binding;
import polydex.fit.OwnBinding.State;
import polydex.keys.Gesture;
import polydex.route.Machine;
import polydex.route.Passage;
import polydex.route.Setup;
import polydex.route.Situation;
import polydex.route.Situation.Computer;
import polydex.route.Trace;
import polydex.route.Tracer;

/**
 * The computers as they are and what is planned for them: each step in the life of a binding or
 * remap of one's own is a change of both.
 *
 * @param situation keymaps and setups
 * @param fitting what was planned and said
 */
public record Bench(Situation situation, Fitting fitting) {

  /** The computers that stand in any setup, each once, in the order in which they are met. */
  public List<Computer> computers() {
    return situation.setups().values().stream()
        .flatMap(s -> s.machines().stream())
        .map(Computer::of)
        .distinct()
        .toList();
  }

  /** A computer as it stands in the first setup that has it. */
  public Optional<Machine> machine(Computer computer) {
    return situation.setups().values().stream()
        .flatMap(s -> s.machines().stream())
        .filter(computer::is)
        .findFirst();
  }

  /**
   * Every binding of one's own: those that are planned, and those that a computer has, whether
   * anything was said of them or not. What was said of a binding that is gone from its computer is
   * left out.
   */
  public List<OwnBinding> own(LocalDate today) {
    List<OwnBinding> all = new ArrayList<>();
    for (Computer computer : computers()) {
      for (Binding b : machine(computer).orElseThrow().own()) {
        OwnBinding said = fitting.own().get(key(computer, b.id()));
        all.add(
            said == null || !said.gesture().equals(b.gesture()) || !said.onComputer()
                ? new OwnBinding(
                    key(computer, b.id()),
                    computer,
                    b.action(),
                    b.gesture(),
                    Optional.ofNullable(said).flatMap(OwnBinding::target),
                    State.APPLIED,
                    today,
                    "")
                : said);
      }
      for (OwnBinding o : fitting.own().values()) {
        if (o.computer().equals(computer) && !o.onComputer()) {
          all.add(o);
        }
      }
    }
    return all;
  }

  /** The id under which the plan has what a computer has under an id. */
  public static String key(Computer computer, String binding) {
    return computer.platform() + "/" + computer.title() + "/" + binding;
  }

  /**
   * The id under which the computer has it. One that was only planned must not take the place of
   * another that is there under the same id.
   */
  private String idThere(OwnBinding o) {
    String before = key(o.computer(), "");
    if (o.id().startsWith(before)) {
      return o.id().substring(before.length());
    }
    Set<String> there = new HashSet<>();
    machine(o.computer()).ifPresent(m -> m.own().forEach(b -> there.add(b.id())));
    String id = o.id();
    for (int i = 2; there.contains(id); i++) {
      id = o.id() + "-" + i;
    }
    return id;
  }

  /** With a binding planned. */
  public Bench planning(OwnBinding planned) {
    return new Bench(situation, fitting.with(planned));
  }

  /** With a binding on its computer, in every setup that has it. */
  public Bench applying(OwnBinding o, LocalDate today) {
    Binding made = Binding.of(idThere(o), o.action(), o.gesture());
    Situation with =
        situation.withMachine(
            o.computer(),
            m -> {
              List<Binding> own = new ArrayList<>(m.own());
              own.removeIf(b -> b.id().equals(made.id()));
              own.add(made);
              return m.withOwn(own);
            });
    OwnBinding there =
        new OwnBinding(
            key(o.computer(), made.id()),
            o.computer(),
            o.action(),
            o.gesture(),
            o.target(),
            State.APPLIED,
            today,
            "");
    return new Bench(with, fitting.without(o).with(there).untickingAll(o.computer(), o.id()));
  }

  /** With it pressed, and it did what it should. */
  public Bench verifying(OwnBinding o, LocalDate today) {
    return new Bench(situation, fitting.with(o.verified(today, meets(o))));
  }

  /** With it to be taken away; what was only planned is gone at once. */
  public Bench removing(OwnBinding o, LocalDate today) {
    return new Bench(
        situation,
        o.onComputer() ? fitting.with(o.in(State.TO_BE_REMOVED, today)) : fitting.without(o));
  }

  /** With it kept after all. */
  public Bench keeping(OwnBinding o, LocalDate today) {
    return new Bench(situation, fitting.with(o.in(State.APPLIED, today)));
  }

  /** With it gone from its computer. */
  public Bench gone(OwnBinding o) {
    String id = idThere(o);
    Situation without =
        situation.withMachine(
            o.computer(),
            m -> m.withOwn(m.own().stream().filter(b -> !b.id().equals(id)).toList()));
    return new Bench(without, fitting.without(o).untickingAll(o.computer(), o.id()));
  }

  /** With a remap made, and its draft gone. */
  public Bench making(RemapDraft draft) {
    return new Bench(
        draft.applyTo(situation),
        fitting.without(draft).untickingAll(draft.computer(), draft.id()));
  }

  /**
   * Whether a binding that was verified meets something else on its way now, so that it has to be
   * pressed again.
   */
  public boolean isTouched(OwnBinding o) {
    return o.state() == State.VERIFIED && !o.seen().equals(meets(o));
  }

  /**
   * What a gesture meets on its way in every setup in which its computer stands, as a short text
   * that is the same as long as that is the same. O(setups · bindings) for setups that were not
   * traced before.
   */
  public String meets(OwnBinding o) {
    long hash = 0xcbf29ce484222325L;
    for (Map.Entry<String, Trace> e : traces(o.computer(), o.gesture()).entrySet()) {
      hash = mixed(hash, e.getKey());
      for (Passage p : e.getValue().passages()) {
        hash =
            mixed(
                hash,
                p.layer().depth()
                    + " "
                    + p.layer().kind()
                    + " "
                    + p.received()
                    + " "
                    + p.sent()
                    + " "
                    + p.verb()
                    + " "
                    + p.reason()
                    + " "
                    + p.by().map(Binding::action));
      }
    }
    return Long.toHexString(hash);
  }

  /** FNV-1a (Fowler, Noll, Vo), 64 bits: it tells changes apart, and keeps nothing secret. */
  private static long mixed(long hash, String text) {
    long mixed = hash;
    for (int i = 0; i < text.length(); i++) {
      mixed = (mixed ^ text.charAt(i)) * 0x100000001b3L;
    }
    return mixed;
  }

  private Map<String, Trace> traces(Computer computer, Gesture gesture) {
    Map<String, Trace> found = new LinkedHashMap<>();
    for (Setup setup : situation.setups().values()) {
      if (setup.machines().stream().anyMatch(computer::is)
          && situation.world().problem(setup).isEmpty()
          && !gesture.isFamily()) {
        found.put(setup.id().value(), Tracer.of(setup, situation.world()).trace(gesture));
      }
    }
    return found;
  }
}
