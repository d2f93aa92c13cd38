package polydex.conflict;

import java.util.Optional;
import polydex.route.SetupTraces;
import polydex.route.TracedBinding;

/** Why single bindings fail, in words, for whoever asks about one and not about all. */
public final class Failures {
  private Failures() {}

  /** Why a binding does not do what it says, as a sentence; none where only a duplicate does it. */
  public static Optional<String> why(SetupTraces traces, TracedBinding binding) {
    return FirstCause.of(traces, binding)
        .map(
            c ->
                ConflictSentence.withoutWayOut(
                    new Conflict(
                        c.kind(),
                        Optional.of(traces.setup().id()),
                        ConflictFinder.party(binding),
                        c.winner(),
                        Optional.of(c.at()),
                        c.instead()),
                    traces.world().catalog()));
  }
}
