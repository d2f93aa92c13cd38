package polydex.cli;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.core.json.JsonWriteFeature;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.json.JsonMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import polydex.files.Shipped;
import polydex.files.json.ModelFiles;
import polydex.files.json.ModelJson;
import polydex.workspace.Workspace;

/**
 * Whatever stands in a file or on the command line: a sentence, and never a trace of the program.
 */
class HostileInputTest {
  private static final ObjectMapper JSON = new ObjectMapper();

  /** Half a character, too, can be written so. */
  private static final ObjectMapper ASCII =
      JsonMapper.builder().enable(JsonWriteFeature.ESCAPE_NON_ASCII).build();

  private static final int MUTANTS = 700;

  /** What is put in the place of something. */
  private static final List<String> VALUES =
      List.of(
          "null",
          "[]",
          "{}",
          "[null]",
          "{\"a\": null}",
          "\"\"",
          "\"x\"",
          "0",
          "-1",
          "1e300",
          "99999999999999999999",
          "true",
          "\"Ctrl+{1..9}\"",
          "\"{Arrow}\"",
          "\"Ctrl+Click\"",
          "\"Alt(Tab Tab)\"",
          "\"dead:\"",
          "\"999999999.1\"",
          "\"+999999999-12-31\"",
          "\"\\u001b[2J\\u202e\"",
          "\"\\ud800\"",
          "[[[]]]",
          "{\"type\": \"desktop\"}",
          "{\"type\": \"none\"}",
          "[\"Ctrl+A\", \"Ctrl+A\"]");

  @TempDir Path folder;

  /** The demo as a world, everything in it by itself a valid file. */
  static JsonNode world() throws Exception {
    Workspace demo = Shipped.demo();
    ObjectNode world = JSON.createObjectNode().put("format", "polydex-world/1");
    world.set("actions", JSON.readTree(ModelJson.write(demo.catalog().actions())));
    ArrayNode keymaps = world.putArray("keymaps");
    for (var environment : demo.catalog().environments()) {
      ObjectNode keymap =
          (ObjectNode) JSON.readTree(ModelFiles.write(demo, environment.id()).orElseThrow());
      keymap.remove("actions"); // they stand above
      keymaps.add(keymap);
    }
    world.set("setups", JSON.readTree(ModelJson.write(List.copyOf(demo.setups().values()))));
    world.set(
        "layouts", JSON.readTree(ModelJson.write(List.copyOf(demo.world().layouts().values()))));
    world.set(
        "boards", JSON.readTree(ModelJson.write(List.copyOf(demo.world().boards().values()))));
    return world;
  }

  /** Replaces, takes out or doubles something at a random place, the deeper the rarer. */
  private static void mutate(JsonNode in, Random random) throws Exception {
    JsonNode at = in;
    while (true) {
      int size = at.size();
      int which = random.nextInt(size);
      List<String> names = new ArrayList<>();
      at.fieldNames().forEachRemaining(names::add);
      JsonNode next = at.isArray() ? at.get(which) : at.get(names.get(which));
      if (next.isContainerNode() && !next.isEmpty() && random.nextInt(5) > 0) {
        at = next;
        continue;
      }
      JsonNode value = JSON.readTree(VALUES.get(random.nextInt(VALUES.size())));
      switch (at) {
        case ArrayNode a when random.nextInt(4) == 0 -> a.add(next.deepCopy());
        case ArrayNode a -> a.set(which, value);
        case ObjectNode o when random.nextInt(4) == 0 -> o.remove(names.get(which));
        case ObjectNode o -> o.set(names.get(which), value);
        default -> throw new AssertionError(at);
      }
      return;
    }
  }

  private static void assertSaid(Ran ran, Object what) {
    assertThat(ran.code()).as(ran.err() + what).isIn(Main.DONE, Main.NO, Main.USAGE, Main.FILE);
    if (ran.code() == Main.FILE || ran.code() == Main.USAGE) {
      assertThat(ran.err())
          .as(String.valueOf(what))
          .isNotBlank()
          .hasSizeLessThan(2500)
          .doesNotContain("polydex.", "java.", "com.", "Exception", "`", "\tat ");
    }
    assertThat(ran.out() + ran.err()).doesNotContain("\u001b", "\u202e");
  }

