package polydex.files.computer;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import polydex.computer.ComputerIntake;
import polydex.computer.Finding;
import polydex.computer.FoundComputer;
import polydex.files.FileProblem;
import polydex.files.Shipped;
import polydex.files.json.ComputerFile;
import polydex.files.xkb.XkbLayouts;
import polydex.intake.IntakeRequest.RequestedRow;
import polydex.intake.ListSubject;

/** A made-up computer in a folder, with the tools that it would have. */
class ComputerSourcesTest {
  @TempDir Path root;

  private final Map<String, String> variables = new HashMap<>();
  private final Map<String, String> tools = new HashMap<>();

  @BeforeEach
  void layouts() throws IOException {
    Path link = root.resolve(XkbLayouts.USUAL.toString().substring(1));
    Files.createDirectories(link.getParent());
    if (Files.isDirectory(XkbLayouts.USUAL)) {
      Files.createSymbolicLink(link, XkbLayouts.USUAL);
    }
  }

  private Surroundings here() throws IOException {
    Files.createDirectories(root.resolve("home"));
    return new Surroundings(
        variables,
        root.resolve("home"),
        root,
        command -> Optional.ofNullable(tools.get(String.join(" ", command))));
  }

  private void file(String path, String text) throws IOException {
    Path file = root.resolve(path);
    Files.createDirectories(file.getParent());
    Files.writeString(file, text);
  }

  private record Heard(List<Finding> findings, List<String> remarks)
      implements ComputerSource.Listener {
    @Override
    public void found(Finding finding) {
      findings.add(finding);
    }

    @Override
    public void at(String what) {}

    @Override
    public void remark(String sentence) {
      remarks.add(sentence);
    }

    @Override
    public boolean stopped() {
      return false;
    }

    Finding by(String id) {
      return findings.stream().filter(f -> f.id().equals(id)).findFirst().orElseThrow();
    }
  }

  private static Heard read(ComputerSource source) throws FileProblem {
    Heard heard = new Heard(new ArrayList<>(), new ArrayList<>());
    source.read(heard);
    return heard;
  }

  private static List<String> lines(Finding finding) {
    return ((Finding.Keys) finding.what())
        .rows().stream().map(r -> r.action() + ": " + r.gesture().replace('\n', ' ')).toList();
  }

  // ---- keyboard

  @Test
  void theXServerCountsAndThenTheFileOfTheSystem() throws Exception {
    file(
        "etc/default/keyboard",
        "XKBMODEL=\"pc105\"\nXKBLAYOUT=\"de,us\"\nXKBVARIANT='nodeadkeys,'\nXKBOPTIONS=caps:escape,terminate:ctrl_alt_bksp\n");
    Heard byFile = read(new KeyboardSource(here()));
    Finding.Keyboard keyboard = (Finding.Keyboard) byFile.by("keyboard").what();
    assertThat(keyboard.layout().id()).isEqualTo("xkb:de(nodeadkeys)");
    assertThat(keyboard.others())
        .singleElement()
        .satisfies(l -> assertThat(l.id()).isEqualTo("xkb:us"));
    assertThat(keyboard.remaps())
        .singleElement()
        .satisfies(r -> assertThat(r.keyRules()).hasSize(1));
    variables.put("DISPLAY", ":1");
    tools.put("setxkbmap -query", "rules:      evdev\nmodel:      pc105\nlayout:     fr\n");
    Finding.Keyboard running =
        (Finding.Keyboard) read(new KeyboardSource(here())).by("keyboard").what();
    assertThat(running.layout().id()).isEqualTo("xkb:fr");
    assertThat(running.remaps()).isEmpty();
  }

  @Test
  void withoutEitherTheLayoutIsAskedOfThePerson() {
    assertThatThrownBy(() -> read(new KeyboardSource(here())))
        .isInstanceOf(FileProblem.class)
        .hasMessageContaining("Choose the layout in Setups");
    assertThatThrownBy(
            () -> {
              file("etc/default/keyboard", "XKBLAYOUT=\"../../../etc/passwd\"\n");
              read(new KeyboardSource(here()));
            })
        .isInstanceOf(FileProblem.class);
  }

  // ---- settings

