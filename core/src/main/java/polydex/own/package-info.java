/**
 * The program's own keys as a keymap among the others: one table from which they are dispatched,
 * shown, looked up, drilled and changed.
 */
@NullMarked
package polydex.own;

import org.jspecify.annotations.NullMarked;
