package polydex.workspace;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiFunction;
import java.util.function.Function;
import polydex.catalog.Context;
import polydex.catalog.Environment;
import polydex.catalog.Environment.Application;
import polydex.catalog.Environment.Platform;
import polydex.keys.Gesture;
import polydex.route.Machine;
import polydex.route.Machine.Bare;
import polydex.route.Machine.Capture;
import polydex.route.Machine.Running;
import polydex.route.Machine.Session;
import polydex.route.Remap;
import polydex.route.Remap.KeyRule;
import polydex.route.Setup;
import polydex.route.SetupCheck.Kind;
import polydex.workspace.SetupLine.Edit;
import polydex.workspace.SetupLine.Option;

/** What has the focus on a machine, written out: an application, or a window with a machine. */
final class FocusLines {
  private static final int LONGEST_DELAY = 10_000;

  private final Workspace workspace;
  private final int depth;
  private final Machine machine;
  private final Function<Machine, Setup> put;
  private final SetupOutline.Wrong wrong;
  private final List<SetupLine> lines = new ArrayList<>();

  FocusLines(
      Workspace workspace,
      int depth,
      Machine machine,
      Function<Machine, Setup> put,
      SetupOutline.Wrong wrong) {
    this.workspace = workspace;
    this.depth = depth;
    this.machine = machine;
    this.put = put;
    this.wrong = wrong;
  }

  List<SetupLine> lines() {
    lines.add(
        SetupLine.of(
                depth,
                "In focus",
                machine
                    .application()
                    .map(a -> workspace.catalog().environment(a).map(Environment::title).orElse(a))
                    .orElse("the desktop itself"))
            .wrong(wrong.at(depth, Kind.FOCUS, ""))
            .changedBy(focus()));
    switch (machine.focus()) {
      case Bare _ -> {}
      case Running r -> running(r);
      case Session s -> session(s);
    }
    return lines;
  }

  private Setup put(Machine.Focus focus) {
    return put.apply(machine.with(focus));
  }

  private Edit focus() {
    List<Option> options = new ArrayList<>();
    options.add(new Option("the desktop itself", new Edit.Done(put(new Bare()))));
    for (Environment application : HeldMachines.on(workspace.catalog(), machine.platform())) {
      if (application.kind() instanceof Application a && a.holdsMachine()) {
        options.add(new Option(application.title(), held(application)));
      }
      options.add(
          new Option(
              application.kind() instanceof Application a && a.holdsMachine()
                  ? application.title() + ", holding no machine"
                  : application.title(),
              new Edit.Done(
                  put(
                      new Running(
                          application.id(),
                          application.version(),
                          Set.of(),
                          List.of(Context.ANYWHERE.id()))))));
    }
    return new Edit.Choice(() -> options);
  }

  /** A window keeps the machine that it held; for a new one the machine is asked for. */
  private Edit held(Environment window) {
    if (machine.focus() instanceof Session s) {
      return new Edit.Done(put(HeldMachines.window(window, s.inner())));
    }
    return new Edit.Choice(
        () ->
            workspace.catalog().environments().stream()
                .filter(e -> e.kind() instanceof Platform)
                .map(
                    p ->
                        new Option(
                            "holding " + p.title(),
                            new Edit.Done(
                                put(
                                    HeldMachines.window(
                                        window, SetupList.bare(p, machine.layout()))))))
                .toList());
  }

  private void running(Running running) {
    lines.add(
        SetupOutline.versionLine(
                depth,
                "Its version",
                running.version(),
                v ->
                    put(
                        new Running(
                            running.application(), v, running.options(), running.contexts())))
            .wrong(wrong.at(depth, Kind.FOCUS_VERSION, "")));
    for (SetupLine line :
        SetupOutline.optionLines(
            workspace.catalog(),
            depth,
            running.application(),
            running.options(),
            on ->
                put(
                    new Running(
                        running.application(), running.version(), on, running.contexts())))) {
      lines.add(line.wrong(wrong.at(depth, Kind.FOCUS_OPTION, line.label())));
    }
    List<Context> known =
        workspace
            .catalog()
            .environment(running.application())
            .map(Environment::contexts)
            .orElse(List.of());
    Function<List<String>, Setup> at =
        contexts ->
            put(new Running(running.application(), running.version(), running.options(), contexts));
    lines.add(
        SetupLine.of(depth, "Active contexts", SetupOutline.count(running.contexts().size()))
            .addingBy(
                new Edit.Choice(
                    () ->
                        known.stream()
                            .filter(c -> !running.contexts().contains(c.id()))
                            .map(
                                c ->
                                    new Option(
                                        c.title(),
                                        new Edit.Done(
                                            at.apply(Members.with(running.contexts(), c.id())))))
                            .toList())));
    for (int i = 0; i < running.contexts().size(); i++) {
      String id = running.contexts().get(i);
      lines.add(
          SetupLine.of(
                  depth + 1,
                  "Context",
                  known.stream()
                      .filter(c -> c.id().equals(id))
                      .map(Context::title)
                      .findFirst()
                      .orElse(id))
              .wrong(wrong.at(depth, Kind.CONTEXT, id))
              .memberOf(running.contexts(), i, at));
    }
  }