  private static final String SCHEMAS =
      """
      <schemalist>
        <schema id="house.rowan.windows" path="/house/rowan/windows/">
          <key name="close" type="as"><default>['&lt;Alt&gt;F4']</default><summary>Close the window</summary></key>
          <key name="minimize" type="as"><default>['&lt;Super&gt;h']</default><summary>Minimize the window</summary></key>
          <key name="switch-windows" type="as"><default>['&lt;Alt&gt;Tab']</default></key>
          <key name="move-to-workspace" type="as"><default><![CDATA[['<Super>m']]]></default></key>
          <key name="theme" type="s"><default>'plain'</default></key>
          <key name="custom" type="as"><default>[]</default></key>
        </schema>
        <schema id="house.rowan.media" path="/house/rowan/media/">
          <key name="volume-up" type="s"><default>'XF86AudioRaiseVolume'</default></key>
        </schema>
        <schema id="house.rowan.windows.custom">
          <key name="name" type="s"><default>''</default></key>
          <key name="binding" type="s"><default>''</default></key>
          <key name="command" type="s"><default>''</default></key>
        </schema>
        <schema id="house.sorrel.windows" path="/house/sorrel/windows/">
          <key name="close-window" type="as"><default>['&lt;Super&gt;q']</default></key>
          <key name="show-workspaces" type="as"><default>['&lt;Super&gt;w']</default></key>
          <key name="maximize-window" type="as"><default>['&lt;Super&gt;Up']</default></key>
        </schema>
        <schema id="house.script.keys" path="/house/script/keys/">
          <key name="find-cue" type="s"><default>'&lt;Primary&gt;f'</default></key>
          <key name="next-act" type="s"><default>'&lt;Primary&gt;n'</default></key>
          <key name="fold-act" type="s"><default>'&lt;Primary&gt;k'</default></key>
        </schema>
      </schemalist>
      """;

  private void schemas() throws IOException {
    file("usr/share/glib-2.0/schemas/house.gschema.xml", SCHEMAS);
    file(
        "usr/share/glib-2.0/schemas/10_vendor.gschema.override",
        "[house.rowan.windows]\nminimize=['<Super>n']\n[house.rowan.windows:Sorrel]\nclose=['F1']\n");
  }

  @Test
  void aDesktopIsItsSchemasWithWhatItsVendorAndThePersonSet() throws Exception {
    schemas();
    variables.put("XDG_CURRENT_DESKTOP", "house:Rowan");
    tools.put(
        "gsettings list-recursively",
        """
        house.rowan.windows close ['<Alt>F4']
        house.rowan.windows minimize ['<Super>n']
        house.rowan.windows switch-windows ['<Super>Tab', '<Alt>Tab']
        house.rowan.windows move-to-workspace @as []
        house.rowan.windows custom ['/house/rowan/windows/custom/one/', '/house/rowan/windows/custom/two/']
        house.rowan.media volume-up 'XF86AudioRaiseVolume'
        house.script.keys fold-act '<Primary>j'
        """);
    tools.put(
        "gsettings list-recursively house.rowan.windows.custom:/house/rowan/windows/custom/one/",
        "house.rowan.windows.custom:/house/rowan/windows/custom/one/ name 'Tonight'\nhouse.rowan.windows.custom:/house/rowan/windows/custom/one/ binding '<Super>t'\nhouse.rowan.windows.custom:/house/rowan/windows/custom/one/ command 'notes --tonight'\n");
    Heard heard = read(new SettingsSource(here()));
    Finding desktop = heard.by("settings:house.rowan");
    assertThat(desktop.suggested()).isTrue();
    assertThat(((Finding.Keys) desktop.what()).about()).isEqualTo(ListSubject.DESKTOP);
    assertThat(((Finding.Keys) desktop.what()).environment()).isEqualTo("Rowan");
    assertThat(lines(desktop))
        .containsExactly(
            "Close the window: <Alt>F4",
            "Minimize the window: <Super>n",
            "Switch windows: <Super>Tab <Alt>Tab",
            "Volume up: XF86AudioRaiseVolume");
    // Another desktop is installed, and not the one of the session.
    assertThat(heard.by("settings:house.sorrel").suggested()).isFalse();
    assertThat(heard.by("settings:house.sorrel").title())
        .isEqualTo("Keys of another desktop, Sorrel");
    // A program whose keys the person changed is one that they use.
    Finding script = heard.by("settings:house.script.keys");
    assertThat(script.suggested()).isTrue();
    assertThat(((Finding.Keys) script.what()).about()).isEqualTo(ListSubject.APPLICATION);
    assertThat(lines(script)).contains("Fold act: <Primary>j");
    RequestedRow own = ((Finding.Keys) heard.by("settings:own").what()).rows().getFirst();
    assertThat(own.own()).isTrue();
    assertThat(own.action() + ", " + own.gesture() + ", " + own.note())
        .isEqualTo("Tonight, <Super>t, Runs notes --tonight");
  }

