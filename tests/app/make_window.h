// Make on a saved figure with a clock of the test's own.
#pragma once

#include "window.h"

#include "make/bench_board.h"
#include "make/local_time.h"
#include "make/make_desk.h"
#include "make/make_stage.h"

#include <QTemporaryDir>

namespace columna::test {

class MakeTest : public WindowTest {
protected:
  void SetUp() override {
    WindowTest::SetUp();
    ASSERT_TRUE(folder.isValid());
    path = folder.filePath(QStringLiteral("otter.columna"));
    session.finishSolid();
    ASSERT_FALSE(session.save(path));
    now = *secondsOf("2026-12-01T19:00:00Z");
    view().setClock([this] { return now; });
    to(kMake);
    settle();
  }
  MakeView& view() { return window.stage<MakeStage>()->view(); }
  BenchBoard* bench() { return window.stage<MakeStage>()->bench(); }
  void settle() {
    QTRY_VERIFY_WITH_TIMEOUT(view().steps() && !view().behind() && !session.solidBehind(), kPatience);
  }
  void atBench() {
    QTest::keyClick(window.mat(), Qt::Key_B);
    ASSERT_TRUE(bench());
    settle();
  }
  void press(int key) {
    QWidget* to = bench()->field()->isVisible() ? static_cast<QWidget*>(bench()->field()) : bench();
    QTest::keyClick(to, static_cast<Qt::Key>(key));
  }
  void minutes(double count) { now += std::llround(60 * count); }
  [[nodiscard]] size_t count(EntryKind kind) const {
    return static_cast<size_t>(std::count_if(session.record().begin(), session.record().end(),
                                             [&](const Entry& e) { return e.kind == kind; }));
  }
  /// The first step with a goal of that kind.
  int withGoal(Goal::What what) {
    const auto& steps = view().steps()->steps;
    for (size_t i = 0; i < steps.size(); ++i)
      if (!steps[i].goals.empty() && steps[i].goals.front().what == what) return static_cast<int>(i);
    return -1;
  }

  QTemporaryDir folder;
  QString path;
  std::int64_t now = 0;
};

} // namespace columna::test
