/* The system clock some seconds on (MERIENDA_CLOCK), for programs that are started with this library in LD_PRELOAD. Waiting is not touched. */
#include <stdlib.h>
#include <sys/syscall.h>
#include <sys/time.h>
#include <time.h>
#include <unistd.h>

int clock_gettime(clockid_t clock, struct timespec *at)
{
    int result = syscall(SYS_clock_gettime, clock, at);
    const char *seconds = getenv("MERIENDA_CLOCK");
    if (result == 0 && seconds != NULL && (clock == CLOCK_REALTIME || clock == CLOCK_REALTIME_COARSE))
        at->tv_sec += atol(seconds);
    return result;
}

int gettimeofday(struct timeval *at, void *zone)
{
    struct timespec now;
    (void)zone;
    clock_gettime(CLOCK_REALTIME, &now);
    at->tv_sec = now.tv_sec;
    at->tv_usec = now.tv_nsec / 1000;
    return 0;
}

time_t time(time_t *at)
{
    struct timespec now;
    clock_gettime(CLOCK_REALTIME, &now);
    if (at != NULL)
        *at = now.tv_sec;
    return now.tv_sec;
}
