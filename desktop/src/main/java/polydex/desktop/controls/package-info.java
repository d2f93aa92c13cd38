/** Controls of our own; they know the core's words and nothing of places. */
@NullMarked
package polydex.desktop.controls;

import org.jspecify.annotations.NullMarked;
