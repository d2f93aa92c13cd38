/** Formats in and out. */
@NullMarked
package polydex.files;

import org.jspecify.annotations.NullMarked;
