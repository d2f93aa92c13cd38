package polydex.mouse;

/**
 * How many different actions would be met in a sample of uses: what makes weeks comparable in which
 * more or less was done. Of all uses of a week so many are drawn without putting them back; what is
 * expected of such a draw needs no draw. S. H. Hurlbert, "The Nonconcept of Species Diversity: A
 * Critique and Alternative Parameters", Ecology 52 (1971). O(uses).
 *
 * @param expected how many different ones, 0 or more
 * @param deviation by which a draw differs from that, as a standard deviation; the ones taken for
 *     independent
 */
record Rarefaction(double expected, double deviation) {

  /**
   * Of some actions among all uses.
   *
   * @param counts how often each of them was done, each at least 0
   * @param all how many uses there were, those of other actions too
   * @param drawn how many are drawn, at most {@code all}
   */
  static Rarefaction of(Iterable<Integer> counts, int all, int drawn) {
    double expected = 0;
    double variance = 0;
    for (int count : counts) {
      double met = 1 - missed(count, all, drawn);
      expected += met;
      variance += met * (1 - met);
    }
    return new Rarefaction(expected, Math.sqrt(variance));
  }

  /** The chance that none of {@code count} uses is among those that are drawn. */
  private static double missed(int count, int all, int drawn) {
    double chance = 1;
    for (int k = 0; k < count && chance > 0; k++) {
      chance *= Math.max(0, all - drawn - k) / (double) (all - k);
    }
    return chance;
  }
}
