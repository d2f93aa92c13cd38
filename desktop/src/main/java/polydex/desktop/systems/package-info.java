/** The person's platforms and applications. */
@NullMarked
package polydex.desktop.systems;

import org.jspecify.annotations.NullMarked;
