package polydex.keys;

import static polydex.language.CoreWords.worded;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/**
 * What a gesture consists of where it is drawn as keycaps, on the screen or on paper: marks from
 * left to right. Caps of one stroke stand side by side, {@link Next} stands between steps, and what
 * is done inside a hold stands between {@link Opens} and {@link Closes}.
 */
public sealed interface CapMark {

  /** What a cap stands for. */
  enum Sort {
    /** A key that is pressed. */
    KEY,
    /** A modifier, or another key, that is held. */
    HELD,
    /** A modifier that is pressed and let go. */
    TAPPED,
    /** Text that is typed. */
    TYPED
  }

  /**
   * A cap.
   *
   * @param text what stands on it
   */
  record Cap(String text, Sort sort) implements CapMark {}

  /** How often the tap before it is made, where that is not once. */
  record Times(int count) implements CapMark {}

  /** Then. */
  record Next() implements CapMark {}

  /** Inner steps of a hold begin. */
  record Opens() implements CapMark {}

  /** Inner steps of a hold end. */
  record Closes() implements CapMark {}

  /**
   * Something done with the pointer.
   *
   * @param act as it is written
   */
  record Pointer(String act) implements CapMark {}

  /**
   * The marks of a gesture.
   *
   * @param names the words of a platform for modifiers
   */
  static List<CapMark> of(Gesture gesture, Map<Modifier, String> names) {
    List<CapMark> all = new ArrayList<>();
    steps(all, gesture.steps(), names);
    return List.copyOf(all);
  }

  /** What is held, as caps. */
  static List<CapMark> of(Held held, Map<Modifier, String> names) {
    List<CapMark> all = new ArrayList<>();
    held(all, held, Sort.HELD, names);
    return List.copyOf(all);
  }

  private static void steps(List<CapMark> to, List<Step> steps, Map<Modifier, String> names) {
    for (int i = 0; i < steps.size(); i++) {
      if (i > 0) {
        to.add(new Next());
      }
      step(to, steps.get(i), names);
    }
  }

  private static void step(List<CapMark> to, Step step, Map<Modifier, String> names) {
    switch (step) {
      case Step.Stroke s -> {
        held(to, s.held(), Sort.HELD, names);
        to.add(new Cap(label(s.key()), Sort.KEY));
      }
      case Step.Tap t -> {
        held(to, Held.of(t.modifiers()), Sort.TAPPED, names);
        if (t.times() > 1) {
          to.add(new Times(t.times()));
        }
      }
      case Step.Hold h -> {
        held(to, h.held(), Sort.HELD, names);
        to.add(new Opens());
        steps(to, h.inner(), names);
        to.add(new Closes());
      }
      case Step.Text t -> to.add(new Cap(t.text(), Sort.TYPED));
      case Step.Pointing p -> {
        held(to, p.held(), Sort.HELD, names);
        to.add(new Pointer(p.act().written()));
      }
    }
  }

  private static void held(List<CapMark> to, Held held, Sort sort, Map<Modifier, String> names) {
    held.modifiers().words(names).forEach(w -> to.add(new Cap(w, sort)));
    held.keys().forEach(k -> to.add(new Cap(k.keyName().orElse(k.name()), sort)));
  }

  private static String label(KeyRef key) {
    return switch (key) {
      case KeyRef.Typed t -> {
        String shown = t.toString();
        yield shown.length() == 3 && shown.startsWith("'") ? shown.substring(1, 2) : shown;
      }
      case KeyRef.Placed p -> said(p);
      case KeyRef.AnyOf any -> any.written().replace("..", "\u2013");
    };
  }

  /** A key as people say it, where its name in the notation is another. */
  private static String said(KeyRef.Placed place) {
    return switch (place.key()) {
      case AudioVolumeMute -> "Mute";
      case AudioVolumeDown -> worded("keys.volume");
      case AudioVolumeUp -> worded("keys.volume-2");
      case MediaPlayPause -> "Play";
      case MediaStop -> worded("keys.stop");
      case MediaTrackNext -> worded("keys.next-track");
      case MediaTrackPrevious -> worded("keys.previous-track");
      case MediaSelect -> worded("keys.player");
      case BrowserBack -> worded("keys.back");
      case BrowserForward -> worded("keys.forward");
      case BrowserRefresh -> worded("keys.reload");
      case BrowserStop -> worded("keys.stop-loading");
      case BrowserHome -> worded("keys.home-page");
      case BrowserSearch -> worded("keys.search");
      case BrowserFavorites -> worded("keys.bookmarks");
      case LaunchApp1 -> worded("keys.computer");
      case LaunchApp2 -> worded("keys.calculator");
      case LaunchMail -> worded("keys.mail");
      case NumpadAdd -> "Num +";
      case NumpadSubtract -> "Num \u2212";
      case NumpadMultiply -> "Num \u00d7";
      case NumpadDivide -> "Num \u00f7";
      default -> place.toString().replaceFirst("^Numpad(?=.)", "Num ");
    };
  }
}
