/** The words of the window, in every language that the program speaks. */
@NullMarked
package polydex.desktop.language;

import org.jspecify.annotations.NullMarked;