  @Test
  void aWorldIsReadOrRefusedWhateverIsChangedInIt() throws Exception {
    JsonNode world = world();
    Random random = new Random(6);
    Path file = folder.resolve("w.json");
    int refused = 0;
    Files.write(file, ASCII.writeValueAsBytes(world));
    Ran whole = Ran.run("trace", "--world", file.toString(), "Ctrl+Shift+S");
    assertThat(whole.code()).as(whole.err()).isEqualTo(Main.DONE);
    for (int i = 0; i < MUTANTS; i++) {
      JsonNode mutant = world.deepCopy();
      mutate(mutant, random);
      Files.write(file, ASCII.writeValueAsBytes(mutant));
      Ran ran = Ran.run("trace", "--world", file.toString(), "Ctrl+Shift+S");
      assertSaid(ran, i);
      refused += ran.code() == Main.FILE ? 1 : 0;
      if (ran.code() != Main.FILE && i % 10 == 0) {
        assertSaid(Ran.run("conflicts", "--world", file.toString()), i);
        assertSaid(Ran.run("reach", "--world", file.toString(), "save"), i);
      }
    }
    assertThat(refused).isBetween(MUTANTS / 5, MUTANTS - MUTANTS / 5);
  }

  /** What could only be understood by guessing, at its place in the demo's world. */
  @ParameterizedTest
  @CsvSource(
      delimiter = ';',
      textBlock =
          """
          /keymaps/0/environment/kind/reserved/-; {"gesture": "Ctrl+{A,B}", "action": "file.save"}; not one stroke
          /keymaps/0/environment/kind/reserved/-; {"gesture": "Ctrl+K A", "action": "file.save"}; not one stroke
          /keymaps/0/bindings/0/opens; "nowhere"; opens the context
          /keymaps/0/bindings/0/gesture; "Ctrl+{A,A}"; all different
          /setups/0/machine/remaps/-; {"title": "x", "strokeRules": [{"from": "Ctrl+Click", "to": "Ctrl+A"}]}; not one stroke
          /setups/0/machine/remaps/-; {"title": "x", "strokeRules": [{"from": "Ctrl+A", "to": "Ctrl+{A,B}"}]}; not one stroke
          /setups/0/machine/focus/contexts/-; "nowhere"; no context
          /setups/3/machine/focus/kept/-; "Shift*2"; not one stroke
          /setups/3/machine/focus/sent/-; "Ctrl+{1..9}"; not one stroke
          /setups/3/machine/focus/tapDelayMillis; null; tapDelayMillis
          """)
  void whatCouldOnlyBeGuessedIsRefused(String at, String value, String said) throws Exception {
    JsonNode world = world();
    int last = at.lastIndexOf('/');
    String name = at.substring(last + 1);
    JsonNode parent = world.at(at.substring(0, last));
    if (parent.isMissingNode()) {
      int before = at.lastIndexOf('/', last - 1);
      parent =
          ((ObjectNode) world.at(at.substring(0, before))).putArray(at.substring(before + 1, last));
    }
    if (parent instanceof ArrayNode a) {
      a.add(JSON.readTree(value));
    } else if (value.equals("null")) {
      ((ObjectNode) parent).remove(name);
    } else {
      ((ObjectNode) parent).set(name, JSON.readTree(value));
    }
    Path file = folder.resolve("w.json");
    Files.write(file, ASCII.writeValueAsBytes(world));
    Ran ran = Ran.run("trace", "--world", file.toString(), "Ctrl+Shift+S");
    assertThat(ran.code()).as(ran.out()).isEqualTo(Main.FILE);
    assertThat(ran.err()).contains(said);
    assertSaid(ran, at);
  }

