package polydex.files.sheets;

import static polydex.files.language.FilesWords.worded;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import polydex.files.FileProblem;
import polydex.files.WholeFile;
import polydex.files.json.ModelJson;
import polydex.sheets.Sheet;

/** Sheets written to files, whose form is known by the end of their name. */
public final class SheetFile {
  private SheetFile() {}

  /** What a sheet can be written as. */
  public enum Form {
    PDF(".pdf", "PDF"),
    HTML(".html", "HTML"),
    MARKDOWN(".md", "Markdown"),
    CSV(".csv", "CSV"),
    JSON(".json", "JSON");

    private final String end;
    private final String title;

    Form(String end, String title) {
      this.end = end;
      this.title = title;
    }

    /** The end of the names of its files. */
    public String end() {
      return end;
    }

    /** As people call it. */
    public String title() {
      return title;
    }

    /** The form of a file by its name. */
    public static Optional<Form> of(String name) {
      return Arrays.stream(values())
          .filter(f -> name.toLowerCase(Locale.ROOT).endsWith(f.end))
          .findFirst();
    }

    /** The ends of all names, in a sentence. */
    public static String ends() {
      return Arrays.stream(values()).map(Form::end).collect(Collectors.joining(", "));
    }
  }

  /**
   * The lines of a sheet as {@code docs/schemas/sheet.schema.json} describes them.
   *
   * @param lines every line with the part that it belongs to
   */
  record Written(
      String title,
      String about,
      String day,
      String of,
      String madeBy,
      List<SheetRows.Row> lines) {}

  /** The form of a file, or a refusal that names those that there are. */
  public static Form form(Path file) throws FileProblem {
    return Form.of(String.valueOf(file.getFileName()))
        .orElseThrow(
            () ->
                new FileProblem(
                    worded("sheets.the-end-of-its-name-does", file.getFileName(), Form.ends())));
  }

  /** A sheet in one of the forms that are text. */
  public static String text(Sheet sheet, Paper paper, Form form) {
    return switch (form) {
      case HTML -> HtmlSheet.write(sheet, paper);
      case MARKDOWN -> MarkdownSheet.write(sheet);
      case CSV -> CsvSheet.write(sheet);
      case JSON ->
          ModelJson.writePretty(
              new Written(
                  sheet.title(),
                  sheet.about(),
                  sheet.foot().day().toString(),
                  sheet.foot().of(),
                  sheet.foot().madeBy(),
                  SheetRows.of(sheet)));
      case PDF -> throw new IllegalArgumentException(worded("sheets.pdf-is-no-text"));
    };
  }

  /**
   * Writes a sheet that was set on pages, whole or not at all.
   *
   * @param replace whether a file of this name may be written over
   * @throws FileProblem where it can't be written there; a file that was there is as it was
   */
  public static void write(Pages pages, Path file, boolean replace) throws FileProblem {
    Form form = form(file);
    byte[] bytes =
        form == Form.PDF
            ? pdf(pages)
            : text(pages.sheet(), pages.paper(), form).getBytes(StandardCharsets.UTF_8);
    WholeFile.write(bytes, file, replace);
  }

  /** Pages as the bytes of a PDF file. */
  public static byte[] pdf(Pages pages) {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try {
      PdfSheet.write(pages, out);
    } catch (IOException e) {
      throw new UncheckedIOException("Memory can be written", e);
    }
    return out.toByteArray();
  }
}
