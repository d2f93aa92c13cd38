package polydex.route;

import java.util.Optional;
import polydex.catalog.Binding;
import polydex.catalog.EnvironmentId;
import polydex.keys.Gesture;
import polydex.route.Sources.Kind;
import polydex.route.Sources.Source;

/**
 * The bindings of one keymap where a compiled setup has it: the same rows as the keymap's, their
 * presses by their numbers in the setup.
 */
public final class Place {
  private static final int ROW_BITS = 21;

  /** So many places fit into one number with a row. */
  static final int MOST = 1 << 9;

  private final int number;
  private final int depth;
  private final Layer layer;
  private final int layerNumber;
  private final Source source;
  private final CompiledKeymap pressed;
  private final int outermost;
  private final int[] pressedNumbers;
  private final int[] awaitedNumbers;

  /**
   * A place.
   *
   * @param number of the place
   * @param depth of its machine
   * @param layer the layer that has the bindings, and its number
   * @param source the bindings on the machine's layout: what the layer waits for
   * @param pressed the same on the layout under the fingers: what is pressed for them
   * @param outermost the number of the context that is always asked, -1 where nothing is in it
   * @param pressedNumbers of the presses of {@code pressed} in the setup
   * @param awaitedNumbers of those of the source
   */
  Place(
      int number,
      int depth,
      Layer layer,
      int layerNumber,
      Source source,
      CompiledKeymap pressed,
      int outermost,
      int[] pressedNumbers,
      int[] awaitedNumbers) {
    this.number = number;
    this.depth = depth;
    this.layer = layer;
    this.layerNumber = layerNumber;
    this.source = source;
    this.pressed = pressed;
    this.outermost = outermost;
    this.pressedNumbers = pressedNumbers;
    this.awaitedNumbers = awaitedNumbers;
  }

  static int placeOf(int code) {
    return code >>> ROW_BITS;
  }

  static int rowOf(int code) {
    return code & (1 << ROW_BITS) - 1;
  }

  /** A row of it as one number, which tells it from those of all places. */
  public int code(int row) {
    return number << ROW_BITS | row;
  }

  /** Its number. */
  public int number() {
    return number;
  }

  /** The depth of its machine. */
  public int depth() {
    return depth;
  }

  /** The layer that has the bindings. */
  public Layer layer() {
    return layer;
  }

  /** The number of the layer. */
  public int layerNumber() {
    return layerNumber;
  }

  /** The id of the platform or application. */
  public EnvironmentId environment() {
    return source.environment();
  }

  /** The bindings, on the layout of the machine. */
  public CompiledKeymap keymap() {
    return source.keymap();
  }

  /** Whether they are the user's own. */
  public boolean own() {
    return source.kind() == Kind.OWN;
  }

  /** Whether they are access keys of menus. */
  public boolean menus() {
    return source.kind() == Kind.MENUS;
  }

  /** Whether all of them are asked together, whatever their contexts. */
  boolean together() {
    return own() || menus();
  }

  /** Whether another keymap of the same environment may stand on its machine. */
  public boolean besidesOthers() {
    return source.kind() != Kind.FOCUSED;
  }

  /** Whether its rows are each pressed where their context is active. */
  public boolean inContext() {
    return source.kind() == Kind.FOCUSED && layer.kind() == Layer.Kind.APPLICATION;
  }

  /** The context that is active while a row is pressed; none where those of the setup are. */
  public Optional<String> active(int row) {
    return inContext() ? Optional.of(keymap().contexts()[keymap().context(row)]) : Optional.empty();
  }

  /** The binding of a row. */
  public Binding binding(int row) {
    return keymap().binding(row);
  }

  /** What is pressed for a row. */
  public Gesture gesture(int row) {
    return keymap().gesture(row);
  }

  /** How many presses a row takes under the fingers; 0 where they can't be made. */
  public int length(int row) {
    return pressed.length(row);
  }

  /** A press of a row under the fingers. */
  public int press(int row, int at) {
    return pressedNumbers[pressed.press(row, at)];
  }

  /** The rows of each context that share their first two presses, where several do. */
  public void forEachAlike(CompiledScopes.Alike each) {
    source.scopes().forEachAlike(each);
  }

  /** Whether a binding of it opens a context by being held. */
  public boolean opens() {
    return keymap().opens();
  }

  /** How many presses the layer waits for; 0 where its layout can't type them. */
  public int awaitedLength(int row) {
    return keymap().length(row);
  }

  /** A press that the layer waits for. */
  public int awaited(int row, int at) {
    return awaitedNumbers[keymap().press(row, at)];
  }

  /** Whether the layout under the fingers is that of the machine. */
  public boolean asPressed() {
    return pressedNumbers == awaitedNumbers;
  }

  /** Whether something stays down between presses of a row. */
  boolean keeps(int row) {
    return pressed.keeps(row);
  }

  Kind kind() {
    return source.kind();
  }

  CompiledScopes scopes() {
    return source.scopes();
  }

  int outermost() {
    return outermost;
  }

  boolean isOn(int row) {
    return !source.off().get(keymap().bindingNumber(row));
  }

  boolean isAbsent(int row) {
    return source.absent().get(keymap().bindingNumber(row));
  }
}
