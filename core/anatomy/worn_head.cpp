#include "anatomy/worn_head.h"

#include "anatomy/figure.h"
#include "anatomy/proportion.h"
#include "measure/hash.h"

#include <Eigen/Geometry>

#include <algorithm>
#include <array>
#include <cmath>
#include <numbers>

namespace columna {
namespace {

constexpr double kSame = 1e-9;  ///< of a factor: what turning a bone leaves of rounding
constexpr size_t kPadRings = 7; ///< of a pad's tube
constexpr std::array<double, 4> kEnd{0.35, 0.75, 1.1, 1.4}; ///< radians, rings of a rounded end

double factor(double now, double before) {
  const double f = before > 0 && now > 0 ? now / before : 1;
  return std::abs(f - 1) < kSame ? 1 : f;
}

int boneIndex(const Figure& figure, const std::string& patternBone, bool right) {
  for (size_t i = 0; i < figure.bones.size(); ++i) {
    const FigureBone& b = figure.bones[i];
    if (b.patternBone == patternBone &&
        (b.twin < 0 || (figure.limbs[static_cast<size_t>(b.limb)].side < 0) == right))
      return static_cast<int>(i);
  }
  return -1;
}

double lengthOf(const Pattern& pattern, const PatternBone& bone) {
  return (pattern.joints.at(bone.to) - pattern.joints.at(bone.from)).norm();
}

/// Tubes of a head in a figure's axes.
class Wearer {
public:
  Wearer(Figure& figure, WornHead& head) : figure_(figure), head_(head) {}

  void add(const RoughHead& rough, const std::vector<std::string>& hard) {
    head_.tube = static_cast<int>(figure_.tubes.size());
    sections(rough);
    for (const RoughHead::Oval& oval : rough.pads) pad(oval);
    head_.tubes = static_cast<int>(figure_.tubes.size()) - head_.tube;
    for (const RoughHead::Swept& part : rough.swept) sweptPart(part, hard);
    for (const RoughHead::Sheet& one : rough.sheets) {
      if (one.twin) sheet(one, true);
      sheet(one, false);
    }
  }

private:
  void sheet(const RoughHead::Sheet& from, bool right) {
    FigureFlat flat;
    flat.id = (from.twin ? (right ? "right-" : "left-") : "") + from.id;
    flat.thickness = from.thickness * head_.length;
    const auto place = [&](const Vec3& p) {
      return head_.toFigure(head_.length * Vec3(p.x(), right ? -p.y() : p.y(), p.z()));
    };
    for (const Vec3& p : from.outline) flat.outline.push_back(place(p));
    for (const Vec3& p : from.points) flat.sheet.push_back(place(p));
    flat.triangles = from.triangles;
    if (right) // a mirror image turns the other way round
      for (auto& t : flat.triangles) std::swap(t[1], t[2]);
    flat.bone = head_.boneAt(head_.length * from.outline.front().x());
    figure_.flats.push_back(std::move(flat));
  }

  /// A ring square to `way`, both in the head's axes.
  [[nodiscard]] Ring ring(const Vec3& centre, const Vec3& way, const Vec3& up, double across,
                          double deep) const {
    Ring out;
    out.centre = head_.toFigure(head_.length * centre);
    out.normal = head_.axes * way;
    out.v = head_.axes * up;
    out.u = out.v.cross(out.normal);
    out.ru = across * head_.length;
    out.rv = deep * head_.length;
    return out;
  }

  /// Closes a tube whose rings are made: each slab is the bone's that its middle lies at.
  void label(Tube& tube) const {
    for (size_t i = 0; i + 1 < tube.rings.size(); ++i) {
      const Vec3 middle = (tube.rings[i].centre + tube.rings[i + 1].centre) / 2;
      const int bone = head_.boneAt(head_.toHead(middle).x());
      tube.slabBone.push_back(bone);
      tube.slabFrom.push_back(placeOn(figure_, bone, tube.rings[i].centre));
      tube.slabTo.push_back(placeOn(figure_, bone, tube.rings[i + 1].centre));
    }
  }

