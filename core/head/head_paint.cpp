#include "head/head_paint.h"

#include "anatomy/plane.h"
#include "head/dialled.h"

#include <algorithm>
#include <charconv>
#include <cmath>

namespace columna {
namespace {

constexpr double kThreadLeast = 0.006; ///< head modules: a thinner thread is not seen
constexpr double kOwn = 0.35;          ///< of its blend: as far a feature's own wool shows
constexpr double kOwnMore = 0.004;     ///< head modules, beyond that
constexpr double kRim = 0.88;          ///< of an eye's radius, seen along its axis: where the rim begins

Colour parsed(const std::string& text, Colour otherwise) {
  Colour out = 0;
  if (text.size() != 7 || text[0] != '#') return otherwise;
  const auto [end, error] = std::from_chars(text.data() + 1, text.data() + 7, out, 16);
  return error == std::errc() && end == text.data() + 7 ? out : otherwise;
}

/// An oval that nothing runs into, mm.
FeatureShape ovalOf(const Vec3& at, const std::vector<double>& radii, const Vec3& axis, const Vec3& up,
                    double scale) {
  HeadFeature f;
  f.at = at;
  f.radii = radii;
  while (f.radii.size() < 3) f.radii.push_back(f.radii.back());
  f.axis = axis;
  f.up = up;
  return {f, scale};
}

Vec3 flat3(const Vec2& p) { return {p.x(), p.y(), 0}; }

double toLine(const std::vector<Vec3>& points, const Vec3& p) {
  double least = 1e9;
  for (size_t i = 0; i + 1 < points.size(); ++i) {
    const Vec3 run = points[i + 1] - points[i];
    const double t = std::clamp((p - points[i]).dot(run) / std::max(run.squaredNorm(), 1e-18), 0.0, 1.0);
    least = std::min(least, (p - points[i] - t * run).norm());
  }
  return least;
}

Vec3 leftOf(const Vec3& p) { return {p.x(), std::abs(p.y()), p.z()}; }

} // namespace

Colour mixed(Colour a, Colour b, double share) {
  Colour out = 0;
  for (const unsigned shift : {16U, 8U, 0U}) {
    const double x = (a >> shift) & 0xffU;
    const double y = (b >> shift) & 0xffU;
    out |= static_cast<Colour>(std::lround(x + share * (y - x))) << shift;
  }
  return out;
}

Colour paletteColour(const HeadPattern& head, const std::string& name) {
  constexpr Colour wool = 0xB08B62; // of a head that says nothing
  for (const std::string& each : {name, head.base})
    if (const auto found = head.palette.find(each); found != head.palette.end())
      return parsed(found->second, wool);
  return wool;
}

Colour bodyColour(const HeadPattern& head) {
  return paletteColour(head, head.coat.empty() ? head.base : head.coat);
}

HeadPaint::HeadPaint(const HeadPattern& head, const HeadDials& dials, double length)
    : head_(dialled(head, dials)), field_(head_, length), wide_(dials.wide), high_(dials.high),
      length_(length) {
  ground_ = paletteColour(head_, head_.base);
  for (size_t i = 0; i < head_.patches.size(); ++i) {
    const HeadPatch& p = head_.patches[i];
    patches_.push_back(named(p.colour));
    if (p.at) ovals_.emplace(i, ovalOf(*p.at, p.radii, p.axis, p.up, length));
  }
  for (const HeadNostril& n : head_.nostrils)
    nostrils_.push_back(ovalOf(n.at, {n.radii.x(), n.radii.y(), n.radii.z()}, n.axis, Vec3::UnitZ(), length));
  for (const HeadFeature& f : head_.features) features_.push_back(f.colour.empty() ? 0 : named(f.colour));
  for (const HeadFlat& flat : head_.flats) {
    double tall = 0;
    for (const Vec2& p : flat.outline) tall = std::max(tall, p.y());
    flats_.push_back({&flat, {length * (flat.base.front() + flat.base.back()) / 2, tall * length}});
  }
  for (size_t i = 0; i < head_.eyes.size(); ++i) {
    const HeadEye& e = head_.eyes[i];
    EyeBall ball;
    ball.axis = opticalAxis(e);
    ball.radius = e.diameter * length / 2;
    ball.twin = e.twin;
    ball.index = i;
    const Vec3 at = e.at * length;
    ball.centre =
        field_.hit(at, ball.axis).value_or(field_.onto(at)) + ball.axis * ball.radius * (1 - 2 * e.sunk);
    ball.centre = ball.centre.cwiseProduct(Vec3(1, wide_, high_));
    eyes_.push_back(ball);
  }
}

Colour HeadPaint::named(const std::string& colour) const { return paletteColour(head_, colour); }

double HeadPaint::shareOf(size_t i, const Vec3& p, const Vec3& normal) const {
  const HeadPatch& patch = head_.patches[i];
  const Vec3 q = patch.both ? leftOf(p) : p;
  const Vec3 n(normal.x(), patch.both && p.y() < 0 ? -normal.y() : normal.y(), normal.z());
  if (patch.facing && n.dot(*patch.facing) <= 0) return 0;
  double d = -1e9; // below zero inside
  if (patch.between.size() == 2) {
    const Vec3 low = patch.between[0].cwiseMin(patch.between[1]);
    const Vec3 high = patch.between[0].cwiseMax(patch.between[1]);
    d = (low - q).cwiseMax(q - high).maxCoeff();
    if (d >= patch.fade) return 0;
  }
  if (patch.at) {
    d = std::max(d, ovals_.at(i).distance(q * length_) / length_);
  } else {
    const View view = patch.view.value_or(View::Side);
    const Vec2 at = project(q, view);
    const bool in = inside(patch.outline, at);
    if (patch.fade <= 0) return in && d < 0 ? 1 : 0;
    double edge = 1e9;
    for (size_t k = 0; k < patch.outline.size(); ++k)
      edge = std::min(edge,
                      nearest({flat3(at), flat3(at)},
                              {flat3(patch.outline[k]), flat3(patch.outline[(k + 1) % patch.outline.size()])})
                          .distance);
    d = std::max(d, in ? -edge : edge);
  }
  if (patch.fade <= 0) return d < 0 ? 1 : 0;
  return std::clamp(0.5 - d / patch.fade, 0.0, 1.0);
}

Colour HeadPaint::skin(const Vec3& place, const Vec3& normal, Colour ground) const {
  const Vec3 mm = eased(place);
  const Vec3 p = mm / length_;
  Colour out = ground;
  for (size_t i = 0; i < patches_.size(); ++i)
    if (const double share = shareOf(i, p, normal); share > 0)
      out = share >= 1 ? patches_[i] : mixed(out, patches_[i], share);
  for (size_t i = 0; i < features_.size(); ++i) {
    const HeadFeature& f = head_.features[i];
    if (!f.colour.empty() && field_.features()[i].distance(mm) < length_ * (kOwn * f.blend + kOwnMore))
      out = features_[i];
  }
  for (size_t i = 0; i < nostrils_.size(); ++i) {
    const HeadNostril& n = head_.nostrils[i];
    if (nostrils_[i].distance(n.twin ? leftOf(mm) : mm) < 0)
      out = named(n.colour.empty() ? "dark" : n.colour);
  }
  for (const MouthLine& line : head_.mouth)
    if (toLine(line.points, line.twin ? leftOf(p) : p) < std::max(line.width, kThreadLeast) / 2 + kOwnMore)
      out = named(line.colour.empty() ? "dark" : line.colour);
  return out;
}

Colour HeadPaint::hard(const Vec3& place) const {
  const Vec3 p = eased(place) / length_;
  const HardPart* nearest = nullptr;
  double least = 1e9;
  for (const HardPart& part : head_.hard)
    if (const double d = toLine(part.path, part.twin ? leftOf(p) : p); d < least) {
      least = d;
      nearest = &part;
    }
  if (!nearest) return ground_;
  if (nearest->tip.empty()) return named(nearest->colour);
  const Vec3 from = nearest->path.front();
  const double along = (nearest->path.back() - from).norm();
  const double share = ((nearest->twin ? leftOf(p) : p) - from).norm() / std::max(along, 1e-9);
  return named(share > nearest->tipFrom ? nearest->tip : nearest->colour);
}

Colour HeadPaint::flat(const std::string& id, const Vec3& place, Side side, Colour ground) const {
  const auto of = [&](const std::string& colour) {
    return colour.empty() || colour == head_.base ? ground : named(colour);
  };
  for (const auto& [flat, at] : flats_) {
    if (!id.ends_with(flat->id)) continue;
    const auto& [base, tall] = at;
    const Vec3 p = flat->twin ? leftOf(eased(place)) : eased(place);
    const Vec3 up = flat->axis.normalized();
    const double share = (p - base).dot(up) / std::max(tall, 1e-9);
    const std::string& edge = flat->rim.empty() ? flat->back : flat->rim;
    if (side == Side::Edge) return of(edge);
    if (side == Side::Face && !flat->lining.empty()) {
      // Towards its edges the lining leaves the rim's colour: what is left is as wide as the flat is there.
      const Vec3 aside = p - base - (p - base).dot(up) * up;
      double half = 0;
      for (const Vec2& o : flat->outline)
        if (std::abs(o.y() * length_ - share * tall) < tall / 4)
          half = std::max(half, std::abs(o.x()) * length_);
      const double within = 1 - flat->liningInset;
      return of(share < within && (half <= 0 || aside.norm() < half * within) ? flat->lining : edge);
    }
    return of(!flat->tip.empty() && share > flat->tipFrom ? flat->tip : flat->back);
  }
  return ground;
}

Colour HeadPaint::eye(const EyeBall& ball, const Vec3& way) const {
  const HeadEye& e = head_.eyes[ball.index];
  const double along = way.dot(ball.axis);
  const Colour dark = 0x17120F;
  if (along <= 0) return e.rim.empty() ? dark : named(e.rim);
  Vec3 up = Vec3::UnitZ() - ball.axis * ball.axis.z();
  up = up.norm() > 1e-9 ? Vec3(up.normalized()) : Vec3::UnitX();
  const Vec3 side = up.cross(ball.axis);
  const double u = way.dot(side);
  const double v = way.dot(up);
  const double r = std::hypot(u, v);
  if (r > std::min(kRim, e.irisRatio)) return e.rim.empty() ? dark : named(e.rim);
  bool pupil = false;
  switch (e.pupil) {
  case PupilShape::Round:
    pupil = r < e.pupilRatio;
    break;
  case PupilShape::Slit:
    pupil = std::hypot(u / 0.38, v / 1.5) < e.pupilRatio;
    break;
  case PupilShape::Bar:
    pupil = std::hypot(u / 1.35, v / 0.6) < e.pupilRatio;
    break;
  case PupilShape::None:
    break;
  }
  return pupil ? dark : (e.iris.empty() ? dark : named(e.iris));
}

HeadPaint::Side sideOf(const FigureFlat& flat, const Vec3& at, const Vec3& normal) {
  constexpr double flush = 0.6; // of straight on: less is the edge
  double least = 1e18;
  double facing = 0;
  for (const auto& [a, b, c] : flat.triangles) {
    const Vec3& p = flat.sheet[static_cast<size_t>(a)];
    const Vec3& q = flat.sheet[static_cast<size_t>(b)];
    const Vec3& r = flat.sheet[static_cast<size_t>(c)];
    if (const double d = (at - (p + q + r) / 3).squaredNorm(); d < least) {
      least = d;
      facing = normal.normalized().dot((q - p).cross(r - p).normalized());
    }
  }
  return facing > flush    ? HeadPaint::Side::Face
         : facing < -flush ? HeadPaint::Side::Back
                           : HeadPaint::Side::Edge;
}

} // namespace columna
