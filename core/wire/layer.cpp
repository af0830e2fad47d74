#include "wire/layer.h"

#include "measure/quantity.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace columna {
namespace {

constexpr double kStraightBack = 3.12; ///< radians: the wire goes back along itself
constexpr double kCrossing = 2.6;      ///< the same where it crosses over to the next digit
constexpr double kTrifle = 0.01;       ///< mm that a leg without bends may differ from its bones

} // namespace

double springback(double sigma, double elastic, double neutralRadius, double d) {
  const double x = std::min(0.25, sigma * neutralRadius / (elastic * d));
  return 1 - 3.3953 * x + 6.79 * x * x * x;
}

double toolAngle(double angle, double neutralRadius, const Material& material, double d) {
  return angle / springback(material.flow10, material.elastic.value, neutralRadius, d);
}

Layer::Layer(const WireSkeleton& skeleton, const WireSection& wire, std::string name, const Allowances& allow)
    : skeleton_(skeleton), wire_(wire), allow_(allow), runs_(1) {
  wire_.lay = allow.lay;
  piece_.name = std::move(name);
  piece_.material = wire.material.id;
  piece_.diameter = wire.diameter;
}

void Layer::feature(std::string kind, double takes, Said note) {
  Run& run = runs_.back();
  run.made[run.steps.size()].push_back({std::move(kind), takes, std::move(note)});
}

void Layer::step(int from, int to, int limb, int wires) {
  if (!runs_.back().steps.empty()) {
    const Step& last = runs_.back().steps.back();
    const bool crosses = runs_.back().made.contains(runs_.back().steps.size());
    if (bendAngle(place(last.to) - place(last.from), place(to) - place(from)) >
        (crosses ? kCrossing : kStraightBack)) {
      runs_.back().hairpin = true;
      runs_.emplace_back();
    }
  }
  runs_.back().steps.push_back({from, to, wires});
  piece_.bones += (place(to) - place(from)).norm();
  if (limb >= 0 && std::find(piece_.limbs.begin(), piece_.limbs.end(), limb) == piece_.limbs.end())
    piece_.limbs.push_back(limb);
}

void Layer::fold(std::string kind, double takes, Said note) {
  runs_.back().fold = Noted{std::move(kind), takes, std::move(note)};
  runs_.emplace_back();
}

WireSection Layer::sectionOf(int wires) const {
  WireSection section = wire_;
  section.wires = wires;
  return section;
}

PathPoint Layer::pathPoint(const Run& run, size_t k) const {
  const int point = k == 0 ? run.steps.front().from : run.steps[k - 1].to;
  // The thicker of what comes and what goes on has to be bent.
  double bundle = 0;
  if (k > 0) bundle = sectionOf(run.steps[k - 1].wires).bundle();
  if (k < run.steps.size()) bundle = std::max(bundle, sectionOf(run.steps[k].wires).bundle());
  const double d = wire_.wireDiameter();
  return {place(point), wire_.material.bendOnce * d + bundle / 2, wire_.material.bendAgain * d + bundle / 2};
}

void Layer::put(const Noted& noted) {
  piece_.features.push_back({noted.kind, at_, noted.takes, noted.note});
  at_ += noted.takes;
}

void Layer::putAll(const Run& run, size_t at) {
  if (const auto found = run.made.find(at); found != run.made.end())
    for (const Noted& each : found->second) put(each);
}

void Layer::pass(int point) {
  piece_.route.push_back(point);
  piece_.routeAt.push_back(at_);
}

void Layer::zone(double from, double to, int wires, double factor, double along) {
  const double turns = along / (wire_.lay * wire_.wireDiameter());
  const double takes = along * (factor - 1);
  if (!piece_.twists.empty() && piece_.twists.back().wires == wires &&
      std::abs(piece_.twists.back().to - from) < 1e-6) {
    piece_.twists.back().to = to;
    piece_.twists.back().turns += turns;
    for (auto f = piece_.features.rbegin(); f != piece_.features.rend(); ++f)
      if (f->kind == "twist") {
        f->takes += takes;
        break;
      }
    return;
  }
  piece_.twists.push_back({from, to, wires, turns, factor});
  piece_.features.push_back({"twist", from, takes, {}});
}

