/* Loaded before a program's own libraries: writes down what it does to the files of one folder, in the order it does it, so that
   a power cut can be played at any moment. Each record: kind, time in ns, length of the name, the name, offset, length, bytes. */
#define _GNU_SOURCE
#include <dlfcn.h>
#include <fcntl.h>
#include <stdarg.h>
#include <stdint.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <pthread.h>
#include <sys/stat.h>
#include <sys/syscall.h>
#include <time.h>
#include <unistd.h>

static int log_fd = -1;
static const char *folder;
static pthread_mutex_t turn = PTHREAD_MUTEX_INITIALIZER;

static void begin(void) {
  if (folder) return;
  const char *name = getenv("IOLOG_FILE");
  folder = getenv("IOLOG_FOLDER");
  if (!folder) folder = "";
  if (name) log_fd = syscall(SYS_openat, AT_FDCWD, name, O_WRONLY | O_CREAT | O_APPEND, 0600);
}

static int name_of(int fd, char *name) {
  char link[64];
  snprintf(link, sizeof link, "/proc/self/fd/%d", fd);
  ssize_t n = readlink(link, name, 4000);
  if (n <= 0) return 0;
  name[n] = 0;
  return 1;
}

static void record(char kind, const char *name, int64_t offset, const void *bytes, int64_t length) {
  begin();
  if (log_fd < 0 || !*folder || strncmp(name, folder, strlen(folder)) != 0) return;
  struct timespec now;
  clock_gettime(CLOCK_MONOTONIC, &now);
  int64_t head[4] = {now.tv_sec * 1000000000LL + now.tv_nsec, (int64_t)strlen(name), offset, bytes ? length : 0};
  pthread_mutex_lock(&turn);
  syscall(SYS_write, log_fd, &kind, 1);
  syscall(SYS_write, log_fd, head, sizeof head);
  syscall(SYS_write, log_fd, name, strlen(name));
  if (bytes && length > 0) syscall(SYS_write, log_fd, bytes, length);
  pthread_mutex_unlock(&turn);
}

#define REAL(type, name, ...) ((type(*)(__VA_ARGS__))dlsym(RTLD_NEXT, name))

ssize_t pwrite64(int fd, const void *bytes, size_t n, off64_t at) {
  ssize_t done = REAL(ssize_t, "pwrite64", int, const void *, size_t, off64_t)(fd, bytes, n, at);
  char name[4096];
  if (done > 0 && name_of(fd, name)) record('w', name, at, bytes, done);
  return done;
}
ssize_t pwrite(int fd, const void *bytes, size_t n, off_t at) { return pwrite64(fd, bytes, n, at); }

ssize_t write(int fd, const void *bytes, size_t n) {
  char name[4096];
  int known = fd > 2 && name_of(fd, name);
  off_t at = known ? lseek(fd, 0, SEEK_CUR) : 0;
  ssize_t done = REAL(ssize_t, "write", int, const void *, size_t)(fd, bytes, n);
  if (done > 0 && known && at >= 0) record('w', name, at, bytes, done);
  return done;
}
int ftruncate64(int fd, off64_t length) {
  int done = REAL(int, "ftruncate64", int, off64_t)(fd, length);
  char name[4096];
  if (done == 0 && name_of(fd, name)) record('t', name, length, NULL, 0);
  return done;
}
int ftruncate(int fd, off_t length) { return ftruncate64(fd, length); }
static int synced(int fd, int done) {
  char name[4096];
  if (done == 0 && name_of(fd, name)) record('s', name, 0, NULL, 0);
  return done;
}
int fsync(int fd) { return synced(fd, REAL(int, "fsync", int)(fd)); }
int fdatasync(int fd) { return synced(fd, REAL(int, "fdatasync", int)(fd)); }
int unlink(const char *name) {
  int done = REAL(int, "unlink", const char *)(name);
  if (done == 0) record('u', name, 0, NULL, 0);
  return done;
}
int rename(const char *from, const char *to) {
  int done = REAL(int, "rename", const char *, const char *)(from, to);
  if (done == 0) record('r', from, 0, to, strlen(to));
  return done;
}
