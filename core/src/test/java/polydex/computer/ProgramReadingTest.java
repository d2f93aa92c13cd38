package polydex.computer;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Random;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.ShrinkingMode;
import net.jqwik.api.statistics.Statistics;
import polydex.computer.Program.Entry;
import polydex.computer.Program.Sort;
import polydex.computer.Widget.Role;

/**
 * Programs are made up, shown as each toolkit was measured to show its menus, and read again. The
 * ways of showing are written from what was measured, apart from what reads them.
 */
class ProgramReadingTest {
  private static final List<String> WORDS =
      List.of("Lamp", "Dome", "Cue", "Star", "Seat", "Act", "Row", "Note", "Sky", "Door", "Zoom");

  /** How toolkits tell the keys of an entry. */
  private enum Toolkit {
    /** Three texts: access key, the way to it, accelerator. */
    THREE,
    /** One text, the accelerator if there is one, otherwise Alt and the access key. */
    ONE,
    /** Access keys only. */
    FIRST_ONLY
  }

  private static Widget widget(Role role, String name, String keys, List<Widget> inside) {
    return new Widget(role, name, keys, true, true, inside);
  }

  private static Widget separator() {
    return widget(Role.SEPARATOR, "", "", List.of());
  }

  // ---- made-up programs

  private static List<Entry> menus(Random random, int depth) {
    List<Entry> all = new ArrayList<>();
    String free = "abcdefghijklmnopqrstuvwxyz";
    int size = 1 + random.nextInt(6);
    for (int i = 0; i < size; i++) {
      String title = WORDS.get(random.nextInt(WORDS.size())) + " " + (char) ('a' + i) + depth;
      // The first letter that is free, as programs do; some entries have none.
      Optional<String> access =
          title
              .toLowerCase(Locale.ROOT)
              .chars()
              .filter(c -> free.indexOf(c) >= 0)
              .mapToObj(Character::toString)
              .findFirst()
              .filter(_ -> random.nextInt(5) > 0);
      boolean opens = depth == 0 || (depth < 3 && random.nextInt(4) == 0);
      Optional<String> accelerator =
          opens || random.nextBoolean()
              ? Optional.empty()
              : Optional.of((char) ('a' + random.nextInt(26)) + "").map(c -> c);
      Sort sort = opens ? Sort.MENU : random.nextInt(4) == 0 ? Sort.SWITCH : Sort.COMMAND;
      List<Entry> items = opens ? menus(random, depth + 1) : List.of();
      all.add(new Entry(title, access, accelerator, sort, false, items));
    }
    return all;
  }

  private static Widget shown(Entry e, Toolkit toolkit, boolean inBar, Random random) {
    List<Widget> inside = new ArrayList<>();
    for (Entry i : e.items()) {
      inside.add(shown(i, toolkit, false, random));
      if (random.nextInt(4) == 0) {
        inside.add(separator());
      }
    }
    String letter = e.accessKey().orElse("");
    String accelerator = e.accelerator().map(a -> "<Primary>" + a).orElse("");
    String keys =
        switch (toolkit) {
          case THREE ->
              letter.isEmpty() && accelerator.isEmpty()
                  ? ""
                  : inBar
                      ? letter.isEmpty() ? "" : "<Alt>" + letter + ";<Alt>" + letter + ";"
                      : letter
                          + ";"
                          + (letter.isEmpty() ? "" : "<Alt>x:" + letter)
                          + ";"
                          + accelerator;
          case ONE ->
              e.accelerator()
                  .map(a -> "Ctrl+" + a.toUpperCase(Locale.ROOT))
                  .orElse(letter.isEmpty() ? "" : "Alt+" + letter);
          case FIRST_ONLY -> letter.isEmpty() ? "" : letter.toUpperCase(Locale.ROOT) + ";;";
        };
    String padded = random.nextInt(4) == 0 ? "  " + e.title() + " " : e.title();
    String name =
        e.sort() == Sort.COMMAND && random.nextInt(4) == 0
            ? padded.strip() + (random.nextBoolean() ? "..." : "\u2026")
            : padded;
    boolean opens = e.sort() == Sort.MENU;
    if (toolkit == Toolkit.ONE && opens) {
      // A title that is an entry itself, and a menu without a name inside it.
      return widget(Role.ENTRY, name, keys, List.of(widget(Role.MENU, "", "", inside)));
    }
    Role role = opens ? Role.MENU : e.sort() == Sort.SWITCH ? Role.CHECK_ENTRY : Role.ENTRY;
    return widget(role, name, keys, inside);
  }

