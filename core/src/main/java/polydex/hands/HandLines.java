package polydex.hands;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.LongFunction;
import polydex.boards.Layout;
import polydex.boards.Presses;
import polydex.boards.Presses.Made;
import polydex.hands.Done.Keyed;
import polydex.hands.Done.Pointed;
import polydex.hands.Done.Wrote;
import polydex.keys.Gesture;
import polydex.keys.Held;
import polydex.keys.Key;
import polydex.keys.Modifier;
import polydex.keys.Physical;
import polydex.keys.PointerAct;
import polydex.keys.Step;
import polydex.log.Deed;
import polydex.log.Interpreter;
import polydex.log.LogLine;

/**
 * Makes lines of a log of what hands did. The way through a menu is one deed: what only opened it
 * adds to the trip to what was chosen, and is nothing by itself. Keys that move or erase with
 * nothing held, such as the arrows, are lines only where somebody binds them. Not thread-safe.
 */
public final class HandLines {
  private static final int MOST_CLICKS_OF_ONE = 3;

  private final String machine;
  private final Layout layout;
  private final Interpreter interpreter;
  private final LongFunction<Instant> times;
  private Optional<Pointed> opened = Optional.empty();

  /**
   * For one machine.
   *
   * @param machine its title, its platform's, or a setup's
   * @param interpreter knows what keys are bound
   * @param times makes a time of the milliseconds of what was done
   */
  public HandLines(
      String machine, Layout layout, Interpreter interpreter, LongFunction<Instant> times) {
    this.machine = machine;
    this.layout = layout;
    this.interpreter = interpreter;
    this.times = times;
  }

  /** The lines of something; none for what is only a step, and for what is not for a log. */
  public List<LogLine> of(Done done, Seen about) {
    List<LogLine> lines = new ArrayList<>();
    switch (done) {
      case Keyed k -> {
        opened = Optional.empty();
        keyed(k, about, lines);
      }
      case Wrote w -> {
        opened = Optional.empty();
        lines.add(typed(w.millis(), about, w.characters()));
      }
      case Pointed p -> pointed(p, about, lines);
    }
    return lines;
  }

  private void keyed(Keyed done, Seen about, List<LogLine> to) {
    List<Made> left = done.presses();
    while (!left.isEmpty()) {
      int length = left.size();
      while (length > 1 && !isBound(left.subList(0, length), about)) {
        length--;
      }
      one(done.millis(), left.subList(0, length), about, to);
      left = left.subList(length, left.size());
    }
  }

  private boolean isBound(List<Made> presses, Seen about) {
    Deed where = Deed.typing(machine, about.application());
    Gesture gesture = Presses.gesture(presses, layout);
    return interpreter.binds(where, gesture) || interpreter.does(where, gesture).isPresent();
  }

  private void one(long millis, List<Made> presses, Seen about, List<LogLine> to) {
    Physical first = presses.getFirst().what();
    boolean plain =
        first instanceof Physical.Press p
            && !isFunction(p.key())
            && p.held().modifiers().without(Modifier.SHIFT).without(Modifier.ALTGR).isEmpty();
    if (!plain || isBound(presses, about)) {
      String input = Presses.gesture(presses, layout).toString();
      to.add(line(millis, about, "keyboard", input, "", List.of(), "", "", ""));
    } else if (((Physical.Press) first).key().keyName().isEmpty()) {
      to.add(typed(millis, about, 1));
    }
  }

  private static boolean isFunction(Key key) {
    return key.name().matches("F\\d+")
        || key == Key.ContextMenu
        || key.compareTo(Key.NumpadComma) > 0;
  }

  private LogLine typed(long millis, Seen about, int characters) {
    return line(millis, about, "keyboard", "typed " + characters, "", List.of(), "", "", "");
  }