void Layer::bend(const PathBend& made, int point, double factorBefore, double factorAfter, double takes) {
  const double d = wire_.wireDiameter();
  const Vec3& turn = made.axis;
  Bend bend;
  bend.angle = made.angle;
  bend.point = point;
  bend.middle = made.radius;
  bend.radius = made.radius - d / 2;
  bend.apex = made.half() * factorBefore;
  bend.at = at_ - bend.apex;
  bend.arc = made.half() * (factorBefore + factorAfter);
  bend.tool = toolAngle(made.angle, made.radius, wire_.material, wire_.diameter);
  if (normal_.squaredNorm() > 0) {
    // The plane of the last bend is carried along what is straight but for a trifle.
    const Vec3 square = normal_ - made.in * made.in.dot(normal_);
    if (square.norm() > 1e-9) normal_ = square.normalized();
    bend.roll = std::atan2(normal_.cross(turn).dot(made.in), normal_.dot(turn));
  }
  normal_ = turn;
  piece_.features.push_back({"bend", at_, takes, say("bend {}", Angle(made.angle, 0))});
  piece_.bends.push_back(bend);
}

void Layer::walk(std::deque<Stretch>& leg, double path) {
  while (!leg.empty() && (path > 1e-12 || leg.front().path <= 1e-12)) {
    Stretch& first = leg.front();
    const double now = std::min(path, first.path);
    const double factor = sectionOf(first.wires).lengthFactor();
    const double before = at_;
    at_ += now * factor;
    if (first.wires > 1 && now > 0) zone(before, at_, first.wires, factor, now);
    path -= now;
    first.path -= now;
    if (first.path > 1e-12) continue;
    if (first.point >= 0) pass(first.point);
    leg.pop_front();
  }
}

void Layer::foldHere(const Run& run) {
  Bend bend;
  bend.fold = true;
  bend.angle = bend.tool = std::numbers::pi;
  bend.point = piece_.route.back();
  bend.radius = wire_.wireDiameter() / 2;
  bend.arc = run.fold ? run.fold->takes : 0;
  bend.at = at_ + bend.arc / 2;
  if (run.fold) {
    put(*run.fold);
    piece_.routeAt.back() = bend.at;
  }
  piece_.bends.push_back(bend);
}

void Layer::noteCrowded(const Run& run, const BentPath& path) {
  const auto pointOf = [&](size_t k) { return k == 0 ? run.steps.front().from : run.steps[k - 1].to; };
  for (const PathBend& b : path.bends) {
    if (b.first == b.last) continue;
    CrowdedJoints joints{{}, true, 0};
    for (size_t k = b.first; k <= b.last; ++k) {
      joints.points.push_back(pointOf(k));
      joints.off = std::max(joints.off, (place(pointOf(k)) - b.at).norm());
    }
    piece_.crowded.push_back(std::move(joints));
  }
  for (const size_t k : path.passed) {
    // How far beside the straight line between the places to either side.
    Vec3 from = place(pointOf(0));
    Vec3 to = place(pointOf(run.steps.size()));
    for (const PathBend& b : path.bends) {
      if (b.last < k) from = b.at;
      if (b.first > k) {
        to = b.at;
        break;
      }
    }
    const Vec3 along = (to - from).normalized();
    const Vec3 off = place(pointOf(k)) - from;
    piece_.crowded.push_back({{pointOf(k)}, false, (off - along * along.dot(off)).norm()});
  }
}

