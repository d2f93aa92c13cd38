/**
 * A line at the pause: when hands rest, one thing that they did with the pointer is named with the
 * keys that do it, in hours that are drawn by lot, so that it can be told whether that helps.
 */
@NullMarked
package polydex.reminder;

import org.jspecify.annotations.NullMarked;
