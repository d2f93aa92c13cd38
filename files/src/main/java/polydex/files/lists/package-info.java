/** Lists of bindings in the many forms in which people have them. */
@NullMarked
package polydex.files.lists;

import org.jspecify.annotations.NullMarked;
