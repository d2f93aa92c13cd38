import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.lang.classfile.ClassFile;
import java.lang.classfile.ClassFileVersion;
import java.lang.classfile.ClassHierarchyResolver;
import java.lang.classfile.ClassModel;
import java.lang.classfile.ClassTransform;
import java.net.URL;
import java.net.URLClassLoader;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.jar.JarEntry;
import java.util.jar.JarFile;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

/**
 * Brings the classes of an archive that are older than Java 7 to the format of Java 8, in place: no
 * ahead-of-time cache takes older ones, since they say nothing of what lies on their stack (JVM
 * specification 4.10.2). What they do stays as it is. Cost: each class once.
 *
 * <p>Usage: java Newer.java ARCHIVE...
 */
final class Newer {
  private static final int OLDEST = 51;
  private static final int WANTED = 52;

  private Newer() {}

  public static void main(String[] args) throws IOException {
    for (String archive : args) {
      Path jar = Path.of(archive);
      int old = old(jar);
      if (old > 0) {
        renew(jar);
        System.err.println(jar.getFileName() + ": " + old + " classes in a newer format");
      }
    }
  }

  private static int version(byte[] bytes) {
    return (bytes[6] & 0xFF) << 8 | bytes[7] & 0xFF;
  }

  private static boolean isClass(ZipEntry entry) {
    return entry.getName().endsWith(".class") && !entry.getName().startsWith("META-INF/");
  }

  private static int old(Path jar) throws IOException {
    int old = 0;
    try (JarFile file = new JarFile(jar.toFile())) {
      for (JarEntry entry : file.stream().toList()) {
        if (isClass(entry)) {
          try (InputStream in = file.getInputStream(entry)) {
            byte[] head = in.readNBytes(8);
            old += head.length == 8 && version(head) < OLDEST ? 1 : 0;
          }
        }
      }
    }
    return old;
  }

  private static void renew(Path jar) throws IOException {
    Path beside = jar.resolveSibling(jar.getFileName() + ".part");
    try (JarFile file = new JarFile(jar.toFile());
        URLClassLoader classes = new URLClassLoader(new URL[] {jar.toUri().toURL()});
        OutputStream out = Files.newOutputStream(beside);
        ZipOutputStream zip = new ZipOutputStream(out)) {
      ClassFile format =
          ClassFile.of(
              // Written anew, not copied as they stand: only so is it told what lies on the stack.
              ClassFile.StackMapsOption.GENERATE_STACK_MAPS,
              ClassFile.ConstantPoolSharingOption.NEW_POOL,
              ClassFile.ClassHierarchyResolverOption.of(
                  ClassHierarchyResolver.ofResourceParsing(classes)
                      .orElse(ClassHierarchyResolver.ofResourceParsing(
                          ClassLoader.getPlatformClassLoader()))));
      for (JarEntry entry : file.stream().toList()) {
        byte[] bytes;
        try (InputStream in = file.getInputStream(entry)) {
          bytes = in.readAllBytes();
        }
        if (isClass(entry) && version(bytes) < OLDEST) {
          ClassModel model = format.parse(bytes);
          bytes =
              format.transformClass(
                  model,
                  ClassTransform.dropping(e -> e instanceof ClassFileVersion)
                      .andThen(
                          ClassTransform.endHandler(
                              b -> b.with(ClassFileVersion.of(WANTED, 0)))));
        }
        ZipEntry now = new ZipEntry(entry.getName());
        now.setTime(entry.getTime());
        zip.putNextEntry(now);
        zip.write(bytes);
        zip.closeEntry();
      }
    }
    Files.setLastModifiedTime(beside, Files.getLastModifiedTime(jar));
    Files.move(beside, jar, StandardCopyOption.REPLACE_EXISTING);
  }
}
