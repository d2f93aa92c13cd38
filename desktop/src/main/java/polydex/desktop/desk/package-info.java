/** What every place has to work with. */
@NullMarked
package polydex.desktop.desk;

import org.jspecify.annotations.NullMarked;
