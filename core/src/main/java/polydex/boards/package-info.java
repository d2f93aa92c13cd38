/** Keyboards and what their keys type. */
@NullMarked
package polydex.boards;

import org.jspecify.annotations.NullMarked;
