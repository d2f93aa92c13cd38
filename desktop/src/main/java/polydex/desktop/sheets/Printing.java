package polydex.desktop.sheets;

import static polydex.desktop.language.DesktopWords.worded;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import javafx.print.PageLayout;
import javafx.print.PageOrientation;
import javafx.print.Printer;
import javafx.print.PrinterJob;
import javafx.scene.Group;
import javafx.scene.image.ImageView;
import polydex.desktop.desk.Desk;
import polydex.desktop.state.Beside;
import polydex.files.FileProblem;
import polydex.files.WholeFile;
import polydex.files.sheets.PageImage;
import polydex.files.sheets.Pages;
import polydex.files.sheets.Paper;
import polydex.files.sheets.SheetFile;

/**
 * Prints sheets on the system's printers, or on one that is simulated: it writes a PDF file, and is
 * always there.
 */
final class Printing {
  /** Of a page that is sent to a printer, dots for an inch. */
  private static final double DOTS = 300;

  private static final double POINTS = 72;

  /** What takes pages. */
  private sealed interface Device {
    String title();
  }

  private record Real(Printer printer) implements Device {
    @Override
    public String title() {
      return printer.getName();
    }
  }

  private record Simulated() implements Device {
    @Override
    public String title() {
      return worded("sheets.simulated-printer-which-writes-a-pdf");
    }
  }

  private final Desk desk;

  /** Of its own: a page on its way is none of what ends when something else is changed. */
  private final Beside beside = new Beside("printing");

  Printing(Desk desk) {
    this.desk = desk;
  }

  /** Ends what goes on; whether there was anything. */
  boolean stop() {
    boolean busy = beside.busy().get();
    if (busy) {
      beside.stop();
      desk.session().say(worded("sheets.printing-was-stopped"));
    }
    return busy;
  }

  /** Lets a printer be chosen if there is one, and prints. */
  void print(Pages pages) {
    if (beside.busy().get()) {
      desk.session().say(worded("sheets.something-is-being-printed-esc-stops"));
      return;
    }
    desk.session().say(worded("sheets.looking-for-printers"));
    beside.ask(
        _ -> devices(),
        devices -> {
          desk.session().say("");
          if (devices.size() == 1) {
            print(pages, devices.getFirst());
          } else {
            desk.dialogs()
                .choose(
                    worded("sheets.print-on"),
                    devices,
                    Device::title,
                    device -> print(pages, device));
          }
        },
        desk.session()::problem);
  }

  /** The usual printer of the system first. */
  private static List<Device> devices() {
    List<Device> all = new ArrayList<>();
    Printer usual = Printer.getDefaultPrinter();
    if (usual != null) {
      all.add(new Real(usual));
    }
    for (Printer printer : Printer.getAllPrinters()) {
      if (!printer.equals(usual)) {
        all.add(new Real(printer));
      }
    }
    all.add(new Simulated());
    return all;
  }

  private void print(Pages pages, Device device) {
    desk.session().say(worded("sheets.printing"));
    beside.ask(
        course ->
            switch (device) {
              case Simulated _ -> simulate(pages);
              case Real(Printer printer) -> send(pages, printer, course);
            },
        desk.session()::say,
        desk.session()::problem);
  }

  private String simulate(Pages pages) throws FileProblem {
    Path file = desk.session().file().get().toAbsolutePath();
    String name = worded("sheets.printed", SheetsView.name(pages.sheet()));
    Path to = file.resolveSibling(name + ".pdf");
    for (int number = 2; Files.exists(to); number++) {
      to = file.resolveSibling("%s %d.pdf".formatted(name, number));
    }
    WholeFile.write(SheetFile.pdf(pages), to, false);
    return worded("sheets.the-simulated-printer-wrote-into", count(pages), to);
  }

  private static String count(Pages pages) {
    return worded("sheets.pages", pages.count());
  }

  private String send(Pages pages, Printer printer, Beside.Course course) throws FileProblem {
    PrinterJob job = PrinterJob.createPrinterJob(printer);
    if (job == null) {
      throw new FileProblem(worded("sheets.takes-nothing-to-print-now", printer.getName()));
    }
    Paper paper = pages.paper();
    PageLayout layout =
        printer.createPageLayout(
            paper.size() == Paper.Size.A4 ? javafx.print.Paper.A4 : javafx.print.Paper.NA_LETTER,
            paper.across() ? PageOrientation.LANDSCAPE : PageOrientation.PORTRAIT,
            Printer.MarginType.HARDWARE_MINIMUM);
    job.getJobSettings().setJobName(pages.sheet().title());
    for (int side = 0; side < pages.count(); side++) {
      int number = side + 1;
      course.tell(
          () -> desk.session().say(worded("sheets.printing-page-of", number, pages.count())));
      if (!course.isWanted() || !job.printPage(layout, page(pages, side, layout))) {
        job.cancelJob();
        throw new FileProblem(
            worded("sheets.printing-ended-before-page-of", number, pages.count()));
      }
    }
    job.endJob();
    return worded("sheets.went-to", count(pages), printer.getName());
  }

  /** A side at its own size, from the corner of the paper and not of what a printer can reach. */
  private static Group page(Pages pages, int side, PageLayout layout) {
    ImageView view = new ImageView(Pictures.of(PageImage.of(pages, side, DOTS / POINTS)));
    view.setFitWidth(pages.paper().width());
    view.setFitHeight(pages.paper().height());
    view.setX(-layout.getLeftMargin());
    view.setY(-layout.getTopMargin());
    return new Group(view);
  }
}
