/** Lists of bindings from outside, and what they would change. */
@NullMarked
package polydex.intake;

import org.jspecify.annotations.NullMarked;
