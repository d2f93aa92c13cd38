/** Reading and writing the model as JSON. */
@NullMarked
package polydex.files.json;

import org.jspecify.annotations.NullMarked;
