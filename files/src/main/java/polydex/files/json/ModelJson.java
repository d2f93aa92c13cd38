package polydex.files.json;

import static polydex.files.language.FilesWords.worded;

import com.fasterxml.jackson.annotation.JsonIgnoreProperties;
import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonSetter;
import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import com.fasterxml.jackson.annotation.Nulls;
import com.fasterxml.jackson.core.JsonFactory;
import com.fasterxml.jackson.core.JsonLocation;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.StreamReadConstraints;
import com.fasterxml.jackson.core.StreamReadFeature;
import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.JsonMappingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.annotation.JsonDeserialize;
import com.fasterxml.jackson.databind.annotation.JsonSerialize;
import com.fasterxml.jackson.databind.cfg.MutableConfigOverride;
import com.fasterxml.jackson.databind.json.JsonMapper;
import com.fasterxml.jackson.databind.module.SimpleModule;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import com.fasterxml.jackson.databind.ser.std.ToStringSerializer;
import com.fasterxml.jackson.databind.util.StdConverter;
import com.fasterxml.jackson.datatype.jdk8.Jdk8Module;
import java.io.UncheckedIOException;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import polydex.boards.Board;
import polydex.boards.Layout;
import polydex.catalog.Action;
import polydex.catalog.ActionId;
import polydex.catalog.Binding;
import polydex.catalog.Environment;
import polydex.catalog.EnvironmentId;
import polydex.catalog.Successors;
import polydex.catalog.Version;
import polydex.files.FileProblem;
import polydex.fit.OwnBinding;
import polydex.fit.Target;
import polydex.keys.Gesture;
import polydex.route.Machine;
import polydex.route.Refused;
import polydex.route.Remap;
import polydex.route.SetupId;

/**
 * The model as JSON. The core knows nothing of it: what a record does not say by itself stands here
 * as mix-ins and forms. Unknown fields and repeated names are refused rather than passed over.
 */
