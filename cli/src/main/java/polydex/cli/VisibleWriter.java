package polydex.cli;

import java.io.FilterWriter;
import java.io.IOException;
import java.io.Writer;
import polydex.keys.Visible;

/** All that is printed goes through here, so that nothing in it acts on the terminal. */
final class VisibleWriter extends FilterWriter {
  VisibleWriter(Writer out) {
    super(out);
  }

  @Override
  public void write(String text, int from, int length) throws IOException {
    out.write(Visible.of(text.substring(from, from + length)));
  }

  @Override
  public void write(char[] text, int from, int length) throws IOException {
    out.write(Visible.of(new String(text, from, length)));
  }

  @Override
  public void write(int c) throws IOException {
    out.write(Visible.of(String.valueOf((char) c)));
  }
}