  @Test
  void withoutTheToolKeyFilesSayWhatWasSet() throws Exception {
    schemas();
    variables.put("XDG_CURRENT_DESKTOP", "Sorrel");
    file(
        "home/.config/glib-2.0/settings/keyfile",
        "[house/rowan/windows]\nclose=['<Super>x']\ncustom=['/house/rowan/windows/custom/one/']\n\n[house/rowan/windows/custom/one]\nname='Lamps'\nbinding='F9'\ncommand='lamps'\n");
    Heard heard = read(new SettingsSource(here()));
    assertThat(lines(heard.by("settings:house.rowan")))
        .contains("Close the window: <Super>x", "Minimize the window: <Super>n");
    assertThat(heard.by("settings:house.sorrel").suggested()).isTrue();
    assertThat(lines(heard.by("settings:own"))).containsExactly("Lamps: F9");
    assertThat(heard.remarks()).anyMatch(r -> r.contains("gsettings is not there"));
  }

  @Test
  void aSchemaWithEntitiesOfItsOwnAndAHugeOneAreNamedAndTheOthersRead() throws Exception {
    schemas();
    file(
        "usr/share/glib-2.0/schemas/a.gschema.xml",
        "<!DOCTYPE x [<!ENTITY a \"b\">]><schemalist><schema id=\"x.y.z\"/></schemalist>");
    file("usr/share/glib-2.0/schemas/b.gschema.xml", " ".repeat((2 << 20) + 1));
    Heard heard = read(new SettingsSource(here()));
    assertThat(heard.remarks()).anyMatch(r -> r.contains("a.gschema.xml"));
    assertThat(heard.remarks()).anyMatch(r -> r.contains("b.gschema.xml"));
    assertThat(heard.findings()).isNotEmpty();
  }

  // ---- files

  @Test
  void filesAreToldByTheirContentAndThePersonsOwnCount() throws Exception {
    variables.put("XDG_CURRENT_DESKTOP", "Rowan");
    file(
        "home/.config/windowkeeper/keys.xml",
        "<?xml version=\"1.0\"?><keeper><keyboard><keybind key=\"A-F4\"><action name=\"Close window\"/></keybind><keybind key=\"W-d\"><action name=\"ShowDesktop\"/></keybind><keybind key=\"A-Tab\"><action name=\"NextWindow\"/></keybind><keybind key=\"W-Left\"><action name=\"PreviousWorkspace\"/></keybind></keyboard></keeper>");
    file(
        "home/.config/dome-notes/accels",
        "; accel map\n(gtk_accel_path \"<Actions>/win.save\" \"<Primary>s\")\n(gtk_accel_path \"<Actions>/app.quit\" \"<Primary>q\")\n(gtk_accel_path \"<Actions>/win.find-next\" \"<Primary>g\")\n");
    file(
        "home/.linerc",
        "set bell-style none\n\"\\C-x\\C-r\": re-read-init-file\nControl-a: beginning-of-line\nMeta-f: forward-word\n");
    file("home/.shell_history", "bind C-a x\nbind C-b y\nbind C-c z\nbind C-d z\n");
    file("home/.config/seat-planner/settings.json", "{\"width\": 3, \"colour\": \"red\"}");
    file("home/.config/seat-planner/notes.txt", "Save: Ctrl+S\nOpen: Ctrl+O\nQuit: Ctrl+Q\n");
    file("etc/xdg/dome-notes/accels", "(gtk_accel_path \"<Actions>/win.old\" \"<Primary>o\")\n");
    Files.write(root.resolve("home/.config/dome-notes/picture"), new byte[] {0, 1, 2});
    Heard heard = read(new ConfigSource(here()));
    assertThat(heard.findings())
        .extracting(Finding::id)
        .containsExactlyInAnyOrder(
            "file:.linerc", "file:dome-notes/accels", "file:windowkeeper/keys.xml");
    Finding windows = heard.by("file:windowkeeper/keys.xml");
    assertThat(((Finding.Keys) windows.what()).about()).isEqualTo(ListSubject.DESKTOP);
    assertThat(((Finding.Keys) windows.what()).environment()).isEqualTo("Rowan");
    assertThat(lines(heard.by("file:dome-notes/accels")))
        .containsExactlyInAnyOrder("Save: <Primary>s", "Quit: <Primary>q", "Find next: <Primary>g");
    assertThat(((Finding.Keys) heard.by("file:dome-notes/accels").what()).environment())
        .isEqualTo("Dome notes");
    assertThat(heard.by("file:.linerc").suggested()).isTrue();
  }