  /** What such a toolkit can tell of an entry at all. */
  private static Entry told(Entry e, Toolkit toolkit, boolean inBar) {
    boolean one = toolkit == Toolkit.ONE;
    Optional<String> accelerator =
        switch (toolkit) {
          case THREE -> e.accelerator().map(a -> "<Primary>" + a);
          case ONE -> e.accelerator().map(a -> "Ctrl+" + a.toUpperCase(Locale.ROOT));
          case FIRST_ONLY -> Optional.empty();
        };
    Optional<String> access =
        one && accelerator.isPresent()
            ? Optional.empty()
            : toolkit == Toolkit.FIRST_ONLY
                ? e.accessKey().map(a -> a.toUpperCase(Locale.ROOT))
                : e.accessKey();
    return new Entry(
        e.title(),
        access,
        accelerator,
        e.sort(),
        one && !inBar && access.isPresent(),
        e.items().stream().map(i -> told(i, toolkit, false)).toList());
  }

  @Property(tries = 600, shrinking = ShrinkingMode.OFF)
  void whatAToolkitTellsIsReadWhole(@ForAll long seed) {
    Random random = new Random(seed);
    Toolkit toolkit = Toolkit.values()[random.nextInt(3)];
    List<Entry> menus = menus(random, 0);
    List<Widget> bar = menus.stream().map(m -> shown(m, toolkit, true, random)).toList();
    Widget window = widget(Role.WINDOW, "Dome", "", List.of(widget(Role.MENU_BAR, "", "", bar)));
    // The same menu bar in a second window is the same menus.
    List<Widget> windows = random.nextInt(3) == 0 ? List.of(window, window) : List.of(window);
    Program read = ProgramReading.of("Dome", windows, true);
    assertThat(read.menus()).isEqualTo(menus.stream().map(m -> told(m, toolkit, true)).toList());
    assertThat(read.documents()).isEmpty();
    Statistics.label("toolkits")
        .collect(toolkit)
        .coverage(c -> List.of(Toolkit.values()).forEach(t -> c.check(t).percentage(p -> p > 20)));
    boolean deep =
        read.menus().stream()
            .anyMatch(m -> m.items().stream().anyMatch(i -> i.sort() == Sort.MENU));
    Statistics.label("menus in menus")
        .collect(deep)
        .coverage(c -> c.check(true).percentage(p -> p > 20));
  }

  @Example
  void accessKeysOfOtherAlphabetsAreLetters() {
    Widget entry =
        widget(Role.ENTRY, "\u00d6ffnen", "odiaeresis;<Alt>d:odiaeresis;<Primary>o", List.of());
    EntryKeys keys = EntryKeys.of(entry, true);
    assertThat(keys.accessKey()).contains("\u00f6");
    assertThat(keys.accelerator()).contains("<Primary>o");
    assertThat(keys.byAlt()).isTrue();
  }

  @Example
  void whatCouldBeEitherIsAGuessAndTheRestIsNot() {
    // The letter is in the name: an access key, as far as one can tell.
    EntryKeys access = EntryKeys.of(widget(Role.ENTRY, "Copy", "Alt+c", List.of()), true);
    assertThat(access.accessKey()).contains("c");
    assertThat(access.guessed()).isTrue();
    // It is not in the name: an accelerator.
    EntryKeys accelerator = EntryKeys.of(widget(Role.ENTRY, "Copy", "Alt+x", List.of()), true);
    assertThat(accelerator.accelerator()).contains("Alt+x");
    assertThat(accelerator.guessed()).isFalse();
    // A title of the bar has no accelerator; a semicolon can be a key; Space tells nothing.
    assertThat(EntryKeys.of(widget(Role.MENU, "File", "Alt+F", List.of()), false).guessed())
        .isFalse();
    assertThat(EntryKeys.of(widget(Role.ENTRY, "Split", "Ctrl+;", List.of()), true).accelerator())
        .contains("Ctrl+;");
    assertThat(EntryKeys.of(widget(Role.ENTRY, "Split", "<Space>", List.of()), true))
        .isEqualTo(EntryKeys.NONE);
  }

