/** Platforms and applications, written out line by line, made, joined and taken away. */
@NullMarked
package polydex.systems;

import org.jspecify.annotations.NullMarked;
