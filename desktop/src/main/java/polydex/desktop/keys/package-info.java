/** From key events to presses and commands. */
@NullMarked
package polydex.desktop.keys;

import org.jspecify.annotations.NullMarked;
