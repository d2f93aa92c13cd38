package polydex.files.lists;

import static polydex.files.language.FilesWords.worded;

import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import org.snakeyaml.engine.v2.api.LoadSettings;
import org.snakeyaml.engine.v2.api.lowlevel.Parse;
import org.snakeyaml.engine.v2.events.Event;
import org.snakeyaml.engine.v2.events.MappingStartEvent;
import org.snakeyaml.engine.v2.events.ScalarEvent;
import org.snakeyaml.engine.v2.events.SequenceStartEvent;
import org.snakeyaml.engine.v2.exceptions.YamlEngineException;
import polydex.files.FileProblem;
import polydex.files.lists.Tree.Field;
import polydex.files.lists.Tree.Fields;
import polydex.files.lists.Tree.Items;
import polydex.files.lists.Tree.Scalar;
import polydex.intake.Steps;

/**
 * YAML 1.2 as a tree. It is read event by event, and what an alias points at is not repeated, so
 * that nothing grows; tags make no objects.
 */
final class YamlTree {
  private static final int DEEPEST = 50;

  private final Iterator<Event> events;

  private YamlTree(Iterator<Event> events) {
    this.events = events;
  }

  static ForeignList read(String name, String text) throws FileProblem {
    Steps.take(text.length());
    LoadSettings settings = LoadSettings.builder().setCodePointLimit(text.length() + 1).build();
    try {
      Iterator<Event> events = new Parse(settings).parseString(text).iterator();
      YamlTree yaml = new YamlTree(events);
      List<Tree> documents = new ArrayList<>();
      while (events.hasNext()) {
        Event event = events.next();
        switch (event.getEventId()) {
          case Scalar, SequenceStart, MappingStart -> documents.add(yaml.tree(name, event, 0));
          default -> {}
        }
      }
      Tree root = documents.size() == 1 ? documents.getFirst() : new Items(1, documents);
      return TreeTables.of(name, "YAML", root);
    } catch (YamlEngineException e) {
      String reason = String.valueOf(e.getMessage()).lines().findFirst().orElse("");
      throw new FileProblem(worded("lists.cant-be-read-as-yaml-nothing", name, reason), e);
    }
  }

  private Tree tree(String name, Event event, int depth) throws FileProblem {
    Steps.take(1);
    if (depth > DEEPEST) {
      throw new FileProblem(worded("lists.has-values-in-each-other-more", name, DEEPEST));
    }
    int line = event.getStartMark().map(m -> m.getLine() + 1).orElse(1);
    return switch (event) {
      case ScalarEvent s -> new Scalar(line, s.getValue());
      case SequenceStartEvent _ -> {
        List<Tree> all = new ArrayList<>();
        for (Event next = events.next();
            next.getEventId() != Event.ID.SequenceEnd;
            next = events.next()) {
          all.add(tree(name, next, depth + 1));
        }
        yield new Items(line, all);
      }
      case MappingStartEvent _ -> {
        List<Field> all = new ArrayList<>();
        for (Event next = events.next();
            next.getEventId() != Event.ID.MappingEnd;
            next = events.next()) {
          Tree key = tree(name, next, depth + 1);
          Tree value = tree(name, events.next(), depth + 1);
          if (key instanceof Scalar(int _, String field)) {
            all.add(new Field(field, value));
          }
        }
        yield new Fields(line, all);
      }
      default -> new Scalar(line, "");
    };
  }
}
