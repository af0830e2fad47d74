// Outlines of a figure for painting and picking, kept in modules so that they serve at any size.
#pragma once

#include "anatomy/outline.h"

#include <QPainterPath>

#include <array>
#include <optional>
#include <vector>

namespace columna {

/// A limb alone, and its core.
struct LimbShape {
  std::uint64_t surface = 0; ///< what it was made of
  double coatShare = 0;
  bool coarse = false;           ///< made under the hand, with fewer corners
  std::vector<Polygon> polygons; ///< in modules
  QPainterPath outline;
  mutable QPainterPath kept; ///< of the core, once asked for
  /// The outline less the coat.
  [[nodiscard]] const QPainterPath& core() const;
  void setCoat(double share) {
    coatShare = share;
    kept.clear();
  }
};

/// One view's outlines as painter paths: x right, y up (the painter's transform turns it over), in modules.
struct ViewShape {
  QPainterPath near;         ///< body and the limbs on this side, one outline
  QPainterPath far;          ///< limbs of the other side (side view only)
  QPainterPath flats;        ///< ears, plumes
  QRectF bounds;             ///< of all of it, y up
  std::vector<Polygon> body; ///< what `near` is drawn from
  double coatShare = 0;      ///< the coat over a module
  mutable QPainterPath kept; ///< of the core, once asked for
  /// `near` less the coat.
  [[nodiscard]] const QPainterPath& core() const;
  void setCoat(double share) {
    coatShare = share;
    kept.clear();
  }
};

class Shapes {
public:
  /// Outlines of the figure; made anew only when the proportions changed.
  const ViewShape& of(const Figure& figure, double coat, View view);
  /// While something is dragged in one view the others may show the shape as it was; nothing lets all follow.
  void follow(std::optional<View> only);
  /// Something is dragged: quick matters more than fine.
  [[nodiscard]] bool coarse() const { return only_.has_value(); }
  /// A limb's own outlines, made when first asked for.
  const LimbShape& limb(const Figure& figure, double coat, View view, int limb);
  /// The limb at a place in modules: of this side first, the smallest of those that hold it; -1 if none.
  int limbAt(const Figure& figure, double coat, View view, const QPointF& at);

private:
  struct Kept {
    std::uint64_t shape = 0;
    double coatShare = -1;
    std::optional<ViewShape> whole;
    bool coarse = false; ///< made while something was dragged
    std::vector<std::optional<LimbShape>> limbs;
  };
  Kept& kept(const Figure& figure, double coat, View view);
  std::optional<View> only_;
  std::array<Kept, 3> views_;
};

/// Whether a limb lies on the side that a view from the right shows behind.
[[nodiscard]] inline bool isFar(const FigureLimb& limb, View view) {
  return view == View::Side && limb.side > 0;
}

/// Polygons as one path, in the unit they are given divided by `unit`.
[[nodiscard]] QPainterPath toPath(const std::vector<Polygon>& polygons, double unit);

} // namespace columna
