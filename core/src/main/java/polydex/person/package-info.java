/** What is known of a person: what was made and chosen, and what the two logs come to. */
@NullMarked
package polydex.person;

import org.jspecify.annotations.NullMarked;
