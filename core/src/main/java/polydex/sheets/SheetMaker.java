package polydex.sheets;

import static polydex.language.CoreWords.worded;

import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import polydex.catalog.Environment;
import polydex.catalog.EnvironmentId;
import polydex.route.Setup;
import polydex.sheets.Sheet.Said;

/** Makes the sheet that is wished for, from what is known. */
public final class SheetMaker {
  private SheetMaker() {}

  /**
   * The sheet. What it costs is said where each is made; the dearest, of conflicts, traces every
   * setup anew for each fix.
   */
  public static Sheet make(SheetWish wish, SheetMaterial material) {
    SheetWish settled = settle(wish, material);
    Drafting drafting = Drafting.of(settled, material);
    return switch (settled.kind()) {
      case ENVIRONMENT ->
          settled
              .environment()
              .map(e -> new KeymapSheet(drafting).of(e, settled.pictures()))
              .orElseGet(
                  () -> empty(drafting, worded("sheets.there-is-no-platform-or-application")));
      case SETUP -> withSetup(drafting, s -> new SetupSheet(drafting).of(s, settled.pictures()));
      case COMPARE ->
          settled.environment().isPresent() && settled.other().isPresent()
              ? new CompareSheet(drafting).of(settled.environment().get(), settled.other().get())
              : empty(drafting, worded("sheets.two-platforms-or-applications-are-needed"));
      case FOUND -> new FoundSheet(drafting).of(settled.words());
      case LEARNING -> new DrilledSheet(drafting).notFluent();
      case NEW -> new DrilledSheet(drafting).begunThisWeek();
      case CONFUSED -> new DrilledSheet(drafting).confused();
      case OWN -> new OwnSheet(drafting).make();
      case CONFLICTS -> withSetup(drafting, s -> new ConflictSheet(drafting).of(s));
      case MOUSE -> new MouseSheet(drafting).remaining();
      case WEEK -> new MouseSheet(drafting).week();
    };
  }

  /** What was left open is taken from the setup: where the focus is, and what it is most like. */
  private static SheetWish settle(SheetWish wish, SheetMaterial material) {
    List<EnvironmentId> all =
        material.workspace().catalog().environments().stream().map(Environment::id).toList();
    Optional<EnvironmentId> one =
        wish.environment()
            .filter(all::contains)
            .or(() -> wish.setup().map(s -> s.environments().getLast()).filter(all::contains))
            .or(() -> all.stream().findFirst());
    Optional<EnvironmentId> other =
        wish.other()
            .filter(all::contains)
            .or(
                () ->
                    all.stream()
                        .filter(e -> !Optional.of(e).equals(one))
                        .filter(e -> one.filter(o -> alike(material, o, e)).isPresent())
                        .findFirst())
            .or(() -> all.stream().filter(e -> !Optional.of(e).equals(one)).findFirst());
    return new SheetWish(wish.kind(), wish.setup(), one, other, wish.words(), wish.pictures());
  }

  /** Whether both are applications, or both platforms. */
  private static boolean alike(SheetMaterial material, EnvironmentId one, EnvironmentId other) {
    return isPlatform(material, one) == isPlatform(material, other);
  }

  private static boolean isPlatform(SheetMaterial material, EnvironmentId id) {
    return material
        .workspace()
        .catalog()
        .environment(id)
        .flatMap(Environment::platform)
        .isPresent();
  }

  private static Sheet withSetup(Drafting drafting, Function<Setup, Sheet> make) {
    Optional<Setup> setup = drafting.wish().setup();
    if (setup.isEmpty()) {
      return empty(drafting, worded("sheets.there-is-no-setup-yet"));
    }
    return drafting
        .workspace()
        .world()
        .problem(setup.get())
        .map(problem -> empty(drafting, problem))
        .orElseGet(() -> make.apply(setup.get()));
  }

  private static Sheet empty(Drafting drafting, String why) {
    return drafting.sheet(drafting.wish().kind().title(), "", List.of(new Said("", why)));
  }
}
