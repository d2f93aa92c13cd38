package polydex.files.sheets;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDMarkInfo;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDMarkedContentReference;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureElement;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureNode;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureTreeRoot;
import org.apache.pdfbox.pdmodel.documentinterchange.taggedpdf.PDTableAttributeObject;
import polydex.files.sheets.Piece.Element;
import polydex.files.sheets.Piece.Role;

/**
 * The tree that says what each part of a page is: headings, tables of rows, lists of steps, figures
 * with what they show in words. Rows that follow each other are one table, over pages too.
 */
final class PdfTags {
  private final PDStructureTreeRoot root = new PDStructureTreeRoot();
  private final PDStructureElement whole;
  private final COSArray parents = new COSArray();
  private Optional<PDStructureElement> table = Optional.empty();
  private Optional<PDStructureElement> list = Optional.empty();
  private Optional<PDStructureElement> row = Optional.empty();
  private List<PDStructureElement> marked = new ArrayList<>();
  private PDPage page = new PDPage();

  PdfTags(PDDocument document) {
    PDMarkInfo info = new PDMarkInfo();
    info.setMarked(true);
    document.getDocumentCatalog().setMarkInfo(info);
    document.getDocumentCatalog().setStructureTreeRoot(root);
    whole = new PDStructureElement("Document", root);
    root.appendKid(whole);
  }

  /** What is marked from now on is on this page. */
  void turnTo(PDPage next) {
    finishPage();
    page = next;
    page.setStructParents(parents.size() / 2);
  }

  private void finishPage() {
    if (!marked.isEmpty()) {
      COSArray elements = new COSArray();
      marked.forEach(e -> elements.add(e.getCOSObject()));
      parents.add(COSInteger.get(parents.size() / 2));
      parents.add(elements);
      marked = new ArrayList<>();
    }
  }

  /** The next piece is begun: cells of it are a row. */
  void next(Piece piece) {
    row = Optional.empty();
    boolean says = piece.elements().stream().anyMatch(e -> e.role() != Role.ARTIFACT);
    boolean heads = piece.elements().stream().anyMatch(e -> e.role() == Role.HEADING);
    if (heads || (says && piece.elements().stream().noneMatch(e -> e.role().inRow()))) {
      table = Optional.empty();
    }
    if (says && piece.elements().stream().noneMatch(e -> e.role() == Role.ITEM)) {
      list = Optional.empty();
    }
  }

  /** The number under which an element stands on its page; none for one that says nothing. */
  Optional<Integer> mark(Element element) {
    if (element.role() == Role.ARTIFACT || element.marks().isEmpty()) {
      return Optional.empty();
    }
    PDStructureElement tagged = new PDStructureElement(element.role().tag(), null);
    append(parent(element.role()), tagged);
    if (element.role() == Role.ROW_HEAD) {
      PDTableAttributeObject scope = new PDTableAttributeObject();
      scope.setScope(PDTableAttributeObject.SCOPE_ROW);
      tagged.addAttribute(scope);
    }
    if (element.role() == Role.FIGURE) {
      tagged.setAlternateDescription(element.said());
    } else if (!element.said().isEmpty()) {
      tagged.setActualText(element.said());
    }
    PDMarkedContentReference reference = new PDMarkedContentReference();
    reference.setMCID(marked.size());
    reference.setPage(page);
    tagged.appendKid(reference);
    marked.add(tagged);
    return Optional.of(marked.size() - 1);
  }

  private PDStructureElement parent(Role role) {
    if (role.inRow()) {
      if (table.isEmpty()) {
        table = Optional.of(child(whole, "Table"));
      }
      if (row.isEmpty()) {
        row = Optional.of(child(table.get(), "TR"));
      }
      return row.get();
    }
    if (role == Role.ITEM) {
      if (list.isEmpty()) {
        list = Optional.of(child(whole, "L"));
      }
      return child(list.get(), "LI");
    }
    return whole;
  }

  private static PDStructureElement child(PDStructureElement parent, String tag) {
    PDStructureElement made = new PDStructureElement(tag, parent);
    append(parent, made);
    return made;
  }

  private static void append(PDStructureNode parent, PDStructureElement child) {
    child.setParent(parent);
    parent.appendKid(child);
  }

  /** All pages are done. */
  void finish() {
    finishPage();
    COSDictionary tree = new COSDictionary();
    tree.setItem(COSName.NUMS, parents);
    root.getCOSObject().setItem(COSName.PARENT_TREE, tree);
    root.setParentTreeNextKey(parents.size() / 2);
  }
}
