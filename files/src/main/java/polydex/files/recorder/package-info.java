/**
 * Hears what is done in a session of the X Window System: keys and pointer by its record extension,
 * what they were about by the accessibility bus and the windows' own properties.
 */
@NullMarked
package polydex.files.recorder;

import org.jspecify.annotations.NullMarked;
