// Joints in the round: their verdicts, and the hand on them.
#pragma once

#include "pose/pose_view.h"
#include "session/session.h"
#include "stage/round_layer.h"

namespace columna {

class PoseRound : public RoundLayer {
public:
  PoseRound(Session& session, const PoseView& view) : session_(session), view_(view) {}
  void paint(QPainter& painter, const Camera& camera, const QSize& size) const override;
  [[nodiscard]] QString hint() const override;
  [[nodiscard]] int pointAt(const Camera& camera, const QPointF& pixel) const override;
  void drag(int point, const Vec3& place) override;

private:
  Session& session_;
  const PoseView& view_;
};

} // namespace columna
