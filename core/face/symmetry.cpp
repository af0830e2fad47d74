#include "face/symmetry.h"

#include "face/tape.h"

#include <Eigen/Geometry>
#include <Eigen/LU>

#include <algorithm>
#include <cmath>

namespace columna {
namespace {

constexpr int kSteps = 14;
constexpr double kMiddle = 0.05;      ///< mm: nearer is on the mid line
constexpr double kClose = 0.02;       ///< mm both measures may be off
constexpr double kNearEnough = 1.0;   ///< mm in both together: felt and hand give half of it each
constexpr double kProbe = 0.4;        ///< mm, for how the measures change
constexpr double kDamp = 0.05;        ///< keeps a step short where a measure hardly changes
constexpr double kLongestStep = 0.06; ///< of the head: a step

} // namespace

Result<Vec3> placeByTape(const HeadField& field, const Vec3& nose, const Vec3& planned, double tapeMm,
                         std::optional<double> aside) {
  const TapedSurface surface{[&](const Vec3& p) { return field.distance(p); },
                             [&](const Vec3& p) { return field.normal(p); }};
  // How much both measures read too much there. Where the surface looks sideways they say nearly the same of
  // places along it: the place nearest to the plan that fits both best is taken (Levenberg and Marquardt).
  const auto off = [&](const Vec3& p) -> std::optional<Vec2> {
    const auto here = columna::tape(surface, nose, p);
    if (!here) return std::nullopt;
    return Vec2(*here - tapeMm, aside ? p.y() - *aside : 0);
  };
  Vec3 at = field.onto(planned);
  std::optional<Vec2> now = off(at);
  double damp = kDamp;
  for (int step = 0; now && step < kSteps && now->norm() > kClose; ++step) {
    const Vec3 n = field.normal(at);
    const Vec3 e1 = n.unitOrthogonal();
    const Vec3 e2 = n.cross(e1);
    const auto along1 = off(field.onto(at + kProbe * e1));
    const auto along2 = off(field.onto(at + kProbe * e2));
    if (!along1 || !along2) break;
    Eigen::Matrix2d slope;
    slope.col(0) = (*along1 - *now) / kProbe;
    slope.col(1) = (*along2 - *now) / kProbe;
    const Eigen::Matrix2d square = slope.transpose() * slope + damp * Eigen::Matrix2d::Identity();
    Vec2 by = -square.inverse() * (slope.transpose() * *now);
    if (const double most = kLongestStep * field.length(); by.norm() > most) by *= most / by.norm();
    const Vec3 next = field.onto(at + by.x() * e1 + by.y() * e2);
    const auto then = off(next);
    if (then && then->norm() < now->norm()) {
      at = next;
      now = then;
      damp = std::max(damp / 4, 1e-4);
    } else {
      damp *= 8;
      if (damp > 100) break;
    }
  }
  if (now && now->norm() < kNearEnough) return at;
  const Said again =
      say("measure it again: by the tape from the nose tip, and half of what is between the two");
  if (!now) return Problem{say("no tape goes straight there"), "", again};
  if (!aside)
    return Problem{say("no place near it lies {} from the nose tip: nearest to that is {}", Length(tapeMm, 1),
                       Length(now->x() + tapeMm, 1)),
                   "", again};
  return Problem{
      say("no place lies {} from the nose tip and {} from the middle: nearest to that are {} and {}",
          Length(tapeMm, 1), Length(*aside, 1), Length(now->x() + tapeMm, 1), Length(now->y() + *aside, 1)),
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
    // On the mid line there is nothing to measure aside; of a pair it may not have been.
    const bool middle = pin->aside < kMiddle;
    auto at = placeByTape(field, nose, pin->at, m.tape,
                          m.aside > 0 || middle ? std::optional(middle ? 0 : m.aside) : std::nullopt);
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
