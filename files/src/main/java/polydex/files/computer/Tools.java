package polydex.files.computer;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;

/** Runs tools that tell something of the computer. */
@FunctionalInterface
public interface Tools {
  /** How long a tool may take, in seconds. */
  int LONGEST = 10;

  /** So much of what it says is read, at most, in bytes. */
  int MOST = 16 << 20;

  /**
   * What a tool writes; none where it is not there, fails, or takes too long.
   *
   * @param command its name and arguments, which no shell reads
   */
  Optional<String> run(List<String> command);

  /** The tools of the computer on which the program runs. */
  Tools INSTALLED = Tools::installed;

  /** Where no message bus runs, a tool may start one, and looking is to change nothing. */
  private static void noBusBeginsWith(Map<String, String> environment) {
    String folder = environment.getOrDefault("XDG_RUNTIME_DIR", "");
    if (folder.isEmpty() || !Files.exists(Path.of(folder, "bus"))) {
      environment.putIfAbsent("DBUS_SESSION_BUS_ADDRESS", "disabled:");
    }
  }

  private static Optional<String> installed(List<String> command) {
    ProcessBuilder tool =
        new ProcessBuilder(command)
            .redirectError(ProcessBuilder.Redirect.DISCARD)
            .redirectInput(ProcessBuilder.Redirect.PIPE);
    noBusBeginsWith(tool.environment());
    Process process;
    try {
      process = tool.start();
    } catch (IOException _) {
      return Optional.empty(); // not installed
    }
    CompletableFuture<byte[]> output = new CompletableFuture<>();
    Thread.ofVirtual()
        .start(
            () -> {
              try (InputStream in = process.getInputStream()) {
                output.complete(in.readNBytes(MOST));
              } catch (IOException e) {
                output.completeExceptionally(e);
              }
            });
    try {
      process.getOutputStream().close();
      byte[] bytes = output.get(LONGEST, TimeUnit.SECONDS);
      return process.waitFor(LONGEST, TimeUnit.SECONDS) && process.exitValue() == 0
          ? Optional.of(new String(bytes, StandardCharsets.UTF_8))
          : Optional.empty();
    } catch (IOException | ExecutionException | TimeoutException _) {
      return Optional.empty();
    } catch (InterruptedException _) {
      Thread.currentThread().interrupt();
      return Optional.empty();
    } finally {
      process.destroyForcibly();
    }
  }
}
