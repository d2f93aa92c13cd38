package polydex.files.lists;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayOutputStream;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.zip.GZIPOutputStream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.ShrinkingMode;
import org.apache.commons.compress.archivers.tar.TarArchiveEntry;
import org.apache.commons.compress.archivers.tar.TarArchiveOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import polydex.files.FileProblem;
import polydex.files.lists.ForeignList.Overlooked;
import polydex.files.lists.PagesTest.Outcome;
import polydex.intake.IntakeRequest.Ways;
import polydex.intake.ListSubject;
import polydex.intake.ReadingChoice;

/** Lists in every other form that people have, read to what is taken. */
class OtherFormsTest {
  private static List<String> taken(String text) throws FileProblem {
    return PagesTest.read(text).taken();
  }

  @Test
  void bulletsAlignedColumnsAndLinesOfText() throws FileProblem {
    assertThat(taken("# Keys\n\n* `Ctrl+S` - Save\n* **Ctrl**+**F** – Find\n* Fold: F9\n"))
        .containsExactly("Save: Ctrl+S", "Find: Ctrl+F", "Fold: F9");
    assertThat(
            taken(
                "KEYS\n   Ctrl+S or F2      Save it all\n   Alt + =           Add up\n   Ctrl+K Fold it\n"))
        .containsExactly(
            "Save it all: Ctrl+S", "Save it all: F2", "Add up: Alt+=", "Fold it: Ctrl+K");
    assertThat(taken("ctrl+d\n    duplicate the line\nF7\n    check spelling\n"))
        .containsExactly("duplicate the line: Ctrl+D", "check spelling: F7");
    assertThat(taken("UP add volume 5\nCtrl+h cycle sound\nESC stop all\n"))
        .containsExactly("add volume 5: Up", "cycle sound: Ctrl+H", "stop all: Esc");
    assertThatThrownBy(() -> taken("Once upon a time\nthere was a lamp.\n"))
        .hasMessageContaining("no line with a gesture");
  }

  @Test
  void manualsWikisCardsAndYaml() throws FileProblem {
    assertThat(
            taken(
                """
                .\\" a comment
                .TH LAMPS 1
                .SH KEYS
                .TP
                .B LEFT and RIGHT
                Seek.
                .TP
                \\fBCtrl\\-x Ctrl\\-s\\fR
                Save the show.
                .IP "^L" 4
                Draw anew.
                .SH FILES
                .TP
                .I /etc/lamps
                Settings.
                """))
        .containsExactly(
            "Seek.: Left", "Seek.: Right", "Save the show.: Ctrl+X Ctrl+S", "Draw anew.: Ctrl+L")
        .hasSize(4);
    assertThat(taken("||'''Key'''||'''Effect'''||\n||Ctrl+S||Save||\n||{{key|Ctrl|F}}||Find||\n"))
        .containsExactly("Save: Ctrl+S", "Find: Ctrl+F");
    assertThat(
            taken(
                "{| class=\"x\"\n! Keys !! Function\n|-\n| style=\"a\" | <kbd>F5</kbd> || Run\n|-\n| F6\n| Stop\n|}\n"))
        .containsExactly("Run: F5", "Stop: F6");
    assertThat(
            taken(
                "\\def\\,{{\\rm ,\\hskip.5em}}\n\\key{add, take}{C-a\\, C-t}\n\\key{see}{a z}\n\\key{hear}{? z or the ear}\n\\key{sing}{v}\n"))
        .containsExactly("add, take: Ctrl+A", "add, take: Ctrl+T", "see: A Z", "sing: V");
    assertThat(taken("\\key{save}{C-x C-s}\n\\key{quit \\kbd{now}}{C-x C-c}\n\\key{upcase}{M-u}\n"))
        .containsExactly("save: Ctrl+X Ctrl+S", "quit now: Ctrl+X Ctrl+C", "upcase: Alt+U");
    assertThat(
            taken(
                "bindings:\n  - { key: V, mods: Control|Shift, action: Paste }\n  - { key: F11, action: Full }\nfont: 12\n"))
        .containsExactly("Paste: Ctrl+Shift+V", "Full: F11");
    assertThat(taken("save: Ctrl+S\nfind: [Ctrl+F, F3]\nsize: 12\n"))
        .containsExactly("save: Ctrl+S", "find: Ctrl+F", "find: F3");
    assertThatThrownBy(() -> taken("a: &a [*a, *a]\nb: [[[[*a]]]]\n"))
        .isInstanceOf(FileProblem.class);
  }

