// Study in the real window: its grips by mouse, and pictures drawn to be traced.
#pragma once

#include "window.h"

#include "kit/picture.h"
#include "study/character_panel.h"
#include "study/compare_panel.h"
#include "study/made_panel.h"
#include "study/photo_panel.h"
#include "study/scale_panel.h"
#include "study/study_rack.h"

#include <QCheckBox>
#include <QComboBox>
#include <QElapsedTimer>
#include <QLabel>
#include <QListWidget>
#include <QPainter>
#include <QSignalSpy>
#include <QSlider>

#include <cmath>

namespace columna::test {

class StudyTest : public WindowTest {
protected:
  StudyTest() { connect(); }

  [[nodiscard]] StudyLayer* layer() const { return window.mat()->layer<StudyLayer>(); }

  QPoint grip(View view, const std::function<bool(const Grip&)>& wanted) {
    for (const Grip& g : layer()->grips(window.mat()->port(view)))
      if (wanted(g)) return g.at.toPoint();
    ADD_FAILURE() << "no such grip";
    return {};
  }
  QPoint joint(View view, const char* id) {
    return grip(view, [id](const Grip& g) { return g.kind == Grip::Kind::Joint && g.joint == id; });
  }
  void drag(const QPoint& from, const QPoint& by, Qt::KeyboardModifiers keys = {}) {
    QTest::mousePress(window.mat(), Qt::LeftButton, keys, from);
    for (int i = 1; i <= 10; ++i) {
      QMouseEvent move(QEvent::MouseMove, from + by * i / 10.0, window.mat()->mapToGlobal(from + by * i / 10),
                       Qt::NoButton, Qt::LeftButton, keys);
      QApplication::sendEvent(window.mat(), &move);
    }
    QTest::mouseRelease(window.mat(), Qt::LeftButton, keys, from + by);
  }
  [[nodiscard]] Vec3 place(const char* sided) const {
    return *jointPlace(plan().pattern, sided) * plan().figure->scale;
  }
  [[nodiscard]] double boneLength(const char* id) const {
    for (const FigureBone& b : plan().figure->bones)
      if (b.id == id) return b.length;
    return 0;
  }

  /// A picture of the animal, drawn: its joints' places in it are returned.
  std::map<std::string, Vec2> drawPicture(const QString& path, const Pattern& pattern, double scale,
                                          double turn) {
    QImage image(1200, 700, QImage::Format_RGB32);
    image.fill(QColor(0xc8, 0xd2, 0xc0));
    QPainter p(&image);
    Similarity s;
    s.scale = scale;
    s.turn = turn;
    s.shift = Vec2(420, -520);
    p.setPen(QPen(Qt::black, 6));
    for (const PatternBone& b : pattern.bones) {
      const Vec2 from = s.toPicture(project(pattern.joints.at(b.from), View::Side));
      const Vec2 to = s.toPicture(project(pattern.joints.at(b.to), View::Side));
      p.drawLine(QPointF(from.x(), from.y()), QPointF(to.x(), to.y()));
    }
    p.end();
    EXPECT_TRUE(image.save(path));
    std::map<std::string, Vec2> out;
    for (const std::string& joint : landmarksOf(pattern, View::Side))
      out[joint] = s.toPicture(project(*jointPlace(pattern, joint), View::Side));
    return out;
  }

  void loadPicture(const QString& path) {
    study().setWay(Way::Photo);
    QSignalSpy loaded(part<StudyRack>()->photo(), &PhotoPanel::loaded);
    part<StudyRack>()->photo()->load(path, View::Side);
    ASSERT_TRUE(loaded.wait(10000));
    QApplication::processEvents();
  }

  void connect() {
    QObject::connect(&session, &Session::refused, &session,
                     [this](const QString& sentence) { refusal = sentence; });
  }
  QString refusal;
};

} // namespace columna::test
