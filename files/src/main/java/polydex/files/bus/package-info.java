/** What runs on this computer, as the accessibility bus tells it (AT-SPI 2 over D-Bus). */
@NullMarked
package polydex.files.bus;

import org.jspecify.annotations.NullMarked;
