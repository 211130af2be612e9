/* Stands between a program and the disk: counts what it writes below one folder, and at a chosen call
   kills the process there and then (a write is torn in half first), or lets the disk be full from there on. */
#define _GNU_SOURCE
#include <dlfcn.h>
#include <errno.h>
#include <fcntl.h>
#include <limits.h>
#include <signal.h>
#include <stdarg.h>
#include <stdio.h>
#include <string.h>
#include <sys/types.h>
#include <unistd.h>

static char folder[PATH_MAX];
static long calls, kill_at, full_from;

void shim_arm(const char *below, long kill_at_call, long full_from_call) {
    strncpy(folder, below, sizeof folder - 1);
    calls = 0;
    kill_at = kill_at_call;
    full_from = full_from_call;
}

long shim_calls(void) { return calls; }

static int below(const char *path) { return folder[0] && path && !strncmp(path, folder, strlen(folder)); }

static int ours(int fd) {
    char link[64], path[PATH_MAX];
    if (!folder[0]) return 0;
    snprintf(link, sizeof link, "/proc/self/fd/%d", fd);
    ssize_t length = readlink(link, path, sizeof path - 1);
    if (length < 0) return 0;
    path[length] = 0;
    return below(path);
}

/* 1: this call is to fail as on a full disk. Kills the process if its time has come. */
static int meet(void) {
    calls++;
    if (kill_at && calls == kill_at) kill(getpid(), SIGKILL);
    return full_from && calls >= full_from;
}

#define REAL(name) ((__typeof__(&name))dlsym(RTLD_NEXT, #name))

#define WRITES(name, parameters, torn, whole)                       \
    ssize_t name parameters {                                       \
        if (ours(fd)) {                                             \
            if (kill_at && calls + 1 == kill_at && count > 1) torn; \
            if (meet()) {                                           \
                errno = ENOSPC;                                     \
                return -1;                                          \
            }                                                       \
        }                                                           \
        return whole;                                               \
    }

WRITES(write, (int fd, const void *data, size_t count), (void)!REAL(write)(fd, data, count / 2),
       REAL(write)(fd, data, count))
WRITES(pwrite, (int fd, const void *data, size_t count, off_t at), (void)!REAL(pwrite)(fd, data, count / 2, at),
       REAL(pwrite)(fd, data, count, at))
WRITES(pwrite64, (int fd, const void *data, size_t count, off64_t at), (void)!REAL(pwrite64)(fd, data, count / 2, at),
       REAL(pwrite64)(fd, data, count, at))

#define KEEPS(name, parameters, mine, whole)   \
    int name parameters {                      \
        if (mine) meet();                      \
        return whole;                          \
    }

KEEPS(fsync, (int fd), ours(fd), REAL(fsync)(fd))
KEEPS(fdatasync, (int fd), ours(fd), REAL(fdatasync)(fd))
KEEPS(ftruncate, (int fd, off_t size), ours(fd), REAL(ftruncate)(fd, size))
KEEPS(ftruncate64, (int fd, off64_t size), ours(fd), REAL(ftruncate64)(fd, size))
KEEPS(fallocate, (int fd, int mode, off_t at, off_t size), ours(fd), REAL(fallocate)(fd, mode, at, size))
KEEPS(unlink, (const char *path), below(path), REAL(unlink)(path))
KEEPS(mkdir, (const char *path, mode_t mode), below(path), REAL(mkdir)(path, mode))
KEEPS(rename, (const char *from, const char *to), below(to), REAL(rename)(from, to))
KEEPS(fchmod, (int fd, mode_t mode), ours(fd), REAL(fchmod)(fd, mode))
KEEPS(chmod, (const char *path, mode_t mode), below(path), REAL(chmod)(path, mode))
