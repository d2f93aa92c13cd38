package polydex.files.recorder;

import static java.lang.foreign.ValueLayout.ADDRESS;
import static java.lang.foreign.ValueLayout.JAVA_BYTE;
import static java.lang.foreign.ValueLayout.JAVA_INT;
import static java.lang.foreign.ValueLayout.JAVA_SHORT;
import static polydex.files.language.FilesWords.worded;

import java.lang.foreign.Arena;
import java.lang.foreign.FunctionDescriptor;
import java.lang.foreign.Linker;
import java.lang.foreign.MemoryLayout;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.SymbolLookup;
import java.lang.foreign.ValueLayout;
import java.lang.invoke.MethodHandle;
import java.lang.invoke.MethodType;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import polydex.files.FileProblem;

/**
 * The few requests of the X protocol that tell about windows, by libxcb, which every library of X
 * is built on: unlike Xlib it has no handler of errors that is one for the whole process, so that a
 * window which is gone is an answer like any other. Replies are laid out as the protocol has them
 * (X11R7, {@code xproto.h}). Not thread-safe.
 */
@SuppressWarnings(
    "restricted") // Calls of a native library; both programs are started with leave for them.
final class Xcb implements AutoCloseable {
  /** Whoever answers to the name of a window's class may be anybody. */
  private static final int MOST_BYTES = 1024;

  private static final int MOST_REPLY = 32 + MOST_BYTES + 8;
  private static final MemoryLayout COOKIE = MemoryLayout.structLayout(JAVA_INT);
  private static final MemoryLayout SCREENS =
      MemoryLayout.structLayout(ADDRESS, JAVA_INT, JAVA_INT);

  private final Arena arena = Arena.ofShared();
  private final Linker linker = Linker.nativeLinker();
  private final SymbolLookup library;
  private final MethodHandle free;
  private final Map<String, MethodHandle> handles = new HashMap<>();
  private final Map<String, Integer> atoms = new HashMap<>();
  private MemorySegment connection = MemorySegment.NULL;
  private int root;

  private Xcb() {
    library = SymbolLookup.libraryLookup("libxcb.so.1", arena);
    free =
        spread(
            linker.downcallHandle(
                linker.defaultLookup().find("free").orElseThrow(),
                FunctionDescriptor.ofVoid(ADDRESS)));
  }

  /**
   * Connects.
   *
   * @param display as {@code DISPLAY} has it
   * @throws FileProblem where no display answers
   */
  static Xcb connect(String display) throws FileProblem {
    Xcb made = null;
    try {
      made = new Xcb();
      made.open(display);
      return made;
    } catch (IllegalArgumentException e) {
      throw new FileProblem(worded("recorder.the-library-libxcb-so-1-is"), e);
    } catch (FileProblem e) {
      made.close();
      throw e;
    }
  }

  private void open(String display) throws FileProblem {
    MemorySegment number = arena.allocate(JAVA_INT);
    connection =
        (MemorySegment)
            invoke(
                handle("xcb_connect", FunctionDescriptor.of(ADDRESS, ADDRESS, ADDRESS)),
                arena.allocateFrom(display),
                number);
    int error =
        (int)
            invoke(
                handle("xcb_connection_has_error", FunctionDescriptor.of(JAVA_INT, ADDRESS)),
                connection);
    if (error != 0) {
      throw new FileProblem(worded("recorder.the-display-does-not-answer", display));
    }
    MemorySegment setup =
        (MemorySegment)
            invoke(handle("xcb_get_setup", FunctionDescriptor.of(ADDRESS, ADDRESS)), connection);
    MemorySegment screens =
        (MemorySegment)
            invoke(
                handle("xcb_setup_roots_iterator", FunctionDescriptor.of(SCREENS, ADDRESS)),
                arena,
                setup);
    for (int i = number.get(JAVA_INT, 0); i > 0; i--) {
      invoke(handle("xcb_screen_next", FunctionDescriptor.ofVoid(ADDRESS)), screens);
    }
    root = screens.get(ADDRESS, 0).reinterpret(Integer.BYTES).get(JAVA_INT, 0);
  }

