package polydex.desktop.sheets;

import static polydex.desktop.language.DesktopWords.worded;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.BiFunction;
import polydex.catalog.Catalog;
import polydex.catalog.Environment;
import polydex.catalog.EnvironmentId;
import polydex.catalog.Naming;
import polydex.files.sheets.Paper;
import polydex.sheets.SheetKind;

/**
 * What a sheet is to be of, and on what.
 *
 * @param environment of a sheet about one, or where one comes from; that of the setup if none
 * @param other where one goes to
 * @param words that find actions
 * @param keyboards whether they are drawn
 */
record SheetChoice(
    SheetKind kind,
    Optional<EnvironmentId> environment,
    Optional<EnvironmentId> other,
    String words,
    boolean keyboards,
    Paper paper) {
  static final SheetChoice FIRST =
      new SheetChoice(SheetKind.SETUP, Optional.empty(), Optional.empty(), "", false, Paper.USUAL);

  SheetChoice of(SheetKind other) {
    return new SheetChoice(other, environment, this.other, words, keyboards, paper);
  }

  SheetChoice finding(String others) {
    return new SheetChoice(kind, environment, other, others, keyboards, paper);
  }

  private SheetChoice on(Paper another) {
    return new SheetChoice(kind, environment, other, words, keyboards, another);
  }

  /**
   * Something that can be chosen otherwise.
   *
   * @param name of it
   * @param values in words, in order; of what is typed only what it is
   * @param now which of them it is
   * @param choose makes another of it
   */
  record Option(
      String name,
      List<String> values,
      int now,
      BiFunction<SheetChoice, Integer, SheetChoice> choose) {
    String value() {
      return values.get(now);
    }

    /** Whether it is typed, and not one of several. */
    boolean isTyped() {
      return values.size() == 1;
    }
  }

  /** What can be chosen for a sheet of this kind. */
  List<Option> options(Catalog catalog) {
    List<Option> all = new ArrayList<>();
    switch (kind) {
      case ENVIRONMENT ->
          all.add(
              environments(
                  worded("sheets.of"),
                  catalog,
                  environment,
                  worded("sheets.where-the-focus-is"),
                  (c, e) -> new SheetChoice(c.kind, e, c.other, c.words, c.keyboards, c.paper)));
      case COMPARE -> {
        all.add(
            environments(
                worded("sheets.from"),
                catalog,
                environment,
                worded("sheets.where-the-focus-is"),
                (c, e) -> new SheetChoice(c.kind, e, c.other, c.words, c.keyboards, c.paper)));
        all.add(
            environments(
                worded("sheets.to"),
                catalog,
                other,
                worded("sheets.another-like-it"),
                (c, e) ->
                    new SheetChoice(c.kind, c.environment, e, c.words, c.keyboards, c.paper)));
      }
      case FOUND ->
          all.add(
              new Option(
                  worded("sheets.words"),
                  List.of(words.isEmpty() ? worded("sheets.enter-types-them") : words),
                  0,
                  (c, _) -> c));
      case SETUP, LEARNING, NEW, CONFUSED, OWN, CONFLICTS, MOUSE, WEEK -> {}
    }
    if (kind == SheetKind.ENVIRONMENT || kind == SheetKind.SETUP) {
      all.add(
          new Option(
              worded("sheets.keyboards"),
              List.of(worded("sheets.not-drawn"), worded("sheets.one-for-each-layer")),
              keyboards ? 1 : 0,
              (c, i) -> new SheetChoice(c.kind, c.environment, c.other, c.words, i == 1, c.paper)));
    }
    all.add(
        new Option(
            worded("sheets.paper"),
            Arrays.stream(Paper.Size.values()).map(Paper.Size::title).toList(),
            paper.size().ordinal(),
            (c, i) -> c.on(new Paper(Paper.Size.values()[i], c.paper.across(), c.paper.form()))));
    all.add(
        new Option(
            worded("sheets.it-lies"),
            List.of(worded("sheets.upright"), worded("sheets.across")),
            paper.across() ? 1 : 0,
            (c, i) -> c.on(new Paper(c.paper.size(), i == 1, c.paper.form()))));
    all.add(
        new Option(
            worded("sheets.as"),
            Arrays.stream(Paper.Form.values()).map(Paper.Form::title).toList(),
            paper.form().ordinal(),
            (c, i) -> c.on(new Paper(c.paper.size(), c.paper.across(), Paper.Form.values()[i]))));
    return all;
  }

  private static Option environments(
      String name,
      Catalog catalog,
      Optional<EnvironmentId> now,
      String none,
      BiFunction<SheetChoice, Optional<EnvironmentId>, SheetChoice> choose) {
    Naming naming = new Naming(catalog);
    List<EnvironmentId> ids = catalog.environments().stream().map(Environment::id).toList();
    List<String> titles = new ArrayList<>();
    titles.add(none);
    ids.forEach(e -> titles.add(naming.place(e)));
    return new Option(
        name,
        titles,
        now.map(ids::indexOf).orElse(-1) + 1,
        (c, i) -> choose.apply(c, i == 0 ? Optional.empty() : Optional.of(ids.get(i - 1))));
  }
}
