package polydex.files.reminder;

import static polydex.files.language.FilesWords.worded;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.Executors;
import java.util.concurrent.RejectedExecutionException;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import polydex.boards.Layout;
import polydex.boards.Presses;
import polydex.files.FileProblem;
import polydex.files.computer.Surroundings;
import polydex.files.recorder.ScreenState;
import polydex.files.recorder.SessionRecorder;
import polydex.keys.Gesture;
import polydex.log.Deed;
import polydex.person.Knowledge;
import polydex.recognition.Place;
import polydex.recognition.Recogniser;
import polydex.reminder.Dearest;
import polydex.reminder.Lot;
import polydex.reminder.Rests;
import polydex.route.Setup;
import polydex.totals.Reminder;
import polydex.workspace.Workspace;

/**
 * Says at a pause of the hands what cost most of what they did with the pointer, while a recorder
 * is at work. It looks every second on a thread of its own; what it finds out about the log is
 * found out there too.
 */
public final class AtRest implements AutoCloseable {
  private static final Logger LOG = LoggerFactory.getLogger(AtRest.class);

  /** So long it stays when the hands are back. */
  private static final Duration STAYS = Duration.ofSeconds(12);

  /** So long it is told what became of an answer. */
  private static final Duration ANSWERED = Duration.ofSeconds(4);

  private static final int PATIENCE_SECONDS = 30;

  /** Whose hands they are. */
  public interface Person {
    /** All that is known of them now. */
    CompletableFuture<Knowledge> known();

    /** Keeps that there was something to say. */
    void keep(Reminder reminder);

    /** Takes something into the next drill. */
    void drill(Dearest dearest);

    /** Leaves something out for good. */
    void never(Dearest dearest);

    /** Whether our own window is in front, where it would be in the way. */
    boolean isInFront();
  }

  private final SessionRecorder recorder;
  private final Person person;
  private final Lot lot;
  private final ReminderChoices.Answers answers;
  private final Recogniser recogniser;
  private final ReminderLine line;
  private final ScreenState screen;
  private final Rests rests;
  private final ScheduledExecutorService thread =
      Executors.newSingleThreadScheduledExecutor(
          Thread.ofPlatform().name("at rest").daemon().factory());

  /** What is on the screen, and from when on it goes. */
  private Optional<Dearest> shown = Optional.empty();

  private Instant shownAt = Instant.MIN;
  private Instant goesAt = Instant.MAX;

  private AtRest(
      SessionRecorder recorder,
      Person person,
      Lot lot,
      ReminderChoices.Answers answers,
      Recogniser recogniser,
      ReminderLine line,
      ScreenState screen,
      Rests rests) {
    this.rests = rests;
    this.recorder = recorder;
    this.person = person;
    this.lot = lot;
    this.answers = answers;
    this.recogniser = recogniser;
    this.line = line;
    this.screen = screen;
  }

  /**
   * Begins, beside a recorder that was started.
   *
   * @param choices that want a line
   * @throws FileProblem that says why there can't be one
   */
  public static AtRest begin(
      Surroundings here,
      SessionRecorder recorder,
      Workspace workspace,
      Setup setup,
      Gesture pause,
      ReminderChoices choices,
      Lot lot,
      Person person)
      throws FileProblem {
    return begin(
        here,
        recorder,
        workspace,
        setup,
        choices,
        choices.answers(workspace.world(), setup, pause, Thread.currentThread()::isInterrupted),
        lot,
        person,
        new Rests(Rests.REST));
  }

  /** The same with other rests. */
  static AtRest begin(
      Surroundings here,
      SessionRecorder recorder,
      Workspace workspace,
      Setup setup,
      ReminderChoices choices,
      ReminderChoices.Answers answers,
      Lot lot,
      Person person,
      Rests rests)
      throws FileProblem {
    AnswersTo answered = new AnswersTo();
    ReminderLine line =
        choices.where() == ReminderChoices.Where.NOTICE
            ? NoticeLine.connect(here.messageBus(), answered::take)
            : CornerLine.make()
                .orElseThrow(() -> new FileProblem(worded("reminder.there-is-no-screen-here-on")));
    ScreenState screen;
    try {
      screen = ScreenState.connect(here.variable("DISPLAY").orElse(""));
    } catch (FileProblem e) {
      line.close();
      throw e;
    }
    AtRest made =
        new AtRest(
            recorder, person, lot, answers, Knowledge.recogniser(workspace), line, screen, rests);
    answered.to = made;
    Layout layout =
        Objects.requireNonNull(
            workspace.world().layouts().get(setup.machines().getFirst().layout()));
    Presses.physical(answers.drill(), layout)
        .ifPresent(p -> recorder.hears(p, () -> made.answer(0)));
    Presses.physical(answers.never(), layout)
        .ifPresent(p -> recorder.hears(p, () -> made.answer(1)));
    var _ = made.thread.scheduleWithFixedDelay(made::guardedTick, 1, 1, TimeUnit.SECONDS);
    return made;
  }

