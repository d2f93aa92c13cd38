/** Where things are found on a computer, and who looks there; a simulated computer among them. */
@NullMarked
package polydex.files.computer;

import org.jspecify.annotations.NullMarked;
