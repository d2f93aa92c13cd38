package polydex.setups;

import static polydex.language.CoreWords.worded;

import java.util.ArrayList;
import java.util.List;
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
import polydex.route.Machine.SessionWindow;
import polydex.route.Remap;
import polydex.route.Remap.KeyRule;
import polydex.route.Setup;
import polydex.route.SetupCheck.Kind;
import polydex.setups.OutlineLine.Edit;
import polydex.setups.OutlineLine.Option;

/** What has the focus on a machine, written out: an application, or a window with a machine. */
final class FocusLines {
  private static final int LONGEST_DELAY = 10_000;

  private final SetupOutline.Part part;
  private final List<OutlineLine<Setup>> lines = new ArrayList<>();

  FocusLines(SetupOutline.Part part) {
    this.part = part;
  }

  List<OutlineLine<Setup>> lines() {
    lines.add(
        OutlineLine.<Setup>of(
                part.depth(),
                worded("setups.in-focus"),
                part.machine()
                    .application()
                    .map(
                        a ->
                            part.workspace()
                                .catalog()
                                .environment(a)
                                .map(Environment::title)
                                .orElse(a.value()))
                    .orElse(worded("setups.the-desktop-itself")))
            .wrong(part.wrong().at(part.depth(), Kind.FOCUS, ""))
            .changedBy(focus()));
    switch (part.machine().focus()) {
      case Bare _ -> {}
      case Running r -> running(r);
      case SessionWindow s -> session(s);
    }
    return lines;
  }

  private Setup put(Machine.Focus focus) {
    return part.put().apply(part.machine().with(focus));
  }

  private Edit<Setup> focus() {
    List<Option<Setup>> options = new ArrayList<>();
    options.add(
        new Option<>(worded("setups.the-desktop-itself"), new Edit.Done<>(() -> put(new Bare()))));
    for (Environment application :
        HeldMachines.on(part.workspace().catalog(), part.machine().platform())) {
      if (application.kind() instanceof Application a && a.holdsMachine()) {
        options.add(new Option<>(application.title(), held(application)));
      }
      options.add(
          new Option<>(
              application.kind() instanceof Application a && a.holdsMachine()
                  ? worded("setups.holding-no-machine", application.title())
                  : application.title(),
              new Edit.Done<>(
                  () ->
                      put(
                          new Running(
                              application.id(),
                              application.version(),
                              Set.of(),
                              List.of(Context.ANYWHERE.id()))))));
    }
    return new Edit.Choice<>(() -> options);
  }

  /** A window keeps the machine that it held; for a new one the machine is asked for. */
  private Edit<Setup> held(Environment window) {
    if (part.machine().focus() instanceof SessionWindow s) {
      return new Edit.Done<>(() -> put(HeldMachines.window(window, s.inner())));
    }
    return new Edit.Choice<>(
        () ->
            part.workspace().catalog().environments().stream()
                .filter(e -> e.kind() instanceof Platform)
                .map(
                    p ->
                        new Option<>(
                            worded("setups.holding", p.title()),
                            new Edit.Done<>(
                                () ->
                                    put(
                                        HeldMachines.window(
                                            window, SetupList.bare(p, part.machine().layout()))))))
                .toList());
  }

  private void running(Running running) {
    lines.add(
        SetupOutline.versionLine(
                part.depth(),
                worded("setups.its-version"),
                running.version(),
                v ->
                    put(
                        new Running(
                            running.application(), v, running.options(), running.contexts())))
            .wrong(part.wrong().at(part.depth(), Kind.FOCUS_VERSION, "")));
    for (OutlineLine<Setup> line :
        SetupOutline.optionLines(
            part.workspace().catalog(),
            part.depth(),
            running.application(),
            running.options(),
            on ->
                put(
                    new Running(
                        running.application(), running.version(), on, running.contexts())))) {
      lines.add(line.wrong(part.wrong().at(part.depth(), Kind.FOCUS_OPTION, line.label())));
    }
    List<Context> known =
        part.workspace()
            .catalog()
            .environment(running.application())
            .map(Environment::contexts)
            .orElse(List.of());
    Function<List<String>, Setup> at =
        contexts ->
            put(new Running(running.application(), running.version(), running.options(), contexts));
    lines.add(
        OutlineLine.<Setup>of(
                part.depth(),
                worded("setups.active-contexts"),
                SetupOutline.count(running.contexts().size()))
            .addingBy(
                new Edit.Choice<>(
                    () ->
                        known.stream()
                            .filter(c -> !running.contexts().contains(c.id()))
                            .map(
                                c ->
                                    new Option<>(
                                        c.title(),
                                        new Edit.Done<>(
                                            () ->
                                                at.apply(
                                                    Members.with(running.contexts(), c.id())))))
                            .toList())));
    for (int i = 0; i < running.contexts().size(); i++) {
      String id = running.contexts().get(i);
      lines.add(
          OutlineLine.<Setup>of(
                  part.depth() + 1,
                  worded("setups.context"),
                  known.stream()
                      .filter(c -> c.id().equals(id))
                      .map(Context::title)
                      .findFirst()
                      .orElse(id))
              .wrong(part.wrong().at(part.depth(), Kind.CONTEXT, id))
              .memberOf(running.contexts(), i, at));
    }
  }

