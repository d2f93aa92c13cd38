package polydex.route;

import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import polydex.catalog.Binding;
import polydex.catalog.EnvironmentId;
import polydex.catalog.Version;
import polydex.keys.Gesture;
import polydex.keys.Visible;

/**
 * A platform as it stands on one computer, with what has the focus there.
 *
 * @param title as its user calls it
 * @param platform the id of the platform
 * @param version which version of it
 * @param layout the id of the layout
 * @param remaps in the order in which they apply
 * @param own the user's own bindings, which come before the built-in ones
 * @param switchedOff the ids of built-in bindings that are switched off
 * @param options the settings that are on
 * @param focus what has the focus
 */
public record Machine(
    String title,
    EnvironmentId platform,
    Version version,
    String layout,
    List<Remap> remaps,
    List<Binding> own,
    Set<String> switchedOff,
    Set<String> options,
    Focus focus) {

  /** What has the focus on a machine. */
  public sealed interface Focus {}

  /** Nothing but the desktop itself. */
  public record Bare() implements Focus {}

  /**
   * An application.
   *
   * @param application its id
   * @param version which version of it
   * @param options the settings of it that are on
   * @param contexts the ids of its active contexts, innermost first; those around them are active
   *     too
   */
  public record Running(
      EnvironmentId application, Version version, Set<String> options, List<String> contexts)
      implements Focus {
    /** Copies the collections. */
    public Running {
      options = Set.copyOf(options);
      contexts = List.copyOf(contexts);
    }
  }

  /**
   * A window that holds another machine.
   *
   * @param application the id of the application whose window it is
   * @param version which version of it
   * @param capture which strokes it takes before its host's desktop
   * @param fullScreen whether it fills the screen now
   * @param kept strokes that the host keeps although the window captures; they are not forwarded
   * @param sent strokes that are sent in although the window does not capture
   * @param forwards whether it hands strokes on at all
   * @param translation what it makes of keys on the way in; key rules only
   * @param tapDelayMillis how long it keeps a tap of modifiers alone, in milliseconds
   * @param inner the machine inside
   */
  public record SessionWindow(
      EnvironmentId application,
      Version version,
      Capture capture,
      boolean fullScreen,
      List<Gesture> kept,
      List<Gesture> sent,
      boolean forwards,
      Optional<Remap> translation,
      int tapDelayMillis,
      Machine inner)
      implements Focus {
    /** Copies the lists. */
    public SessionWindow {
      kept = List.copyOf(kept);
      sent = List.copyOf(sent);
    }

    /** The same with another machine inside. */
    public SessionWindow with(Machine other) {
      return changed(p -> p.inner = other);
    }

    /** The same in full screen, or not. */
    public SessionWindow inFullScreen(boolean full) {
      return changed(p -> p.fullScreen = full);
    }

    /** The same capturing at other times. */
    public SessionWindow capturing(Capture when) {
      return changed(p -> p.capture = when);
    }

    /** The same with a stroke sent in, or kept by the host, and in no other list. */
    public SessionWindow directing(Gesture stroke, boolean in) {
      return changed(
          p -> {
            p.kept = in ? without(kept, stroke) : and(kept, stroke);
            p.sent = in ? and(sent, stroke) : without(sent, stroke);
            p.forwards = forwards || in;
          });
    }

    /** The same keeping taps of modifiers back for so many milliseconds. */
    public SessionWindow delayingTaps(int millis) {
      return changed(p -> p.tapDelayMillis = millis);
    }

    /** The same with these strokes kept by the host, and these sent in. */
    public SessionWindow directing(List<Gesture> keeps, List<Gesture> sends) {
      return changed(
          p -> {
            p.kept = keeps;
            p.sent = sends;
          });
    }

    /** The same handing strokes on, or not. */
    public SessionWindow forwarding(boolean on) {
      return changed(p -> p.forwards = on);
    }

    /** The same making something else of keys on the way in. */
    public SessionWindow translating(Optional<Remap> other) {
      return changed(p -> p.translation = other);
    }

    /** The same in another version. */
    public SessionWindow at(Version other) {
      return changed(p -> p.version = other);
    }

    private SessionWindow changed(Consumer<Parts> change) {
      Parts parts = new Parts(this);
      change.accept(parts);
      return new SessionWindow(
          application,
          parts.version,
          parts.capture,
          parts.fullScreen,
          parts.kept,
          parts.sent,
          parts.forwards,
          parts.translation,
          parts.tapDelayMillis,
          parts.inner);
    }

    /** What can be changed of a window, while it is. */
    private static final class Parts {
      Version version;
      Capture capture;
      boolean fullScreen;
      List<Gesture> kept;
      List<Gesture> sent;
      boolean forwards;
      Optional<Remap> translation;
      int tapDelayMillis;
      Machine inner;

      Parts(SessionWindow of) {
        version = of.version;
        capture = of.capture;
        fullScreen = of.fullScreen;
        kept = of.kept;
        sent = of.sent;
        forwards = of.forwards;
        translation = of.translation;
        tapDelayMillis = of.tapDelayMillis;
        inner = of.inner;
      }
    }

    private static List<Gesture> and(List<Gesture> list, Gesture more) {
      return Stream.concat(list.stream(), Stream.of(more)).distinct().toList();
    }

    private static List<Gesture> without(List<Gesture> list, Gesture less) {
      return list.stream().filter(Predicate.not(less::equals)).toList();
    }

    boolean capturesNow() {
      return capture == Capture.ALWAYS || (capture == Capture.FULL_SCREEN && fullScreen);
    }
  }

  /** When a session window takes strokes before its host's desktop. */
  public enum Capture {
    NEVER,
    FULL_SCREEN,
    ALWAYS
  }

  /** Copies the collections. */
  public Machine {
    title = Visible.of(title);
    remaps = List.copyOf(remaps);
    own = List.copyOf(own);
    switchedOff = Set.copyOf(switchedOff);
    options = Set.copyOf(options);
  }

  /** The id of the application that has the focus, if one has. */
  public Optional<EnvironmentId> application() {
    return switch (focus) {
      case Bare _ -> Optional.empty();
      case Running r -> Optional.of(r.application());
      case SessionWindow s -> Optional.of(s.application());
    };
  }

  /**
   * Whether a binding of a keymap exists in the version that runs here, as its options stand.
   *
   * @param of whose keymap: the desktop's, or else that of what has the focus
   */
  public boolean exists(Layer.Kind of, Binding binding) {
    if (of == Layer.Kind.DESKTOP) {
      return binding.when().holds(version, options);
    }
    return switch (focus) {
      case Bare _ -> false;
      case Running r -> binding.when().holds(r.version(), r.options());
      case SessionWindow s -> binding.when().holds(s.version(), Set.of());
    };
  }

  /** Whether it exists, and was not switched off. */
  public boolean isOn(Layer.Kind of, Binding binding) {
    return exists(of, binding) && !isSwitchedOff(of, binding);
  }

  /** Whether a built-in binding of the desktop's was switched off; one that is fixed never is. */
  public boolean isSwitchedOff(Layer.Kind of, Binding binding) {
    return of == Layer.Kind.DESKTOP
        && switchedOff.contains(binding.id())
        && !binding.remarks().fixed();
  }

  /** The same under another name. */
  public Machine titled(String other) {
    return new Machine(other, platform, version, layout, remaps, own, switchedOff, options, focus);
  }

  /** The same under another platform, whose bindings and settings are all as they come. */
  public Machine on(EnvironmentId other, Version otherVersion) {
    return new Machine(title, other, otherVersion, layout, remaps, own, Set.of(), Set.of(), focus);
  }

  /** The same in another version. */
  public Machine at(Version other) {
    return new Machine(title, platform, other, layout, remaps, own, switchedOff, options, focus);
  }

  /** The same with another layout. */
  public Machine typing(String other) {
    return new Machine(title, platform, version, other, remaps, own, switchedOff, options, focus);
  }

  /** The same with these settings on. */
  public Machine withOptions(Set<String> on) {
    return new Machine(title, platform, version, layout, remaps, own, switchedOff, on, focus);
  }

  /** The same with other built-in bindings switched off, by their ids. */
  public Machine withSwitchedOff(Set<String> ids) {
    return new Machine(title, platform, version, layout, remaps, own, ids, options, focus);
  }

  /** The same, and what runs in its windows, changed where the platform is this one. */
  public Machine ofPlatform(EnvironmentId only, UnaryOperator<Machine> change) {
    Machine here = platform.equals(only) ? change.apply(this) : this;
    return here.focus() instanceof SessionWindow s
        ? here.with(s.with(s.inner().ofPlatform(only, change)))
        : here;
  }

  /** The same with more of its built-in bindings switched off, by their ids. */
  public Machine switchingOff(Collection<String> ids) {
    Set<String> off = new HashSet<>(switchedOff);
    off.addAll(ids);
    return withSwitchedOff(off);
  }

  /** The same with other bindings of the user's own. */
  public Machine withOwn(List<Binding> others) {
    return new Machine(
        title, platform, version, layout, remaps, others, switchedOff, options, focus);
  }

  /** The same with one more binding of the user's own, behind those that are there. */
  public Machine adding(Binding more) {
    return withOwn(Stream.concat(own.stream(), Stream.of(more)).toList());
  }

  /** The same with other remaps. */
  public Machine withRemaps(List<Remap> others) {
    return new Machine(title, platform, version, layout, others, own, switchedOff, options, focus);
  }

  /** The same with something else in focus. */
  public Machine with(Focus changed) {
    return new Machine(
        title, platform, version, layout, remaps, own, switchedOff, options, changed);
  }
}
