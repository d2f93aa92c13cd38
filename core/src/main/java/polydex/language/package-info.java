/** The language that the program speaks: its words, numbers and dates. */
@NullMarked
package polydex.language;

import org.jspecify.annotations.NullMarked;
