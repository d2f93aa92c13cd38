package polydex.desktop.sheets;

import static polydex.desktop.language.DesktopWords.worded;

import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.stream.IntStream;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import polydex.catalog.Catalog;
import polydex.desktop.controls.Lists;
import polydex.desktop.controls.Texts;
import polydex.desktop.desk.Desk;
import polydex.desktop.keys.KeyCommand;
import polydex.desktop.sheets.SheetChoice.Option;
import polydex.desktop.state.Beside;
import polydex.files.ProgramVersion;
import polydex.files.sheets.Pages;
import polydex.files.sheets.SheetFile;
import polydex.own.OwnKey;
import polydex.sheets.Sheet;
import polydex.sheets.SheetKind;
import polydex.sheets.SheetMaker;
import polydex.sheets.SheetMaterial;
import polydex.sheets.SheetWish;
import polydex.workspace.Workspace;

/** Sheets to print or hand on: what is on them is chosen at the left, and seen at the right. */
final class SheetsView extends StackPane {
  /** From so much room on the page stands beside what is on it. */
  private static final int EMS_BESIDE = 36;

  private final Desk desk;
  private final Beside making = new Beside("sheet");
  private final Beside writing = new Beside("saving a sheet");
  private final Printing printing;
  private final ListView<SheetKind> kinds;
  private final ListView<Option> options;
  private final PagePreview preview = new PagePreview();
  private SheetChoice choice = SheetChoice.FIRST;
  private Optional<Pages> made = Optional.empty();

  /** Why there are no pages, while there are none. */
  private String instead = "";

  SheetsView(Desk desk) {
    this.desk = desk;
    printing = new Printing(desk);
    kinds =
        Lists.of(
            worded("sheets.what-is-on-the-sheet"),
            (box, kind) -> box.getChildren().add(Texts.styled(kind.title(), "row-title")),
            SheetKind::title,
            Texts.quiet(""));
    kinds.getItems().setAll(SheetKind.values());
    kinds.getSelectionModel().select(choice.kind());
    kinds
        .getSelectionModel()
        .selectedItemProperty()
        .addListener((_, _, kind) -> Optional.ofNullable(kind).ifPresent(k -> want(choice.of(k))));
    options =
        Lists.of(worded("sheets.how-it-is-made"), SheetsView::row, Option::name, Texts.quiet(""));
    options.addEventHandler(KeyEvent.KEY_PRESSED, this::onOption);
    VBox.setVgrow(kinds, Priority.ALWAYS);
    Label on = Texts.part(worded("sheets.what-is-on-it"));
    VBox left = new VBox(8, on, kinds, Texts.part(worded("sheets.how-it-is-made")), options);
    left.getStyleClass().add("sheet-choices");
    kinds.setMinHeight(0);
    kinds.getStyleClass().add("dense-rows");
    options.getStyleClass().addAll("dense-rows", "dense-five");
    options.setMinHeight(USE_PREF_SIZE);
    HBox.setHgrow(preview, Priority.ALWAYS);
    VBox.setVgrow(preview, Priority.ALWAYS);
    preview.setMinHeight(280);
    arrange(false, left);
    widthProperty()
        .subscribe(
            width -> {
              boolean narrow = width.doubleValue() < EMS_BESIDE * on.getFont().getSize();
              if (width.doubleValue() > 0 && narrow != getChildren().getFirst() instanceof VBox) {
                arrange(narrow, left);
              }
            });
    showOptions();
    desk.session().workspace().addListener((_, _, _) -> makeIfShown());
  }

  /** With little room the page stands below what is on it. */
  private void arrange(boolean narrow, VBox left) {
    getChildren().clear();
    getChildren().add(narrow ? new VBox(20, left, preview) : new HBox(20, left, preview));
  }

  private static void row(HBox box, Option option) {
    box.getChildren()
        .addAll(
            Lists.column(Texts.styled(option.name(), "quiet"), 6),
            Lists.growing(Texts.styled(option.value(), "row-title")));
  }

  List<KeyCommand> commands() {
    List<KeyCommand> all = new ArrayList<>();
    all.add(KeyCommand.of(OwnKey.SHEET_PRINT, worded("sheets.print"), this::print));
    all.add(KeyCommand.of(OwnKey.SHEET_SAVE, worded("any.save"), this::save));
    all.add(KeyCommand.of(OwnKey.SHEET_COPY, worded("any.copy"), this::copy));
    all.add(KeyCommand.quiet(OwnKey.SHEET_NEXT_PAGE, () -> preview.turn(1)));
    all.add(KeyCommand.quiet(OwnKey.SHEET_PAGE_BEFORE, () -> preview.turn(-1)));
    all.add(KeyCommand.quiet(OwnKey.SHEET_LARGER, () -> preview.zoom(1)));
    all.add(KeyCommand.quiet(OwnKey.SHEET_SMALLER, () -> preview.zoom(-1)));
    all.add(KeyCommand.quiet(OwnKey.SHEET_STOP, this::stop));
    return all;
  }

  Map<Character, Node> reachable() {
    return Map.of('W', kinds, 'H', options, 'P', preview);
  }

  void shown() {
    kinds.requestFocus();
    make();
  }

