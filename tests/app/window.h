// A real window on a real session, driven by mouse and keyboard.
#pragma once

#include "all_stages.h"
#include "pose/pose_layer.h"
#include "pose/pose_stage.h"
#include "session/build_view.h"
#include "session/changes.h"
#include "session/session.h"
#include "session/stance_view.h"
#include "shell/limb_card.h"
#include "shell/main_window.h"
#include "shell/spine.h"
#include "shell/tally.h"
#include "shell/title_rail.h"
#include "study/gallery.h"
#include "study/size_layer.h"
#include "study/study_card.h"
#include "study/study_layer.h"
#include "study/study_stage.h"
#include "support.h"
#include "wire/end_layer.h"
#include "wire/wire_card.h"
#include "wire/wire_rack.h"
#include "wire/wire_stage.h"
#include "wrap/wrap_card.h"
#include "wrap/wrap_rack.h"
#include "wrap/wrap_stage.h"

#include <QApplication>
#include <QLineEdit>
#include <QMessageBox>
#include <QTest>
#include <QTimer>

// Outside of Qt's own runner these only return when they fail, and the test would pass.
#undef QTRY_VERIFY_WITH_TIMEOUT
#define QTRY_VERIFY_WITH_TIMEOUT(expr, timeout)                                                              \
  ASSERT_TRUE(QTest::qWaitFor([&] { return static_cast<bool>(expr); }, timeout)) << #expr
#undef QTRY_COMPARE_WITH_TIMEOUT
#define QTRY_COMPARE_WITH_TIMEOUT(one, other, timeout)                                                       \
  ASSERT_TRUE(QTest::qWaitFor([&] { return (one) == (other); }, timeout)) << #one

namespace columna::test {

/// Any project at all as one step to undo, for what no single change gives.
template <class Act>
std::optional<QString> decide(Session& session, const char* name, Act act) {
  Project project = session.project();
  act(project);
  return session.apply(QString::fromUtf8(name), std::move(project));
}

/// ms: tests wait for an event, not for the clock; only a hang lasts so long.
inline constexpr int kPatience = 300000;

class WindowTest : public ::testing::Test {
protected:
  WindowTest() : session(shelf()), window(session, allStages(session)) {
    window.resize(1280, 800);
    window.show();
    (void)QTest::qWaitForWindowExposed(&window);
    window.activateWindow();
    window.mat()->setFocus();
  }
  ~WindowTest() override { session.endRun(); }

  [[nodiscard]] const Plan& plan() const { return session.plan(); }
  [[nodiscard]] int limb(const char* id) const { return *plan().figure->limb(id); }
  [[nodiscard]] double diameter(const char* id) const {
    return plan().limbs[static_cast<size_t>(limb(id))].section.diameter;
  }

  /// A widget of its kind, of whichever stage.
  template <class Part>
  Part* part() const {
    return window.findChild<Part*>();
  }
  template <class Card>
  Card* card() const {
    return part<Card>();
  }
  StudyView& study() { return window.stage<StudyStage>()->view(); }
  WireView& wire() { return window.stage<WireStage>()->view(); }
  PoseView& poseView() { return window.stage<PoseStage>()->view(); }
  WrapView& wrapView() { return window.stage<WrapStage>()->view(); }
  /// What the flat views draw in Wrap.
  const Plan& builtPlan() { return session.build().plan(window.stage<WrapStage>()->look().stance); }
  QPoint handleOf(SizeBy by) {
    const Mat* mat = window.mat();
    return mat->layer<SizeLayer>()->handleOf(mat->port(mat->mainView()), by).value_or(QPointF()).toPoint();
  }

  void to(StageId stage) {
    int index = 0;
    while (!(window.stages()[static_cast<size_t>(index)]->id() == stage)) ++index;
    QTest::keyClick(&window, static_cast<Qt::Key>(Qt::Key_1 + index), Qt::AltModifier);
    ASSERT_EQ(session.stage(), stage);
  }

  void click(int limb) { QTest::mouseClick(window.mat(), Qt::LeftButton, {}, window.mat()->pointOf(limb)); }

  static void type(QLineEdit* field, const char* text) {
    field->setFocus();
    field->selectAll();
    QTest::keyClicks(field, QString::fromUtf8(text));
    QTest::keyClick(field, Qt::Key_Return);
  }

  /// Answers the next message box with one of its buttons and keeps what it said.
  void answer(QMessageBox::StandardButton button) {
    QTimer::singleShot(0, [this, button] {
      auto* box = qobject_cast<QMessageBox*>(QApplication::activeModalWidget());
      if (!box) return;
      said = box->text();
      box->button(button)->click();
    });
  }

  Session session;
  MainWindow window;
  QString said;
};

} // namespace columna::test