  @Test
  void configurationByLinesWithVerbs() throws FileProblem {
    assertThat(
            taken(
                """
                # mine
                set $mod Mod4
                bindsym $mod+Return exec terminal
                bindsym --release Print exec shot
                mode "resize" {
                bindsym Left resize shrink
                }
                """))
        .containsExactly(
            "exec terminal: Meta+Enter", "exec shot: PrintScreen", "resize shrink: Left");
    assertThat(
            taken(
                "bind-key -n M-Left look -L\nbind-key -N \"Split it\" -T prefix v split\nbind C-a send\nunbind C-b\n"))
        .containsExactly("look -L: Alt+Left", "Split it: V", "send: Ctrl+A");
    assertThat(
            taken(
                "nnoremap <silent> <C-s> :w<CR>\nnmap gg :first\nmap G :last\nnmap g :go\nnmap <C-w>s :split\n"))
        .containsExactly(
            ":w<CR>: Ctrl+S", ":first: G G", ":last: Shift+G", ":go: G", ":split: Ctrl+W S");
    assertThat(
            taken(
                "bind index,pager g noop\nbind pager \\cx exit\nmacro index Z limit\nbind help q quit\n"))
        .containsExactly("noop: G", "exit: Ctrl+X", "limit: Z", "quit: Q");
    assertThat(
            taken(
                "set editing-mode emacs\n\"\\C-x\\C-r\": re-read\n\"\\e[1;5C\": forward-word\nMeta-f: forward\n"))
        .containsExactly("re-read: Ctrl+X Ctrl+R", "forward-word: Ctrl+Right", "forward: Alt+F");
    assertThat(
            taken(
                "bind = SUPER SHIFT, Q, shutit\nbind = SUPER, F1, exec, help\nbind = , Print, exec, shot\nbind = ALT, Tab, cycle\n"))
        .containsExactly(
            "shutit: Meta+Shift+Q",
            "exec, help: Meta+F1",
            "exec, shot: PrintScreen",
            "cycle: Alt+Tab");
    assertThat(
            taken(
                "(global-set-key (kbd \"C-c f\") 'find-lamp)\n(define-key map (kbd \"M-<f4>\") #'leave)\n"))
        .containsExactly("find-lamp: Ctrl+C F", "leave: Alt+F4");
    assertThat(
            taken(
                "(gtk_accel_path \"<Actions>/W/save-all\" \"<Primary>s\")\n; (gtk_accel_path \"<Actions>/W/Find\" \"F3\")\n"))
        .containsExactly("Save all: Ctrl+S", "Find: F3");
  }

  @Test
  void settingsInXmlByTheirAttributes() throws FileProblem {
    assertThat(
            taken(
                """
                <?xml version="1.0"?><config><keyboard>
                <keybind key="W-e"><action name="Run"><command>files</command></action></keybind>
                <keybind key="A-F4"><action name="Close"/></keybind>
                <keybind key="C-x"><keybind key="a"><action name="All"/></keybind></keybind></keyboard>
                <mouse><mousebind button="A-Left" action="Drag"><action name="Move"/></mousebind></mouse></config>
                """))
        .contains("Run files: Meta+E", "Close: Alt+F4", "All: Ctrl+X A")
        .noneMatch(t -> t.contains("Alt+Left"));
    assertThat(
            taken(
                "<?xml version=\"1.0\"?><channel><property name=\"custom\"><property name=\"&lt;Primary&gt;F1\" type=\"string\" value=\"help\"/>\n<property name=\"&lt;Alt&gt;F2\" type=\"string\" value=\"run it\"/></property></channel>"))
        .containsExactly("help: Ctrl+F1", "run it: Alt+F2");
  }

