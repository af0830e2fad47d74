// Paints the figure in one view: body, wire, girths, joints, as the stage asks.
#pragma once

#include "mat/mat_wool.h"
#include "mat/shape.h"
#include "plan/plan.h"
#include "stage/stage_look.h"
#include "stage/viewport.h"

#include <QPainter>

namespace columna {

struct FigurePaint {
  StageLook look;
  int selected = -1;
  int hovered = -1;
  bool throughWool = false; ///< the wire is shown in every stage
  UnitSystem units = UnitSystem::Metric;
  bool small = false;            ///< a small view: letters instead of tags, no numbers
  const MatWool* wool = nullptr; ///< what of the wool shows under the lines; null: nothing does
};

class FigurePainter {
public:
  FigurePainter(QPainter& painter, const Viewport& viewport, const Plan& plan, Shapes& shapes,
                const FigurePaint& how)
      : p_(painter), v_(viewport), plan_(plan), shapes_(shapes), how_(how) {}

  void body();
  void wire();
  /// In a small view: every piece's letter by its end.
  void letters();
  void joints();
  void girths();
  void grams();
  void findings();

private:
  [[nodiscard]] QTransform transform() const;
  [[nodiscard]] const LimbShape& limb(int index) const {
    return shapes_.limb(plan_.figure, plan_.wool->coatThickness, v_.view, index);
  }
  void piece(int index, bool far);
  /// The wool's picture within the body's outline.
  void paintWool(const QPainterPath& body);
  /// Whether a place lies within the trunk's outline: a girth there cannot be taped.
  [[nodiscard]] bool insideBody(const Vec3& place);
  [[nodiscard]] bool chosen(int limb) const;
  [[nodiscard]] std::vector<QPolygonF> pathsOf(const Piece& piece, bool& smooth) const;

  QPainter& p_;
  const Viewport& v_;
  const Plan& plan_;
  Shapes& shapes_;
  const FigurePaint& how_;
};

/// A dimension line with its ends, in the painter's pen.
void paintDimension(QPainter& painter, const QLineF& line);

/// Text with a patch of ground under it.
void paintPatched(QPainter& painter, const QPointF& centre, const QString& text);

/// A piece's swing tag with its letter; `towards` is the side its point is on.
void paintTag(QPainter& painter, const QPointF& tip, bool pointsLeft, const QString& letter,
              const QColor& colour);

/// A stroke of wire with its piece's pattern.
void paintWire(QPainter& painter, const QPainterPath& path, double width, int piece, double opacity,
               bool pattern, bool onWool);

/// Four slanted strokes: a lashing.
void paintLashing(QPainter& painter, const QPointF& at, double size, const QColor& colour);

} // namespace columna
