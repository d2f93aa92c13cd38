/** Practising, and how it goes. */
@NullMarked
package polydex.desktop.drill;

import org.jspecify.annotations.NullMarked;
