// Work beside the window, which gives way to it.
#pragma once

#include <QFutureWatcher>
#include <QThreadPool>
#include <QtConcurrent>

#include <sys/resource.h>
#include <unistd.h>

#ifdef __SANITIZE_THREAD__
#include <sanitizer/tsan_interface.h>
#endif

namespace columna {

/// Threads of the program's own: painting shares out its lines on Qt's common ones, and would wait behind a
/// long piece of work there.
inline QThreadPool* besideThreads() {
  static QThreadPool pool;
  return &pool;
}

/// Qt hands work and answers over under locks of its own, which the thread sanitizer does not see. These say
/// so to it: what was done before a handOver() is there after a takeOver(). Without it they are nothing.
inline void handOver() {
#ifdef __SANITIZE_THREAD__
  __tsan_release(besideThreads());
#endif
}
inline void takeOver() {
#ifdef __SANITIZE_THREAD__
  __tsan_acquire(besideThreads());
#endif
}

/// Runs `work` on another thread, at a lower priority than the window's: on a machine of few cores what is
/// under the hand comes first. Threads it starts inherit that.
template <class Work>
auto beside(Work&& work) {
  takeOver(); // an earlier answer may go when this one is awaited
  handOver();
  return QtConcurrent::run(besideThreads(), [work = std::forward<Work>(work)]() mutable {
    takeOver();
    constexpr int nice = 4;
    (void)::setpriority(PRIO_PROCESS, static_cast<id_t>(::gettid()), nice); // of this thread alone, on Linux
    auto answer = work();
    handOver();
    return answer;
  });
}

/// What was found; waits for it.
template <class Answer>
Answer answerOf(QFutureWatcher<Answer>& watcher) {
  watcher.waitForFinished();
  takeOver();
  return watcher.result();
}

/// Waits until nothing is under way.
template <class Answer>
void awaitEnd(QFutureWatcher<Answer>& watcher) {
  watcher.waitForFinished();
  takeOver();
}

} // namespace columna
