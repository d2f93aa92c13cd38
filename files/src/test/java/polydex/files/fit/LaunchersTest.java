package polydex.files.fit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.sun.management.ThreadMXBean;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.lang.management.ManagementFactory;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Stream;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.junit.jupiter.api.Assumptions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import polydex.files.FileProblem;
import polydex.keys.Gesture;

/** Launcher files: links by the published format, entries by the specification, and broken ones. */
class LaunchersTest {
  private static final long MOST_MEMORY = 64L << 20;

  @Provide
  Arbitrary<String> texts() {
    return Arbitraries.strings()
        .withChars("abcXYZ 019_-.\\:äß✓")
        .ofMaxLength(60)
        .map(String::strip);
  }

  @Provide
  Arbitrary<String> hotKeys() {
    return Arbitraries.of(
        "Ctrl+Alt+N",
        "Ctrl+Shift+7",
        "Ctrl+Alt+Shift+F24",
        "F5",
        "Alt+NumLock",
        "Shift+ScrollLock");
  }

  @Property(tries = 500)
  void aLinkIsReadAsItWasWritten(
      @ForAll("texts") String name,
      @ForAll("texts") String target,
      @ForAll("texts") String arguments,
      @ForAll("hotKeys") String hot)
      throws FileProblem {
    Gesture gesture = Gesture.parse(hot);
    ShellLink link = new ShellLink(name, target, arguments, "D:\\work", Optional.of(gesture));
    assertThat(ShellLink.canHold(gesture)).isTrue();
    assertThat(ShellLink.read("a.lnk", link.write())).isEqualTo(link);
  }

  @Test
  void whatAHotKeyHasNoByteForIsNotWritten() {
    for (String not : List.of("Meta+N", "Ctrl+Home", "Ctrl+K N", "Ctrl+[", "AltGr+N", "Ctrl")) {
      assertThat(ShellLink.canHold(Gesture.parse(not))).as(not).isFalse();
    }
  }

  /** A header, by hand from the table of the format. */
  private static ByteBuffer header(int flags, int hotKey) {
    ByteBuffer b = ByteBuffer.allocate(2_000).order(ByteOrder.LITTLE_ENDIAN);
    b.putInt(0x4C).put(HexFormat.of().parseHex("0114020000000000c000000000000046"));
    b.putInt(flags).putInt(0x20).putLong(1).putLong(2).putLong(3).putInt(0).putInt(0).putInt(1);
    return b.putShort((short) hotKey).putShort((short) 0).putInt(0).putInt(0);
  }

  private static byte[] done(ByteBuffer b) {
    byte[] bytes = new byte[b.position()];
    b.flip().get(bytes);
    return bytes;
  }

  private static ByteBuffer wide(ByteBuffer b, String text) {
    return b.putShort((short) text.length()).put(text.getBytes(StandardCharsets.UTF_16LE));
  }

  /** As in the example of the format: an item list, a local path, a relative path and a folder. */
  @Test
  void aLinkMadeByHandIsRead() throws FileProblem {
    ByteBuffer b = header(0x1 | 0x2 | 0x8 | 0x10 | 0x80, 0x0646);
    b.putShort((short) 0xBD).put(new byte[0xBD]);
    b.putInt(0x3C).putInt(0x1C).putInt(1).putInt(0x1C).putInt(0x2D).putInt(0).putInt(0x3B);
    b.put(HexFormat.of().parseHex("1100000003000000818a7a301000000000"));
    b.put("C:\\test\\a.txt\0".getBytes(StandardCharsets.US_ASCII)).put((byte) 0);
    wide(b, ".\\a.txt");
    wide(b, "C:\\test");
    b.putInt(0x10).putInt(0xA0000005).putLong(0).putInt(0);
    assertThat(ShellLink.read("a.lnk", done(b)))
        .isEqualTo(
            new ShellLink(
                "", "C:\\test\\a.txt", "", "C:\\test", Optional.of(Gesture.parse("Ctrl+Alt+F"))));
  }

  @Test
  void aLinkToAShareAndOneWithTextsOfACodePageAreRead() throws FileProblem {
    ByteBuffer share = header(0x2, 0);
    share.putInt(0x1C + 0x14 + 14 + 9).putInt(0x1C).putInt(2).putInt(0).putInt(0);
    share.putInt(0x1C).putInt(0x1C + 0x14 + 14);
    share.putInt(0x14 + 14).putInt(2).putInt(0x14).putInt(0).putInt(0x20000);
    share.put("\\\\server\\data\0".getBytes(StandardCharsets.US_ASCII));
    share.put("cues\\a.b\0".getBytes(StandardCharsets.US_ASCII));
    assertThat(ShellLink.read("s.lnk", done(share)).target())
        .isEqualTo("\\\\server\\data\\cues\\a.b");

    ByteBuffer ansi = header(0x4 | 0x20, 0x0370);
    byte[] name = "Größe".getBytes(Charset.forName("windows-1252"));
    ansi.putShort((short) name.length)
        .put(name)
        .putShort((short) 2)
        .put("-x".getBytes(StandardCharsets.US_ASCII));
    ShellLink read = ShellLink.read("n.lnk", done(ansi));
    assertThat(read.name()).isEqualTo("Größe");
    assertThat(read.arguments()).isEqualTo("-x");
    assertThat(read.hotKey()).contains(Gesture.parse("Ctrl+Shift+F1"));
  }

