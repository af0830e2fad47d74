// Work beside the window, which gives way to it.
#pragma once

#include <QThreadPool>
#include <QtConcurrent>

#include <sys/resource.h>
#include <unistd.h>

namespace columna {

/// Threads of the program's own: painting shares out its lines on Qt's common ones, and would wait behind a
/// long piece of work there.
inline QThreadPool* besideThreads() {
  static QThreadPool pool;
  return &pool;
}

/// Runs `work` on another thread, at a lower priority than the window's: on a machine of few cores what is
/// under the hand comes first. Threads it starts inherit that.
template <class Work>
auto beside(Work&& work) {
  return QtConcurrent::run(besideThreads(), [work = std::forward<Work>(work)]() mutable {
    constexpr int nice = 4;
    (void)::setpriority(PRIO_PROCESS, static_cast<id_t>(::gettid()), nice); // of this thread alone, on Linux
    return work();
  });
}

} // namespace columna
