package polydex.desktop;

import static polydex.desktop.language.DesktopWords.worded;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import polydex.desktop.desk.Desk;
import polydex.files.FileProblem;
import polydex.files.LanguageChoice;
import polydex.language.Language;

/** The choice of the language; it is spoken from the next start on. */
final class Languages {
  private record Choice(String title, Optional<Language> language) {}

  private Languages() {}

  static void choose(Desk desk) {
    String here = Language.of(Locale.getDefault(Locale.Category.DISPLAY)).title();
    List<Choice> all = new ArrayList<>();
    all.add(new Choice(worded("window.as-the-computer", here), Optional.empty()));
    Stream.of(Language.values()).forEach(l -> all.add(new Choice(l.title(), Optional.of(l))));
    desk.dialogs()
        .choose(
            worded("window.language"),
            all,
            Choice::title,
            c -> {
              try {
                LanguageChoice.choose(c.language());
                desk.session()
                    .say(
                        worded(
                            "window.language-from-the-next-start",
                            c.language().map(Language::title).orElse(here)));
              } catch (FileProblem e) {
                desk.session().problem(e.getMessage());
              }
            });
  }
}