  private MethodHandle handle(String name, FunctionDescriptor shape) {
    return handles.computeIfAbsent(
        name, n -> spread(linker.downcallHandle(library.findOrThrow(n), shape)));
  }

  /** With all arguments in one array, made once: to do so at each call costs more than the call. */
  private static MethodHandle spread(MethodHandle handle) {
    return handle
        .asSpreader(Object[].class, handle.type().parameterCount())
        .asType(MethodType.methodType(Object.class, Object[].class));
  }

  private static Object invoke(MethodHandle handle, Object... arguments) {
    try {
      return (Object) handle.invokeExact(arguments);
    } catch (Throwable e) {
      throw new IllegalStateException("A call of libxcb failed", e);
    }
  }

  /** Sends a request and waits for what comes back; none for an error. */
  private Optional<byte[]> reply(String request, FunctionDescriptor shape, Object... arguments) {
    try (Arena here = Arena.ofConfined()) {
      Object[] all = new Object[arguments.length + 2];
      all[0] = here;
      all[1] = connection;
      System.arraycopy(arguments, 0, all, 2, arguments.length);
      Object cookie = invoke(handle(request, shape), all);
      MemorySegment error = here.allocate(ADDRESS);
      MemorySegment reply =
          (MemorySegment)
              invoke(
                  handle(
                      request + "_reply", FunctionDescriptor.of(ADDRESS, ADDRESS, COOKIE, ADDRESS)),
                  connection,
                  cookie,
                  error);
      MemorySegment problem = error.get(ADDRESS, 0);
      if (!problem.equals(MemorySegment.NULL)) {
        invoke(free, problem);
      }
      if (reply.equals(MemorySegment.NULL)) {
        return Optional.empty();
      }
      long length = 32 + 4L * reply.reinterpret(8).get(ValueLayout.JAVA_INT_UNALIGNED, 4);
      byte[] bytes = reply.reinterpret(Math.min(length, MOST_REPLY)).toArray(ValueLayout.JAVA_BYTE);
      invoke(free, reply);
      return Optional.of(bytes);
    }
  }

  private static int number(byte[] reply, int at) {
    return (reply[at] & 0xff)
        | (reply[at + 1] & 0xff) << 8
        | (reply[at + 2] & 0xff) << 16
        | reply[at + 3] << 24;
  }

  private static short small(byte[] reply, int at) {
    return (short) ((reply[at] & 0xff) | reply[at + 1] << 8);
  }

  /** The window that all others lie in. */
  int root() {
    return root;
  }

  private int atom(String name) {
    return atoms.computeIfAbsent(
        name,
        n ->
            reply(
                    "xcb_intern_atom",
                    FunctionDescriptor.of(COOKIE, ADDRESS, JAVA_BYTE, JAVA_SHORT, ADDRESS),
                    (byte) 0,
                    (short) n.length(),
                    arena.allocateFrom(n))
                .map(r -> number(r, 8))
                .orElse(0));
  }

  /** The bytes of a property of a window; none where it has none. */
  private byte[] property(int window, String name) {
    return reply(
            "xcb_get_property",
            FunctionDescriptor.of(
                COOKIE, ADDRESS, JAVA_BYTE, JAVA_INT, JAVA_INT, JAVA_INT, JAVA_INT, JAVA_INT),
            (byte) 0,
            window,
            atom(name),
            0,
            0,
            MOST_BYTES / 4)
        .map(
            r -> {
              long bytes = (long) number(r, 16) * (r[1] & 0xff) / 8;
              int length = (int) Math.max(0, Math.min(bytes, r.length - 32L));
              byte[] value = new byte[length];
              System.arraycopy(r, 32, value, 0, length);
              return value;
            })
        .orElse(new byte[0]);
  }

