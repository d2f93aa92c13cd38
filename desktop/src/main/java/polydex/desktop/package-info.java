/** The window: its frame and what starts it. */
@NullMarked
package polydex.desktop;

import org.jspecify.annotations.NullMarked;
