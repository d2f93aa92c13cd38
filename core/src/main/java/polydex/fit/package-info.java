/** Bindings and remaps of the user's own: planned, tried on a copy, made step by step, checked. */
@org.jspecify.annotations.NullMarked
package polydex.fit;
