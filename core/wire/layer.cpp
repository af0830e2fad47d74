#include "wire/layer.h"

#include "measure/quantity.h"

#include <fmt/format.h>

#include <algorithm>
#include <cmath>
#include <numbers>

namespace columna {
namespace {

/// Wire used up without going on along the limb. A splice is beside the wire that goes on.
bool idles(const Feature& f) {
  return f.kind != "twist" && f.kind != "bend" && f.kind != "splice" && f.takes > 0;
}

constexpr double kLeastBend = 0.002; ///< radians: a fifth of a millimetre over a hand's length

} // namespace

double springback(double sigma, double elastic, double neutralRadius, double d) {
  const double x = std::min(0.25, sigma * neutralRadius / (elastic * d));
  return 1 - 3.3953 * x + 6.79 * x * x * x;
}

double toolAngle(double angle, double neutralRadius, const Material& material, double d) {
  return angle / springback(material.flow10, material.elastic.value, neutralRadius, d);
}

Layer::Layer(const WireSkeleton& skeleton, const WireSection& wire, std::string name, const Allowances& allow)
    : skeleton_(skeleton), wire_(wire), allow_(allow) {
  wire_.lay = allow.lay;
  piece_.name = std::move(name);
  piece_.material = wire.material.id;
  piece_.diameter = wire.diameter;
}

void Layer::feature(std::string kind, double takes, std::string note) {
  piece_.features.push_back({std::move(kind), at_, takes, std::move(note)});
  at_ += takes;
  sharp_ = true;
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

void Layer::bend(const Vec3& next, double factor, const WireSection& section) {
  const double theta = bendAngle(direction_, next);
  if (theta < kLeastBend) return;
  if (theta > 3.12) { // straight back on itself
    Bend back;
    back.fold = true;
    back.angle = back.tool = std::numbers::pi;
    back.point = piece_.route.back();
    back.at = at_;
    piece_.bends.push_back(back);
    return;
  }
  const Vec3 turn = direction_.cross(next).normalized();
  const double d = wire_.wireDiameter();
  double radius = wire_.material.bendAgain * d + section.bundle() / 2;
  const double room = 0.4 * std::min(direction_.norm(), next.norm());
  radius = sharp_ ? 0 : std::min(radius, room / std::tan(theta / 2));
  Bend bend;
  bend.angle = theta;
  bend.point = piece_.route.back();
  bend.radius = std::max(0.0, radius - d / 2);
  bend.reach = radius * std::tan(theta / 2);
  const double half = radius * theta / 2;
  bend.at = at_ - bend.reach * factor_;
  bend.arc = half * (factor_ + factor);
  bend.tool = toolAngle(theta, radius, wire_.material, wire_.diameter);
  if (normal_.squaredNorm() > 0) {
    const Vec3 axis = direction_.normalized();
    bend.roll = std::atan2(normal_.cross(turn).dot(axis), normal_.dot(turn));
  }
  normal_ = turn;
  const double saving = (bend.reach - half) * (factor_ + factor);
  piece_.features.push_back({"bend", at_, -saving, fmt::format("bend {}", printAngle(theta))});
  if (!piece_.twists.empty() && std::abs(piece_.twists.back().to - at_) < 1e-6)
    piece_.twists.back().to = at_ - saving;
  at_ -= saving;
  piece_.bends.push_back(bend);
}

void Layer::step(int from, int to, int limb, int wires) {
  WireSection section = wire_;
  section.wires = wires;
  const double factor = section.lengthFactor();
  const Vec3 next = place(to) - place(from);
  if (piece_.route.empty()) pass(from);
  if (direction_.squaredNorm() > 0) {
    bend(next, factor, section);
    // The plane of the last bend is carried along a straight joint.
    if (normal_.squaredNorm() > 0) {
      const Vec3 axis = next.normalized();
      const Vec3 square = normal_ - axis * axis.dot(normal_);
      if (square.norm() > 1e-9) normal_ = square.normalized();
    }
  }
  const double before = at_;
  at_ += next.norm() * factor;
  if (wires > 1) zone(before, at_, wires, factor, next.norm());
  piece_.bones += next.norm();
  direction_ = next;
  factor_ = factor;
  sharp_ = false;
  pass(to);
  if (limb >= 0 && std::find(piece_.limbs.begin(), piece_.limbs.end(), limb) == piece_.limbs.end())
    piece_.limbs.push_back(limb);
}

void Layer::fold(std::string kind, double takes, std::string note) {
  Bend bend;
  bend.fold = true;
  bend.angle = bend.tool = std::numbers::pi;
  bend.point = piece_.route.back();
  bend.at = at_ + takes / 2;
  bend.arc = takes;
  bend.radius = wire_.wireDiameter() / 2;
  feature(std::move(kind), takes, std::move(note));
  piece_.bends.push_back(bend);
  piece_.routeAt.back() = bend.at;
  direction_ = -direction_;
}

Piece Layer::finish() {
  for (Feature& f : piece_.features)
    if (f.kind == "twist")
      for (const TwistZone& z : piece_.twists)
        if (std::abs(z.from - f.at) < 1e-6)
          f.note = fmt::format("{}, {} turns over {} mm", z.wires == 4 ? "four strands" : "twisted pair",
                               printNumber(z.turns, 0), printNumber((z.to - z.from) / z.factor, 0));
  feature("waste", wasteLength(at_, allow_),
          fmt::format("{:g} % and {:g} mm for waste", allow_.wasteShare, allow_.wasteLength));
  piece_.cut = piece_.bones;
  for (const Feature& f : piece_.features) piece_.cut += f.takes;
  piece_.mass = piece_.cut * wire_.linearMass();
  std::stable_sort(piece_.features.begin(), piece_.features.end(),
                   [](const Feature& a, const Feature& b) { return a.at < b.at; });
  return std::move(piece_);
}

std::vector<Vec3> followTable(const Piece& piece) {
  // Where wire is used up without going on: loops, laps, folds, ends.
  const auto advance = [&](double from, double to) {
    double run = 0;
    std::vector<double> cuts{from, to};
    for (const TwistZone& z : piece.twists)
      for (const double c : {z.from, z.to})
        if (c > from && c < to) cuts.push_back(c);
    for (const Feature& f : piece.features)
      if (idles(f))
        for (const double c : {f.at, f.at + f.takes})
          if (c > from && c < to) cuts.push_back(c);
    std::sort(cuts.begin(), cuts.end());
    for (size_t i = 0; i + 1 < cuts.size(); ++i) {
      const double middle = (cuts[i] + cuts[i + 1]) / 2;
      bool idle = false;
      for (const Feature& f : piece.features)
        idle = idle || (idles(f) && middle > f.at && middle < f.at + f.takes);
      if (idle) continue;
      double factor = 1;
      for (const TwistZone& z : piece.twists)
        if (middle > z.from && middle < z.to) factor = z.factor;
      run += (cuts[i + 1] - cuts[i]) / factor;
    }
    return run;
  };
  const auto about = [](const Vec3& v, const Vec3& axis, double angle) {
    return Vec3(v * std::cos(angle) + axis.cross(v) * std::sin(angle) +
                axis * axis.dot(v) * (1 - std::cos(angle)));
  };
  Vec3 at(0, 0, 0);
  Vec3 direction(1, 0, 0);
  Vec3 normal(0, 0, 1);
  double wire = 0;
  // Points passed straight lie between bends; each is met at its place on the wire.
  std::vector<Vec3> out;
  size_t next = 0;
  const auto straightTo = [&](double to) {
    while (next < piece.routeAt.size() && piece.routeAt[next] <= to + 1e-9) {
      const double here = std::max(piece.routeAt[next], wire);
      out.push_back(at + direction * advance(wire, here));
      ++next;
    }
    at += direction * advance(wire, to);
    wire = to;
  };
  for (const Bend& b : piece.bends) {
    if (b.fold) {
      // The point of a fold is met at its middle.
      straightTo(b.at - b.arc / 2);
      if (next < piece.route.size() && piece.route[next] == b.point) {
        out.push_back(at);
        ++next;
      }
      wire = b.at + b.arc / 2;
      direction = -direction;
      continue;
    }
    straightTo(b.at);
    normal = about(normal, direction, b.roll);
    at += direction * b.reach;
    if (next < piece.route.size() && piece.route[next] == b.point) {
      out.push_back(at);
      ++next;
    }
    direction = about(direction, normal, b.angle);
    at += direction * b.reach;
    wire = b.at + b.arc;
  }
  straightTo(piece.cut);
  return out;
}

} // namespace columna
