#include "face/flat_pattern.h"

#include "anatomy/outline.h"
#include "anatomy/plane.h"

#include <algorithm>
#include <cmath>

namespace columna {
namespace {

/// The largest piece of an outline moved outwards; the outline itself where nothing is left.
std::vector<Vec2> wider(const std::vector<Vec2>& outline, double by) {
  std::vector<Polygon> pieces = drawnIn({outline}, -by, 1);
  const auto largest = std::max_element(
      pieces.begin(), pieces.end(), [](const Polygon& a, const Polygon& b) { return areaOf(a) < areaOf(b); });
  return largest == pieces.end() ? outline : *largest;
}

} // namespace

FlatPattern flatPattern(const HeadFlat& flat, double length, double density, bool firm,
                        const FaceRules& rules) {
  FlatPattern out;
  for (const Vec2& p : flat.outline) out.finished.push_back(length * p);
  // Clipper moves outlines by their sense: counter-clockwise ones outwards.
  if (signedArea(out.finished) < 0) std::reverse(out.finished.begin(), out.finished.end());
  out.thickness = length * flat.thickness;
  out.area = areaOf(out.finished);
  out.grams = out.area * out.thickness * density;
  out.cut = wider(out.finished, rules.edgeNeedled);
  double low = 1e9;
  double high = -1e9;
  for (const Vec2& p : out.finished) {
    low = std::min(low, p.y());
    high = std::max(high, p.y());
  }
  out.baseAllowance = std::clamp(std::max(rules.baseShare * (high - low), rules.baseThick * out.thickness),
                                 rules.baseLeast, rules.baseMost);
  out.layFactor = firm ? rules.layFirm : rules.layMedium;
  out.layMass = density * out.thickness / (out.layFactor * out.layFactor);
  // Laid larger about the middle of its base, and drawn on downwards from there.
  Vec2 left(1e9, low);
  Vec2 right(-1e9, low);
  for (const Vec2& p : out.finished)
    if (p.y() < low + 1e-6 * length) {
      left.x() = std::min(left.x(), p.x());
      right.x() = std::max(right.x(), p.x());
    }
  const Vec2 middle = (left + right) / 2;
  std::vector<Vec2> whole;
  for (const Vec2& p : out.finished) whole.push_back(middle + out.layFactor * (p - middle));
  const double down = out.baseAllowance;
  const auto stretched = [&](const Vec2& p) { return Vec2(middle + out.layFactor * (p - middle)); };
  const std::vector<Vec2> apron{stretched(left), stretched(left) - Vec2(0, down),
                                stretched(right) - Vec2(0, down), stretched(right)};
  const std::vector<Polygon> laid = united({{whole}, {apron}}, 1, true);
  const auto largest = std::max_element(
      laid.begin(), laid.end(), [](const Polygon& a, const Polygon& b) { return areaOf(a) < areaOf(b); });
  out.lay = largest == laid.end() ? whole : *largest;
  out.layGrams = out.layMass * areaOf(out.lay);
  if (!flat.lining.empty())
    for (const Vec2& p : out.finished)
      out.lining.emplace_back(middle + (1 - flat.liningInset) * (p - middle));
  for (const FlatMark& mark : flat.marks) {
    FlatPatternMark drawn{{}, mark.colour, mark.back};
    for (const Vec2& p : mark.outline) drawn.outline.push_back(length * p);
    out.marks.push_back(std::move(drawn));
  }
  return out;
}

} // namespace columna
