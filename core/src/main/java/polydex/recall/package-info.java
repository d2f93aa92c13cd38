/** What a person remembers of keys, and the drills that keep it so. */
@NullMarked
package polydex.recall;

import org.jspecify.annotations.NullMarked;
