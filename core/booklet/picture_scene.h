// A view of the figure laid into a picture, and how its shapes are drawn there.
#pragma once

#include "anatomy/outline.h"
#include "anatomy/plane.h"
#include "sheet/tiles.h"

#include <vector>

namespace columna {

// Wool, its far side, coat, and what is lit: told apart by how light they are, too.
inline constexpr Rgb kPictureCore{246, 240, 228};
inline constexpr Rgb kPictureFar{226, 217, 201};
inline constexpr Rgb kPictureCoat{222, 205, 176};
inline constexpr Rgb kPictureLit{172, 184, 222};
inline constexpr Rgb kPictureLitEdge{39, 50, 94};
inline constexpr double kPictureEdge = 0.22; ///< mm, an outline
inline constexpr double kPictureRoom = 2;    ///< mm clear all round

/// A view of the figure laid into a picture.
struct PictureScene {
  View view = View::Side;
  bool mirrored = false; ///< from the animal's left
  double scale = 1;      ///< mm of the picture a mm of the figure
  Bounds2 box;           ///< of the finished figure, mm, turned over where it is mirrored
  Point origin{0, 0};    ///< of the box's top left corner in the picture

  [[nodiscard]] Point at(Vec2 p) const {
    if (mirrored) p.x() = -p.x();
    return origin + scale * Point(p.x() - box.low.x(), box.high.y() - p.y());
  }
  [[nodiscard]] Point at(const Vec3& p) const { return at(project(p, view)); }
  [[nodiscard]] Mark shape(const Polygon& polygon, double width, Rgb stroke) const {
    Mark m;
    m.closed = true;
    m.width = width;
    m.stroke = stroke;
    for (const Vec2& p : polygon) m.points.push_back(at(p));
    return m;
  }
  void fill(Drawn& out, const std::vector<Polygon>& polygons, Rgb colour, double width = kPictureEdge,
            Rgb stroke = kFaint) const {
    for (const Polygon& polygon : polygons) {
      Mark m = shape(polygon, width, stroke);
      m.filled = signedArea(polygon) > 0; // a hole is left as it is
      m.fill = colour;
      out.marks.push_back(std::move(m));
    }
  }
};

} // namespace columna
