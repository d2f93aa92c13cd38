/** Sheets: what people print, carry and hand on, as content that any form can be made from. */
@NullMarked
package polydex.sheets;

import org.jspecify.annotations.NullMarked;
