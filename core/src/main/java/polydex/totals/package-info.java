/** What the log comes to, kept up as events come in. */
@NullMarked
package polydex.totals;

import org.jspecify.annotations.NullMarked;