  private void pointed(Pointed done, Seen about, List<LogLine> to) {
    switch (about.sort()) {
      case OPENS ->
          opened =
              done.act().equals(Optional.of(PointerAct.CLICK))
                  ? Optional.of(opened.orElse(done))
                  : Optional.empty();
      case NOTHING -> opened = Optional.empty();
      case ENTRY -> chosen(done, about, to);
      case CONTROL -> {
        opened = Optional.empty();
        control(done, about, to);
      }
      case CONTENT -> {
        opened = Optional.empty();
        placed(done, about, Deed.PLACE, to);
      }
      case UNKNOWN -> {
        opened = Optional.empty();
        boolean byNature = done.button() == 0 || done.act().equals(Optional.of(PointerAct.DRAG));
        placed(done, about, byNature ? Deed.PLACE : about.place(), to);
      }
    }
  }

  /** An entry is chosen by whichever button, and by letting go of one that was pulled there. */
  private void chosen(Pointed done, Seen about, List<LogLine> to) {
    double before = opened.map(o -> done.millis() - o.millis()).orElse(0L) / 1000.0;
    double reach = opened.map(o -> o.trip().seconds()).orElseGet(() -> done.trip().seconds());
    double pixels =
        opened.map(o -> o.from().distance(done.from())).orElseGet(() -> done.trip().pixels());
    opened = Optional.empty();
    to.add(
        line(
            done.millis(),
            about,
            "mouse",
            gesture(done.held(), PointerAct.CLICK),
            DocumentName.of(about.name()),
            about.path(),
            number(pixels),
            number(about.width()),
            number(reach + before + back(done))));
  }

  private void control(Pointed done, Seen about, List<LogLine> to) {
    boolean clicks = done.act().equals(Optional.of(PointerAct.CLICK));
    for (int i = 0; i < (clicks ? done.times() : 1); i++) {
      boolean last = i == done.times() - 1 || !clicks;
      to.add(
          line(
              done.millis() + i,
              about,
              "mouse",
              input(done, 1),
              DocumentName.of(about.name()),
              about.path().stream().map(DocumentName::inTitle).toList(),
              i == 0 ? number(done.trip().pixels()) : "0",
              number(about.width()),
              number((i == 0 ? done.trip().seconds() : 0) + (last ? back(done) : 0))));
    }
  }

  /** Where the place counts; fast clicks in a row are one gesture of at most three. */
  private void placed(Pointed done, Seen about, String target, List<LogLine> to) {
    int left =
        done.button() == 0 || done.act().equals(Optional.of(PointerAct.DRAG)) ? 1 : done.times();
    boolean first = true;
    while (left > 0) {
      int now = Math.min(left, MOST_CLICKS_OF_ONE);
      left -= now;
      boolean wheel = done.button() == 0;
      double lasts = wheel ? (done.until() - done.millis()) / 1000.0 : 0;
      to.add(
          line(
              done.millis() + (first ? 0 : 1),
              about,
              "mouse",
              input(done, now),
              done.act().isEmpty() ? "button %d of the mouse".formatted(done.button()) : target,
              List.of(),
              first ? number(done.trip().pixels()) : "0",
              "",
              number((first ? done.trip().seconds() : 0) + lasts + (left == 0 ? back(done) : 0))));
      first = false;
    }
  }

  private static String input(Pointed done, int clicks) {
    return done.act()
        .map(
            a ->
                gesture(
                    done.held(), a == PointerAct.CLICK && clicks > 1 ? PointerAct.DOUBLE_CLICK : a))
        .orElse("");
  }

  private static String gesture(Held held, PointerAct act) {
    return new Gesture(List.of(new Step.Pointing(held, act))).toString();
  }

  private static double back(Pointed done) {
    return Double.isNaN(done.secondsBack()) ? 0 : done.secondsBack();
  }

  private static String number(double value) {
    return Double.isNaN(value) ? "" : String.format(Locale.ROOT, "%.3f", value);
  }

  private LogLine line(
      long millis,
      Seen about,
      String device,
      String input,
      String target,
      List<String> path,
      String distance,
      String width,
      String seconds) {
    return new LogLine(
        times.apply(millis).toString(),
        about.application(),
        device,
        input,
        target,
        String.join(" > ", path),
        distance,
        width,
        seconds,
        machine);
  }
}
