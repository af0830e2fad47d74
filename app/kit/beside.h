// Work beside the window, which gives way to it.
#pragma once

#include <QFutureWatcher>
#include <QPromise>
#include <QRunnable>
#include <QThreadPool>

#include <exception>
#include <type_traits>
#include <utility>

#include <sys/resource.h>
#include <unistd.h>

#ifdef COLUMNA_THREAD_SANITIZED
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
#ifdef COLUMNA_THREAD_SANITIZED
  __tsan_release(besideThreads());
#endif
}
inline void takeOver() {
#ifdef COLUMNA_THREAD_SANITIZED
  __tsan_acquire(besideThreads());
#endif
}

/// A piece of work and where its answer goes. Made whole before it is handed over: what a thread is given
/// must all have been written by then.
template <class Work>
class BesideTask : public QRunnable {
public:
  using Answer = std::invoke_result_t<Work&>;
  explicit BesideTask(Work&& work) : work_(std::move(work)) { promise_.start(); }
  [[nodiscard]] QFuture<Answer> future() const { return promise_.future(); }

  void run() override {
    takeOver();
    constexpr int nice = 4;
    (void)::setpriority(PRIO_PROCESS, static_cast<id_t>(::gettid()), nice); // of this thread alone, on Linux
    try {
      promise_.addResult(work_());
    } catch (...) {
      promise_.setException(std::current_exception()); // whoever takes the answer hears of it
    }
    handOver();
    promise_.finish();
  }

private:
  Work work_;
  QPromise<Answer> promise_;
};

/// Runs `work` on another thread, at a lower priority than the window's: on a machine of few cores what is
/// under the hand comes first. Threads it starts inherit that.
template <class Work>
auto beside(Work work) {
  takeOver();                                         // an earlier answer may go when this one is awaited
  auto* task = new BesideTask<Work>(std::move(work)); // the pool's, which deletes it
  auto future = task->future();
  handOver();
  besideThreads()->start(task);
  return future;
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