public final class ModelJson {
  private static final ObjectMapper MAPPER = mapper();
  private static final ObjectMapper ANSWERS = answers();
  private static final ObjectMapper LENIENT =
      MAPPER.copy().disable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES);

  /** Machines in session windows of others take the most, two a machine. */
  private static final int DEEPEST = 2 * Refused.MOST_MACHINES + 12;

  /** So many steps of a path in a file are told, and the last two. */
  private static final int LONGEST_PATH = 12;

  private ModelJson() {}

  /**
   * Reads a value.
   *
   * @param name of the file, for messages
   * @throws FileProblem with the file, the line and the path in it
   */
  public static <T> T read(String name, String json, Class<T> type) throws FileProblem {
    return read(MAPPER, name, json, type);
  }

  private static <T> T read(ObjectMapper mapper, String name, String json, Class<T> type)
      throws FileProblem {
    try {
      return mapper.readValue(json, type);
    } catch (JsonProcessingException e) {
      JsonLocation at = e.getLocation();
      String line = at == null ? "" : worded("json.line", at.getLineNr());
      throw new FileProblem("%s%s%s: %s".formatted(name, line, path(e), JsonReason.of(e)), e);
    } catch (RuntimeException e) {
      // Two things that can each be, but not together, are found where they are put together.
      throw new FileProblem(worded("any.holds-something-that-cant-be", name, JsonReason.of(e)), e);
    }
  }

  /** Writes a value on one line. */
  public static String write(Object value) {
    try {
      return MAPPER.writeValueAsString(value);
    } catch (JsonProcessingException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** Writes a value for people to read. */
  public static String writePretty(Object value) {
    try {
      return MAPPER.writerWithDefaultPrettyPrinter().writeValueAsString(value);
    } catch (JsonProcessingException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** Writes an answer of a command for people and programs: a list without members is there. */
  public static String answer(Object value) {
    try {
      return ANSWERS.writerWithDefaultPrettyPrinter().writeValueAsString(value);
    } catch (JsonProcessingException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** The same on one line. */
  public static String answerLine(Object value) {
    try {
      return ANSWERS.writeValueAsString(value);
    } catch (JsonProcessingException e) {
      throw new UncheckedIOException(e);
    }
  }

  /**
   * Reads a value, passing over fields that the model does not know.
   *
   * @throws FileProblem as {@link #read}
   */
  static <T> T readLenient(String name, String json, Class<T> type) throws FileProblem {
    return read(LENIENT, name, json, type);
  }

  /** The tree of a JSON object. */
  static JsonNode tree(String name, String json) throws FileProblem {
    JsonNode tree = read(MAPPER, name, json, JsonNode.class);
    if (!tree.isObject()) {
      throw new FileProblem(worded("json.line-1-expected-an-object-in", name));
    }
    return tree;
  }

  static JsonNode treeOf(Object value) {
    return MAPPER.valueToTree(value);
  }

  static ArrayNode emptyArray() {
    return MAPPER.createArrayNode();
  }

  static String pretty(JsonNode tree) {
    return writePretty(tree) + "\n";
  }

  /** Writes a value as a file of its own, which names its format first. */
  public static String writeFile(String format, Object value) {
    ObjectNode file = MAPPER.createObjectNode().put("format", format);
    file.setAll((ObjectNode) MAPPER.valueToTree(value));
    return writePretty(file);
  }

  private static String path(JsonProcessingException e) {
    if (!(e instanceof JsonMappingException m) || m.getPath().isEmpty()) {
      return "";
    }
    int all = m.getPath().size();
    return IntStream.range(0, all)
        .filter(i -> i < LONGEST_PATH || i >= all - 2)
        .mapToObj(m.getPath()::get)
        .map(r -> r.getFieldName() == null ? "[" + r.getIndex() + "]" : "." + r.getFieldName())
        .collect(Collectors.joining("", ", at ", ""))
        .replaceFirst("at \\.", "at ");
  }

  /** Where files leave out what is empty, whoever reads an answer need not ask for each list. */
  private static ObjectMapper answers() {
    ObjectMapper mapper = MAPPER.copy();
    mapper
        .configOverride(List.class)
        .setInclude(
            JsonInclude.Value.construct(JsonInclude.Include.ALWAYS, JsonInclude.Include.ALWAYS));
    return mapper;
  }

  private static ObjectMapper mapper() {
    JsonFactory bounded =
        JsonFactory.builder()
            .streamReadConstraints(StreamReadConstraints.builder().maxNestingDepth(DEEPEST).build())
            .build();
    return JsonMapper.builder(bounded)
        .addModule(new Jdk8Module())
        .addModule(texts())
        .enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
        .disable(StreamReadFeature.INCLUDE_SOURCE_IN_LOCATION)
        .enable(DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES)
        .defaultPropertyInclusion(
            JsonInclude.Value.construct(JsonInclude.Include.NON_EMPTY, JsonInclude.Include.ALWAYS))
        .enable(DeserializationFeature.FAIL_ON_NULL_CREATOR_PROPERTIES)
        .withConfigOverride(boolean.class, ModelJson::emptyIfLeftOut)
        .withConfigOverride(List.class, ModelJson::emptyIfLeftOut)
        .withConfigOverride(Set.class, ModelJson::emptyIfLeftOut)
        .withConfigOverride(Map.class, ModelJson::emptyIfLeftOut)
        .addMixIn(Environment.Kind.class, KindNames.class)
        .addMixIn(Machine.Focus.class, FocusNames.class)
        .addMixIn(Successors.Move.class, MoveNames.class)
        .addMixIn(Environment.class, WithSource.class)
        .addMixIn(Environment.PointerRoute.class, WithOperators.class)
        .addMixIn(OwnBinding.class, WithSeen.class)
        .addMixIn(Target.class, WithWhat.class)
        .addMixIn(Action.class, ActionShape.class)
        .addMixIn(Binding.class, BindingShape.class)
        .addMixIn(Layout.class, LayoutShape.class)
        .addMixIn(Board.class, HasFormat.class)
        .build();
  }

  private static void emptyIfLeftOut(MutableConfigOverride type) {
    type.setSetterInfo(JsonSetter.Value.forValueNulls(Nulls.AS_EMPTY, Nulls.FAIL));
  }

  private static LocalDate day(String text) {
    try {
      return LocalDate.parse(text);
    } catch (DateTimeException e) {
      throw new IllegalArgumentException(worded("json.not-a-day-as-in-2031"), e);
    }
  }

  private static Instant moment(String text) {
    try {
      return Instant.parse(text);
    } catch (DateTimeException e) {
      throw new IllegalArgumentException(worded("json.not-a-moment-as-in-2031"), e);
    }
  }

  private static SimpleModule texts() {
    SimpleModule module = new SimpleModule();
    module.addSerializer(Gesture.class, ToStringSerializer.instance);
    module.addDeserializer(Gesture.class, new TextReader<>(Gesture.class, Gesture::parse));
    module.addSerializer(ActionId.class, ToStringSerializer.instance);
    module.addDeserializer(ActionId.class, new TextReader<>(ActionId.class, ActionId::new));
    module.addSerializer(EnvironmentId.class, ToStringSerializer.instance);
    module.addDeserializer(
        EnvironmentId.class, new TextReader<>(EnvironmentId.class, EnvironmentId::new));
    module.addSerializer(SetupId.class, ToStringSerializer.instance);
    module.addDeserializer(SetupId.class, new TextReader<>(SetupId.class, SetupId::new));
    module.addSerializer(Version.class, ToStringSerializer.instance);
    module.addDeserializer(Version.class, new TextReader<>(Version.class, Version::new));
    module.addSerializer(LocalDate.class, ToStringSerializer.instance);
    module.addDeserializer(LocalDate.class, new TextReader<>(LocalDate.class, ModelJson::day));
    module.addSerializer(Instant.class, ToStringSerializer.instance);
    module.addDeserializer(Instant.class, new TextReader<>(Instant.class, ModelJson::moment));
    module.addSerializer(Remap.Part.class, ToStringSerializer.instance);
    module.addDeserializer(Remap.Part.class, new TextReader<>(Remap.Part.class, Remap.Part::parse));
    return module;
  }

  @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "type")
  @JsonSubTypes({
    @JsonSubTypes.Type(value = Environment.Platform.class, name = "platform"),
    @JsonSubTypes.Type(value = Environment.Application.class, name = "application")
  })
  private interface KindNames {}

  @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "type")
  @JsonSubTypes({
    @JsonSubTypes.Type(value = Machine.Bare.class, name = "desktop"),
    @JsonSubTypes.Type(value = Machine.Running.class, name = "application"),
    @JsonSubTypes.Type(value = Machine.SessionWindow.class, name = "session")
  })
  private interface FocusNames {}

  @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "type")
  @JsonSubTypes({
    @JsonSubTypes.Type(value = Successors.Joined.class, name = "joined"),
    @JsonSubTypes.Type(value = Successors.Parted.class, name = "parted"),
    @JsonSubTypes.Type(value = Successors.Absorbed.class, name = "absorbed"),
    @JsonSubTypes.Type(value = Successors.Moved.class, name = "moved"),
    @JsonSubTypes.Type(value = Successors.Called.class, name = "called")
  })
  private interface MoveNames {}

  private interface WithSource {
    @JsonSetter(nulls = Nulls.AS_EMPTY)
    String source();
  }

  private interface WithOperators {
    @JsonSetter(nulls = Nulls.AS_EMPTY)
    String operators();
  }

  private interface WithSeen {
    @JsonSetter(nulls = Nulls.AS_EMPTY)
    String seen();
  }

  private interface WithWhat {
    @JsonSetter(nulls = Nulls.AS_EMPTY)
    String what();
  }

  @JsonIgnoreProperties("format")
  private interface HasFormat {}

  @JsonSerialize(converter = ToActionForm.class)
  @JsonDeserialize(converter = FromActionForm.class)
  private interface ActionShape {}

  @JsonSerialize(converter = ToBindingForm.class)
  @JsonDeserialize(converter = FromBindingForm.class)
  private interface BindingShape {}

  @JsonSerialize(converter = ToLayoutForm.class)
  @JsonDeserialize(converter = FromLayoutForm.class)
  private interface LayoutShape {}

  private static final class ToActionForm extends StdConverter<Action, ActionForm> {
    @Override
    public ActionForm convert(Action value) {
      return ActionForm.of(value);
    }
  }

  private static final class FromActionForm extends StdConverter<ActionForm, Action> {
    @Override
    public Action convert(ActionForm value) {
      return value.action();
    }
  }

  private static final class ToBindingForm extends StdConverter<Binding, BindingForm> {
    @Override
    public BindingForm convert(Binding value) {
      return BindingForm.of(value);
    }
  }

  private static final class FromBindingForm extends StdConverter<BindingForm, Binding> {
    @Override
    public Binding convert(BindingForm value) {
      return value.binding();
    }
  }

  private static final class ToLayoutForm extends StdConverter<Layout, LayoutForm> {
    @Override
    public LayoutForm convert(Layout value) {
      return LayoutForm.of(value);
    }
  }

  private static final class FromLayoutForm extends StdConverter<LayoutForm, Layout> {
    @Override
    public Layout convert(LayoutForm value) {
      return value.layout();
    }
  }
}
