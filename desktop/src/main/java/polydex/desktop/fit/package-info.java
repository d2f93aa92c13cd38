/** Fit: own bindings and remaps, planned, tried, made and checked. */
@org.jspecify.annotations.NullMarked
package polydex.desktop.fit;
