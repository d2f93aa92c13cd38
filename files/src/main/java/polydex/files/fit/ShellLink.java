package polydex.files.fit;

import static polydex.files.language.FilesWords.worded;

import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.Optional;
import polydex.files.FileProblem;
import polydex.keys.Gesture;
import polydex.keys.Held;
import polydex.keys.Key;
import polydex.keys.KeyRef;
import polydex.keys.Modifier;
import polydex.keys.Modifiers;
import polydex.keys.Step;
import polydex.keys.Visible;

/**
 * A Shell Link, by the published binary format (MS-SHLLINK, revision 8): what a launcher file
 * starts, and its hot key. Nothing that it points at is looked at.
 *
 * @param name what it says of itself; may be empty
 * @param target the path of what it starts; empty where the file has it only as an item list
 * @param arguments what is handed to it
 * @param workingFolder in which it starts
 * @param hotKey what is pressed; none where no hot key is set
 */
public record ShellLink(
    String name, String target, String arguments, String workingFolder, Optional<Gesture> hotKey) {
  /** The largest file that is read, in bytes. */
  public static final int LARGEST = 1 << 20;

  private static final int HEADER = 0x4C;
  private static final byte[] CLASS = HexFormat.of().parseHex("0114020000000000C000000000000046");
  private static final int HAS_ID_LIST = 0x1;
  private static final int HAS_LINK_INFO = 0x2;
  private static final int HAS_NAME = 0x4;
  private static final int HAS_RELATIVE_PATH = 0x8;
  private static final int HAS_WORKING_DIR = 0x10;
  private static final int HAS_ARGUMENTS = 0x20;
  private static final int HAS_ICON = 0x40;
  private static final int IS_UNICODE = 0x80;
  private static final int FORCE_NO_LINK_INFO = 0x100;
  private static final int ENVIRONMENT_BLOCK = 0xA0000001;
  private static final int ENVIRONMENT_SIZE = 0x314;

  /** What a file has in the code page of its system, which it does not name, is read as this. */
  private static final Charset CODE_PAGE = Charset.forName("windows-1252");

  private static final int SHIFT = 0x01;
  private static final int CTRL = 0x02;
  private static final int ALT = 0x04;

  /**
   * Reads a link. O(bytes).
   *
   * @param file its name, for messages
   * @throws FileProblem that says what is wrong, and where
   */
  public static ShellLink read(String file, byte[] bytes) throws FileProblem {
    if (bytes.length > LARGEST) {
      throw new FileProblem(worded("any.is-larger-than-1-mib-it", file));
    }
    return new Reader(file, bytes).link();
  }

  /**
   * The bytes of a link: its header, what it starts as local path, its texts, and the end.
   *
   * @throws IllegalArgumentException for a hot key that the format has not, see {@link #canHold}
   */
  public byte[] write() {
    ByteBuffer header = ByteBuffer.allocate(HEADER).order(ByteOrder.LITTLE_ENDIAN);
    header.putInt(HEADER).put(CLASS);
    int flags =
        IS_UNICODE
            | (target.isEmpty() ? 0 : HAS_LINK_INFO)
            | (name.isEmpty() ? 0 : HAS_NAME)
            | (workingFolder.isEmpty() ? 0 : HAS_WORKING_DIR)
            | (arguments.isEmpty() ? 0 : HAS_ARGUMENTS);
    header.putInt(flags).putInt(0).putLong(0).putLong(0).putLong(0).putInt(0).putInt(0);
    header.putInt(1); // shown as a normal window
    header.putShort((short) hotKey.map(ShellLink::hotKey).orElse(0).intValue());
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    out.writeBytes(header.array());
    if (!target.isEmpty()) {
      out.writeBytes(linkInfo());
    }
    for (String text : new String[] {name, workingFolder, arguments}) {
      if (!text.isEmpty()) {
        out.writeBytes(counted(text));
      }
    }
    out.writeBytes(new byte[4]);
    return out.toByteArray();
  }

  private byte[] linkInfo() {
    int headerSize = 0x24;
    byte[] volume = new byte[0x11];
    ByteBuffer.wrap(volume)
        .order(ByteOrder.LITTLE_ENDIAN)
        .putInt(0x11)
        .putInt(3)
        .putInt(0)
        .putInt(0x10);
    byte[] local = terminated(target.getBytes(CODE_PAGE), 1);
    byte[] suffix = new byte[1];
    byte[] wide = terminated(target.getBytes(StandardCharsets.UTF_16LE), 2);
    int at = headerSize + volume.length;
    int size = at + local.length + suffix.length + wide.length + 2;
    ByteBuffer info = ByteBuffer.allocate(size).order(ByteOrder.LITTLE_ENDIAN);
    info.putInt(size).putInt(headerSize).putInt(1).putInt(headerSize).putInt(at).putInt(0);
    info.putInt(at + local.length);
    info.putInt(at + local.length + suffix.length);
    info.putInt(at + local.length + suffix.length + wide.length);
    info.put(volume).put(local).put(suffix).put(wide).put(new byte[2]);
    return info.array();
  }

  private static byte[] terminated(byte[] text, int zeros) {
    return Arrays.copyOf(text, text.length + zeros);
  }

  private static byte[] counted(String text) {
    String kept = text.length() > 0xFFFF ? text.substring(0, 0xFFFF) : text;
    byte[] wide = kept.getBytes(StandardCharsets.UTF_16LE);
    ByteBuffer all = ByteBuffer.allocate(2 + wide.length).order(ByteOrder.LITTLE_ENDIAN);
    return all.putShort((short) kept.length()).put(wide).array();
  }

  /** Whether the format can have a gesture as its hot key. */
  public static boolean canHold(Gesture gesture) {
    try {
      return hotKey(gesture) != 0;
    } catch (IllegalArgumentException _) {
      return false;
    }
  }

  /** The pair of bytes: which key, and which modifiers. */
  private static int hotKey(Gesture gesture) {
    if (gesture.steps().size() != 1
        || !(gesture.steps().getFirst() instanceof Step.Stroke(Held held, KeyRef key))
        || !held.keys().isEmpty()) {
      throw new IllegalArgumentException(worded("fit.is-not-one-stroke", gesture));
    }
    int modifiers = 0;
    for (Modifier m : held.modifiers().list()) {
      modifiers |=
          switch (m) {
            case SHIFT -> SHIFT;
            case CTRL -> CTRL;
            case ALT -> ALT;
            default ->
                throw new IllegalArgumentException(
                    worded("fit.a-hot-key-holds-ctrl-alt", m.written()));
          };
    }
    return modifiers << 8 | low(key, gesture);
  }

  private static int low(KeyRef key, Gesture gesture) {
    if (key instanceof KeyRef.Typed(int c) && c < 128 && Character.isLetterOrDigit(c)) {
      return Character.toUpperCase(c);
    }
    if (key instanceof KeyRef.Placed(Key placed)) {
      if (placed.ordinal() >= Key.F1.ordinal() && placed.ordinal() <= Key.F24.ordinal()) {
        return 0x70 + placed.ordinal() - Key.F1.ordinal();
      }
      if (placed == Key.NumLock || placed == Key.ScrollLock) {
        return placed == Key.NumLock ? 0x90 : 0x91;
      }
    }
    throw new IllegalArgumentException(worded("fit.a-hot-key-has-no-key", gesture));
  }

  private static final class Reader {
    private final String file;
    private final ByteBuffer in;

    Reader(String file, byte[] bytes) {
      this.file = file;
      this.in = ByteBuffer.wrap(bytes).order(ByteOrder.LITTLE_ENDIAN);
    }

    ShellLink link() throws FileProblem {
      need(HEADER, worded("fit.the-header"));
      byte[] id = new byte[CLASS.length];
      int size = in.getInt();
      in.get(id);
      if (size != HEADER || !Arrays.equals(id, CLASS)) {
        throw problem(0, worded("fit.it-does-not-begin-as-a"));
      }
      int flags = in.getInt();
      in.position(64);
      int hot = Short.toUnsignedInt(in.getShort());
      in.position(HEADER);
      if ((flags & HAS_ID_LIST) != 0) {
        skip(u16(worded("fit.the-size-of-the-item-list")), worded("fit.the-item-list"));
      }
      String target = "";
      if ((flags & HAS_LINK_INFO) != 0) {
        String local = linkInfo();
        target = (flags & FORCE_NO_LINK_INFO) != 0 ? "" : local;
      }
      boolean wide = (flags & IS_UNICODE) != 0;
      String name = text(flags, HAS_NAME, wide, worded("fit.the-name"));
      String relative = text(flags, HAS_RELATIVE_PATH, wide, worded("fit.the-relative-path"));
      String folder = text(flags, HAS_WORKING_DIR, wide, worded("fit.the-working-folder"));
      String arguments = text(flags, HAS_ARGUMENTS, wide, worded("fit.the-arguments"));
      text(flags, HAS_ICON, wide, worded("fit.the-icon"));
      String variable = extra();
      if (target.isEmpty()) {
        target = variable.isEmpty() ? relative : variable;
      }
      return new ShellLink(
          Visible.of(name),
          Visible.of(target),
          Visible.of(arguments),
          Visible.of(folder),
          gesture(hot));
    }

    private Optional<Gesture> gesture(int hot) throws FileProblem {
      int low = hot & 0xFF;
      int high = hot >> 8;
      if (low == 0) {
        return Optional.empty();
      }
      if ((high & ~(SHIFT | CTRL | ALT)) != 0) {
        throw problem(65, worded("fit.the-hot-key-holds-a-modifier", "%02x".formatted(high)));
      }
      Modifiers held = Modifiers.NONE;
      held = (high & CTRL) != 0 ? held.and(Modifier.CTRL) : held;
      held = (high & ALT) != 0 ? held.and(Modifier.ALT) : held;
      held = (high & SHIFT) != 0 ? held.and(Modifier.SHIFT) : held;
      KeyRef key;
      if ((low >= '0' && low <= '9') || (low >= 'A' && low <= 'Z')) {
        key = new KeyRef.Typed(Character.toLowerCase(low));
      } else if (low >= 0x70 && low <= 0x87) {
        key = new KeyRef.Placed(Key.values()[Key.F1.ordinal() + low - 0x70]);
      } else if (low == 0x90 || low == 0x91) {
        key = new KeyRef.Placed(low == 0x90 ? Key.NumLock : Key.ScrollLock);
      } else {
        throw problem(64, worded("fit.the-hot-key-has-a-key", "%02x".formatted(low)));
      }
      return Optional.of(Gesture.of(new Step.Stroke(Held.of(held), key)));
    }

    private String linkInfo() throws FileProblem {
      int start = in.position();
      need(28, worded("fit.the-link-information"));
      int size = in.getInt();
      int header = in.getInt();
      int flags = in.getInt();
      in.getInt(); // where the volume is described
      int local = in.getInt();
      int network = in.getInt();
      int suffix = in.getInt();
      if (size < 28 || size > in.limit() - start || header < 28 || header > size) {
        throw problem(start, worded("fit.the-link-information-is-bytes-long", size));
      }
      boolean wide = header >= 0x24;
      int localWide = wide ? in.getInt() : 0;
      int suffixWide = wide ? in.getInt() : 0;
      String base = "";
      if ((flags & 1) != 0) {
        base = zeroEnded(start, size, local, localWide, worded("fit.the-local-path"));
      } else if ((flags & 2) != 0) {
        base = share(start, size, network);
      }
      String rest = zeroEnded(start, size, suffix, suffixWide, worded("fit.the-rest-of-the-path"));
      in.position(start + size);
      boolean between = !base.isEmpty() && !rest.isEmpty() && !base.endsWith("\\");
      return base + (between ? "\\" : "") + rest;
    }

    private String share(int start, int size, int network) throws FileProblem {
      if (network <= 0 || network > size - 20) {
        throw problem(start, worded("fit.the-network-share-lies-outside"));
      }
      int from = start + network;
      int length = in.getInt(from);
      if (length < 20 || length > size - network) {
        throw problem(from, worded("fit.the-network-share-is-bytes-long", length));
      }
      int name = in.getInt(from + 8);
      int nameWide = name > 0x14 && length >= 24 ? in.getInt(from + 20) : 0;
      return zeroEnded(from, length, name, nameWide, worded("fit.the-name-of-the-share"));
    }

    /** A text up to a zero, in two-byte characters where it is there as such. */
    private String zeroEnded(int start, int size, int narrow, int wide, String what)
        throws FileProblem {
      int offset = wide > 0 ? wide : narrow;
      if (offset == 0) {
        return "";
      }
      if (offset < 0 || offset >= size) {
        throw problem(start, worded("fit.lies-outside", what));
      }
      int step = wide > 0 ? 2 : 1;
      int from = start + offset;
      int end = start + size;
      int at = from;
      while (at + step <= end && (step == 1 ? in.get(at) != 0 : in.getShort(at) != 0)) {
        at += step;
      }
      if (at + step > end) {
        throw problem(from, worded("fit.does-not-end", what));
      }
      return new String(
          in.array(), from, at - from, wide > 0 ? StandardCharsets.UTF_16LE : CODE_PAGE);
    }

    private String text(int flags, int flag, boolean wide, String what) throws FileProblem {
      if ((flags & flag) == 0) {
        return "";
      }
      int length = u16(what) * (wide ? 2 : 1);
      int from = in.position();
      skip(length, what);
      return new String(in.array(), from, length, wide ? StandardCharsets.UTF_16LE : CODE_PAGE);
    }

    /** The target with its environment variables, from the blocks at the end. */
    private String extra() throws FileProblem {
      String found = "";
      while (in.remaining() >= 4) {
        int from = in.position();
        int size = in.getInt();
        if (size >= 0 && size < 4) {
          return found;
        }
        if (size < 8 || size > in.limit() - from) {
          throw problem(from, worded("fit.a-block-at-the-end-is", size));
        }
        if (in.getInt() == ENVIRONMENT_BLOCK && size == ENVIRONMENT_SIZE) {
          found = variable(from + 8);
        }
        in.position(from + size);
      }
      return found;
    }

    private String variable(int from) {
      int wide = from + 260;
      int length = 0;
      while (length < 260 && in.getShort(wide + 2 * length) != 0) {
        length++;
      }
      if (length > 0) {
        return new String(in.array(), wide, 2 * length, StandardCharsets.UTF_16LE);
      }
      while (length < 260 && in.get(from + length) != 0) {
        length++;
      }
      return new String(in.array(), from, length, CODE_PAGE);
    }

    private int u16(String what) throws FileProblem {
      need(2, what);
      return Short.toUnsignedInt(in.getShort());
    }

    private void skip(int bytes, String what) throws FileProblem {
      need(bytes, what);
      in.position(in.position() + bytes);
    }

    private void need(int bytes, String what) throws FileProblem {
      if (in.remaining() < bytes) {
        throw problem(in.position(), worded("fit.it-ends-within", what));
      }
    }

    private FileProblem problem(int at, String what) {
      return new FileProblem(worded("fit.byte-it-was-not-read", file, at, what));
    }
  }
}
