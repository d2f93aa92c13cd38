package polydex.files.store;

/**
 * What tells one event of the log from another, and by which they stand in order.
 *
 * @param at milliseconds since 1970
 * @param deed the number of what was done
 */
record EventKey(long at, long deed) {}
