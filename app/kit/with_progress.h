// Long work beside the window, which goes on being drawn, under a bar that can stop it.
#pragma once

#include "kit/beside.h"

#include <QCoreApplication>
#include <QEventLoop>
#include <QProgressDialog>
#include <QTimer>

#include <algorithm>
#include <atomic>

namespace columna {

/// What the work found. It is called with the flag that stops it and the thousandths it has done; it gives up
/// soon after it is stopped. `stopped` says whether that was so.
template <class Work>
auto withProgress(QWidget* parent, const QString& words, bool& stopped, Work work) {
  std::atomic<bool> stop{false};
  std::atomic<int> progress{0};
  QProgressDialog dialog(words, QCoreApplication::translate("columna::withProgress", "Stop"), 0, 1000,
                         parent);
  dialog.setWindowModality(Qt::WindowModal);
  dialog.setMinimumDuration(300);
  QFutureWatcher<std::invoke_result_t<Work&, std::atomic<bool>&, std::atomic<int>&>> watcher;
  QEventLoop loop;
  QTimer tick;
  tick.setInterval(50);
  QObject::connect(&tick, &QTimer::timeout, &dialog, [&] {
    if (dialog.wasCanceled())
      stop = true;
    else
      dialog.setValue(std::min(999, progress.load()));
  });
  QObject::connect(&watcher, &QFutureWatcherBase::finished, &loop, &QEventLoop::quit);
  watcher.setFuture(
      beside([&stop, &progress, work = std::move(work)]() mutable { return work(stop, progress); }));
  tick.start();
  if (!watcher.isFinished()) loop.exec();
  dialog.reset();
  stopped = stop;
  return answerOf(watcher);
}

} // namespace columna
