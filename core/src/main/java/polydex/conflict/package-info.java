/** Bindings that do not do in a setup what they say. */
@NullMarked
package polydex.conflict;

import org.jspecify.annotations.NullMarked;
