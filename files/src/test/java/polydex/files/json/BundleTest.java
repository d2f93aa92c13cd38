package polydex.files.json;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import polydex.catalog.Action;
import polydex.catalog.ActionId;
import polydex.catalog.Binding;
import polydex.catalog.Environment;
import polydex.catalog.Environment.OwnTarget;
import polydex.catalog.EnvironmentId;
import polydex.files.FileProblem;
import polydex.files.Shipped;
import polydex.fit.Bench;
import polydex.fit.OwnBinding;
import polydex.fit.Target;
import polydex.keys.Gesture;
import polydex.route.Setup;
import polydex.route.SetupId;
import polydex.workspace.Workspace;

/** What is handed on: all that a colleague can use, and nothing that is the person's own. */
class BundleTest {
  private static final EnvironmentId EDITOR = new EnvironmentId("cue-editor-alder");

  /** The demo, with secrets at every place where one can be. */
  private static Workspace full() {
    Workspace demo = Shipped.demo();
    Binding first = demo.catalog().bindings(EDITOR).getFirst();
    Action named = Action.of(new ActionId("own.secret"), "Open /home/secret/notes.txt now", "Mine");
    Workspace with =
        demo.with(
                demo.catalog()
                    .with(List.of(named), List.of(), Map.of())
                    .withBindings(
                        EDITOR,
                        demo.catalog().bindings(EDITOR).stream()
                            .map(
                                b ->
                                    b.equals(first)
                                        ? b.remarked(
                                            new Binding.Remarks(
                                                "See C:\\secret\\plan.doc.",
                                                "Asks https://secret.example/x first.",
                                                "secret hook",
                                                false))
                                        : b)
                            .toList()))
            .with(demo.remembered().withDocument(EDITOR, "{\"secret\": 1}"))
            .with(demo.remembered().withColumns("secret columns", "secret roles"));
    Setup laptop = with.setups().get(new SetupId("laptop-cues"));
    Binding own =
        Binding.of("mine", named.id(), Gesture.parse("Ctrl+Alt+F11"))
            .remarked(new Binding.Remarks("", "", "secret hook of my own", false));
    with = with.with(laptop.on(laptop.machine().adding(own)));
    Bench bench = with.bench();
    return with.with(
        bench.planning(
            OwnBinding.planned(
                "secret-id",
                bench.computers().getFirst(),
                named.id(),
                Gesture.parse("Ctrl+Alt+F12"),
                Optional.of(Target.of(OwnTarget.DOCUMENT, "/home/secret/notes.txt")),
                LocalDate.of(2031, 3, 14))));
  }

  @Test
  void nothingPersonalIsInItsBytes() {
    Workspace full = full();
    String text = ModelFiles.bundle(full);
    assertThat(text).doesNotContainIgnoringCase("secret");
    // What is done by that binding still is, under another name.
    assertThat(text).contains("\"Ctrl+Alt+F11\"", "\"given.1\"");
    assertThat(text).doesNotContain("plan.doc", "notes.txt");
    // Everything that somebody said or did in the demo, whatever it is kept as.
    full.mouse().kept().values().forEach(reason -> assertThat(text).doesNotContain(reason));
    full.bench().own(LocalDate.of(2031, 3, 14)).stream()
        .flatMap(o -> o.target().stream())
        .map(Target::what)
        .filter(w -> w.contains("\\") || w.contains("/"))
        .forEach(w -> assertThat(text).doesNotContain(w.replace("\\", "\\\\")).doesNotContain(w));
    assertThat(text)
        .doesNotContain("\"answers\"", "\"verdict\"", "\"putOff\"", "\"wishes\"", "\"target\"");
  }

  @Test
  void whoGetsItHasTheSameKeymapsAndSetups() throws Exception {
    Workspace demo = Shipped.demo();
    ModelFiles.Brought brought =
        ModelFiles.read(Shipped.start(), "bundle.json", ModelFiles.bundle(demo));
    Workspace after = brought.edit().after();
    for (Environment e : demo.catalog().environments()) {
      assertThat(after.catalog().environment(e.id())).contains(e);
      assertThat(after.catalog().bindings(e.id()))
          .extracting(b -> b.action() + " " + b.gesture() + " " + b.context())
          .isEqualTo(
              demo.catalog().bindings(e.id()).stream()
                  .map(b -> b.action() + " " + b.gesture() + " " + b.context())
                  .toList());
    }
    assertThat(after.setups().values()).containsAll(demo.setups().values());
    assertThat(brought.what()).contains("16 keymaps", "5 new setups", "0 gone");
    // A second time there is nothing new in it.
    ModelFiles.Brought again = ModelFiles.read(after, "bundle.json", ModelFiles.bundle(demo));
    assertThat(again.edit().after().catalog().size()).isEqualTo(after.catalog().size());
    assertThat(again.edit().after().setups()).isEqualTo(after.setups());
  }

  @Test
  void whatCouldOnlyBeGuessedIsRefusedHereToo() {
    String text = ModelFiles.bundle(Shipped.demo());
    assertThat(text).contains("\"opens\" : \"");
    String unknown = text.replaceFirst("\"opens\" : \"[^\"]*\"", "\"opens\" : \"nowhere\"");
    assertThatThrownBy(() -> ModelFiles.read(Shipped.start(), "bundle.json", unknown))
        .isInstanceOf(FileProblem.class)
        .hasMessageContaining("opens the context “nowhere”");
  }

  @Test
  void whatIsWrongInItIsRefusedWhole() {
    String good = ModelFiles.bundle(Shipped.demo());
    for (String bad :
        List.of(
            good.replace("\"gesture\" : \"Ctrl+C\"", "\"gesture\" : \"Ctrl+\""),
            good.replace("\"board\" : \"", "\"board\" : \"no-such-"),
            good.replace("\"action\" : \"", "\"action\" : \"no.such."),
            good.substring(0, good.length() / 2))) {
      assertThatThrownBy(() -> ModelFiles.read(Shipped.start(), "bad.json", bad))
          .isInstanceOf(FileProblem.class)
          .hasMessageContaining("bad.json");
    }
  }
}
