package polydex.systems;

import static polydex.language.CoreWords.worded;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Function;
import polydex.catalog.ActionId;
import polydex.catalog.Catalog;
import polydex.catalog.Environment;
import polydex.catalog.Environment.MenuItem;
import polydex.setups.Members;
import polydex.setups.OutlineLine;
import polydex.setups.OutlineLine.Edit;
import polydex.setups.OutlineLine.Option;
import polydex.systems.EnvironmentOutline.ActionChoice;

/** The lines of a menu bar: a tree of entries, with their access keys and what they do. */
final class MenuLines {
  private final Catalog catalog;
  private final List<OutlineLine<Environment>> lines = new ArrayList<>();

  private MenuLines(Catalog catalog) {
    this.catalog = catalog;
  }

  static List<OutlineLine<Environment>> of(Catalog catalog, Environment environment) {
    MenuLines menus = new MenuLines(catalog);
    Function<List<MenuItem>, Environment> put =
        list -> environment.showing(list, environment.pointerRoutes(), environment.tabOrder());
    menus.lines.add(
        OutlineLine.<Environment>of(
                0, worded("systems.menus"), EnvironmentOutline.count(environment.menus().size()))
            .addingBy(entry(environment.menus(), put)));
    menus.items(environment.menus(), List.of(), put);
    return menus.lines;
  }

  private static Edit<Environment> entry(
      List<MenuItem> menu, Function<List<MenuItem>, Environment> put) {
    return new Edit.Words<>(
        "",
        worded("systems.as-it-stands-there-before-its"),
        t -> put.apply(Members.with(menu, read(t, Optional.empty(), List.of()))));
  }

  /** {@code &Save} is the entry Save, whose access key is S. */
  private static MenuItem read(String text, Optional<ActionId> action, List<MenuItem> items) {
    String plain = EnvironmentOutline.named(text);
    int mark = plain.indexOf('&');
    Optional<String> key =
        mark >= 0 && mark + 1 < plain.length()
            ? Optional.of(Character.toString(Character.toLowerCase(plain.codePointAt(mark + 1))))
            : Optional.empty();
    String title = mark >= 0 ? plain.substring(0, mark) + plain.substring(mark + 1) : plain;
    return new MenuItem(EnvironmentOutline.named(title), key, action, items);
  }

  /** The entry as {@link #read} reads it, as far as its access key is a letter of it. */
  private static String written(MenuItem item) {
    int at =
        item.accessKey()
            .map(k -> item.title().toLowerCase(Locale.ROOT).indexOf(k.toLowerCase(Locale.ROOT)))
            .orElse(-1);
    return at < 0 ? item.title() : item.title().substring(0, at) + "&" + item.title().substring(at);
  }

  private void items(
      List<MenuItem> menu, List<String> above, Function<List<MenuItem>, Environment> put) {
    for (int i = 0; i < menu.size(); i++) {
      MenuItem item = menu.get(i);
      int at = i;
      Function<MenuItem, Environment> with = other -> put.apply(Members.replaced(menu, at, other));
      Function<List<MenuItem>, Environment> inside =
          list -> with.apply(new MenuItem(item.title(), item.accessKey(), item.action(), list));
      String does = item.action().map(catalog::title).orElse("");
      List<String> path = Members.with(above, item.title());
      lines.add(
          OutlineLine.<Environment>of(
                  above.size() + 1,
                  item.accessKey()
                      .map(k -> worded("systems.key", k))
                      .orElse(worded("systems.no-key")),
                  EnvironmentOutline.shown(path, does))
              .changedBy(change(item, with))
              .addingBy(entry(item.items(), inside))
              .memberOf(menu, i, put));
      items(item.items(), path, inside);
    }
  }

  private Edit<Environment> change(MenuItem item, Function<MenuItem, Environment> with) {
    return new Edit.Choice<>(
        () ->
            List.of(
                new Option<>(
                    worded("systems.its-name-and-access-key"),
                    new Edit.Words<>(
                        written(item),
                        worded("systems.as-it-stands-there-before-its"),
                        t -> with.apply(read(t, item.action(), item.items())))),
                new Option<>(
                    worded("systems.what-it-does"),
                    ActionChoice.id(
                        catalog,
                        a ->
                            with.apply(
                                new MenuItem(
                                    item.title(),
                                    item.accessKey(),
                                    Optional.of(a),
                                    item.items())))),
                new Option<>(
                    worded("systems.it-does-nothing-itself"),
                    new Edit.Done<>(
                        () ->
                            with.apply(
                                new MenuItem(
                                    item.title(),
                                    item.accessKey(),
                                    Optional.empty(),
                                    item.items()))))));
  }
}