  private void session(SessionWindow session) {
    lines.add(
        SetupOutline.versionLine(
                part.depth(),
                worded("setups.its-version"),
                session.version(),
                v -> put(session.at(v)))
            .wrong(part.wrong().at(part.depth(), Kind.FOCUS_VERSION, "")));
    lines.add(
        OutlineLine.<Setup>of(
                part.depth(), worded("setups.captures-strokes"), words(session.capture()))
            .changedBy(
                new Edit.Choice<>(
                    () ->
                        List.of(Capture.values()).stream()
                            .map(
                                c ->
                                    new Option<>(
                                        words(c), new Edit.Done<>(() -> put(session.capturing(c)))))
                            .toList())));
    lines.add(
        toggle(
            worded("any.full-screen"),
            session.fullScreen(),
            put(session.inFullScreen(!session.fullScreen()))));
    lines.add(
        toggle(
            worded("setups.hands-strokes-on"),
            session.forwards(),
            put(session.forwarding(!session.forwards()))));
    strokes(
        worded("setups.kept-by-the-host"),
        session.kept(),
        Kind.KEPT,
        (_, l) -> session.directing(l, session.sent()));
    strokes(
        worded("setups.sent-in-all-the-same"),
        session.sent(),
        Kind.SENT,
        (_, l) -> session.directing(session.kept(), l));
    translation(session);
    lines.add(
        OutlineLine.<Setup>of(
                part.depth(),
                worded("setups.holds-taps-back"),
                worded("setups.ms", session.tapDelayMillis()))
            .changedBy(
                new Edit.Words<>(
                    String.valueOf(session.tapDelayMillis()),
                    worded("setups.milliseconds-0-to-10000"),
                    t -> put(session.delayingTaps(millis(t))))));
  }

  private OutlineLine<Setup> toggle(String label, boolean on, Setup other) {
    return OutlineLine.<Setup>of(part.depth(), label, worded(on ? "any.yes" : "any.no"))
        .changedBy(new Edit.Done<>(() -> other));
  }

  private static int millis(String text) {
    String digits = text.strip();
    if (!digits.matches("\\d{1,5}") || Integer.parseInt(digits) > LONGEST_DELAY) {
      throw new IllegalArgumentException(
          worded("setups.a-whole-number-of-milliseconds-from", String.valueOf(LONGEST_DELAY)));
    }
    return Integer.parseInt(digits);
  }

  private static String words(Capture capture) {
    return switch (capture) {
      case NEVER -> worded("setups.capture-never");
      case FULL_SCREEN -> worded("setups.capture-full-screen");
      case ALWAYS -> worded("setups.capture-always");
    };
  }

  private void strokes(
      String label,
      List<Gesture> strokes,
      Kind kind,
      BiFunction<SessionWindow, List<Gesture>, SessionWindow> with) {
    SessionWindow session = (SessionWindow) part.machine().focus();
    Function<List<Gesture>, Setup> to = l -> put(with.apply(session, l));
    lines.add(
        OutlineLine.<Setup>of(part.depth(), label, SetupOutline.count(strokes.size()))
            .addingBy(
                new Edit.Words<>(
                    "",
                    worded("setups.one-stroke-as-in-meta-l"),
                    t -> to.apply(Members.with(strokes, RuleText.stroke(t))))));
    for (int i = 0; i < strokes.size(); i++) {
      lines.add(
          OutlineLine.<Setup>of(part.depth() + 1, worded("setups.stroke"), "")
              .about(strokes.get(i))
              .wrong(part.wrong().at(part.depth(), kind, String.valueOf(i)))
              .memberOf(strokes, i, to));
    }
  }

  private void translation(SessionWindow session) {
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
        OutlineLine.<Setup>of(
                part.depth(), worded("setups.translates-keys"), SetupOutline.count(rules.size()))
            .addingBy(
                new Edit.Words<>(
                    "",
                    worded("setups.what-becomes-what-inside-as-in"),
                    t -> to.apply(Members.with(rules, RuleText.keyRule(t))))));
    for (int i = 0; i < rules.size(); i++) {
      lines.add(
          RemapLines.keyRule(
              part.depth() + 1,
              rules,
              i,
              to,
              part.wrong().at(part.depth(), Kind.TRANSLATION, String.valueOf(i))));
    }
  }
}
