package polydex.route;

/** The traces of the engine that follows each binding by itself, for tests of other packages. */
public final class PlainTraces {
  private PlainTraces() {}

  public static SetupTraces of(Setup setup, World world) {
    return SetupTraces.plain(setup, world);
  }
}