  /** Where an answer goes that may come from the desktop. */
  private static final class AnswersTo {
    private volatile @Nullable AtRest to;

    void take(int which) {
      AtRest made = to;
      if (made != null) {
        made.answer(which);
      }
    }
  }

  /** The keys that answer. */
  public ReminderChoices.Answers answers() {
    return answers;
  }

  /** Something was done. */
  public void did(Deed deed) {
    if (deed.device().isPointer()) {
      synchronized (rests) {
        recogniser.of(deed).place().ifPresent(rests::used);
      }
    }
  }

  private void guardedTick() {
    try {
      tick(Instant.now());
    } catch (InterruptedException _) {
      Thread.currentThread().interrupt();
    } catch (Throwable e) {
      // Whatever it is, there is another rest, and nobody else would say so.
      LOG.error("While the hands rested", e);
    }
  }

  private void tick(Instant now) throws InterruptedException {
    Instant lastHand = Instant.ofEpochMilli(recorder.lastHand());
    hideInTime(now, lastHand);
    Map<Place, Integer> uses;
    synchronized (rests) {
      if (recorder.isPaused()) {
        rests.forget();
      }
      uses = rests.at(now, lastHand, () -> person.isInFront() || screen.isFull());
    }
    if (!uses.isEmpty()) {
      say(uses, now);
    }
  }

  private void hideInTime(Instant now, Instant lastHand) {
    if (shown.isPresent() && goesAt.equals(Instant.MAX) && lastHand.isAfter(shownAt)) {
      goesAt = now.plus(STAYS);
    }
    boolean inTheWay = shown.isPresent() && (recorder.isPaused() || screen.isFull());
    if (now.isAfter(goesAt) || inTheWay) {
      hide();
    }
  }

  private void hide() {
    shown = Optional.empty();
    goesAt = Instant.MAX;
    line.hide();
  }

  private void say(Map<Place, Integer> uses, Instant now) throws InterruptedException {
    Knowledge known;
    try {
      known = person.known().get(PATIENCE_SECONDS, TimeUnit.SECONDS);
    } catch (ExecutionException | TimeoutException e) {
      LOG.warn("Nothing is said at this pause, since it was not found out what to say", e);
      return;
    }
    if (isOftenEnough(known, now)) {
      return;
    }
    Workspace workspace = known.workspace();
    LocalDate today = now.atZone(ZoneId.systemDefault()).toLocalDate();
    Dearest.of(
            uses,
            known.rows(workspace.setups().values()),
            item -> !workspace.learning().mayPropose(item, today))
        // Finding it out takes a while, in which the hands may have come back.
        .filter(_ -> recorder.lastHand() <= now.toEpochMilli() && !recorder.isPaused())
        .ifPresent(
            dearest -> {
              rests.said(now);
              boolean told = lot.tells(now);
              person.keep(new Reminder(now, dearest.place(), told));
              if (told) {
                shown = Optional.of(dearest);
                shownAt = now;
                goesAt = Instant.MAX;
                line.show(
                    ReminderWords.of(
                        dearest, workspace.catalog(), answers.drill(), answers.never()));
              }
            });
  }

  /** A program that is started anew remembers by its file what was said within the hour. */
  private static boolean isOftenEnough(Knowledge known, Instant now) {
    Instant since = now.minus(Duration.ofHours(1));
    return known.standing().followUps().stream()
            .filter(f -> f.reminder().at().isAfter(since))
            .count()
        >= Rests.MOST_AN_HOUR;
  }

  /** Takes an answer, if there is anything to answer; on any thread. */
  private void answer(int which) {
    try {
      thread.execute(() -> shown.ifPresent(dearest -> answered(dearest, which)));
    } catch (RejectedExecutionException _) {
      // It has ended just now.
    }
  }

  private void answered(Dearest dearest, int which) {
    if (which == 0) {
      person.drill(dearest);
      line.say(worded("reminder.it-is-in-the-next-drill"));
    } else {
      person.never(dearest);
      line.say(worded("reminder.that-is-never-said-again"));
    }
    shown = Optional.empty();
    goesAt = Instant.now().plus(ANSWERED);
  }

  @Override
  public void close() {
    recorder.hearsNoMore();
    thread.shutdownNow();
    try {
      if (!thread.awaitTermination(2, TimeUnit.SECONDS)) {
        LOG.warn("What is said at a pause did not end in time");
      }
    } catch (InterruptedException _) {
      Thread.currentThread().interrupt();
    }
    line.close();
    screen.close();
  }
}