  /** The forms in which desktops and programs keep keys, each as it is found on computers. */
  @Test
  void everyFormInWhichKeysAreKeptIsReadForWhatItSays() throws Exception {
    file(
        "home/.config/a/globals",
        "[keeper]\n_name=Window keeper\nWalk=Alt+Tab,Alt+Tab,Walk through windows\nClose=Alt+F4\\tMeta+Q,Alt+F4,Close window\nOff=none,Meta+W,Show overview\nLock=Meta+L,none,Lock session\n");
    file(
        "home/.config/b/keys.xml",
        "<?xml version=\"1.0\"?><channel name=\"k\"><property name=\"commands\" type=\"empty\"><property name=\"&lt;Primary&gt;Escape\" type=\"string\" value=\"menu\"/><property name=\"&lt;Alt&gt;F2\" type=\"string\" value=\"run\"/><property name=\"&lt;Super&gt;e\" type=\"string\" value=\"files\"/></property></channel>");
    file(
        "home/.config/c/config",
        "set $mod Mod4\nfont mono 10\nbindsym $mod+Return exec notes\nbindsym $mod+Shift+q kill\nbindsym Print exec shot\nbindsym $mod+1 workspace 1\nmode \"resize\" {\n  bindsym Left shrink\n}\n");
    file(
        "home/.config/d/keysrc",
        "# notes\nsuper + Return\n\tnotes\n\nsuper + {h,l}\n\tfocus {west,east}\n\nsuper + {_,shift + }Left\n\t{focus,move} left\n\nalt + F4\n\tquit\n\nsuper + {a,b}\n\t{one,two,three}\n");
    file(
        "home/.config/e/ui.rc",
        "<!DOCTYPE gui SYSTEM 'x.dtd'>\n<gui name=\"e\"><Action name=\"file_save\" shortcut=\"Ctrl+S; F2\"/><Action name=\"next_tab\" shortcut=\"Ctrl+Tab\"/><Action name=\"find_all\" shortcut=\"Ctrl+Shift+F\"/></gui>");
    file(
        "home/.config/f/mux.conf",
        "set -g prefix C-a\nunbind C-b\nbind -T prefix c new-window\nbind r reload\nbind -n M-Left left\nbind -T copy v select\n");
    file(
        "home/.config/g/keys.json",
        "// own\n[{\"key\": \"ctrl+k ctrl+s\", \"command\": \"keys.open\"}, {\"key\": \"ctrl+d\", \"command\": \"line.copy\", \"when\": \"inText\"}, {\"key\": \"alt+up\", \"command\": \"-line.up\"}]");
    Heard heard = read(new ConfigSource(here()));
    assertThat(lines(heard.by("file:a/globals")))
        .containsExactly(
            "Walk through windows: Alt+Tab", "Close window: Alt+F4 Meta+Q", "Lock session: Meta+L");
    assertThat(lines(heard.by("file:b/keys.xml")))
        .containsExactly("menu: <Primary>Escape", "run: <Alt>F2", "files: <Super>e");
    assertThat(lines(heard.by("file:c/config")))
        .contains("exec notes: Mod4+Return", "kill: Mod4+Shift+q", "shrink: Left");
    assertThat(lines(heard.by("file:d/keysrc")))
        .containsExactly(
            "notes: super+Return",
            "focus west: super+h",
            "focus east: super+l",
            "focus left: super+Left",
            "move left: super+shift+Left",
            "quit: alt+F4");
    // A set that does not go together with that of its command is told, and not half read.
    assertThat(((Finding.Keys) heard.by("file:d/keysrc").what()).refused()).hasSize(1);
    assertThat(lines(heard.by("file:e/ui.rc"))).contains("file_save: Ctrl+S; F2");
    assertThat(lines(heard.by("file:f/mux.conf")))
        .containsExactly("new-window: C-a c", "reload: C-a r", "left: M-Left", "select: v");
    assertThat(lines(heard.by("file:g/keys.json"))).contains("line.copy: ctrl+d");
    // What is read is what is brought in.
    var plan =
        ComputerIntake.plan(
            Shipped.start(),
            new FoundComputer("house", heard.findings()),
            ComputerIntake.Wishes.HERE);
    assertThat(plan.parts())
        .allSatisfy(p -> assertThat(p.taken()).as(p.finding().id()).isGreaterThan(1));
  }

