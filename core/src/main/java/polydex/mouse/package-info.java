/** What was done with the pointer and by keys, and what remains to be replaced. */
@NullMarked
package polydex.mouse;

import org.jspecify.annotations.NullMarked;
