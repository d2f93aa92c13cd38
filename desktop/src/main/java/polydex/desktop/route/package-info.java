/** Who gets a gesture, and what stands in the way. */
@NullMarked
package polydex.desktop.route;

import org.jspecify.annotations.NullMarked;
