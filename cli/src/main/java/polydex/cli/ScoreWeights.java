package polydex.cli;

import static polydex.cli.CliWords.worded;

import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Spec;
import polydex.free.Score;

/** What the parts of a score count. */
final class ScoreWeights {
  @Spec(Spec.Target.MIXEE)
  private CommandSpec command;

  @Option(
      names = "--weights",
      paramLabel = "I,S,P,N",
      split = ",",
      arity = "1",
      description =
          "Points for an initial, the same elsewhere, a partner, and a gesture near to it that loses"
              + " work; 1.5,1.0,0.8,1.2 if not said.")
  private double[] weights = {
    Score.Weights.USUAL.initial(),
    Score.Weights.USUAL.same(),
    Score.Weights.USUAL.partner(),
    Score.Weights.USUAL.near()
  };

  Score.Weights read() {
    if (weights.length != 4) {
      throw new ParameterException(
          command.commandLine(), worded("command.weights-takes-four-numbers-as-in"));
    }
    try {
      return new Score.Weights(weights[0], weights[1], weights[2], weights[3]);
    } catch (IllegalArgumentException e) {
      throw new ParameterException(command.commandLine(), e.getMessage() + ".", e);
    }
  }
}
