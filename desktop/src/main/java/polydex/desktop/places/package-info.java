/** What the window shows, one place at a time; no place knows another. */
@NullMarked
package polydex.desktop.places;

import org.jspecify.annotations.NullMarked;
