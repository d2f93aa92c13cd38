/** Setups, and the path of a gesture through one to where it is taken. */
@NullMarked
package polydex.route;

import org.jspecify.annotations.NullMarked;
