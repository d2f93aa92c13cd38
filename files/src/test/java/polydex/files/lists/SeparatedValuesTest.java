package polydex.files.lists;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import polydex.files.FileProblem;
import polydex.intake.IntakeRequest;
import polydex.intake.IntakeRequest.Refused;
import polydex.intake.IntakeRequest.RequestedRow;
import polydex.workspace.Workspace;

class SeparatedValuesTest {
  @TempDir Path folder;

  private record BindingTable(List<RequestedRow> rows, List<Refused> refused, String found) {
    static BindingTable read(Path file) throws FileProblem {
      ForeignList list = ListReader.read(file);
      IntakeRequest request =
          Intake.of(Workspace.EMPTY, list, Optional.empty(), Optional.empty()).request();
      return new BindingTable(request.rows(), request.refused(), list.form());
    }
  }

  private Path write(String text, Charset charset) throws IOException {
    return Files.write(folder.resolve("list.csv"), text.getBytes(charset));
  }

  private BindingTable read(String text) throws Exception {
    return BindingTable.read(write(text, StandardCharsets.UTF_8));
  }

  @Test
  void columnsAreFoundByNameInAnyOrder() throws Exception {
    BindingTable table =
        read(
            """
            Gesture , ACTION,notes,Application,Context
            Ctrl+S,Save,,Editor,
            "Ctrl+,",Settings,"a, b",Editor,text

            F2,"Rename ""it\"""
            """
                + "F3,Find,,Editor,text\n");
    assertThat(table.rows())
        .containsExactly(
            new RequestedRow(2, "Editor", false, "", "Save", "Ctrl+S"),
            new RequestedRow(3, "Editor", false, "text", "Settings", "Ctrl+,", "a, b"),
            new RequestedRow(6, "Editor", false, "text", "Find", "F3"));
    assertThat(table.refused())
        .containsExactly(
            new Refused(5, "F2, Rename \"it\"", "The line has 2 fields, the header 5."));
  }

  @Test
  void aPlatformIsToldFromAnApplication() throws Exception {
    BindingTable table =
        read("platform,application,action,gesture\nDesk,,Lock,F9\nDesk,Editor,Save,F2\n");
    assertThat(table.rows()).extracting(RequestedRow::isPlatform).containsExactly(true, false);
    assertThat(table.rows())
        .extracting(RequestedRow::environment)
        .containsExactly("Desk", "Editor");
  }

  @ParameterizedTest
  @CsvSource(
      quoteCharacter = '`',
      value = {"UTF-8", "UTF-16LE", "UTF-16BE", "windows-1252"})
  void encodingsAreFoundOut(String name) throws Exception {
    Charset charset = Charset.forName(name);
    String mark = name.startsWith("UTF") ? "\uFEFF" : "";
    Path file = write(mark + "application;action;gesture\nÉditeur;Fermer à côté;F2\n", charset);
    BindingTable table = BindingTable.read(file);
    assertThat(table.rows())
        .containsExactly(new RequestedRow(2, "Éditeur", false, "", "Fermer à côté", "F2"));
    assertThat(table.found()).isEqualTo(name + ", separated by semicolons");
  }

  @ParameterizedTest
  @ValueSource(strings = {",", ";", "\t", "|"})
  void separatorsAreFoundOut(String separator) throws Exception {
    BindingTable table =
        read("application,action,gesture\nEditor,Save,F2\n".replace(",", separator));
    assertThat(table.rows())
        .containsExactly(new RequestedRow(2, "Editor", false, "", "Save", "F2"));
  }

  @ParameterizedTest
  @CsvSource(
      quoteCharacter = '`',
      delimiter = ';',
      value = {
        "application,action\\nEditor,Save; No column of it reads as gestures",
        "nothing here\\nbut this; no line with a gesture",
        "application,action,gesture\\n; no lines below",
        "application,action,gesture\\n\"Editor,Save,F2; not well-formed",
        "  \\n ; empty",
        "application,action,gesture\\nEd\u0000itor,Save,F2; zero bytes",
      })
  void aFileIsRefusedAsAWholeWithTheReason(String text, String reason) {
    assertThatThrownBy(() -> read(text.replace("\\n", "\n")))
        .isInstanceOf(FileProblem.class)
        .hasMessageContaining(reason)
        .hasMessageContaining("Nothing was taken");
  }

  @Test
  void hugeAndHostileFilesAreBounded() throws Exception {
    Path huge = folder.resolve("huge.csv");
    try (RandomAccessFile file = new RandomAccessFile(huge.toFile(), "rw")) {
      file.setLength(Text.LARGEST_BYTES + 1);
    }
    assertThatThrownBy(() -> BindingTable.read(huge)).hasMessageContaining("64 MiB");
    byte[] noise = new byte[10_000];
    new Random(3).nextBytes(noise);
    Files.write(folder.resolve("noise.csv"), noise);
    assertThatThrownBy(() -> BindingTable.read(folder.resolve("noise.csv")))
        .isInstanceOf(FileProblem.class);
    assertThatThrownBy(() -> BindingTable.read(folder.resolve("none.csv")))
        .hasMessageContaining("There is no file");
    BindingTable long1 = read("application,action,gesture\n" + "x".repeat(1_000_000) + ",Save\n");
    assertThat(long1.refused()).singleElement().satisfies(r -> assertThat(r.text()).hasSize(80));
  }

  @Test
  void manyLinesKeepTheirNumbers() throws Exception {
    StringBuilder text = new StringBuilder("application,action,gesture\n");
    for (int i = 0; i < 5000; i++) {
      text.append(i % 10 == 0 ? "\"two\nlines\",Save,F2\n" : "Editor,Save,F2\n");
    }
    List<RequestedRow> rows = read(text.toString()).rows();
    List<String> lines = text.toString().lines().toList();
    for (RequestedRow row : rows) {
      String expected = row.environment().startsWith("two") ? "\"two" : "Editor,Save,F2";
      assertThat(lines.get(row.line() - 1)).isEqualTo(expected);
    }
    assertThat(rows).hasSize(5000);
  }
}
