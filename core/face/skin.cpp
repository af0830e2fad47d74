#include "face/skin.h"

#include "anatomy/plane.h"
#include "face/unroll.h"
#include "wool/bone_wool.h"
#include "wool/felt.h"

#include <algorithm>
#include <cmath>
#include <limits>

namespace columna {
namespace {

constexpr double kWithin = 0.3; ///< of a finger's half thickness: its skin is drawn from its middle
constexpr double kBeside = 0.3; ///< mm
constexpr double kMitre = 3;    ///< times the allowance: a corner reaches out no farther

/// Whether a stretch of a border runs along a wired bone, not on the body over one.
bool onWire(const Figure& figure, const Vec3& a, const Vec3& b) {
  const Vec3 middle = (a + b) / 2;
  return std::any_of(figure.bones.begin(), figure.bones.end(), [&](const FigureBone& bone) {
    if (!bone.wire) return false;
    double thin = std::numeric_limits<double>::infinity();
    for (const Station& s : bone.stations) thin = std::min({thin, s.across / 2, s.deep / 2});
    return nearest({middle, middle}, Segment{bone.begin, bone.end}).distance <= kWithin * thin + kBeside;
  });
}

/// An outline that runs counter-clockwise, each edge moved outwards by its own allowance.
std::vector<Vec2> turnedOut(const std::vector<Vec2>& outline, const std::vector<double>& by) {
  const size_t n = outline.size();
  std::vector<Vec2> out;
  out.reserve(n);
  for (size_t i = 0; i < n; ++i) {
    const size_t before = (i + n - 1) % n;
    const auto normal = [&](size_t edge) {
      const Vec2 along = outline[(edge + 1) % n] - outline[edge];
      return Vec2(Vec2(along.y(), -along.x()).normalized());
    };
    // The corner is where both moved edges meet; nearly straight ones are moved by the mean.
    const Vec2 p = normal(before);
    const Vec2 q = normal(i);
    const double turn = p.x() * q.y() - p.y() * q.x();
    Vec2 off = (by[before] * p + by[i] * q) / 2;
    if (std::abs(turn) > 0.05)
      off = Vec2(by[before] * q.y() - by[i] * p.y(), by[i] * p.x() - by[before] * q.x()) / turn;
    const double most = kMitre * std::max(std::abs(by[before]), std::abs(by[i]));
    if (off.norm() > most) off *= most / std::max(off.norm(), 1e-12);
    out.push_back(outline[i] + off);
  }
  return out;
}

} // namespace

std::vector<SkinPattern> skinsOf(const Figure& figure, const FaceRules& rules) {
  std::vector<SkinPattern> out;
  for (const FigureFlat& flat : figure.flats) {
    if (!flat.sheet.empty() || flat.id.starts_with("right-")) continue;
    auto laid = unroll(flat.outline);
    if (!laid) continue;
    SkinPattern skin;
    skin.twin = flat.id.starts_with("left-");
    skin.id = skin.twin ? flat.id.substr(5) : flat.id;
    std::replace(skin.id.begin(), skin.id.end(), '_', ' ');
    std::replace(skin.id.begin(), skin.id.end(), '-', ' ');
    skin.finished = laid->outline;
    skin.area = laid->area;
    skin.thickness = flat.thickness;
    skin.grams = laid->area * flat.thickness * feltDensity(Firmness::Firm);
    skin.least = laid->least;
    skin.most = laid->most;
    skin.stretches = std::max(1 - skin.least, skin.most - 1) > rules.skinStretch;
    const size_t parts = skin.finished.size() / flat.outline.size();
    std::vector<double> turned(skin.finished.size(), 0);
    for (size_t i = 0; i < flat.outline.size(); ++i)
      if (onWire(figure, flat.outline[i], flat.outline[(i + 1) % flat.outline.size()]))
        std::fill_n(turned.begin() + static_cast<std::ptrdiff_t>(i * parts), parts, rules.skinTurn);
    if (std::any_of(turned.begin(), turned.end(), [](double by) { return by > 0; })) {
      // Each edge of the outline begins at its place; one that runs clockwise would be moved inwards.
      if (signedArea(skin.finished) < 0)
        for (double& by : turned) by = -by;
      skin.cut = turnedOut(skin.finished, turned);
    }
    out.push_back(std::move(skin));
  }
  return out;
}

} // namespace columna
