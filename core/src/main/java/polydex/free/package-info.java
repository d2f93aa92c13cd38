/** Which gestures are free, and which of them suit an action. */
@org.jspecify.annotations.NullMarked
package polydex.free;
