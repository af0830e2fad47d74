#include "face/symmetry.h"

#include "face/tape.h"

#include <algorithm>
#include <cmath>

namespace columna {
namespace {

constexpr int kSteps = 14;
constexpr double kClose = 0.01;     ///< mm the tape may be off
constexpr double kSearch = 0.03;    ///< of the head: a step of the search along the cut
constexpr int kSides = 8;           ///< steps to either side
constexpr double kNearEnough = 0.5; ///< mm: felt gives so much; beyond that it is told

/// The surface cut by a plane beside the mid plane.
class Cut {
public:
  Cut(const HeadField& field, double aside) : field_(field), aside_(aside) {}

  /// On to the surface within the plane.
  [[nodiscard]] std::optional<Vec3> onto(Vec3 p) const {
    p.y() = aside_;
    for (int pass = 0; pass < 40; ++pass) {
      const double d = field_.distance(p);
      if (std::abs(d) < 1e-4) return p;
      const Vec3 n = field_.normal(p);
      const double flat = n.x() * n.x() + n.z() * n.z();
      if (flat < 1e-4) return std::nullopt;
      const double most = 0.2 * field_.length();
      const double by = std::clamp(d / flat, -most, most);
      p.x() -= 0.8 * by * n.x();
      p.z() -= 0.8 * by * n.z();
    }
    return std::nullopt;
  }
  /// The way along the cut, forward.
  [[nodiscard]] Vec3 along(const Vec3& p) const {
    const Vec3 n = field_.normal(p);
    Vec3 way(n.z(), 0, -n.x());
    const double size = way.norm();
    if (size < 1e-6) return Vec3::UnitX();
    way /= size;
    return way.x() < 0 ? Vec3(-way) : way;
  }

private:
  const HeadField& field_;
  double aside_;
};

} // namespace

Result<Vec3> placeByTape(const HeadField& field, const Vec3& nose, const Vec3& planned, double tapeMm,
                         double aside) {
  const TapedSurface surface{[&](const Vec3& p) { return field.distance(p); },
                             [&](const Vec3& p) { return field.normal(p); }};
  const Cut cut(field, aside);
  const auto start = cut.onto(planned);
  const Said again =
      say("measure it again: by the tape from the nose tip, and half of what is between the two");
  if (!start)
    return Problem{say("no place of this head lies {} from its middle there", Length(aside, 1)), "", again};
  // Places of the cut by how far they lie along it from where the plan has the pin.
  const Vec3 way = cut.along(*start);
  struct Read {
    Vec3 at;
    double off = 0; ///< mm that the tape reads too much
  };
  const auto read = [&](double along) -> std::optional<Read> {
    const auto at = cut.onto(*start + along * way);
    if (!at) return std::nullopt;
    const auto here = columna::tape(surface, nose, *at);
    if (!here) return std::nullopt;
    return Read{*at, *here - tapeMm};
  };
  std::optional<Read> best = read(0);
  const double step = kSearch * field.length();
  const auto take = [&](const std::optional<Read>& one) {
    if (one && (!best || std::abs(one->off) < std::abs(best->off))) best = one;
  };
  // Outwards to both sides until the tape reads too much on one end of a step and too little on the other,
  // then between them; of two such places the nearer one.
  std::optional<Read> found;
  const auto nearer = [&](const Read& one) {
    return !found || (one.at - *start).norm() < (found->at - *start).norm();
  };
  for (int k = 0; k < kSides && !found; ++k)
    for (const double side : {-1.0, 1.0}) {
      double low = side * k * step;
      double high = side * (k + 1) * step;
      auto a = read(low);
      auto b = read(high);
      take(b);
      if (!a || !b || a->off * b->off > 0) continue;
      Read one = std::abs(a->off) < std::abs(b->off) ? *a : *b;
      for (int halving = 0; halving < kSteps && std::abs(one.off) > kClose; ++halving) {
        // Where a straight line between the two reads right, kept off the ends.
        const double share = std::clamp(a->off / (a->off - b->off), 0.1, 0.9);
        const double middle = low + share * (high - low);
        const auto m = read(middle);
        if (!m) break;
        if (std::abs(m->off) < std::abs(one.off)) one = *m;
        if (a->off * m->off <= 0) {
          high = middle;
          b = m;
        } else {
          low = middle;
          a = m;
        }
      }
      if (nearer(one)) found = one;
    }
  if (found) best = found;
  if (best && std::abs(best->off) < kNearEnough) return best->at;
  return Problem{
      say("no place lies {} from the nose tip and {} from the middle: the tape reads {} where it is "
          "nearest to that",
          Length(tapeMm, 1), Length(aside, 1), Length(best ? best->off + tapeMm : 0, 1)),
      "", again};
}

PairOff pairOff(const std::string& pin, const Vec3& left, const Vec3& right, const FaceRules& rules) {
  PairOff out;
  out.pin = pin;
  const Vec3 over(right.x(), -right.y(), right.z());
  out.by = over - left;
  out.off = out.by.norm();
  out.apart = std::abs(left.y() - right.y());
  out.tilt = std::atan2(out.by.z(), out.apart);
  out.turn = std::atan2(out.by.x(), out.apart);
  constexpr double degree = 0.017453292519943295;
  const double share = out.apart > 0 ? out.off / out.apart : 0;
  const bool seen = out.off > rules.offLeast;
  out.shows = seen && (std::abs(out.tilt) > rules.tiltNear * degree || share > rules.offNear);
  out.wrong = seen && (std::abs(out.tilt) > rules.tiltFar * degree || share > rules.offFar);
  return out;
}

FaceMeasured measuredPairs(const std::vector<MeasuredPin>& measured, const HeadField& field,
                           const FaceReport& report, const FaceRules& rules) {
  FaceMeasured out;
  if (report.pins.empty()) return out;
  const Vec3 nose = report.pins.front().at;
  for (const MeasuredPin& m : measured) {
    const auto pin =
        std::find_if(report.pins.begin(), report.pins.end(), [&](const FacePin& p) { return p.id == m.pin; });
    if (pin == report.pins.end()) continue;
    auto at = placeByTape(field, nose, pin->at, m.tape, m.aside);
    if (!at) {
      Problem problem = at.problem();
      problem.where = Where(Name(pinName(m.pin)));
      out.problems.push_back(std::move(problem));
      continue;
    }
    out.places.emplace_back(m, m.right ? Vec3(at->x(), -at->y(), at->z()) : *at);
  }
  for (const auto& [left, a] : out.places)
    for (const auto& [right, b] : out.places)
      if (!left.right && right.right && left.pin == right.pin)
        out.pairs.push_back(pairOff(left.pin, a, b, rules));
  return out;
}

} // namespace columna
