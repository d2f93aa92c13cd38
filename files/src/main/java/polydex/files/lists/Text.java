package polydex.files.lists;

import static polydex.files.language.FilesWords.worded;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.zip.GZIPInputStream;
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
    return checked(worded("lists.the-clipboard"), content, StandardCharsets.UTF_8);
  }

  static Text read(Path file) throws FileProblem {
    try {
      if (!Files.isRegularFile(file)) {
        throw FileProblem.missing(file);
      }
      if (Files.size(file) > LARGEST_BYTES) {
        throw new FileProblem(worded("lists.is-larger-than-64-mib-split", file));
      }
      try (InputStream in = Files.newInputStream(file)) {
        return of(file.getFileName().toString(), in);
      }
    } catch (IOException e) {
      throw new FileProblem(worded("any.cant-be-read", file, e.getMessage()), e);
    }
  }

  /** A text as it comes, unpacked where it is compressed. */
  static Text of(String name, InputStream in) throws FileProblem {
    try {
      byte[] bytes = in.readNBytes((int) LARGEST_BYTES + 1);
      if (isPacked(bytes)) {
        try (InputStream unpacked = new GZIPInputStream(new ByteArrayInputStream(bytes))) {
          bytes = unpacked.readNBytes((int) LARGEST_BYTES + 1);
        }
      }
      if (bytes.length > LARGEST_BYTES) {
        throw new FileProblem(worded("lists.is-larger-than-64-mib-split", name));
      }
      return decode(name, bytes);
    } catch (IOException e) {
      throw new FileProblem(worded("any.cant-be-read", name, e.getMessage()), e);
    }
  }

  /** Whether bytes begin as gzip does (RFC 1952). */
  static boolean isPacked(byte[] bytes) {
    return bytes.length > 2 && (bytes[0] & 0xff) == 0x1f && (bytes[1] & 0xff) == 0x8b;
  }

  private static Text decode(String name, byte[] bytes) throws FileProblem {
    for (Charset marked :
        new Charset[] {
          StandardCharsets.UTF_8, StandardCharsets.UTF_16LE, StandardCharsets.UTF_16BE
        }) {
      byte[] mark = "\uFEFF".getBytes(marked);
      if (bytes.length >= mark.length && Arrays.equals(Arrays.copyOf(bytes, mark.length), mark)) {
        return checked(
            name, strict(Arrays.copyOfRange(bytes, mark.length, bytes.length), marked), marked);
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
      return checked(name, new String(bytes, western), western);
    }
    return checked(name, utf8, StandardCharsets.UTF_8);
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
      throw new FileProblem(worded("lists.this-is-not-text-in-nothing", charset), e);
    }
  }

  private static Text checked(String name, String content, Charset charset) throws FileProblem {
    if (content.indexOf('\0') >= 0) {
      throw new FileProblem(worded("lists.is-not-a-text-file-it", name));
    }
    return new Text(content, charset.name());
  }
}
