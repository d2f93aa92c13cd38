/** The file that holds a person's work. */
@NullMarked
package polydex.files.store;

import org.jspecify.annotations.NullMarked;
