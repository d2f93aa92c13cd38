/** Benchmarks, and generators of large data for them. */
@NullMarked
package polydex.bench;

import org.jspecify.annotations.NullMarked;
