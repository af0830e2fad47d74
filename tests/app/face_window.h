// Face in the real window, for its tests.
#pragma once

#include "window.h"

#include "face/face_card.h"
#include "face/face_desk.h"
#include "face/face_layer.h"
#include "face/face_stage.h"

#include <QElapsedTimer>

namespace columna::test {

class FaceTest : public WindowTest {
protected:
  FaceTest() {
    (void)changes::setPattern(session, QStringLiteral("red_fox"));
    to(kFace);
    wait();
  }
  FaceView& face() { return window.stage<FaceStage>()->view(); }
  FaceLayer* layer() { return window.mat()->layer<FaceLayer>(); }
  const FaceSums& sums() { return *face().sums(); }
  /// Until sums and pictures are of the project as it is.
  void wait() {
    QElapsedTimer clock;
    clock.start();
    QApplication::processEvents();
    while (face().behind() && clock.elapsed() < kPatience) QTest::qWait(5);
    QApplication::processEvents();
  }
  const FacePad& pad(const std::string& id) {
    for (const FacePad& each : sums().report.pads)
      if (each.feature->id == id) return each;
    throw std::runtime_error("no such pad");
  }
  QPoint at(const FacePick& pick) {
    return layer()->pixelOf(pick, window.mat()->port(window.mat()->mainView())).value_or(QPointF()).toPoint();
  }
};

} // namespace columna::test