  @Test
  void whatCantBeIsRefusedWithItsPlace() {
    assertThatThrownBy(() -> ShellLink.read("x.lnk", new byte[10]))
        .isInstanceOf(FileProblem.class)
        .hasMessage("x.lnk, byte 0: it ends within the header. It was not read.");
    assertThatThrownBy(() -> ShellLink.read("x.lnk", new byte[100]))
        .hasMessage("x.lnk, byte 0: it does not begin as a Shell Link does. It was not read.");
    assertThatThrownBy(() -> ShellLink.read("x.lnk", done(header(0, 0x1041))))
        .hasMessageContaining("a modifier 0x10 that there is not");
    assertThatThrownBy(() -> ShellLink.read("x.lnk", done(header(0, 0x022D))))
        .hasMessageContaining("a key 0x2d that there is not");
    assertThatThrownBy(() -> ShellLink.read("x.lnk", done(header(0x4, 0).putShort((short) 900))))
        .hasMessageContaining("it ends within the name");
  }

  @Test
  void anEntryIsReadWithItsActionsAndItsKeys() throws FileProblem {
    DesktopEntry entry =
        DesktopEntry.read(
            "cue.desktop",
            """
            # made by hand
            [Desktop Entry]
            Type=Application
            Name=Cue\\sdesk
            Name[de]=Ablauf
            Exec=cues --open %f
            Path=/srv/show
            Actions=new;gone;last;
            X-Invented-Shortcuts=Ctrl+Alt+N;

            [Desktop Action new]
            Name=New cue list
            Exec=cues --new

            [Desktop Action last]
            Name=Last one
            Exec=cues --last
            X-Invented-Shortcut=Ctrl+Alt+L
            """
                .getBytes(StandardCharsets.UTF_8));
    assertThat(entry.name()).isEqualTo("Cue desk");
    assertThat(entry.starts()).isEqualTo("cues --open %f");
    assertThat(entry.keys()).containsExactly(Gesture.parse("Ctrl+Alt+N"));
    assertThat(entry.actions()).extracting(DesktopEntry.Action::id).containsExactly("new", "last");
    assertThat(entry.actions().getLast().keys()).containsExactly(Gesture.parse("Ctrl+Alt+L"));
  }

  @Property(tries = 300)
  void anEntryThatWasWrittenStartsWhatItShould(@ForAll("texts") String argument)
      throws FileProblem {
    String text =
        DesktopEntry.starting("Cue \\ desk", List.of("sh", "-c", argument + " \"$1\" `x`"));
    DesktopEntry read = DesktopEntry.read("a.desktop", text.getBytes(StandardCharsets.UTF_8));
    assertThat(read.name()).isEqualTo("Cue \\ desk");
    assertThat(arguments(read.starts())).containsExactly("sh", "-c", argument + " \"$1\" `x`");
  }

  /** The quoting of the specification backwards, character by character. */
  private static List<String> arguments(String exec) {
    List<String> found = new ArrayList<>();
    StringBuilder one = new StringBuilder();
    boolean quoted = false;
    for (int i = 0; i < exec.length(); i++) {
      char c = exec.charAt(i);
      if (c == '"') {
        quoted = !quoted;
      } else if (c == '\\' && quoted) {
        one.append(exec.charAt(++i));
      } else if (c == ' ' && !quoted) {
        found.add(one.toString());
        one.setLength(0);
      } else {
        one.append(c);
      }
    }
    found.add(one.toString());
    return found.stream().map(a -> a.replace("%%", "%")).toList();
  }

  /** Every entry of this machine's own packages, where it has some. */
  @Test
  void theEntriesOfThisMachineAreRead() throws FileProblem {
    Path real = Path.of("/usr/share/applications");
    Assumptions.assumeTrue(Files.isDirectory(real));
    LauncherTree tree = LauncherTree.read(real, _ -> {}, () -> false);
    assertThat(tree.refused()).isEmpty();
    assertThat(tree.complete()).isTrue();
  }

  @Test
  void aTreeIsReadWithoutFollowingLinks(@TempDir Path outside, @TempDir Path top)
      throws IOException, FileProblem {
    byte[] link =
        new ShellLink("", "C:\\cues", "", "", Optional.of(Gesture.parse("Ctrl+Alt+N"))).write();
    Path secret = Files.write(outside.resolve("secret.lnk"), link);
    Path deep = Files.createDirectories(top.resolve("a/b"));
    Files.write(deep.resolve("Cue folder.LNK"), link);
    Files.writeString(deep.resolve("broken.lnk"), "no link");
    Files.writeString(deep.resolve("notes.txt"), "nothing");
    Files.createSymbolicLink(top.resolve("out.lnk"), secret);
    Files.createSymbolicLink(top.resolve("elsewhere"), outside);
    Files.createSymbolicLink(deep.resolve("round"), top);

    LauncherTree tree = LauncherTree.read(top, _ -> {}, () -> false);

    assertThat(tree.launchers())
        .extracting(LauncherTree.Launcher::path)
        .containsExactly("a/b/Cue folder.LNK");
    assertThat(tree.found().getFirst().names()).contains("Cue folder", "C:\\cues");
    assertThat(tree.refused()).hasSize(2).anyMatch(r -> r.contains("out.lnk is a symbolic link"));
    assertThatThrownBy(() -> LauncherTree.read(top.resolve("elsewhere"), _ -> {}, () -> false))
        .hasMessageContaining("symbolic link");
  }

