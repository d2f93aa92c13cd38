package polydex.files.bus;

import static polydex.files.language.FilesWords.worded;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import org.freedesktop.dbus.DBusMatchRule;
import org.freedesktop.dbus.connections.impl.DBusConnection;
import org.freedesktop.dbus.connections.impl.DBusConnectionBuilder;
import org.freedesktop.dbus.exceptions.DBusException;
import org.freedesktop.dbus.messages.DBusSignal;
import org.freedesktop.dbus.messages.Message;
import org.freedesktop.dbus.messages.MethodCall;
import org.freedesktop.dbus.messages.MethodReturn;
import org.freedesktop.dbus.types.UInt32;
import org.freedesktop.dbus.types.Variant;
import org.jspecify.annotations.Nullable;
import polydex.files.FileProblem;

/**
 * A connection to a message bus, on which many calls can be under way at once. Whoever is called is
 * not trusted: an answer that is too large or of another type is none.
 */
final class Bus implements AutoCloseable {
  /** How long one waits for an answer after the one before, in milliseconds. */
  static final int PATIENCE = 1000;

  /** The largest answer that is looked into, in bytes. */
  static final int LARGEST = 4 << 20;

  private final DBusConnection connection;

  private Bus(DBusConnection connection) {
    this.connection = connection;
  }

  /**
   * Connects.
   *
   * @param address as {@code DBUS_SESSION_BUS_ADDRESS} has it
   * @throws FileProblem where nobody answers there
   */
  static Bus connect(String address) throws FileProblem {
    try {
      return new Bus(DBusConnectionBuilder.forAddress(address).withShared(false).build());
    } catch (DBusException | RuntimeException e) {
      throw new FileProblem(worded("bus.the-message-bus-at-does-not", address), e);
    }
  }

  /** An object of somebody on the bus. */
  record Target(String name, String path) {
    /** The longest name that the specification of D-Bus allows. */
    static final int LONGEST_NAME = 255;

    /** The longest path that is followed. */
    static final int LONGEST_PATH = 1000;
  }

  /** A call that is under way. */
  static final class Call {
    private final MethodCall call;

    private Call(MethodCall call) {
      this.call = call;
    }

    /**
     * What came back; none for an error.
     *
     * @throws Silent if nothing comes for {@link #PATIENCE}, or too much
     */
    Optional<Object> answer() throws Silent {
      Message reply = call.getReply(PATIENCE);
      if (reply == null) {
        throw new Silent(worded("bus.it-did-not-answer-for-a"));
      }
      if (length(reply) > LARGEST) {
        throw new Silent(worded("bus.it-answered-with-more-than-mib", LARGEST >> 20));
      }
      try {
        if (!(reply instanceof MethodReturn)) {
          return Optional.empty();
        }
        Object[] values = reply.getParameters();
        return values == null || values.length == 0
            ? Optional.empty()
            : Optional.ofNullable(values[0] instanceof Variant<?> v ? v.getValue() : values[0]);
      } catch (DBusException | RuntimeException _) {
        return Optional.empty();
      }
    }

    /** The same as text; empty for an error or another type. */
    String text() throws Silent {
      return answer().filter(String.class::isInstance).map(String.class::cast).orElse("");
    }

    /** The same as a list; empty for an error or another type. */
    List<?> list() throws Silent {
      return answer().<List<?>>map(a -> a instanceof List<?> l ? l : List.of()).orElse(List.of());
    }

    /** The same as a number; 0 for an error or another type. */
    int number() throws Silent {
      return answer().filter(Number.class::isInstance).map(n -> ((Number) n).intValue()).orElse(0);
    }

    /** The same as one reference to an object. */
    Optional<Target> target() throws Silent {
      return answer().flatMap(Call::target);
    }

    private static Optional<Target> target(@Nullable Object value) {
      return value instanceof Object[] both
              && both.length == 2
              && String.valueOf(both[0]).length() <= Target.LONGEST_NAME
              && String.valueOf(both[1]).length() <= Target.LONGEST_PATH
          ? Optional.of(new Target(String.valueOf(both[0]), String.valueOf(both[1])))
          : Optional.empty();
    }

