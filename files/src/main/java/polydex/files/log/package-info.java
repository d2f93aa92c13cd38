/** Mouse logs as files: comma-separated values and JSON lines. */
@NullMarked
package polydex.files.log;

import org.jspecify.annotations.NullMarked;
