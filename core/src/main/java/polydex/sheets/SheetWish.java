package polydex.sheets;

import java.util.Optional;
import polydex.catalog.EnvironmentId;
import polydex.route.Setup;

/**
 * Which sheet is wanted.
 *
 * @param setup whose keys, board and layout count; none where there is none
 * @param environment of a sheet about one, or where one comes from; the setup's innermost if none
 * @param other where one goes to
 * @param words that find actions
 * @param pictures whether keyboards are drawn, one for each layer of modifiers
 */
public record SheetWish(
    SheetKind kind,
    Optional<Setup> setup,
    Optional<EnvironmentId> environment,
    Optional<EnvironmentId> other,
    String words,
    boolean pictures) {

  /** A sheet of a setup, or of nothing but what is known. */
  public static SheetWish of(SheetKind kind, Optional<Setup> setup) {
    return new SheetWish(kind, setup, Optional.empty(), Optional.empty(), "", false);
  }

  /** The same about an environment. */
  public SheetWish about(EnvironmentId one) {
    return new SheetWish(kind, setup, Optional.of(one), other, words, pictures);
  }

  /** The same beside another environment. */
  public SheetWish beside(EnvironmentId another) {
    return new SheetWish(kind, setup, environment, Optional.of(another), words, pictures);
  }

  /** The same for what these words find. */
  public SheetWish finding(String others) {
    return new SheetWish(kind, setup, environment, other, others, pictures);
  }

  /** The same with or without keyboards. */
  public SheetWish withPictures(boolean drawn) {
    return new SheetWish(kind, setup, environment, other, words, drawn);
  }
}
