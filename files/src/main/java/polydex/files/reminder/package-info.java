/** Says at a pause what keys would have done, in a corner of the screen or as the desktop does. */
@NullMarked
package polydex.files.reminder;

import org.jspecify.annotations.NullMarked;