  void sections(const RoughHead& rough) {
    Tube tube;
    const auto at = [&](const RoughHead::Section& s, double x, double share) {
      return ring({x, 0, (s.top + s.bottom) / 2}, Vec3::UnitX(), Vec3::UnitZ(), share * s.side,
                  share * (s.top - s.bottom) / 2);
    };
    for (auto angle = kEnd.rbegin(); angle != kEnd.rend(); ++angle)
      tube.rings.push_back(at(rough.sections.front(),
                              rough.sections.front().x - rough.capBack * std::sin(*angle), std::cos(*angle)));
    for (const RoughHead::Section& s : rough.sections) tube.rings.push_back(at(s, s.x, 1));
    for (const double angle : kEnd)
      tube.rings.push_back(at(rough.sections.back(),
                              rough.sections.back().x + rough.capFront * std::sin(angle), std::cos(angle)));
    tube.capBegin = rough.capBack * head_.length;
    tube.capEnd = rough.capFront * head_.length;
    tube.capSlabs = static_cast<int>(kEnd.size());
    label(tube);
    for (size_t i = 0; i < kEnd.size(); ++i) { // ends are the first and the last of their bones
      tube.slabFrom[i] = tube.slabTo[i] = tube.slabFrom[kEnd.size()];
      const size_t last = tube.slabBone.size() - 1 - i;
      tube.slabFrom[last] = tube.slabTo[last] = tube.slabTo[tube.slabBone.size() - 1 - kEnd.size()];
    }
    figure_.tubes.push_back(std::move(tube));
  }

  void pad(const RoughHead::Oval& oval) {
    Tube tube;
    tube.pad = true;
    const Vec3 along = oval.axes.row(0);
    const Vec3 up = oval.axes.row(2);
    for (size_t i = 0; i < kPadRings; ++i) {
      const double angle =
          std::numbers::pi * (static_cast<double>(i) / (kPadRings - 1) - 0.5) * 0.9; // no ring of nothing
      tube.rings.push_back(ring(oval.at + oval.radii[0] * std::sin(angle) * along, along, up,
                                oval.radii[1] * std::cos(angle), oval.radii[2] * std::cos(angle)));
    }
    label(tube);
    figure_.tubes.push_back(std::move(tube));
  }

  void sweptPart(const RoughHead::Swept& part, const std::vector<std::string>& hard) {
    const Vec3 middle = head_.toFigure(head_.length * (part.path.front() + part.path.back()) / 2);
    int bone = -1;
    double least = std::numeric_limits<double>::infinity();
    for (const std::string& id : hard) {
      const int b = boneIndex(figure_, id, part.path.back().y() < 0);
      if (b < 0) continue;
      const FigureBone& one = figure_.bones[static_cast<size_t>(b)];
      const Vec3 on = one.begin + placeOn(figure_, b, middle) * (one.end - one.begin);
      if (const double away = (middle - on).norm(); away < least) {
        least = away;
        bone = b;
      }
    }
    if (bone < 0) bone = head_.boneAt(head_.length * part.path.front().x());
    std::vector<SweepBone> chain;
    for (size_t i = 0; i + 1 < part.path.size(); ++i) {
      SweepBone b;
      b.bone = bone;
      b.begin = head_.toFigure(head_.length * part.path[i]);
      b.end = head_.toFigure(head_.length * part.path[i + 1]);
      b.up = head_.axes * part.up;
      b.smooth = true;
      b.at = {0, 1};
      b.across = {head_.length * part.across[i], head_.length * part.across[i + 1]};
      b.deep = {head_.length * part.deep[i], head_.length * part.deep[i + 1]};
      b.lift = {0, 0};
      chain.push_back(std::move(b));
    }
    Tube tube = sweep(chain);
    for (size_t i = 0; i < tube.slabBone.size(); ++i) {
      tube.slabFrom[i] = placeOn(figure_, bone, tube.rings[i].centre);
      tube.slabTo[i] = placeOn(figure_, bone, tube.rings[i + 1].centre);
    }
    figure_.tubes.push_back(std::move(tube));
  }

