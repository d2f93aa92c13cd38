/** Getting lists in and out. */
@NullMarked
package polydex.desktop.sheets;

import org.jspecify.annotations.NullMarked;
