package polydex.files.lists;

import java.util.List;

/** What JSON and YAML say, as far as lists of bindings are in it. */
sealed interface Tree {
  /** The line on which it begins, counted from 1. */
  int line();

  /** Names with what they stand for. */
  record Fields(int line, List<Field> all) implements Tree {}

  /** One after the other. */
  record Items(int line, List<Tree> all) implements Tree {}

  /** A text, a number or a truth value. */
  record Scalar(int line, String text) implements Tree {}

  /** A name and what it stands for. */
  record Field(String name, Tree value) {}
}
