/** Keyboard layouts as the XKB symbols files of an installed xkb-data describe them. */
@NullMarked
package polydex.files.xkb;

import org.jspecify.annotations.NullMarked;
