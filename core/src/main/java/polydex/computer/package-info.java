/**
 * What is found on a computer, whoever looked there: its keyboard, its desktop's keys, the programs
 * that run, and what of it comes into a person's own world.
 */
@NullMarked
package polydex.computer;

import org.jspecify.annotations.NullMarked;
