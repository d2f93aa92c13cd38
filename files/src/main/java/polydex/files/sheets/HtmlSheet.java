package polydex.files.sheets;

import freemarker.core.TemplateClassResolver;
import freemarker.template.Configuration;
import freemarker.template.DefaultObjectWrapper;
import freemarker.template.TemplateException;
import freemarker.template.TemplateExceptionHandler;
import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.Base64;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import polydex.boards.Board.KeyPlace;
import polydex.keys.CapMark;
import polydex.sheets.Sheet;
import polydex.sheets.Sheet.Face;
import polydex.sheets.Sheet.Shown;

/**
 * A sheet as one HTML file: fonts within it, nothing from a network and no script; it prints in
 * columns on the paper that was chosen, and stands in one column on a telephone. Whatever names
 * hold is escaped by the template's output format. O(what stands on it).
 */
public final class HtmlSheet {
  private static final double COLUMN = 24;
  private static final double SENTENCES = 36;

  private static final Configuration TEMPLATES = templates();

  private HtmlSheet() {}

  private static Configuration templates() {
    Configuration made = new Configuration(Configuration.VERSION_2_3_34);
    made.setClassForTemplateLoading(HtmlSheet.class, "");
    made.setDefaultEncoding("UTF-8");
    made.setLocale(Locale.ROOT);
    made.setTemplateExceptionHandler(TemplateExceptionHandler.RETHROW_HANDLER);
    made.setLogTemplateExceptions(false);
    made.setAPIBuiltinEnabled(false);
    made.setNewBuiltinClassResolver(TemplateClassResolver.ALLOWS_NOTHING_RESOLVER);
    made.setObjectWrapper(new DefaultObjectWrapper(Configuration.VERSION_2_3_34));
    return made;
  }

  /** The file. */
  public static String write(Sheet sheet, Paper paper) {
    Map<String, Object> model = new HashMap<>();
    model.put(
        "sheet",
        Map.of(
            "title", shown(sheet.title()),
            "about", shown(sheet.about()),
            "notes", sheet.notes().stream().map(HtmlSheet::shown).toList(),
            "foot",
                Map.of("madeBy", shown(sheet.foot().madeBy()), "of", shown(sheet.foot().of()))));
    model.put("day", PageFoot.day(sheet.foot()));
    model.put("parts", sheet.parts().stream().map(HtmlSheet::part).toList());
    model.put(
        "paper",
        Map.of(
            "page", paper.size().title() + (paper.across() ? " landscape" : " portrait"),
            "type", number(paper.form() == Paper.Form.LARGE ? 18 : 10),
            "column", number(column(sheet))));
    model.put(
        "fonts",
        Map.of(
            "text", base64(Typeface.TEXT),
            "bold", base64(Typeface.BOLD),
            "keys", base64(Typeface.KEYS)));
    StringWriter out = new StringWriter();
    try {
      TEMPLATES.getTemplate("sheet.ftlh").process(model, out);
    } catch (IOException e) {
      throw new UncheckedIOException("A template that ships can't be read", e);
    } catch (TemplateException e) {
      throw new IllegalStateException("A template that ships is wrong", e);
    }
    return out.toString();
  }

  private static String base64(Typeface face) {
    return Base64.getEncoder().encodeToString(face.bytes());
  }

  private static String shown(String text) {
    return Typeface.shown(text);
  }

  private static String number(double value) {
    return String.format(Locale.ROOT, "%.3f", value).replaceAll("\\.?0+$", "");
  }

  private static double column(Sheet sheet) {
    boolean wide =
        sheet.parts().stream()
            .anyMatch(
                p ->
                    p instanceof Sheet.Lines l
                        && (!l.columns().isEmpty() || !l.figure().isEmpty()));
    return wide ? SENTENCES : COLUMN;
  }

