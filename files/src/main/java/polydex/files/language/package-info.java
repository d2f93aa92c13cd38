/** The words of what reads and writes files, in every language that the program speaks. */
@NullMarked
package polydex.files.language;

import org.jspecify.annotations.NullMarked;