void Layer::layLegs(const Run& run, const BentPath& path) {
  const size_t count = run.steps.size();
  const auto pointOf = [&](size_t k) { return k == 0 ? run.steps.front().from : run.steps[k - 1].to; };
  const auto factorAt = [&](size_t step) { return sectionOf(run.steps[step].wires).lengthFactor(); };
  double owed = 0; // what the leg before takes beyond its bones, for the bend after it
  if (path.start) {
    at_ += path.start->half() * factorAt(0);
    bend(*path.start, pointOf(0), factorAt(0), factorAt(0), 0);
    at_ -= path.start->half() * factorAt(0);
    lastBend_ = piece_.features.size() - 1;
  }
  for (size_t k = 0; k <= path.bends.size(); ++k) {
    const PathBend* before = k > 0 ? &path.bends[k - 1] : nullptr;
    const PathBend* after = k < path.bends.size() ? &path.bends[k] : nullptr;
    // The steps of this leg, and of joints taken together half to either side.
    std::deque<Stretch> leg;
    if (before)
      for (size_t s = before->first; s < before->last; ++s)
        leg.push_back({lengthOf(run.steps[s]) / 2, run.steps[s].wires, -1});
    const size_t from = before ? before->last : 0;
    const size_t to = after ? after->first : count;
    for (size_t s = from; s < to; ++s)
      leg.push_back(
          {lengthOf(run.steps[s]), run.steps[s].wires, s + 1 < to || !after ? run.steps[s].to : -1});
    if (after)
      for (size_t s = after->first; s < after->last; ++s)
        leg.push_back({lengthOf(run.steps[s]) / 2, run.steps[s].wires, -1});
    double bones = 0;
    for (const Stretch& each : leg) bones += each.path;
    const bool opened = before || (k == 0 && path.start);
    const double opening = before ? before->half() : opened ? 2 * path.start->half() : 0;
    double length = opening + path.straight[k] + (after ? after->half() : 0);
    if (!opened && !after && std::abs(length - bones) < kTrifle) length = bones;
    for (Stretch& each : leg) each.path *= bones > 0 ? length / bones : 0;
    const double takes = bones > 0 ? length - bones : 0;
    if (!opened && !after && takes != 0)
      piece_.features.push_back({"bend", at_, takes, say("joints passed straight")});
    // Half of what the rounding takes is told with the bend at either end.
    const double toBefore = opened ? (after ? takes / 2 : takes) : 0;
    if (opened) piece_.features[lastBend_].takes += toBefore;
    owed = after ? takes - toBefore : 0;
    walk(leg, length - (after ? after->half() : 0));
    if (!after) {
      walk(leg, 1e9);
      break;
    }
    for (size_t s = after->first; s <= after->last; ++s) putAll(run, s);
    walk(leg, 1e9);
    for (size_t s = after->first; s <= after->last; ++s) pass(pointOf(s));
    bend(*after, pointOf(after->first), factorAt(after->first - 1), factorAt(after->last), owed);
    lastBend_ = piece_.features.size() - 1;
  }
}

void Layer::lay(const Run& run) {
  putAll(run, 0);
  if (!run.steps.empty()) {
    std::vector<PathPoint> points;
    points.reserve(run.steps.size() + 1);
    for (size_t k = 0; k <= run.steps.size(); ++k) points.push_back(pathPoint(run, k));
    const BentPath path = bendPath(points, wire_.wireDiameter(), arrives_);
    if (piece_.route.empty()) pass(run.steps.front().from);
    layLegs(run, path);
    noteCrowded(run, path);
    arrives_ = -path.ends;
    putAll(run, run.steps.size());
  }
  if (run.fold || run.hairpin) foldHere(run);
}

Piece Layer::finish() {
  for (const Run& run : runs_) lay(run);
  for (Feature& f : piece_.features)
    if (f.kind == "twist")
      for (const TwistZone& z : piece_.twists)
        if (std::abs(z.from - f.at) < 1e-6) {
          const Number turns(z.turns, 0);
          const Length over((z.to - z.from) / z.factor, 0);
          f.note = z.wires == 4 ? say("four strands, {} turns over {}", turns, over)
                                : say("twisted pair, {} turns over {}", turns, over);
        }
  // Where joints had to be taken together the wire takes a short cut, and must still reach along the bones.
  if (at_ < piece_.bones) put({"spare", piece_.bones - at_, say("as long as its bones")});
  put({"waste", wasteLength(at_, allow_),
       say("{} % and {} for waste", Number(allow_.wasteShare, Quantity::kShort),
           Length(allow_.wasteLength, Quantity::kShort))});
  piece_.cut = piece_.bones;
  for (const Feature& f : piece_.features) piece_.cut += f.takes;
  piece_.mass = piece_.cut * wire_.linearMass();
  std::stable_sort(piece_.features.begin(), piece_.features.end(),
                   [](const Feature& a, const Feature& b) { return a.at < b.at; });
  return std::move(piece_);
}

} // namespace columna