  private static Map<String, Object> part(Sheet.Part part) {
    Map<String, Object> made = new HashMap<>();
    made.put("title", shown(part.title()));
    switch (part) {
      case Sheet.Lines l -> {
        made.put("kind", "lines");
        made.put("columns", l.columns().stream().map(HtmlSheet::shown).toList());
        made.put("figure", shown(l.figure()));
        made.put("lines", l.lines().stream().map(HtmlSheet::line).toList());
      }
      case Sheet.Facts f -> {
        made.put("kind", "facts");
        made.put(
            "facts",
            f.facts().stream()
                .map(x -> Map.of("what", shown(x.what()), "value", shown(x.value())))
                .toList());
      }
      case Sheet.Steps s -> {
        made.put("kind", "steps");
        s.gesture().ifPresent(g -> made.put("gesture", gesture(g)));
        made.put(
            "steps",
            s.steps().stream()
                .map(t -> Map.of("words", shown(t.words()), "done", t.done()))
                .toList());
      }
      case Sheet.Said s -> {
        made.put("kind", "said");
        made.put("words", shown(s.words()));
      }
      case Sheet.Picture p -> picture(made, p);
    }
    return made;
  }

  private static Map<String, Object> line(Sheet.Line line) {
    return Map.of(
        "title", shown(line.title()),
        "aside", shown(line.aside()),
        "figure", shown(line.figure()),
        "under", line.under().stream().map(HtmlSheet::shown).toList(),
        "notes", line.notes(),
        "cells",
            line.cells().stream()
                .map(c -> c.gestures().stream().map(HtmlSheet::gesture).toList())
                .toList());
  }

  private static Map<String, Object> gesture(Shown shown) {
    List<Map<String, Object>> marks = new ArrayList<>();
    List<CapMark> all = CapMark.of(shown.gesture(), shown.names());
    for (int i = 0; i < all.size(); i++) {
      // Who hears or copies the caps gets a plus sign between those of one stroke.
      boolean joined =
          all.get(i) instanceof CapMark.Cap
              && i + 1 < all.size()
              && (all.get(i + 1) instanceof CapMark.Cap
                  || all.get(i + 1) instanceof CapMark.Pointer);
      marks.add(
          switch (all.get(i)) {
            case CapMark.Cap(String text, CapMark.Sort sort) ->
                mark(sort.name().toLowerCase(Locale.ROOT), text, joined);
            case CapMark.Next _ -> mark("next", "", false);
            case CapMark.Opens _ -> mark("opens", "", false);
            case CapMark.Closes _ -> mark("closes", "", false);
            case CapMark.Times(int count) -> mark("times", String.valueOf(count), false);
            case CapMark.Pointer(String act) -> mark("pointer", act, false);
          });
    }
    return Map.of("marks", marks, "look", number(shown.look()));
  }

  private static Map<String, Object> mark(String kind, String text, boolean joined) {
    return Map.of("kind", kind, "text", shown(text), "joined", joined);
  }

  private static void picture(Map<String, Object> made, Sheet.Picture picture) {
    double wide =
        picture.board().places().stream().mapToDouble(p -> p.x() + p.width()).max().orElse(1);
    double high =
        picture.board().places().stream().mapToDouble(p -> p.y() + p.height()).max().orElse(1);
    made.put("kind", "picture");
    made.put("ratio", number(wide / high));
    List<Map<String, Object>> keys = new ArrayList<>();
    for (KeyPlace place : picture.board().places()) {
      Face face = picture.faces().getOrDefault(place.key(), new Face("", "", false));
      keys.add(
          Map.of(
              "left", number(100 * place.x() / wide),
              "top", number(100 * place.y() / high),
              "width", number(100 * place.width() / wide - 0.25),
              "height", number(100 * place.height() / high - 0.8),
              "legend", shown(face.legend()),
              "does", shown(face.does()),
              "taken", !face.does().isEmpty(),
              "loses", face.losesWork()));
    }
    made.put("keys", keys);
  }
}
