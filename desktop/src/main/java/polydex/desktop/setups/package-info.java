/** Setups: which one is in use, and how they are made, changed and compared. */
@org.jspecify.annotations.NullMarked
package polydex.desktop.setups;
