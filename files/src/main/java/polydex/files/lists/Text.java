package polydex.files.lists;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import polydex.files.FileProblem;

/**
 * A text file from outside: its size bounded, its encoding found out.
 *
 * @param content without a byte-order mark
 * @param encoding the name of the encoding
 */
record Text(String content, String encoding) {
  static final long LARGEST_BYTES = 64L << 20;

  /** A text that is here already, such as the clipboard's. */
  static Text of(String content) throws FileProblem {
    return checked("The clipboard", content, StandardCharsets.UTF_8);
  }

  static Text read(Path file) throws FileProblem {
    try {
      if (!Files.isRegularFile(file)) {
        throw FileProblem.missing(file);
      }
      if (Files.size(file) > LARGEST_BYTES) {
        throw new FileProblem(
            file + " is larger than 64 MiB. Split it into smaller files. Nothing was taken.");
      }
      return decode(file, Files.readAllBytes(file));
    } catch (IOException e) {
      throw new FileProblem("%s can't be read: %s.".formatted(file, e.getMessage()), e);
    }
  }

  private static Text decode(Path file, byte[] bytes) throws FileProblem {
    for (Charset marked :
        new Charset[] {
          StandardCharsets.UTF_8, StandardCharsets.UTF_16LE, StandardCharsets.UTF_16BE
        }) {
      byte[] mark = "\uFEFF".getBytes(marked);
      if (bytes.length >= mark.length && Arrays.equals(Arrays.copyOf(bytes, mark.length), mark)) {
        return checked(
            file.getFileName().toString(),
            strict(Arrays.copyOfRange(bytes, mark.length, bytes.length), marked),
            marked);
      }
    }
    // The lenient decoder is several times as fast, and leaves a mark where it had to be lenient.
    String utf8 = new String(bytes, StandardCharsets.UTF_8);
    try {
      if (utf8.indexOf('\uFFFD') >= 0) {
        utf8 = strict(bytes, StandardCharsets.UTF_8);
      }
    } catch (FileProblem _) {
      Charset western = Charset.forName("windows-1252");
      return checked(file.getFileName().toString(), new String(bytes, western), western);
    }
    return checked(file.getFileName().toString(), utf8, StandardCharsets.UTF_8);
  }

  private static String strict(byte[] bytes, Charset charset) throws FileProblem {
    try {
      return charset
          .newDecoder()
          .onMalformedInput(CodingErrorAction.REPORT)
          .onUnmappableCharacter(CodingErrorAction.REPORT)
          .decode(ByteBuffer.wrap(bytes))
          .toString();
    } catch (CharacterCodingException e) {
      throw new FileProblem("This is not text in " + charset + ". Nothing was taken.", e);
    }
  }

  private static Text checked(String name, String content, Charset charset) throws FileProblem {
    if (content.indexOf('\0') >= 0) {
      throw new FileProblem(name + " is not a text file: it holds zero bytes. Nothing was taken.");
    }
    return new Text(content, charset.name());
  }
}
