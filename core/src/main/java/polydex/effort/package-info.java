/** What actions cost in time. */
@NullMarked
package polydex.effort;

import org.jspecify.annotations.NullMarked;
