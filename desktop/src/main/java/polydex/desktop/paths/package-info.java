/** A gesture on its way, as it is pressed and as it is shown. */
@NullMarked
package polydex.desktop.paths;

import org.jspecify.annotations.NullMarked;