  @Test
  void aLinkOutOfTheFolderIsNotFollowed() throws Exception {
    file(
        "elsewhere/accels",
        "(gtk_accel_path \"<A>/a\" \"<Primary>s\")\n(gtk_accel_path \"<A>/b\" \"<Primary>q\")\n(gtk_accel_path \"<A>/c\" \"<Primary>w\")\n");
    Files.createDirectories(root.resolve("home/.config"));
    Files.createSymbolicLink(root.resolve("home/.config/linked"), root.resolve("elsewhere"));
    assertThat(read(new ConfigSource(here())).findings()).isEmpty();
  }

  // ---- launchers

  @Test
  void launchersAreNamedAsThePersonHasThemAndOnesOwnComeFirst() throws Exception {
    variables.put("LANG", "de_CH.UTF-8");
    file(
        "usr/share/applications/notes.desktop",
        "[Desktop Entry]\nType=Application\nName=Notes\nName[de]=Notizen\nExec=notes %U\n");
    file(
        "usr/share/applications/hidden.desktop",
        "[Desktop Entry]\nType=Application\nName=Hidden\nNoDisplay=true\nExec=x\n");
    file("usr/share/applications/broken.desktop", "no group\n");
    file(
        "usr/share/applications/seats.desktop",
        "[Desktop Entry]\nType=Application\nName=Seats\nExec=seats\n");
    file(
        "home/.local/share/applications/seats.desktop",
        "[Desktop Entry]\nType=Application\nName=My seats\nExec=seats --mine\n");
    Heard heard = read(new LauncherSource(here()));
    assertThat(((Finding.Launchers) heard.by("launchers").what()).launchers())
        .containsExactly(
            new Finding.Launcher("My seats", "seats --mine"),
            new Finding.Launcher("Notizen", "notes %U"));
    assertThat(heard.remarks()).anyMatch(r -> r.contains("broken.desktop"));
  }

  @Test
  void withoutAMessageBusTheOthersGoOn() {
    assertThatThrownBy(() -> read(new ProgramSource(here())))
        .isInstanceOf(FileProblem.class)
        .hasMessageContaining("no message bus");
    variables.put("DBUS_SESSION_BUS_ADDRESS", "unix:path=" + root.resolve("nobody"));
    assertThatThrownBy(() -> read(new ProgramSource(here())))
        .isInstanceOf(FileProblem.class)
        .hasMessageContaining("does not answer");
  }

  // ---- as a file

  @Test
  void aGatheredComputerIsReadAsItWasWrittenAndTheOneOfTheDemoIsWhole() throws Exception {
    FoundComputer demo = SimulatedComputer.found();
    assertThat(ComputerFile.read("demo", ComputerFile.write(demo))).isEqualTo(demo);
    assertThat(demo.findings()).extracting(Finding::id).contains("keyboard", "settings:own");
    var plan =
        ComputerIntake.plan(
            Shipped.demo(), demo.only(demo::suggests), ComputerIntake.Wishes.ELSEWHERE);
    assertThat(plan.changesSomething()).isTrue();
    assertThat(plan.parts())
        .allSatisfy(
            p ->
                assertThat(p.bindings().map(b -> b.refused().size()).orElse(0))
                    .as(p.finding().title())
                    .isZero());
  }

  @Test
  void aGatheredComputerFromOutsideIsCheckedAndRefusedWhole() {
    String deep = "{\"title\":\"a\",\"sort\":\"MENU\",\"items\":[".repeat(200);
    for (String text :
        List.of(
            "{\"format\":\"polydex-computer/1\",\"title\":\"\",\"findings\":[]}",
            "{\"format\":\"polydex-computer/1\",\"title\":\"x\",\"findings\":[{\"id\":\"a\",\"title\":\"b\",\"program\":{\"title\":\"c\",\"menus\":[{\"title\":\"d\",\"sort\":\"WINDOW\"}]}}]}",
            "{\"format\":\"polydex-computer/1\",\"title\":\"x\",\"findings\":[{\"id\":\"a\",\"title\":\"b\"},{\"id\":\"a\",\"title\":\"b\"}]}",
            "{\"format\":\"polydex-computer/1\",\"title\":\"x\",\"findings\":[{\"id\":\"a\",\"title\":\"b\",\"program\":{\"title\":\"c\",\"menus\":["
                + deep)) {
      assertThatThrownBy(() -> ComputerFile.read("found.json", text))
          .isInstanceOf(FileProblem.class)
          .hasMessageContaining("found.json");
    }
  }
}