  @Test
  void arraysOfKeysAreFoundOutAndSwitched() throws FileProblem {
    String json =
        """
        {"keymap": [{"do": "Save", "keys": ["Ctrl+S", "F2"]}, {"do": "Fold", "keys": ["Ctrl", "K"]},
        {"do": "One", "keys": "Alt 1"}, {"do": "Two", "keys": ["Ctrl 2"]}, {"do": "Three", "keys": "Ctrl 3"},
        {"do": "Four", "keys": "Ctrl 4"}, {"do": "None", "keys": []}]}
        """;
    assertThat(taken(json))
        .containsExactly(
            "Save: Ctrl+S",
            "Save: F2",
            "Fold: Ctrl+K",
            "One: Alt+1",
            "Two: Ctrl+2",
            "Three: Ctrl+3",
            "Four: Ctrl+4");
    Outcome switched =
        PagesTest.read(
            json,
            new Intake.Said(
                Optional.empty(),
                Optional.of(ListSubject.APPLICATION),
                Optional.of("Lamps"),
                Set.of(),
                Set.of(),
                new Ways(java.util.Map.of(ReadingChoice.ARRAYS, "sequence"), Set.of(), true)));
    assertThat(switched.taken()).contains("Save: Ctrl+S F2", "Fold: Ctrl+K");
    // The same first stroke with several behind it, and never alone, begins sequences.
    assertThat(
            taken(
                "[{\"do\": \"A\", \"keys\": [\"Ctrl+K\", \"Ctrl+A\"]}, {\"do\": \"B\", \"keys\": [\"Ctrl+K\", \"Ctrl+B\"]}]"))
        .containsExactly("A: Ctrl+K Ctrl+A", "B: Ctrl+K Ctrl+B");
  }

  @Test
  void valuesThatAreNoGesturesDoNotBecomeBindings() throws FileProblem {
    Outcome read =
        PagesTest.read(
            "lamp-save = Ctrl+S\nlamp-find = Ctrl+F\nlamps = 2\nfont = Mono 12\noff = none\ngone = -\n");
    assertThat(read.taken()).containsExactly("Lamp save: Ctrl+S", "Lamp find: Ctrl+F");
    assertThat(read.plan().reading().asked()).hasSize(1);
    assertThat(read.plan().reading().without()).hasSize(2);
    assertThat(read.plan().refused()).hasSize(1);
  }

