// Girths by the tape and places of pads on the figure in the round.
#pragma once

#include "session/session.h"
#include "stage/round_layer.h"

namespace columna {

class WrapRound : public RoundLayer {
public:
  explicit WrapRound(Session& session) : session_(session) {}
  void paint(QPainter& painter, const Camera& camera, const QSize& size) const override;
  [[nodiscard]] QString hint() const override;

private:
  void paintGirths(QPainter& p, const Camera& camera) const;
  /// Those of the selected limb, or the one under the hand.
  void paintPads(QPainter& p, const Camera& camera, int width) const;
  Session& session_;
};

} // namespace columna
