/** What the deeds of the log were. */
@NullMarked
package polydex.recognition;

import org.jspecify.annotations.NullMarked;