  private static byte[] zip(String... namesAndTexts) throws Exception {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
      for (int i = 0; i < namesAndTexts.length; i += 2) {
        zip.putNextEntry(new ZipEntry(namesAndTexts[i]));
        zip.write(namesAndTexts[i + 1].getBytes(StandardCharsets.UTF_8));
      }
    }
    return bytes.toByteArray();
  }

  @Test
  void aFolderAndArchivesAreOneListByFile(@TempDir Path folder) throws Exception {
    String page = "* Ctrl+S - Save\n* F5 - Run\n";
    String list = "action,shortcut\nFind,Ctrl+F\n";
    Path inside = Files.createDirectories(folder.resolve("in/deep"));
    Files.writeString(folder.resolve("in/a.md"), page);
    Files.writeString(inside.resolve("b.csv"), list);
    Files.write(inside.resolve("c.png"), new byte[] {1, 0, 2});
    Files.createSymbolicLink(inside.resolve("up"), folder);
    Path zipped =
        Files.write(
            folder.resolve("all.zip"), zip("../../a.md", page, "d/b.csv", list, "c.png", "\0x"));
    Path tar = folder.resolve("all.tar.gz");
    try (OutputStream out = Files.newOutputStream(tar);
        TarArchiveOutputStream entries = new TarArchiveOutputStream(new GZIPOutputStream(out))) {
      for (List<String> one :
          List.of(List.of("a.md", page), List.of("b.csv", list), List.of("c", "\0"))) {
        byte[] text = one.get(1).getBytes(StandardCharsets.UTF_8);
        TarArchiveEntry entry = new TarArchiveEntry(one.getFirst());
        entry.setSize(text.length);
        entries.putArchiveEntry(entry);
        entries.write(text);
        entries.closeArchiveEntry();
      }
    }
    for (Path path : List.of(folder.resolve("in"), zipped, tar)) {
      ForeignList read = ListReader.read(path);
      assertThat(read.form()).contains("lists in 2 of 3 files");
      assertThat(read.tables()).extracting(t -> t.rows().size()).containsExactly(2, 1);
      assertThat(read.tables()).allMatch(t -> t.origin().file().matches(".*[ab]\\.(md|csv)"));
      assertThat(read.overlooked()).extracting(Overlooked::what).contains("a file");
    }
    assertThat(folder.toFile().list()).hasSize(3); // nothing was unpacked
    Path packed = folder.resolve("a.md.gz");
    try (OutputStream out = new GZIPOutputStream(Files.newOutputStream(packed))) {
      out.write(page.getBytes(StandardCharsets.UTF_8));
    }
    assertThat(ListReader.read(packed).tables().getFirst().rows()).hasSize(2);
    Files.write(folder.resolve("none.zip"), zip("x", "nothing here"));
    assertThatThrownBy(() -> ListReader.read(folder.resolve("none.zip")))
        .isInstanceOf(FileProblem.class)
        .hasMessageContaining("has 1 files");
  }

  /** Archives that were cut off or changed are refused or read in part, and end in nothing else. */
  @Property(tries = 400, shrinking = ShrinkingMode.OFF)
  void brokenArchivesAreReadOrRefused(@ForAll long seed) throws Exception {
    Random random = new Random(seed);
    byte[] bytes =
        zip(
            "a.md",
            "* Ctrl+S - Save\n".repeat(40),
            "b/\u001b[2J.csv",
            "action,shortcut\nFind,Ctrl+F\n");
    if (random.nextBoolean()) {
      bytes = Arrays.copyOf(bytes, random.nextInt(bytes.length));
    }
    for (int i = random.nextInt(4); i > 0 && bytes.length > 4; i--) {
      bytes[4 + random.nextInt(bytes.length - 4)] = (byte) random.nextInt();
    }
    Path file = Files.createTempFile("polydex", ".zip");
    try {
      Files.write(file, bytes);
      ForeignList read = ListReader.read(file);
      assertThat(read.tables()).allMatch(t -> t.origin().file().indexOf('\u001b') < 0);
      assertThat(read.overlooked()).allMatch(o -> o.file().indexOf('\u001b') < 0);
    } catch (FileProblem e) {
      assertThat(e.getMessage()).isNotBlank();
    } finally {
      Files.delete(file);
    }
  }

  @Test
  void whatHasNoEndIsRefusedAndWhatThisUserMayNotReadIsNamed(@TempDir Path folder)
      throws Exception {
    ByteArrayOutputStream many = new ByteArrayOutputStream();
    try (ZipOutputStream zip = new ZipOutputStream(many)) {
      for (int i = 0; i < 20_001; i++) {
        zip.putNextEntry(new ZipEntry(i + "/"));
      }
    }
    Path endless = Files.write(folder.resolve("endless.zip"), many.toByteArray());
    assertThatThrownBy(() -> ListReader.read(endless))
        .hasMessageContaining("more than 20,000 files");
    Path inside = Files.createDirectory(folder.resolve("in"));
    Files.writeString(inside.resolve("a.md"), "* Ctrl+S - Save\n* F5 - Run\n");
    Files.createSymbolicLink(inside.resolve("b.md"), inside.resolve("a.md"));
    assertThat(ListReader.read(inside).overlooked())
        .contains(new Overlooked("b.md", 0, "a link", "Links are not followed."));
    assertThatThrownBy(
            () -> ListReader.read(Files.createSymbolicLink(folder.resolve("to"), inside)))
        .isInstanceOf(FileProblem.class)
        .hasMessageContaining("symbolic link");
    assertThat(ListReader.ownFormat(endless)).isEmpty();
    assertThatThrownBy(() -> ListReader.ownFormat(folder.resolve("nowhere")))
        .hasMessageContaining("There is no file");
  }
}
