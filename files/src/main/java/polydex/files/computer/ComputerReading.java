package polydex.files.computer;

import static polydex.files.language.FilesWords.worded;

import java.time.Duration;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Consumer;
import polydex.computer.Finding;
import polydex.computer.FoundComputer;
import polydex.files.FileProblem;

/**
 * Reads a computer: all its sources at once, each within a time of its own, so that one that hangs
 * holds up nobody. Waiting, failing and having found nothing are told apart. What comes in after a
 * source was given up is not heard.
 */
public final class ComputerReading {
  /** How long a source may take. */
  public static final Duration LONGEST = Duration.ofSeconds(60);

  /** What a source is doing. */
  public enum Stage {
    READING,
    /** It is through; there may be nothing. */
    DONE,
    /** It could not be read at all. */
    FAILED,
    /** It took too long, or was stopped; what was found by then counts. */
    STOPPED
  }

  /**
   * A source as it stands.
   *
   * @param title what is looked for
   * @param words what is looked at now, or why it failed; may be empty
   * @param findings so far
   * @param remarks sentences about what was noticed
   */
  public record Source(
      String title, Stage stage, String words, List<Finding> findings, List<String> remarks) {}

  private final String computer;
  private final List<Running> sources = new ArrayList<>();
  private final Consumer<List<Source>> heard;
  private volatile boolean stopped;

  private ComputerReading(String computer, Consumer<List<Source>> heard) {
    this.computer = computer;
    this.heard = heard;
  }

  /**
   * Begins.
   *
   * @param computer as it is called
   * @param heard gets all sources whenever one of them changes, in any thread, one call at a time
   */
  public static ComputerReading start(
      String computer, List<ComputerSource> sources, Consumer<List<Source>> heard) {
    ComputerReading reading = new ComputerReading(computer, heard);
    sources.forEach(s -> reading.sources.add(reading.new Running(s)));
    reading.sources.forEach(Running::start);
    reading.tell();
    return reading;
  }

  /** Stops all that still read; what was found so far stays. */
  public void stop() {
    stopped = true;
    sources.forEach(r -> r.end(Stage.STOPPED, worded("any.you-stopped-it")));
  }

  /** Whether none reads any more. */
  public boolean isDone() {
    return sources().stream().noneMatch(s -> s.stage() == Stage.READING);
  }

  /** The sources as they stand. */
  public synchronized List<Source> sources() {
    return sources.stream().map(Running::state).toList();
  }

  /** What was found so far. */
  public FoundComputer found() {
    Set<String> ids = new HashSet<>();
    return new FoundComputer(
        computer,
        sources().stream()
            .flatMap(s -> s.findings().stream())
            .filter(f -> ids.add(f.id()))
            .toList());
  }

  /** Something is known better than it was found. */
  public void know(Finding better) {
    synchronized (this) {
      sources.forEach(r -> r.findings.replaceAll(f -> f.id().equals(better.id()) ? better : f));
    }
    tell();
  }

  /** Waits until none reads any more. */
  public void await() throws InterruptedException {
    for (Running r : sources) {
      r.watch.join();
    }
  }

  private synchronized void tell() {
    heard.accept(sources());
  }

  /** A source while it reads. */
  private final class Running implements ComputerSource.Listener {
    private final ComputerSource source;
    private final List<Finding> findings = new ArrayList<>();
    private final List<String> remarks = new ArrayList<>();
    private final Thread work;
    private final Thread watch;
    private Stage stage = Stage.READING;
    private String words = "";

    Running(ComputerSource source) {
      this.source = source;
      work = Thread.ofVirtual().name("reads " + source.title()).unstarted(this::work);
      watch = Thread.ofVirtual().name("watches " + source.title()).unstarted(this::watch);
    }

    void start() {
      work.start();
      watch.start();
    }

    private void work() {
      try {
        source.read(this);
        end(Stage.DONE, "");
      } catch (FileProblem e) {
        end(Stage.FAILED, String.valueOf(e.getMessage()));
      } catch (RuntimeException e) {
        // What is read is from outside: nothing in it may take the others along.
        end(Stage.FAILED, worded("computer.it-could-not-be-read", e));
      }
    }

    private void watch() {
      try {
        if (!work.join(LONGEST)) {
          end(Stage.STOPPED, worded("any.it-took-longer-than-s-and", LONGEST.toSeconds()));
          work.interrupt();
        }
      } catch (InterruptedException _) {
        Thread.currentThread().interrupt();
      }
    }

    void end(Stage how, String why) {
      synchronized (ComputerReading.this) {
        if (stage != Stage.READING) {
          return;
        }
        stage = how;
        words = why;
      }
      tell();
    }

    Source state() {
      return new Source(source.title(), stage, words, List.copyOf(findings), List.copyOf(remarks));
    }

    private void change(Runnable change) {
      synchronized (ComputerReading.this) {
        if (stage != Stage.READING) {
          return;
        }
        change.run();
      }
      tell();
    }

    @Override
    public void found(Finding finding) {
      change(() -> findings.add(finding));
    }

    @Override
    public void at(String what) {
      change(() -> words = what);
    }

    @Override
    public void remark(String sentence) {
      change(() -> remarks.add(sentence));
    }

    @Override
    public boolean stopped() {
      synchronized (ComputerReading.this) {
        return stopped || stage != Stage.READING;
      }
    }
  }
}