  @Property(tries = 4_000)
  void brokenFilesAreRefusedAndNothingElse(@ForAll long seed) {
    Random random = new Random(seed);
    byte[] bytes =
        switch (random.nextInt(3)) {
          case 0 ->
              new ShellLink(
                      "name", "C:\\a\\b", "-x", "C:\\", Optional.of(Gesture.parse("Ctrl+Alt+N")))
                  .write();
          case 1 ->
              ("[Desktop Entry]\nType=Application\nName=x\nExec=y\nActions=a;b;\n"
                      + "X-A-Shortcut=Ctrl+K\n[Desktop Action a]\nName=q\nExec=r\n")
                  .getBytes(StandardCharsets.UTF_8);
          default ->
              random.nextBoolean()
                  ? " KEYBOARD_KEY_3a=leftctrl\n KEYBOARD_KEY_1d=capslock\n"
                      .getBytes(StandardCharsets.UTF_8)
                  : ("xkb_symbols \"a\" {\n replace key <CAPS> { [ Control_L ] };\n"
                          + " modifier_map Control { <CAPS> };\n};\n")
                      .getBytes(StandardCharsets.UTF_8);
        };
    byte[] broken = mutated(bytes, random);
    String text = new String(broken, StandardCharsets.UTF_8);
    ThreadMXBean memory = (ThreadMXBean) ManagementFactory.getThreadMXBean();
    long before = memory.getCurrentThreadAllocatedBytes();
    for (Attempt attempt :
        List.<Attempt>of(
            () -> ShellLink.read("x", broken),
            () -> DesktopEntry.read("x", broken),
            () -> HwdbRemap.read("x", text),
            () -> XkbRemap.read("x", text))) {
      try {
        assertThat(attempt.read()).isNotNull();
      } catch (FileProblem e) {
        assertThat(e.getMessage()).startsWith("x").endsWith(".");
      }
    }
    assertThat(memory.getCurrentThreadAllocatedBytes() - before).isLessThan(MOST_MEMORY);
  }

  private interface Attempt {
    Object read() throws FileProblem;
  }

  private static byte[] mutated(byte[] bytes, Random random) {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    int from = random.nextInt(8) == 0 ? random.nextInt(bytes.length) : 0;
    int to = random.nextInt(3) == 0 ? random.nextInt(bytes.length) : bytes.length;
    out.write(bytes, from, Math.max(0, to - from));
    byte[] changed = out.toByteArray();
    for (int i = random.nextInt(6); i > 0 && changed.length > 0; i--) {
      int at = random.nextInt(changed.length);
      switch (random.nextInt(4)) {
        case 0 -> changed[at] = (byte) random.nextInt(256);
        case 1 -> changed[at] = (byte) 0xFF;
        case 2 -> changed[at] = 0;
        default -> {
          // A piece of it a great many times over.
          int times = 1 << random.nextInt(12);
          byte[] piece =
              java.util.Arrays.copyOfRange(changed, at, Math.min(changed.length, at + 16));
          byte[] longer = new byte[changed.length + piece.length * times];
          System.arraycopy(changed, 0, longer, 0, at);
          for (int n = 0; n < times; n++) {
            System.arraycopy(piece, 0, longer, at + n * piece.length, piece.length);
          }
          System.arraycopy(changed, at, longer, at + times * piece.length, changed.length - at);
          changed = longer.length > 1 << 20 ? changed : longer;
        }
      }
    }
    return changed;
  }

  /** What is as large as it may be still takes little time and room. */
  @Test
  void theLargestFilesAreReadOrRefused() {
    String lines = " KEYBOARD_KEY_3a=leftctrl\n".repeat(40_000);
    String spaces = " ".repeat(1 << 20);
    for (String text :
        Stream.of(lines, spaces, "[".repeat(1 << 20), "a=b\n".repeat(1 << 18)).toList()) {
      for (Attempt attempt :
          List.<Attempt>of(
              () -> HwdbRemap.read("x", text),
              () -> XkbRemap.read("x", text),
              () -> DesktopEntry.read("x", text.getBytes(StandardCharsets.UTF_8)))) {
        assertThatThrownByOrRead(attempt);
      }
    }
  }

  private static void assertThatThrownByOrRead(Attempt attempt) {
    try {
      assertThat(attempt.read()).isNotNull();
    } catch (FileProblem e) {
      assertThat(e.getMessage()).startsWith("x");
    }
  }
}