  private static Widget entry(String name, String keys) {
    return widget(Role.ENTRY, name, keys, List.of());
  }

  private static List<String> documents(String window, Widget... entries) {
    Widget menu = widget(Role.MENU, "Show", "s;<Alt>s;", List.of(entries));
    Widget bar = widget(Role.MENU_BAR, "", "", List.of(menu));
    return ProgramReading.of("Dome", List.of(widget(Role.WINDOW, window, "", List.of(bar))), true)
        .documents()
        .stream()
        .map(Entry::title)
        .toList();
  }

  @Example
  void documentsAreToldByTheirNeighboursAndNeverByTheirNamesAlone() {
    Widget open = entry("Open", "o;<Alt>s:o;<Primary>o");
    // Files without keys, where other entries have keys; the one without an ending among them too.
    assertThat(
            documents(
                "Dome", open, entry("spring.cue", ""), entry("comet.cue", ""), entry("README", "")))
        .containsExactly("spring.cue", "comet.cue", "README");
    // The digit is only their number.
    assertThat(
            documents(
                "Dome", open, entry("1. spring.cue", "1;<Alt>s:1;"), entry("2. b.cue", "2;;")))
        .hasSize(2);
    // Windows, by the titles of windows.
    assertThat(documents("comet night", open, separator(), entry("1 comet night", "")))
        .containsExactly("1 comet night");
    // One name that looks like a file among commands is a command: a text in a language, say.
    assertThat(documents("Dome", open, entry("A/B", ""), entry("C", ""), entry("D", ""))).isEmpty();
    // Numbers alone make no documents, and neither does a file's name with a key of its own.
    assertThat(documents("Dome", open, entry("2 Digits", "2;;"), entry("3 Digits", "3;;")))
        .isEmpty();
    assertThat(documents("Dome", open, entry("dome.conf", "c;<Alt>s:c;"))).isEmpty();
    // Where no entry has keys nothing can be told.
    assertThat(documents("Dome", entry("Open", ""), entry("spring.cue", ""))).isEmpty();
  }

  @Example
  void buttonsTabsAndTheTabOrderAreReadFromTheWindow() {
    Widget bar =
        widget(
            Role.TOOL_BAR,
            "",
            "",
            List.of(
                widget(Role.OTHER, "", "", List.of(widget(Role.BUTTON, "Play", "", List.of())))));
    Widget hidden = new Widget(Role.BUTTON, "Hidden", "", true, false, List.of());
    Widget unreached = new Widget(Role.BUTTON, "Unreached", "", false, true, List.of());
    Widget open = widget(Role.MENU, "Popup", "", List.of(entry("Later", "")));
    Program read =
        ProgramReading.of(
            "Dome",
            List.of(
                widget(
                    Role.WINDOW,
                    "Dome",
                    "",
                    List.of(
                        bar,
                        widget(
                            Role.TABS, "", "", List.of(widget(Role.TAB, "Times", "", List.of()))),
                        widget(Role.SWITCH, "&Loop", "<Alt>l", List.of()),
                        widget(Role.FIELD, "Find", "", List.of()),
                        hidden,
                        unreached,
                        open))),
            false);
    assertThat(read.pressed())
        .containsExactly(List.of("Tool bar", "Play"), List.of("Tabs", "Times"));
    assertThat(read.tabOrder()).containsExactly("Play", "Loop", "Find");
    assertThat(read.menus()).isEmpty();
    assertThat(read.complete()).isFalse();
  }
}
