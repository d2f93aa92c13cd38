/** Actions, the keymaps that bind gestures to them, and finding them. */
@NullMarked
package polydex.catalog;

import org.jspecify.annotations.NullMarked;
