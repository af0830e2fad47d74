#include "wool/cover.h"

#include "measure/whole.h"

#include <algorithm>
#include <cmath>

namespace columna {
namespace {

bool within(const std::vector<Vec2>& outline, const Vec2& p) {
  bool in = false;
  for (size_t i = 0, j = outline.size() - 1; i < outline.size(); j = i++)
    if ((outline[i].y() > p.y()) != (outline[j].y() > p.y()) &&
        p.x() <
            (outline[j].x() - outline[i].x()) * (p.y() - outline[i].y()) / (outline[j].y() - outline[i].y()) +
                outline[i].x())
      in = !in;
  return in;
}

/// One tuft, feather or length of yarn in its row.
struct RowKind {
  double spacing = 0, wide = 0, cut = 0; ///< mm
  double linear = 0;                     ///< g/mm
};

RowKind rowKind(CoatFinish finish, double shown, const WoolRules& rules) {
  const double cut = 2 * shown + rules.furFold;
  switch (finish) {
  case CoatFinish::Feathers:
    return {std::max(rules.furRowLeast, shown * rules.featherRowShare), rules.featherWide, cut,
            rules.feather};
  case CoatFinish::Yarn:
    return {std::max(rules.furRowLeast, shown * rules.furRowShare), rules.yarnWide, cut, rules.yarn};
  default:
    return {std::max(rules.furRowLeast, shown * rules.furRowShare), rules.furTuftWide, cut, rules.furTuft};
  }
}

/// Towards the eye of a view.
Vec3 towards(View view) {
  switch (view) {
  case View::Side:
    return {0, -1, 0}; // from the animal's right
  case View::Front:
    return {1, 0, 0};
  case View::Above:
    break;
  }
  return {0, 0, 1};
}

} // namespace

double hidingMass(std::optional<Tone> core, std::optional<Tone> coat, const WoolRules& rules) {
  if (!core || !coat) return rules.hideMid;
  if (*core == *coat) return rules.hideAlike;
  return *coat == Tone::Dark ? rules.hideDark : *coat == Tone::Mid ? rules.hideMid : rules.hidePale;
}

double usualCoat(const WoolWish& wish, const WoolRules& rules) {
  const double hides = hidingMass(wish.core.tone, wish.coat.tone, rules) / rules.coatDensity;
  const double more = wish.finish == CoatFinish::Brushed ? rules.brushedMore : 1;
  return std::clamp(hides * more, rules.coatLeast, std::max(rules.coatLeast, rules.allCoatBelow / 4));
}

double rowsDepth(const WoolWish& wish, const WoolRules& rules) {
  if (!wish.furShown || !inRows(wish.finish)) return 0;
  const RowKind row = rowKind(wish.finish, *wish.furShown, rules);
  return row.cut * row.linear / (row.spacing * row.wide) / rules.coatDensity;
}

std::optional<CoatOffer> coatOffer(std::string_view kind, double pelt, double laid, const WoolRules& rules) {
  const bool feathered = kind == "feathered";
  if (!feathered && kind != "long" && kind != "plush") return std::nullopt;
  if (pelt < laid + rules.furOffer) return std::nullopt;
  return CoatOffer{feathered ? CoatFinish::Feathers : CoatFinish::Fur, pelt};
}

MarkedArea markedArea(const Marking& marking, const Figure& figure, const KnownSolid& solid, double coat,
                      std::optional<Tone> under, double density, const WoolRules& rules) {
  MarkedArea out;
  out.name = marking.name;
  out.tone = marking.tone;
  out.byLimb.assign(figure.limbs.size(), 0);
  if (marking.outline.size() < 3) return out;
  std::vector<Vec2> outline;
  for (const Vec2& p : marking.outline) outline.push_back(p * figure.scale);
  const Vec3 eye = towards(marking.view);
  for (const SurfacePatch& patch : solid.solid.surface) {
    const auto limb = static_cast<size_t>(figure.bones[static_cast<size_t>(patch.bone)].limb);
    if (!marking.limb.empty() && figure.limbs[limb].family != marking.limb) continue;
    Vec3 centre = patch.centre.cast<double>();
    Vec3 normal = patch.normal.cast<double>();
    bool marked = normal.dot(eye) > 0 && within(outline, project(centre, marking.view));
    if (!marked && marking.both) {
      centre.y() = -centre.y();
      normal.y() = -normal.y();
      marked = normal.dot(eye) > 0 && within(outline, project(centre, marking.view));
    }
    if (!marked) continue;
    out.area += patch.area;
    out.byLimb[limb] += patch.area;
  }
  if (figure.symmetric && marking.both) // the surface's grid does not know left from right
    for (size_t l = 0; l < out.byLimb.size(); ++l)
      if (const int twin = figure.limbs[l].twin; twin > static_cast<int>(l)) {
        double& other = out.byLimb[static_cast<size_t>(twin)];
        out.byLimb[l] = other = (out.byLimb[l] + other) / 2;
      }
  out.grams = out.area * std::max(coat * density, hidingMass(under, marking.tone, rules));
  return out;
}

FurRows furOn(const FigureLimb& limb, CoatFinish finish, double length, double girth, double shown,
              double staple, const WoolRules& rules) {
  FurRows out;
  if (!(shown > 0) || !(length > 0) || !(girth > 0) || !inRows(finish)) return out;
  const RowKind row = rowKind(finish, shown, rules);
  out.spacing = row.spacing;
  out.rows = std::max(1, wholeOf(std::floor(length / out.spacing)));
  out.tufts = wholeOf(out.rows * std::max(1.0, std::ceil(girth / row.wide)));
  out.cut = row.cut;
  out.grams = out.tufts * out.cut * row.linear;
  if (finish == CoatFinish::Yarn) out.yarn = out.tufts * out.cut;
  out.perStaple = wholeOf(std::floor(staple / out.cut));
  out.waste = out.perStaple > 0 ? 1 - out.perStaple * out.cut / staple : 1;
  switch (limb.kind) {
  case LimbKind::Tail:
    out.way = named("from the tip towards the body, hair pointing to the tip");
    break;
  case LimbKind::Leg:
  case LimbKind::Arm:
    out.way = named("from the foot upwards, hair pointing down");
    break;
  case LimbKind::Head:
    out.way = named("from the neck towards the nose, hair pointing back");
    break;
  case LimbKind::Wing:
    out.way = named("from the tip towards the shoulder, hair pointing out");
    break;
  default:
    out.way = named("from the tail towards the head, hair pointing back");
    break;
  }
  return out;
}

} // namespace columna
