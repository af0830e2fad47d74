#include "anatomy/outline.h"

#include "anatomy/hull.h"
#include "anatomy/plane.h"

#include <Eigen/Geometry>
#include <clipper.hpp>

#include <algorithm>
#include <cmath>
#include <numbers>
#include <numeric>

namespace columna {
namespace {

namespace clip = ClipperLib;

constexpr double kSlit = 12;       ///< grid units: what rounding leaves open
constexpr int kFineCorners = 48;   ///< of a round section where the whole figure is shown
constexpr size_t kRoughStride = 2; ///< slabs that are one, under the hand
constexpr size_t kRoughFlat = 40;  ///< of a flat part's outline, under the hand
constexpr double kBlend = 60;      ///< of a whole body: notches where limbs join, as wool fills them

clip::IntPoint toGrid(const Vec2& p, double unit) {
  return {static_cast<clip::cInt>(std::llround(p.x() / unit)),
          static_cast<clip::cInt>(std::llround(p.y() / unit))};
}

void addRing(std::vector<Vec2>& points, const Ring& ring, View view, int corners) {
  const Vec2 centre = project(ring.centre, view);
  const Vec2 u = project(ring.u, view) * ring.ru;
  const Vec2 v = project(ring.v, view) * ring.rv;
  for (int i = 0; i < corners; ++i) {
    const double a = 2 * std::numbers::pi * i / corners;
    points.push_back(centre + u * std::cos(a) + v * std::sin(a));
  }
}

clip::Path toPath(const std::vector<Vec2>& points, double unit) {
  clip::Path path;
  path.reserve(points.size());
  for (const Vec2& p : points) path.push_back(toGrid(p, unit));
  return path;
}

std::vector<Polygon> toPolygons(clip::Paths paths, double unit) {
  clip::CleanPolygons(paths, 6);
  std::vector<Polygon> out;
  for (const clip::Path& path : paths) {
    // Slivers between touching limbs are not worth drawing.
    if (path.size() < 3 || std::abs(clip::Area(path)) < 400) continue;
    Polygon polygon;
    polygon.reserve(path.size());
    for (const clip::IntPoint& p : path)
      polygon.emplace_back(static_cast<double>(p.X) * unit, static_cast<double>(p.Y) * unit);
    out.push_back(std::move(polygon));
  }
  return out;
}

clip::Paths offset(const clip::Paths& paths, double by, clip::JoinType join) {
  clip::ClipperOffset work(2, 8);
  work.AddPaths(paths, join, clip::etClosedPolygon);
  clip::Paths out;
  work.Execute(out, by);
  return out;
}

/// `close`: gaps narrower than twice that, in grid units, are filled.
clip::Paths unite(const clip::Paths& paths, double close = kSlit) {
  clip::Clipper clipper;
  clipper.AddPaths(paths, clip::ptSubject, true);
  clip::Paths merged;
  clipper.Execute(clip::ctUnion, merged, clip::pftNonZero, clip::pftNonZero);
  // Rings seen edge-on leave hairline slits where two hulls share a line: grown and shrunk again, they close.
  clip::CleanPolygons(merged, 3);
  return offset(offset(merged, close, clip::jtMiter), -close, clip::jtMiter);
}

clip::Paths limbPaths(const Figure& figure, const std::vector<int>& limbs, View view, double unit,
                      int corners, size_t stride = 1) {
  clip::Paths paths;
  for (const Tube& tube : figure.tubes)
    for (size_t i = 0, next = 0; i + 1 < tube.rings.size(); i = next) {
      const int limb = figure.bones[static_cast<size_t>(tube.slabBone[i])].limb;
      for (next = i + 1; next < i + stride && next + 1 < tube.rings.size(); ++next)
        if (figure.bones[static_cast<size_t>(tube.slabBone[next])].limb != limb) break;
      if (std::find(limbs.begin(), limbs.end(), limb) == limbs.end()) continue;
      std::vector<Vec2> points;
      points.reserve((stride + 1) * static_cast<size_t>(corners));
      for (size_t r = i; r <= next; ++r) addRing(points, tube.rings[r], view, corners);
      paths.push_back(toPath(convexHull(std::move(points)), unit));
    }
  return paths;
}

/// Of its outline so many corners at most.
void addFlat(clip::Paths& paths, const FigureFlat& flat, View view, double unit, size_t most) {
  const auto add = [&](const Polygon& points) {
    clip::Path path = toPath(points, unit);
    if (!clip::Orientation(path)) clip::ReversePath(path);
    paths.push_back(std::move(path));
  };
  const size_t count = std::min(most, flat.outline.size());
  const auto corner = [&](size_t i) -> const Vec3& {
    return flat.outline[i % count * flat.outline.size() / count];
  };
  Vec3 across(0, 0, 0); // Newell's normal
  for (size_t i = 0; i < count; ++i) across += corner(i).cross(corner(i + 1));
  if (across.norm() > 0) across *= flat.thickness / 2 / across.norm();
  for (const double side : {-1.0, 1.0}) {
    Polygon face;
    for (size_t i = 0; i < count; ++i) face.push_back(project(corner(i) + side * across, view));
    add(face);
  }
  for (size_t i = 0; i < count; ++i) {
    const Vec3& p = corner(i);
    const Vec3& q = corner(i + 1);
    add({project(p - across, view), project(q - across, view), project(q + across, view),
         project(p + across, view)});
  }
}

} // namespace

Vec2 project(const Vec3& p, View view) {
  switch (view) {
  case View::Front:
    return {p.y(), p.z()};
  case View::Above:
    return {p.x(), p.y()};
  case View::Side:
    break;
  }
  return {p.x(), p.z()};
}

std::vector<Polygon> outline(const Figure& figure, const std::vector<int>& limbs, View view, double inset,
                             int corners) {
  const double unit = figure.scale / 8000; // finer than a hair at any size
  clip::Paths merged = unite(limbPaths(figure, limbs, view, unit, corners));
  if (inset > 0) merged = offset(merged, -inset / unit, clip::jtRound);
  return toPolygons(std::move(merged), unit);
}

std::vector<Polygon> united(const std::vector<std::vector<Polygon>>& outlines, double scale, bool quick) {
  const double unit = scale / 8000;
  clip::Paths paths;
  for (const auto& outline : outlines)
    for (const Polygon& polygon : outline) paths.push_back(toPath(polygon, unit));
  return toPolygons(unite(paths, quick ? kSlit : kBlend), unit);
}

std::uint64_t surfaceKey(const Figure& figure, int limb) {
  std::uint64_t sum = 14695981039346656037ULL; // FNV-1a
  const auto add = [&sum](double value) {
    sum ^= static_cast<std::uint64_t>(std::llround(value * 1e7));
    sum *= 1099511628211ULL;
  };
  for (const Tube& tube : figure.tubes)
    for (size_t i = 0; i + 1 < tube.rings.size(); ++i) {
      if (figure.bones[static_cast<size_t>(tube.slabBone[i])].limb != limb) continue;
      for (const Ring* r : {&tube.rings[i], &tube.rings[i + 1]})
        for (Eigen::Index axis = 0; axis < 3; ++axis) {
          add(r->centre[axis] / figure.scale);
          add(r->u[axis] * r->ru / figure.scale);
          add(r->v[axis] * r->rv / figure.scale);
        }
    }
  return sum;
}

std::vector<Polygon> drawnIn(const std::vector<Polygon>& outline, double inset, double scale) {
  const double unit = scale / 8000;
  clip::Paths paths;
  for (const Polygon& polygon : outline) paths.push_back(toPath(polygon, unit));
  return toPolygons(offset(paths, -inset / unit, clip::jtRound), unit);
}

std::vector<Polygon> seams(const Figure& figure, View view, double inset) {
  constexpr double overlap = 1.2; // of the inset, which either outline ends before the section
  constexpr int corners = 16;
  std::vector<Polygon> out;
  for (const Tube& tube : figure.tubes)
    for (size_t i = 0; !tube.pad && i < tube.slabBone.size(); ++i) {
      const FigureBone& bone = figure.bones[static_cast<size_t>(tube.slabBone[i])];
      const bool meets = i == 0 ? bone.parent >= 0
                                : figure.bones[static_cast<size_t>(tube.slabBone[i - 1])].limb != bone.limb;
      Ring ring = tube.rings[i];
      ring.ru -= inset;
      ring.rv -= inset;
      if (!meets || ring.ru <= 0 || ring.rv <= 0) continue;
      std::vector<Vec2> points;
      for (const double way : {-overlap, overlap}) {
        Ring moved = ring;
        moved.centre += way * inset * ring.normal;
        addRing(points, moved, view, corners);
      }
      out.push_back(convexHull(std::move(points)));
    }
  return out;
}

std::vector<Polygon> flatOutline(const FigureFlat& flat, View view, double scale) {
  const double unit = scale / 8000;
  clip::Paths paths;
  addFlat(paths, flat, view, unit, flat.outline.size());
  return toPolygons(unite(paths), unit);
}

std::vector<Polygon> silhouette(const Figure& figure, View view) {
  const double unit = figure.scale / 8000;
  std::vector<int> all(figure.limbs.size());
  for (size_t i = 0; i < all.size(); ++i) all[i] = static_cast<int>(i);
  clip::Paths paths = limbPaths(figure, all, view, unit, kFineCorners);
  for (const FigureFlat& flat : figure.flats) addFlat(paths, flat, view, unit, flat.outline.size());
  return toPolygons(unite(paths, kBlend), unit);
}

std::vector<Polygon> roughSilhouette(const Figure& figure, View view, int corners) {
  const double unit = figure.scale / 8000;
  std::vector<int> all(figure.limbs.size());
  std::iota(all.begin(), all.end(), 0);
  clip::Paths paths = limbPaths(figure, all, view, unit, corners, kRoughStride);
  for (const FigureFlat& flat : figure.flats) addFlat(paths, flat, view, unit, kRoughFlat);
  clip::Clipper clipper;
  clipper.AddPaths(paths, clip::ptSubject, true);
  clip::Paths merged;
  clipper.Execute(clip::ctUnion, merged, clip::pftNonZero, clip::pftNonZero);
  return toPolygons(std::move(merged), unit);
}

bool contains(const std::vector<Polygon>& polygons, const Vec2& at) {
  return std::count_if(polygons.begin(), polygons.end(), [&](const Polygon& p) { return inside(p, at); }) %
             2 !=
         0;
}

} // namespace columna