  /** As many machines in one another as are allowed, and one more, and very many. */
  @Test
  void machinesInOneAnotherAreRefusedFromSixtyFiveOn() throws Exception {
    for (int machines : new int[] {64, 65, 900}) {
      JsonNode world = world();
      JsonNode deep = world.at("/setups/0/machine");
      String desk = JSON.writeValueAsString(deep);
      ObjectNode window = (ObjectNode) world.at("/setups/3/machine/focus").deepCopy();
      window.remove("inner");
      String head = JSON.writeValueAsString(window);
      String around = desk.replaceAll("\"focus\":\\{[^{}]*\\}", "\"focus\":FOCUS");
      assertThat(around).contains("FOCUS").doesNotContain("FOCUS\":{");
      StringBuilder text = new StringBuilder(desk);
      String open = around.substring(0, around.indexOf("FOCUS"));
      String close = around.substring(around.indexOf("FOCUS") + 5);
      for (int i = 1; i < machines; i++) {
        text.insert(0, open + head.substring(0, head.length() - 1) + ",\"inner\":");
        text.append("}").append(close);
      }
      String whole =
          JSON.writeValueAsString(world).replace("\"machine\":" + desk, "\"machine\":" + text);
      Path file = Files.writeString(folder.resolve("deep.json"), whole);
      Ran ran =
          Ran.run(
              "trace", "--world", file.toString(), "-s", world.at("/setups/0/id").asText(), "A");
      assertSaid(ran, machines);
      assertThat(ran.code() == Main.FILE).as(ran.err()).isEqualTo(machines > 64);
    }
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "drill --now +999999999-12-31T23:59:59Z --demo",
        "drill --now -999999999-01-01T00:00:00Z --demo",
        "drill --now 9999-99-99 --demo",
        "drill --forecast 2147483647 --demo",
        "drill --forecast -1 --demo",
        "drill --zone Nowhere/None --demo",
        "drill --parameters NaN --demo",
        "drill --parameters \u001b[2J --demo",
        "trace --demo Ctrl+{1..9}",
        "trace --demo \u001b[2J",
        "find --demo \u202egnp",
        "layout \u001b]0;x\u0007",
        "keymap --demo ../../etc",
        "compare --demo x \u0085y",
        "\u001b[31m",
        "plan --demo --ends \u001b",
      })
  void aCommandLineIsAnsweredOrRefused(String line) {
    assertSaid(Ran.run(line.split(" ")), line);
  }

  @Test
  void aListIsReadOrRefusedWhateverIsInIt() throws Exception {
    List<String> lists =
        List.of(
            "application,action,gesture\nA,B,\"\"\"" + "a".repeat(5000) + "\"\"\"\n",
            "application,action,gesture\nA,B,\u001b[2J\u202e\nA,\u001b[31mred,Ctrl+A\n",
            "[".repeat(100_000),
            "{\"a\":".repeat(100_000),
            "<table>".repeat(50_000),
            "<b>".repeat(100_000),
            "{\"format\":\"polydex-setup/1\"," + "\"inner\":{".repeat(5000),
            "at,environment,action,gesture,verdict,seconds\n"
                + "+999999999-12-31T00:00:00Z,alder,save,Ctrl+S,right,1\n",
            "at,environment,action,gesture,verdict,seconds\n"
                + "-999999999-01-01T00:00:00Z,alder,save,Ctrl+S,right,1\n"
                + "2031-03-14T09:00:00Z,alder,save,Ctrl+S,right,1\n",
            "time,device,input,target\n+999999999-12-31T00:00:00Z,mouse,Click,a\n"
                + "-999999999-12-31T00:00:00Z,mouse,Click,a\n",
            "time,device,input,target\n2031-03-14T09:00:00Z,mouse,Click,\u001b[2J\u202e\n");
    Path list = folder.resolve("list\u001b[31m.txt");
    for (String text : lists) {
      Files.writeString(list, text);
      String start = text.substring(0, Math.min(40, text.length()));
      assertSaid(Ran.run("import", "--demo", list.toString()), start);
      assertSaid(Ran.run("mouse", "import", "--demo", list.toString()), start);
      assertSaid(Ran.run("trace", "--world", list.toString(), "Ctrl+A"), start);
      assertSaid(Ran.run("drill", "--replay", list.toString()), start);
    }
  }
}
