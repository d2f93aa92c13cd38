/** Actions and their gestures, looked up by words or by pressing keys. */
@NullMarked
package polydex.desktop.lookup;

import org.jspecify.annotations.NullMarked;
