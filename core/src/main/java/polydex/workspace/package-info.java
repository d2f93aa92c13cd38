/** The one value that holds what a person has made and chosen, and its changes. */
@NullMarked
package polydex.workspace;

import org.jspecify.annotations.NullMarked;
