/** What is open, what was done, and what was found out about it. */
@NullMarked
package polydex.desktop.state;

import org.jspecify.annotations.NullMarked;
