/** What was done with which device, as it was seen, and the one door by which it comes in. */
@NullMarked
package polydex.log;

import org.jspecify.annotations.NullMarked;
