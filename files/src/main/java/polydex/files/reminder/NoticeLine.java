package polydex.files.reminder;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.Consumer;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import polydex.files.FileProblem;
import polydex.files.bus.DesktopNotices;

/** As a notice of the desktop's, which may be spoken, and has its answers as buttons as well. */
final class NoticeLine implements ReminderLine {
  private static final Logger LOG = LoggerFactory.getLogger(NoticeLine.class);

  private final DesktopNotices notices;

  private NoticeLine(DesktopNotices notices) {
    this.notices = notices;
  }

  /**
   * Nothing shown yet.
   *
   * @param session the address of the session's message bus
   * @param answered gets which of the answers was taken, 0 for the first
   * @throws FileProblem where this session shows no notices
   */
  static ReminderLine connect(String session, Consumer<Integer> answered) throws FileProblem {
    return new NoticeLine(
        DesktopNotices.connect(
            session,
            name -> {
              if (name.equals("0") || name.equals("1")) {
                answered.accept(Integer.parseInt(name));
              }
            }));
  }

  @Override
  public void show(ReminderWords words) {
    Map<String, String> answers = new LinkedHashMap<>();
    words.answers().forEach(a -> answers.put("" + answers.size(), a.button()));
    show(
        words.action() + ": " + words.keys().written(),
        "%s %s.".formatted(words.sentence(), words.answered()),
        answers);
  }

  @Override
  public void say(String sentence) {
    show(sentence, "", Map.of());
  }

  private void show(String title, String words, Map<String, String> answers) {
    try {
      notices.show(title, words, answers);
    } catch (FileProblem e) {
      LOG.warn("A line at the pause was not shown: {}", e.getMessage());
    }
  }

  @Override
  public void hide() {
    try {
      notices.withdraw();
    } catch (FileProblem e) {
      LOG.warn("A line at the pause was not taken away: {}", e.getMessage());
    }
  }

  @Override
  public void close() {
    hide();
    notices.close();
  }
}
