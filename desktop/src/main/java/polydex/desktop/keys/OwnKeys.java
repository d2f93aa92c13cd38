package polydex.desktop.keys;

import static polydex.desktop.language.DesktopWords.worded;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import javafx.beans.value.ObservableValue;
import polydex.keys.Gesture;
import polydex.own.OwnKey;

/** The keys that the program's commands have in the file that is open. */
public final class OwnKeys {
  private static final Pattern NAMED = Pattern.compile("\\{([A-Z_]{3,40})}");
  private static final Map<String, OwnKey> BY_NAME =
      Arrays.stream(OwnKey.values()).collect(Collectors.toMap(OwnKey::name, Function.identity()));

  private final ObservableValue<Map<OwnKey, List<Gesture>>> now;

  /**
   * As they are in a file.
   *
   * @param now all of them
   */
  public OwnKeys(ObservableValue<Map<OwnKey, List<Gesture>>> now) {
    this.now = now;
  }

  /** All of them. */
  public ObservableValue<Map<OwnKey, List<Gesture>>> now() {
    return now;
  }

  /** The one of a command that is shown; none where its user took all away. */
  public Optional<Gesture> of(OwnKey key) {
    return now.getValue().getOrDefault(key, key.usual()).stream().findFirst();
  }

  /** The same as a word in a sentence: without keys it is in the menu. */
  public String word(OwnKey key) {
    return of(key).map(Gesture::toString).orElseGet(() -> worded("keys.in-the-menu", key.title()));
  }

  /** A sentence with the keys of the commands whose names stand in it in braces. */
  public String in(String sentence) {
    return NAMED
        .matcher(sentence)
        .replaceAll(
            m ->
                Matcher.quoteReplacement(
                    Optional.ofNullable(BY_NAME.get(m.group(1)))
                        .map(this::word)
                        .orElse(m.group())));
  }

  /** The same commands with the keys that they have here. */
  public List<KeyCommand> by(List<KeyCommand> commands) {
    return commands.stream().map(c -> c.by(now.getValue())).toList();
  }
}
