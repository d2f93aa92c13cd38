/** Bindings and remaps of one's own in the open forms that computers have them in. */
@org.jspecify.annotations.NullMarked
package polydex.files.fit;