  /** A property that is text. */
  String text(int window, String name) {
    return new String(property(window, name), StandardCharsets.UTF_8);
  }

  /** The first number of a property; 0 where there is none. */
  int number(int window, String name) {
    byte[] value = property(window, name);
    return value.length < 4 ? 0 : number(value, 0);
  }

  /** Whether a property that lists names has one of them. */
  boolean lists(int window, String name, String member) {
    byte[] value = property(window, name);
    for (int i = 0; i + 4 <= value.length; i += 4) {
      if (number(value, i) == atom(member)) {
        return true;
      }
    }
    return false;
  }

  /** The window that gets the keys; 0 where none does. */
  int focus() {
    return reply("xcb_get_input_focus", FunctionDescriptor.of(COOKIE, ADDRESS))
        .map(r -> number(r, 8))
        .orElse(0);
  }

  /** The window around one; 0 for the outermost, and for one that is gone. */
  int parent(int window) {
    return reply("xcb_query_tree", FunctionDescriptor.of(COOKIE, ADDRESS, JAVA_INT), window)
        .map(r -> number(r, 12))
        .orElse(0);
  }

  /** The window in a window at a spot of the screen; 0 where there is none. */
  int inside(int window, int x, int y) {
    return translated(window, x, y).map(r -> number(r, 8)).orElse(0);
  }

  private Optional<byte[]> translated(int to, int x, int y) {
    return reply(
        "xcb_translate_coordinates",
        FunctionDescriptor.of(COOKIE, ADDRESS, JAVA_INT, JAVA_INT, JAVA_SHORT, JAVA_SHORT),
        root,
        to,
        (short) x,
        (short) y);
  }

  /** Where a spot of the screen is in a window, as shares of its width and height. */
  Optional<double[]> shares(int window, int x, int y) {
    Optional<byte[]> size =
        reply("xcb_get_geometry", FunctionDescriptor.of(COOKIE, ADDRESS, JAVA_INT), window);
    return size.flatMap(
        s ->
            translated(window, x, y)
                .map(
                    t ->
                        new double[] {
                          small(t, 12) / (double) Math.max(1, small(s, 16) & 0xffff),
                          small(t, 14) / (double) Math.max(1, small(s, 18) & 0xffff)
                        }));
  }

  /** All numbers of a property that is a list of windows. */
  int[] windows(int window, String name) {
    byte[] value = property(window, name);
    int[] found = new int[value.length / 4];
    for (int i = 0; i < found.length; i++) {
      found[i] = number(value, 4 * i);
    }
    return found;
  }

  /**
   * Tells whoever manages the windows something about one of them, as the Extended Window Manager
   * Hints have it: a client message to the root window.
   */
  void tell(int window, String message, int first) {
    final int clientMessage = 33;
    final int toManagers = 0x180000; // SubstructureNotify and SubstructureRedirect
    try (Arena here = Arena.ofConfined()) {
      MemorySegment event = here.allocate(32);
      event.set(JAVA_BYTE, 0, (byte) clientMessage);
      event.set(JAVA_BYTE, 1, (byte) 32); // numbers of 32 bits follow
      event.set(JAVA_INT, 4, window);
      event.set(JAVA_INT, 8, atom(message));
      event.set(JAVA_INT, 12, first);
      invoke(
          handle(
              "xcb_send_event",
              FunctionDescriptor.of(COOKIE, ADDRESS, JAVA_BYTE, JAVA_INT, JAVA_INT, ADDRESS)),
          here,
          connection,
          (byte) 0,
          root,
          toManagers,
          event);
      invoke(handle("xcb_flush", FunctionDescriptor.of(JAVA_INT, ADDRESS)), connection);
    }
  }

  @Override
  public void close() {
    if (!connection.equals(MemorySegment.NULL)) {
      invoke(handle("xcb_disconnect", FunctionDescriptor.ofVoid(ADDRESS)), connection);
      connection = MemorySegment.NULL;
    }
    arena.close();
  }
}
