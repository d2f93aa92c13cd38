package polydex.files.json;

import static polydex.files.language.FilesWords.worded;

import com.fasterxml.jackson.core.JsonParseException;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.exc.StreamConstraintsException;
import com.fasterxml.jackson.databind.exc.InvalidFormatException;
import com.fasterxml.jackson.databind.exc.InvalidNullException;
import com.fasterxml.jackson.databind.exc.InvalidTypeIdException;
import com.fasterxml.jackson.databind.exc.MismatchedInputException;
import com.fasterxml.jackson.databind.exc.UnrecognizedPropertyException;
import java.util.Arrays;
import java.util.Collection;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import polydex.keys.Visible;

/**
 * Why a JSON text was refused, in words for whoever wrote it: the model's own where it refused a
 * value, and otherwise what was expected; never the name of a class.
 */
public final class JsonReason {
  private static final Pattern MISSING = Pattern.compile("creator property '(\\w+)'");
  private static final Pattern NAME =
      Pattern.compile("Duplicate (?:field|Object property)[^\"'\u201c]*[\"'](.*)[\"']");
  private static final int LONGEST = 80;
  private static final String TOO_DEEP = worded("json.it-is-nested-too-deeply-or");

  private JsonReason() {}

  /** Whether it is one of those that stand inside others, which a reader makes of them. */
  private static boolean isNestedTooDeeply(Throwable e) {
    for (Throwable at = e; at != null; at = at.getCause()) {
      if (at instanceof StreamConstraintsException) {
        return true;
      }
    }
    return false;
  }

  /** The reason, as a sentence or the end of one. */
  public static String of(Throwable e) {
    if (isNestedTooDeeply(e)) {
      return TOO_DEEP;
    }
    if (e instanceof JsonProcessingException json) {
      return json.getCause() instanceof IllegalArgumentException own && own.getMessage() != null
          ? ours(own)
          : of(json);
    }
    return e instanceof IllegalArgumentException own && own.getMessage() != null
        ? ours(own)
        : worded("json.something-in-it-is-missing-or");
  }

  private static String ours(IllegalArgumentException own) {
    return own.getMessage().contains("Exception") ? worded("json.this-cant-be") : own.getMessage();
  }

  private static String of(JsonProcessingException e) {
    return switch (e) {
      case UnrecognizedPropertyException u ->
          worded("json.there-is-no-field-here", Visible.of(u.getPropertyName(), LONGEST));
      case InvalidNullException n when !n.getPropertyName().isEmpty() ->
          worded("json.null-cant-stand-in", n.getPropertyName().getSimpleName());
      case InvalidTypeIdException t ->
          worded(
              "json.is-no-type-that-is-known", Visible.of(String.valueOf(t.getTypeId()), LONGEST));
      case InvalidFormatException f when f.getTargetType().isEnum() ->
          worded(
              "json.is-none-of",
              Visible.of(String.valueOf(f.getValue()), LONGEST),
              Arrays.stream(f.getTargetType().getEnumConstants())
                  .map(String::valueOf)
                  .collect(Collectors.joining(", ")));
      case MismatchedInputException m -> missing(m);
      case JsonParseException p -> parsed(p.getOriginalMessage());
      default -> worded("json.this-cant-be-read");
    };
  }

  private static String missing(MismatchedInputException e) {
    Matcher missing = MISSING.matcher(String.valueOf(e.getOriginalMessage()));
    return missing.find()
        ? worded("json.the-field-is-missing", missing.group(1))
        : worded("json.expected-here", wanted(e.getTargetType()));
  }

  private static String wanted(@Nullable Class<?> type) {
    if (type == null) {
      return worded("json.something-else");
    }
    if (Collection.class.isAssignableFrom(type)) {
      return worded("json.a-list-in-square-brackets");
    }
    if (type == boolean.class || type == Boolean.class) {
      return worded("json.true-or-false");
    }
    if (type.isPrimitive() || Number.class.isAssignableFrom(type)) {
      return worded("json.a-number");
    }
    if (type.isEnum() || CharSequence.class.isAssignableFrom(type)) {
      return worded("json.a-text-in-quotation-marks");
    }
    return type.isRecord() || Map.class.isAssignableFrom(type)
        ? worded("json.an-object-in-curly-brackets")
        : worded("json.something-else");
  }

  private static String parsed(String message) {
    Matcher twice = NAME.matcher(message);
    if (twice.find()) {
      return worded("json.the-field-stands-here-twice", Visible.of(twice.group(1), LONGEST));
    }
    if (message.startsWith("Unexpected end-of-input")) {
      return worded("json.the-text-ends-before-all-brackets");
    }
    String first = message.lines().findFirst().orElse("");
    int details = first.indexOf(" (start marker");
    String said = details < 0 ? first : first.substring(0, details);
    return worded("json.this-is-not-well-formed-json", Visible.of(said, 2 * LONGEST));
  }
}
