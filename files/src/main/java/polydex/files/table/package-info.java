/** Lists of bindings as tables. */
@NullMarked
package polydex.files.table;

import org.jspecify.annotations.NullMarked;
