/** Setups line by line: made, changed, compared. */
@NullMarked
package polydex.setups;

import org.jspecify.annotations.NullMarked;
