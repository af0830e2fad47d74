// The letters of the pieces, each on a tag beside its wire.
#pragma once

#include "mat/shape.h"
#include "session/session.h"
#include "stage/mat_layer.h"

namespace columna {

class TagLayer : public MatLayer {
public:
  TagLayer(Session& session, Shapes& shapes) : session_(session), shapes_(shapes) {}
  void paintOver(QPainter& p, const Viewport& v, bool large) override;

private:
  Session& session_;
  Shapes& shapes_;
};

} // namespace columna
