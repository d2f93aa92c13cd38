/** The demo that ships: a small planetarium. */
@NullMarked
package polydex.files.demo;

import org.jspecify.annotations.NullMarked;