  Figure& figure_;
  WornHead& head_;
};

/// The bone's sections become the head's where it runs through it.
void takeSections(FigureBone& bone, const WornHead& head, const RoughHead& rough) {
  constexpr int steps = 4;
  const auto& s = rough.sections;
  bone.stations.clear();
  for (int k = 0; k <= steps; ++k) {
    const double at = static_cast<double>(k) / steps;
    const Vec3 on = bone.begin + at * (bone.end - bone.begin);
    const double x = std::clamp(head.toHead(on).x() / head.length, s.front().x, s.back().x);
    size_t i = 0;
    while (i + 2 < s.size() && s[i + 1].x < x) ++i;
    const double share = (x - s[i].x) / std::max(s[i + 1].x - s[i].x, 1e-12);
    const auto between = [&](double RoughHead::Section::*value) {
      return head.length * (s[i].*value + share * (s[i + 1].*value - s[i].*value));
    };
    const double top = between(&RoughHead::Section::top);
    const double bottom = between(&RoughHead::Section::bottom);
    const Vec3 centre = head.toFigure({head.toHead(on).x(), 0, (top + bottom) / 2});
    bone.stations.push_back(
        {at, 2 * between(&RoughHead::Section::side), top - bottom, (centre - on).dot(bone.deepAxis)});
  }
}

} // namespace

int WornHead::boneAt(double x) const {
  int out = stretches.front().bone;
  for (const Stretch& s : stretches)
    if (x >= s.from) out = s.bone;
  return out;
}

double placeOn(const Figure& figure, int bone, const Vec3& p) {
  const FigureBone& b = figure.bones[static_cast<size_t>(bone)];
  const Vec3 run = b.end - b.begin;
  return std::clamp((p - b.begin).dot(run) / std::max(run.squaredNorm(), 1e-18), 0.0, 1.0);
}

double Figure::eyeGrams() const {
  constexpr double ball = 0.52359877559829887; // pi / 6
  return head ? static_cast<double>(eyes.size()) * head->eyeDensity * ball * eyeDiameter * eyeDiameter *
                    eyeDiameter
              : 0;
}

void wearHead(Figure& figure, const Pattern& pattern) {
  const PatternHead& own = *pattern.head;
  const int seat = boneIndex(figure, own.bone, false);
  if (seat < 0) return;
  const FigureBone& bone = figure.bones[static_cast<size_t>(seat)];
  WornHead head;
  head.form = own.form;
  head.bone = seat;
  const double grown = factor(bone.length, own.rest);
  head.length = own.length * grown;
  const Vec3 along = (bone.end - bone.begin).normalized();
  const Vec3& deep = bone.deepAxis;
  const Vec3 x = (own.axisAlong * along + own.axisDeep * deep).normalized();
  const Vec3 y = own.left * deep.cross(along);
  head.axes.col(0) = x;
  head.axes.col(1) = y;
  head.axes.col(2) = x.cross(y);
  head.origin = bone.begin + grown * (own.along * along + own.deep * deep);
  if (const PatternBone* muzzle = pattern.bone(own.muzzleBone))
    head.dials.muzzle = factor(lengthOf(pattern, *muzzle) / own.muzzleRest, grown);
  const Eigen::Vector2d section = meanSection(pattern, own.body);
  head.dials.wide = factor(section.x() / own.across, grown);
  head.dials.high = factor(section.y() / own.depth, grown);
  head.dials.eyes = own.eyes;
  head.dials.eyesLower = own.eyesLower;
  head.eyeDensity = own.eyeDensity;
  head.stretches.push_back({seat, -std::numeric_limits<double>::infinity()});
  for (const std::string& id : own.body) {
    const int b = boneIndex(figure, id, false);
    if (b < 0 || b == seat || !figure.bones[static_cast<size_t>(b)].wire) continue;
    head.stretches.push_back({b, head.toHead(figure.bones[static_cast<size_t>(b)].begin).x()});
  }
  std::sort(head.stretches.begin() + 1, head.stretches.end(),
            [](const auto& a, const auto& b) { return a.from < b.from; });
  // A wired bone behind the seat's (the back of a bird's skull) ends where the seat's begins.
  if (head.stretches.size() > 1 && head.stretches[1].from < head.toHead(bone.begin).x()) {
    head.stretches[0].from = head.toHead(bone.begin).x();
    std::sort(head.stretches.begin(), head.stretches.end(),
              [](const auto& a, const auto& b) { return a.from < b.from; });
    head.stretches[0].from = -std::numeric_limits<double>::infinity();
  }
  const RoughHead rough = own.form->rough(head.dials);
  for (const WornHead::Stretch& stretch : head.stretches)
    takeSections(figure.bones[static_cast<size_t>(stretch.bone)], head, rough);
  Wearer(figure, head).add(rough, own.hard);
  // Ears are in the outline, though not in the surface that the form's key is of.
  Hash shape;
  shape.add(figure.shapeKey);
  for (const RoughHead::Sheet& sheet : rough.sheets)
    for (const Vec3& p : sheet.outline) shape.addPlace(p);
  figure.shapeKey = shape.sum();
  head.rows = rough.rows;
  for (HeadRow& row : head.rows)
    for (double* mm : {&row.root, &row.shown, &row.wide, &row.at}) *mm *= head.length;
  if (rough.eyeDiameter > 0) {
    const Vec3 left = head.length * rough.eye;
    figure.eyes = {head.toFigure(left), head.toFigure({left.x(), -left.y(), left.z()})};
    figure.eyeDiameter = head.length * rough.eyeDiameter;
  }
  figure.head = std::move(head);
}

} // namespace columna
