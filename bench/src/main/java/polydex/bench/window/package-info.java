/** The program's own window, pressed by real keys: for pictures, and for how long it takes. */
@NullMarked
package polydex.bench.window;

import org.jspecify.annotations.NullMarked;
