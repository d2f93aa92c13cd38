/** What the mouse still does: what remains, how it went, names to explain, logs and recorders. */
@org.jspecify.annotations.NullMarked
package polydex.desktop.mouse;
