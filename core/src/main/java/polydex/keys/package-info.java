/** What a person presses: keys, modifiers, strokes and gestures, and how they are written. */
@NullMarked
package polydex.keys;

import org.jspecify.annotations.NullMarked;
