package polydex.files;

import ch.qos.logback.classic.Level;
import ch.qos.logback.classic.Logger;
import ch.qos.logback.classic.LoggerContext;
import ch.qos.logback.classic.encoder.PatternLayoutEncoder;
import ch.qos.logback.classic.spi.Configurator;
import ch.qos.logback.classic.spi.ILoggingEvent;
import ch.qos.logback.core.ConsoleAppender;
import ch.qos.logback.core.OutputStreamAppender;
import ch.qos.logback.core.rolling.FixedWindowRollingPolicy;
import ch.qos.logback.core.rolling.RollingFileAppender;
import ch.qos.logback.core.rolling.SizeBasedTriggeringPolicy;
import ch.qos.logback.core.spi.ContextAwareBase;
import ch.qos.logback.core.util.FileSize;
import java.nio.file.Path;

/**
 * Sets the log up where {@link LogPlace} says; where nobody asked for a place, as in tests, on the
 * error stream. In code, since reading a description of it in XML takes a command longer than all
 * that it does. Found by name through Java's service loader.
 */
public final class LogSetUp extends ContextAwareBase implements Configurator {
  private static final String LINE =
      "%d{yyyy-MM-dd'T'HH:mm:ss.SSSXXX} %level %logger{0} [%thread]: %msg%n";
  private static final String SHORT_LINE = "%level %logger{0}: %msg%n";
  private static final int LARGEST_BYTES = 1 << 20;

  @Override
  public ExecutionStatus configure(LoggerContext context) {
    Logger root = context.getLogger(org.slf4j.Logger.ROOT_LOGGER_NAME);
    if (LogPlace.isNowhere()) {
      root.setLevel(Level.OFF);
    } else {
      root.setLevel(Level.WARN);
      // It warns of each database that is newer than those it was tried with.
      context.getLogger("org.flywaydb").setLevel(Level.ERROR);
      root.addAppender(
          LogPlace.file().map(f -> rolling(context, f)).orElseGet(() -> onErrorStream(context)));
    }
    return ExecutionStatus.DO_NOT_INVOKE_NEXT_IF_ANY;
  }

  private static OutputStreamAppender<ILoggingEvent> onErrorStream(LoggerContext context) {
    ConsoleAppender<ILoggingEvent> appender = new ConsoleAppender<>();
    appender.setTarget("System.err");
    return started(appender, context, SHORT_LINE);
  }

  private static OutputStreamAppender<ILoggingEvent> rolling(LoggerContext context, Path file) {
    RollingFileAppender<ILoggingEvent> appender = new RollingFileAppender<>();
    appender.setFile(file.toString());
    FixedWindowRollingPolicy older = new FixedWindowRollingPolicy();
    older.setContext(context);
    older.setParent(appender);
    older.setFileNamePattern(file + ".%i");
    older.setMinIndex(1);
    older.setMaxIndex(1);
    older.start();
    SizeBasedTriggeringPolicy<ILoggingEvent> full = new SizeBasedTriggeringPolicy<>();
    full.setContext(context);
    full.setMaxFileSize(new FileSize(LARGEST_BYTES));
    full.start();
    appender.setRollingPolicy(older);
    appender.setTriggeringPolicy(full);
    return started(appender, context, LINE);
  }

  private static OutputStreamAppender<ILoggingEvent> started(
      OutputStreamAppender<ILoggingEvent> appender, LoggerContext context, String line) {
    PatternLayoutEncoder encoder = new PatternLayoutEncoder();
    encoder.setContext(context);
    encoder.setPattern(line);
    encoder.start();
    appender.setContext(context);
    appender.setEncoder(encoder);
    appender.start();
    return appender;
  }
}
