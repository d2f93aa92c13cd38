/** The work of the program without a window. */
@NullMarked
package polydex.cli;

import org.jspecify.annotations.NullMarked;
