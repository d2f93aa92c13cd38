/** Reading the computer that one sits at, and the first way through a new file. */
@NullMarked
package polydex.desktop.here;

import org.jspecify.annotations.NullMarked;