  private void makeIfShown() {
    if (getScene() != null) {
      showOptions();
      make();
    } else {
      without("");
    }
  }

  private void want(SheetChoice wanted) {
    if (wanted.kind() != choice.kind()) {
      preview.begin();
    }
    choice = wanted;
    showOptions();
    make();
  }

  private Catalog catalog() {
    return desk.session().workspace().get().catalog();
  }

  private void showOptions() {
    int at = Math.max(0, options.getSelectionModel().getSelectedIndex());
    List<Option> all = choice.options(catalog());
    options.getItems().setAll(all);
    options.getSelectionModel().select(Math.min(at, all.size() - 1));
  }

  /** Left and right take the value beside it, Enter lets any be chosen. */
  private void onOption(KeyEvent event) {
    Option option = options.getSelectionModel().getSelectedItem();
    if (option == null || event.isControlDown() || event.isAltDown()) {
      return;
    }
    if (event.getCode() == KeyCode.ENTER) {
      event.consume();
      choose(option);
    } else if (option.isTyped()) {
      // There is nothing beside words that are typed.
      return;
    } else if (event.getCode() == KeyCode.RIGHT || event.getCode() == KeyCode.LEFT) {
      event.consume();
      int step = event.getCode() == KeyCode.RIGHT ? 1 : -1;
      want(
          option
              .choose()
              .apply(choice, Math.floorMod(option.now() + step, option.values().size())));
    }
  }

  private void choose(Option option) {
    if (option.isTyped()) {
      desk.dialogs()
          .ask(
              worded("sheets.actions-that-words-find"),
              worded("sheets.some-words"),
              choice.words(),
              words -> want(choice.finding(words)));
    } else if (option.values().size() == 2) {
      want(option.choose().apply(choice, 1 - option.now()));
    } else {
      desk.dialogs()
          .choose(
              option.name(),
              IntStream.range(0, option.values().size()).boxed().toList(),
              option.values()::get,
              i -> want(option.choose().apply(choice, i)));
    }
  }

  /** Makes the sheet beside the window; the newest wish wins. */
  private void make() {
    Workspace workspace = desk.session().workspace().get();
    SheetWish wish =
        new SheetWish(
            choice.kind(),
            workspace.setup(),
            choice.environment(),
            choice.other(),
            choice.words(),
            choice.keyboards());
    SheetMaterial material =
        SheetMaterial.of(
            desk.session().knowledge(),
            desk.session().progress(),
            desk.drills().settings().retention(),
            desk.session().now(),
            ProgramVersion.title());
    SheetChoice wanted = choice;
    without(worded("sheets.making-the-sheet"));
    making.ask(
        _ -> {
          Sheet sheet = SheetMaker.make(wish, material);
          return Pages.of(sheet, wanted.paper());
        },
        pages -> {
          made = Optional.of(pages);
          preview.show(pages);
        },
        this::without);
  }

  private void without(String why) {
    made = Optional.empty();
    instead = why;
    preview.showNone(why);
  }

  /** Ends what goes on, printing first. */
  private void stop() {
    if (!printing.stop() && making.busy().get()) {
      making.stop();
      without(worded("sheets.stopped-choose-a-sheet-or-another"));
    }
  }

  private void withPages(Consumer<Pages> then) {
    made.ifPresentOrElse(then, () -> desk.session().say(instead));
  }

  private void print() {
    withPages(printing::print);
  }

  /** Never over a file that is there. */
  private void save() {
    withPages(
        pages ->
            desk.dialogs()
                .ask(
                    worded("sheets.save-the-sheet-as", SheetFile.Form.ends()),
                    worded("any.folder-and-name-of-a-new"),
                    desk.session()
                        .file()
                        .get()
                        .toAbsolutePath()
                        .resolveSibling(name(pages.sheet()) + ".pdf")
                        .toString(),
                    path -> save(pages, path)));
  }

  private void save(Pages pages, String said) {
    Path to;
    try {
      to = Path.of(said).toAbsolutePath();
    } catch (InvalidPathException e) {
      desk.session().problem(worded("any.cant-be-the-name-of-a-2", said));
      return;
    }
    writing.ask(
        _ -> {
          SheetFile.write(pages, to, false);
          return to;
        },
        done -> desk.session().say(worded("any.saved", done)),
        desk.session()::problem);
  }

  /** A title as the name of a file anywhere. */
  static String name(Sheet sheet) {
    String plain = sheet.title().replaceAll("[^\\p{L}\\p{N} ()-]+", " ").strip();
    String name = plain.replaceAll(" +", " ");
    return name.isEmpty()
        ? worded("sheets.sheet")
        : name.substring(0, Math.min(80, name.length())).strip();
  }

  /** As text with marks, and as a page for programs that take one. */
  private void copy() {
    withPages(
        pages -> {
          ClipboardContent content = new ClipboardContent();
          content.putString(SheetFile.text(pages.sheet(), pages.paper(), SheetFile.Form.MARKDOWN));
          content.putHtml(SheetFile.text(pages.sheet(), pages.paper(), SheetFile.Form.HTML));
          Clipboard.getSystemClipboard().setContent(content);
          desk.session().say(worded("sheets.copied", pages.sheet().title()));
        });
  }
}
