/* A disk that fails when it is told to: preloaded into a program, it stands in front of the calls by
   which a database writes. Only files whose name has ".polydex" in it are concerned, and how they
   fail is the first byte of the file named by FAILING_DISK, looked at before each call:
   o  everything works
   f  full: nothing is written
   s  short: a part is written, and then the disk is full
   e  an error of the device, when writing and when syncing
   y  an error of the device when syncing, after all seemed to be written
   p  may not be written any more */
#define _GNU_SOURCE
#include <dlfcn.h>
#include <errno.h>
#include <fcntl.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <sys/mman.h>
#include <sys/types.h>
#include <unistd.h>

static volatile char *mode;

static char now(int fd) {
  char link[64], path[4096];
  if (!mode) {
    const char *name = getenv("FAILING_DISK");
    int control = name ? open(name, O_RDONLY) : -1;
    if (control < 0) return 'o';
    mode = mmap(0, 1, PROT_READ, MAP_SHARED, control, 0);
    close(control);
  }
  if (*mode == 'o') return 'o';
  snprintf(link, sizeof link, "/proc/self/fd/%d", fd);
  ssize_t length = readlink(link, path, sizeof path - 1);
  if (length < 0) return 'o';
  path[length] = 0;
  return strstr(path, ".polydex") ? *mode : 'o';
}

static int refused(char why) {
  switch (why) {
    case 'f': case 's': errno = ENOSPC; return 1;
    case 'e': errno = EIO; return 1;
    case 'p': errno = EROFS; return 1;
    default: return 0;
  }
}

ssize_t pwrite64(int fd, const void *from, size_t count, off64_t at) {
  ssize_t (*real)(int, const void *, size_t, off64_t) = dlsym(RTLD_NEXT, "pwrite64");
  char why = now(fd);
  if (why == 's' && count > 1 && (at / 4096) % 3) return real(fd, from, count / 2, at);
  return refused(why) ? -1 : real(fd, from, count, at);
}

ssize_t write(int fd, const void *from, size_t count) {
  ssize_t (*real)(int, const void *, size_t) = dlsym(RTLD_NEXT, "write");
  return refused(now(fd)) ? -1 : real(fd, from, count);
}

int ftruncate64(int fd, off64_t length) {
  int (*real)(int, off64_t) = dlsym(RTLD_NEXT, "ftruncate64");
  return refused(now(fd)) ? -1 : real(fd, length);
}

int fsync(int fd) {
  int (*real)(int) = dlsym(RTLD_NEXT, "fsync");
  char why = now(fd);
  if (why == 'e' || why == 'y') { errno = EIO; return -1; }
  return real(fd);
}