    /** The same as numbers in a row; none for an error or another type. */
    int[] numbers() throws Silent {
      return answer()
          .filter(Object[].class::isInstance)
          .map(
              a ->
                  Arrays.stream((Object[]) a)
                      .mapToInt(n -> n instanceof Number i ? i.intValue() : 0)
                      .toArray())
          .orElse(new int[0]);
    }

    /** The same as references to objects, at most so many. */
    List<Target> targets(int most) throws Silent {
      List<Target> found = new ArrayList<>();
      for (Object o : list()) {
        if (found.size() < most) {
          target(o).ifPresent(found::add);
        }
      }
      return found;
    }
  }

  /** What somebody tells all who listen. */
  record Signal(Target source, String member, List<?> values) {
    /** A value that is text; empty for another type. */
    String text(int at) {
      return at < values.size() && values.get(at) instanceof String s ? s : "";
    }

    /** A value that is a number; 0 for another type. */
    int number(int at) {
      return at < values.size() && values.get(at) instanceof Number n ? n.intValue() : 0;
    }
  }

  /**
   * Listens from now on.
   *
   * @param type the interface of the signals
   * @param to gets them one after the other, on a thread of the connection's
   */
  void listen(String type, String member, Consumer<Signal> to) throws FileProblem {
    try {
      AutoCloseable _ =
          connection.addGenericSigHandler(
              new DBusMatchRule("signal", type, member), s -> signal(s).ifPresent(to));
    } catch (DBusException | RuntimeException e) {
      throw new FileProblem(worded("bus.the-message-bus-was-closed"), e);
    }
  }

  private static Optional<Signal> signal(DBusSignal signal) {
    try {
      Object[] values = signal.getParameters();
      return signal.getSource() == null || signal.getPath() == null || length(signal) > LARGEST
          ? Optional.empty()
          : Optional.of(
              new Signal(
                  new Target(signal.getSource(), signal.getPath()),
                  signal.getName(),
                  values == null ? List.of() : Arrays.asList(values)));
    } catch (DBusException | RuntimeException _) {
      return Optional.empty();
    }
  }

  private static long length(Message message) {
    long length = 0;
    for (byte[] part : message.getWireData()) {
      length += part == null ? 0 : part.length;
    }
    return length;
  }

  /** Somebody does not answer, or not as anybody would who means well; the message says how. */
  static final class Silent extends Exception {
    private static final long serialVersionUID = 1;

    Silent(String how) {
      super(how);
    }
  }

  /** Calls a method without waiting for what comes back. */
  Call call(Target target, String type, String method, Object... arguments) throws FileProblem {
    StringBuilder signature = new StringBuilder();
    for (Object argument : arguments) {
      signature.append(argument instanceof Integer ? 'i' : argument instanceof UInt32 ? 'u' : 's');
    }
    return callAs(target, type, method, signature.toString(), arguments);
  }

  /** The same with arguments whose types can't be told from themselves. */
  Call callAs(Target target, String type, String method, String signature, Object... arguments)
      throws FileProblem {
    try {
      MethodCall call =
          connection
              .getMessageFactory()
              .createMethodCall(
                  null,
                  target.name(),
                  target.path(),
                  type,
                  method,
                  (byte) 0,
                  arguments.length == 0 ? null : signature,
                  arguments);
      connection.sendMessage(call);
      return new Call(call);
    } catch (DBusException | RuntimeException e) {
      throw new FileProblem(worded("bus.the-message-bus-was-closed"), e);
    }
  }

  /** Asks for a property without waiting for what comes back. */
  Call property(Target target, String type, String property) throws FileProblem {
    return call(target, "org.freedesktop.DBus.Properties", "Get", type, property);
  }

  @Override
  public void close() {
    connection.disconnect();
  }
}