  private void session(Session session) {
    lines.add(
        SetupOutline.versionLine(depth, "Its version", session.version(), v -> put(session.at(v)))
            .wrong(wrong.at(depth, Kind.FOCUS_VERSION, "")));
    lines.add(
        SetupLine.of(depth, "Captures strokes", words(session.capture()))
            .changedBy(
                new Edit.Choice(
                    () ->
                        List.of(Capture.values()).stream()
                            .map(
                                c -> new Option(words(c), new Edit.Done(put(session.capturing(c)))))
                            .toList())));
    lines.add(
        toggle(
            "Full screen", session.fullScreen(), put(session.inFullScreen(!session.fullScreen()))));
    lines.add(
        toggle(
            "Hands strokes on", session.forwards(), put(session.forwarding(!session.forwards()))));
    strokes(
        "Kept by the host",
        session.kept(),
        Kind.KEPT,
        (_, l) -> session.directing(l, session.sent()));
    strokes(
        "Sent in all the same",
        session.sent(),
        Kind.SENT,
        (_, l) -> session.directing(session.kept(), l));
    translation(session);
    lines.add(
        SetupLine.of(depth, "Holds taps back", session.tapDelayMillis() + " ms")
            .changedBy(
                new Edit.Words(
                    String.valueOf(session.tapDelayMillis()),
                    "Milliseconds, 0 to 10000",
                    t -> put(session.delayingTaps(millis(t))))));
  }

  private SetupLine toggle(String label, boolean on, Setup other) {
    return SetupLine.of(depth, label, on ? "yes" : "no").changedBy(new Edit.Done(other));
  }

  private static int millis(String text) {
    String digits = text.strip();
    if (!digits.matches("\\d{1,5}") || Integer.parseInt(digits) > LONGEST_DELAY) {
      throw new IllegalArgumentException(
          "A whole number of milliseconds from 0 to %d is expected.".formatted(LONGEST_DELAY));
    }
    return Integer.parseInt(digits);
  }

  private static String words(Capture capture) {
    return capture.name().toLowerCase(Locale.ROOT).replace('_', ' ')
        + (capture == Capture.FULL_SCREEN ? " only" : "");
  }

  private void strokes(
      String label,
      List<Gesture> strokes,
      Kind kind,
      BiFunction<Session, List<Gesture>, Session> with) {
    Session session = (Session) machine.focus();
    Function<List<Gesture>, Setup> to = l -> put(with.apply(session, l));
    lines.add(
        SetupLine.of(depth, label, SetupOutline.count(strokes.size()))
            .addingBy(
                new Edit.Words(
                    "",
                    "One stroke, as in Meta+L",
                    t -> to.apply(Members.with(strokes, RuleText.stroke(t))))));
    for (int i = 0; i < strokes.size(); i++) {
      lines.add(
          SetupLine.of(depth + 1, "Stroke", "")
              .about(strokes.get(i))
              .wrong(wrong.at(depth, kind, String.valueOf(i)))
              .memberOf(strokes, i, to));
    }
  }

  private void translation(Session session) {
    List<KeyRule> rules = session.translation().map(Remap::keyRules).orElse(List.of());
    Function<List<KeyRule>, Setup> to =
        list ->
            put(
                session.translating(
                    list.isEmpty()
                        ? Optional.empty()
                        : Optional.of(
                            new Remap(
                                session.translation().map(Remap::title).orElse("translation"),
                                Optional.empty(),
                                List.of(),
                                list))));
    lines.add(
        SetupLine.of(depth, "Translates keys", SetupOutline.count(rules.size()))
            .addingBy(
                new Edit.Words(
                    "",
                    "What becomes what inside, as in Meta -> Ctrl",
                    t -> to.apply(Members.with(rules, RuleText.keyRule(t))))));
    for (int i = 0; i < rules.size(); i++) {
      lines.add(
          RemapLines.keyRule(
              depth + 1, rules, i, to, wrong.at(depth, Kind.TRANSLATION, String.valueOf(i))));
    }
  }
}
