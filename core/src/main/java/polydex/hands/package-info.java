/**
 * What hands do on a keyboard and a pointer, made of what the devices report: gestures, clicks,
 * drags, runs of the wheel, and how far and how long the hand went for them. Nothing that is typed
 * is in what comes out.
 */
@NullMarked
package polydex.hands;

import org.jspecify.annotations.NullMarked;
