/** What to do in the next minutes. */
@NullMarked
package polydex.desktop.today;

import org.jspecify.annotations.NullMarked;
