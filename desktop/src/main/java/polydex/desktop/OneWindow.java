package polydex.desktop;

import static polydex.desktop.language.DesktopWords.worded;

import java.io.IOException;
import java.net.StandardProtocolFamily;
import java.net.UnixDomainSocketAddress;
import java.nio.ByteBuffer;
import java.nio.channels.ClosedChannelException;
import java.nio.channels.ServerSocketChannel;
import java.nio.channels.SocketChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * One window for each file: whoever opens a file that is open already has its window brought to the
 * front. Through a socket in a folder that only this user can enter, which takes one word and knows
 * nothing else.
 */
final class OneWindow implements AutoCloseable {
  private static final Logger LOG = LoggerFactory.getLogger(OneWindow.class);
  private static final String WORD = "front\n";
  private static final long PATIENCE_SECONDS = 3;

  private final ServerSocketChannel server;
  private final Path socket;

  private OneWindow(ServerSocketChannel server, Path socket) {
    this.server = server;
    this.socket = socket;
  }

  /**
   * Listens for others that open the file; none where there is no way to.
   *
   * @param front brings the window to the front; on a thread of its own
   */
  static Optional<OneWindow> of(Path file, Runnable front) {
    try {
      Path socket = socket(file);
      // We hold the file, so one that is there was left by a program that ended suddenly.
      Files.deleteIfExists(socket);
      ServerSocketChannel server = ServerSocketChannel.open(StandardProtocolFamily.UNIX);
      server.bind(UnixDomainSocketAddress.of(socket));
      OneWindow window = new OneWindow(server, socket);
      Thread.ofPlatform().name("one window").daemon().start(() -> window.listen(front));
      return Optional.of(window);
    } catch (IOException | UnsupportedOperationException | IllegalArgumentException e) {
      LOG.info("No socket for {}: {}", file.getFileName(), e.toString());
      return Optional.empty();
    }
  }

  /** Beside others of this user, named by what the path comes to. */
  private static Path socket(Path file) throws IOException {
    String runtime = System.getenv("XDG_RUNTIME_DIR");
    Path folder =
        runtime != null && Files.isDirectory(Path.of(runtime))
            ? Path.of(runtime, "polydex")
            : Path.of(
                System.getProperty("java.io.tmpdir"), "polydex-" + System.getProperty("user.name"));
    if (!Files.isDirectory(folder)) {
      Files.createDirectory(
          folder,
          PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rwx------")));
    }
    if (!Files.getOwner(folder).getName().equals(System.getProperty("user.name"))) {
      throw new IOException(worded("window.is-somebody-elses", folder));
    }
    try {
      byte[] name =
          MessageDigest.getInstance("SHA-256")
              .digest(file.toRealPath().toString().getBytes(StandardCharsets.UTF_8));
      return folder.resolve(HexFormat.of().formatHex(name, 0, 12));
    } catch (NoSuchAlgorithmException e) {
      throw new IOException(e);
    }
  }

  private void listen(Runnable front) {
    try {
      while (true) {
        try (SocketChannel other = server.accept()) {
          ByteBuffer word = ByteBuffer.allocate(WORD.length());
          while (word.hasRemaining() && other.read(word) >= 0) {
            // Short reads go on.
          }
          if (new String(word.array(), StandardCharsets.US_ASCII).equals(WORD)) {
            front.run();
            other.write(StandardCharsets.US_ASCII.encode("ok"));
          }
        } catch (ClosedChannelException e) {
          throw e;
        } catch (IOException e) {
          LOG.debug("Somebody who opens the file went away", e);
        }
      }
    } catch (ClosedChannelException e) {
      LOG.debug("The window was closed", e);
    }
  }

  /** Asks the window that has the file to come to the front; whether one did. */
  static boolean front(Path file) {
    CompletableFuture<Boolean> asked = new CompletableFuture<>();
    Thread.ofPlatform().daemon().start(() -> asked.complete(ask(file)));
    return asked.completeOnTimeout(false, PATIENCE_SECONDS, TimeUnit.SECONDS).join();
  }

  private static boolean ask(Path file) {
    try (SocketChannel window = SocketChannel.open(UnixDomainSocketAddress.of(socket(file)))) {
      window.write(StandardCharsets.US_ASCII.encode(WORD));
      return window.read(ByteBuffer.allocate(2)) > 0;
    } catch (IOException | UnsupportedOperationException | IllegalArgumentException e) {
      LOG.debug("No window answers for {}", file, e);
      return false;
    }
  }

  @Override
  public void close() {
    try {
      server.close();
      Files.deleteIfExists(socket);
    } catch (IOException e) {
      LOG.debug("Closing {}", socket, e);
    }
  }
}
