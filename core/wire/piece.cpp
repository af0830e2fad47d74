#include "wire/piece.h"

#include "measure/quantity.h"
#include "wire/allowance.h"

#include <fmt/format.h>

#include <algorithm>
#include <cmath>
#include <map>

namespace columna {
namespace {

std::string lowerFirst(std::string text) {
  if (!text.empty() && text[0] >= 'A' && text[0] <= 'Z') text[0] = static_cast<char>(text[0] - 'A' + 'a');
  return text;
}

/// Lays one wire along runs and features from its left end.
class Layer {
public:
  Layer(const WireSkeleton& skeleton, const WireSection& wire, std::string name)
      : skeleton_(skeleton), wire_(wire) {
    piece_.name = std::move(name);
    piece_.material = wire.material.id;
    piece_.diameter = wire.diameter;
  }

  void feature(std::string kind, double takes, std::string note) {
    piece_.features.push_back({std::move(kind), at_, takes, std::move(note)});
    at_ += takes;
    turned_ = true;
  }

  /// Along a run as one of `wires` twisted together.
  void along(const WireRun& run, int wires) {
    if (run.empty()) return;
    WireSection section = wire_;
    section.wires = wires;
    const double factor = section.lengthFactor();
    const double length = skeleton_.length(run);
    if (factor > 1)
      piece_.features.push_back({"twist", at_, length * (factor - 1),
                                 fmt::format("twisted pair, {} turns over {} mm",
                                             printNumber(length / (section.lay * section.wireDiameter()), 0),
                                             printNumber(length, 0))});
    if (piece_.route.empty()) pass(run.points.front());
    for (size_t i = 0; i + 1 < run.points.size(); ++i) {
      const Vec3 step = place(run.points[i + 1]) - place(run.points[i]);
      if (!turned_) bend(step, section);
      at_ += step.norm() * factor;
      piece_.bones += step.norm();
      direction_ = step;
      turned_ = false;
      pass(run.points[i + 1]);
      const int limb = run.segmentLimb[i];
      if (std::find(piece_.limbs.begin(), piece_.limbs.end(), limb) == piece_.limbs.end())
        piece_.limbs.push_back(limb);
    }
  }

  Piece finish() {
    feature("waste", wasteLength(at_), "3 % and 10 mm for waste");
    piece_.cut = piece_.bones;
    for (const Feature& f : piece_.features) piece_.cut += f.takes;
    piece_.mass = piece_.cut * wire_.linearMass();
    return std::move(piece_);
  }

private:
  [[nodiscard]] const Vec3& place(int point) const { return skeleton_.points[static_cast<size_t>(point)].at; }

  void pass(int point) {
    if (!piece_.route.empty() && piece_.route.back() == point) return;
    piece_.route.push_back(point);
    piece_.routeAt.push_back(at_);
  }

  /// A rounded corner is shorter than a sharp one.
  void bend(const Vec3& step, const WireSection& section) {
    const double theta = bendAngle(direction_, step);
    if (theta < 0.05 || theta > 3.0) return;
    double radius = wire_.material.bendAgain * wire_.wireDiameter() + section.bundle() / 2;
    const double room = 0.4 * std::min(direction_.norm(), step.norm());
    radius = std::min(radius, room / std::tan(theta / 2));
    const double saving = cornerSaving(theta, radius);
    piece_.features.push_back({"bend", at_, -saving, fmt::format("bend {}", printAngle(theta))});
    at_ -= saving;
  }

  const WireSkeleton& skeleton_;
  const WireSection& wire_;
  Piece piece_;
  Vec3 direction_{0, 0, 0};
  double at_ = 0;
  bool turned_ = true;
};

class Plan {
public:
  Plan(const Figure& figure, const WireSkeleton& skeleton, const std::vector<WireGroup>& groups,
       const std::vector<WireSection>& sections, const WireSection& fine)
      : figure_(figure), skeleton_(skeleton), groups_(groups), sections_(sections), fine_(fine) {}

  std::vector<Piece> twistedLimbs() {
    if (!skeleton_.spine.empty()) {
      Layer spine(skeleton_, wireOf(skeleton_.spine.segmentLimb.back()), "spine");
      const double d = wireOf(skeleton_.spine.segmentLimb.back()).wireDiameter();
      const WireRun& run = skeleton_.spine;
      spine.feature("turn-back", turnBackLength(d), "end turned back");
      spine.along(run, 2);
      spine.feature("fold", foldLength(d), "fold at the middle");
      spine.along(reversed(run), 2);
      spine.feature("turn-back", turnBackLength(d), "end turned back");
      add(spine.finish());
    }
    eachLimb([&](int l) { add(doubledLimb(l)); });
    lashings();
    digits();
    return finish();
  }

  std::vector<Piece> foldedPair() {
    const std::vector<int> pairs = spinePairs(figure_, skeleton_);
    const int nose = skeleton_.spine.points.empty() ? -1 : skeleton_.spine.points.back();
    const int tailTip = skeleton_.spine.points.empty() ? -1 : skeleton_.spine.points.front();
    const int front = pairs.empty() ? tailTip : rootOf(pairs.front());
    if (nose >= 0)
      add(foldedPiece("head and front", pairs.empty() ? -1 : pairs.front(),
                      stretch(skeleton_.spine, front, nose), false));
    int rear = front;
    if (!pairs.empty()) {
      const bool legs = pairs.size() > 1;
      rear = legs ? rootOf(pairs.back()) : tailTip;
      add(foldedPiece("back", legs ? pairs.back() : -1, stretch(skeleton_.spine, rear, front), true));
    }
    tailStem(rear);
    for (size_t i = 1; i + 1 < pairs.size(); ++i) add(crosspiece(pairs[i]));
    eachLimb([&](int l) {
      if (!covered(l)) add(singleLimb(l));
    });
    digits();
    return finish();
  }

private:
  [[nodiscard]] int rootOf(int limb) const { return skeleton_.rootPoint[static_cast<size_t>(limb)]; }
  [[nodiscard]] const FigureLimb& limb(int l) const { return figure_.limbs[static_cast<size_t>(l)]; }
  [[nodiscard]] const WireRun& runOf(int l) const { return skeleton_.limbs[static_cast<size_t>(l)].front(); }

  [[nodiscard]] const WireSection& wireOf(int l) const {
    for (size_t g = 0; g < groups_.size(); ++g)
      if (std::find(groups_[g].limbs.begin(), groups_[g].limbs.end(), l) != groups_[g].limbs.end())
        return sections_[g];
    return sections_.front();
  }

  /// Limbs off the spine that are not digits, in body order.
  template <class Do>
  void eachLimb(Do&& act) const {
    for (size_t i = 0; i < figure_.limbs.size(); ++i) {
      const int l = static_cast<int>(i);
      if (skeleton_.limbs[i].empty() || onSpine(skeleton_, l) || limb(l).kind == LimbKind::Digits) continue;
      act(l);
    }
  }

  [[nodiscard]] bool covered(int l) const {
    return std::any_of(pieces_.begin(), pieces_.end(), [&](const Piece& p) {
      return std::find(p.limbs.begin(), p.limbs.end(), l) != p.limbs.end();
    });
  }

  void add(Piece piece) {
    // A right limb's piece equals its twin's in every number.
    if (figure_.symmetric && piece.limbs.size() == 1) {
      const int twin = limb(piece.limbs.front()).twin;
      for (size_t i = 0; i < pieces_.size(); ++i) {
        const Piece& other = pieces_[i];
        if (twin < 0 || other.limbs.size() != 1 || other.limbs.front() != twin ||
            other.diameter != piece.diameter || other.material != piece.material ||
            other.features.size() != piece.features.size())
          continue;
        piece.mirrorOf = static_cast<int>(i);
        piece.bones = other.bones;
        piece.cut = other.cut;
        piece.mass = other.mass;
        piece.routeAt = other.routeAt;
        piece.features = other.features;
        break;
      }
    }
    pieces_.push_back(std::move(piece));
  }

  void tip(Layer& layer, int l, const WireSection& wire) const {
    if (limb(l).kind == LimbKind::Leg || limb(l).kind == LimbKind::Arm)
      layer.feature("loop", loopLength(kLoopInside, wire.wireDiameter()),
                    fmt::format("loop of {:g} mm at the {}", kLoopInside,
                                limb(l).kind == LimbKind::Leg ? "foot" : "palm"));
    else
      layer.feature("fold", foldLength(wire.wireDiameter()), "fold at the tip");
  }

  /// A free end at a foot: the loop and the turns that close it; elsewhere turned back.
  void freeEnd(Layer& layer, int l, const WireSection& wire, bool first) const {
    const double d = wire.wireDiameter();
    const bool foot = l >= 0 && (limb(l).kind == LimbKind::Leg || limb(l).kind == LimbKind::Arm);
    if (!foot) {
      layer.feature("turn-back", turnBackLength(d), "end turned back");
      return;
    }
    const auto close = [&] {
      layer.feature("turn-back", closingTurnsLength(d), "1.5 turns round the shank to close the loop");
    };
    const auto loop = [&] {
      layer.feature("loop", loopLength(kLoopInside, d),
                    fmt::format("loop of {:g} mm at the foot", kLoopInside));
    };
    if (first) {
      close();
      loop();
    } else {
      loop();
      close();
    }
  }

  Piece doubledLimb(int l) const {
    const WireSection& wire = wireOf(l);
    Layer layer(skeleton_, wire, lowerFirst(limb(l).name));
    layer.feature("lap", kLap, "end along the spine, under the lashing");
    layer.along(runOf(l), 2);
    tip(layer, l, wire);
    layer.along(reversed(runOf(l)), 2);
    layer.feature("lap", kLap, "end along the spine, under the lashing");
    return layer.finish();
  }

  Piece singleLimb(int l) const {
    const WireSection& wire = wireOf(l);
    Layer layer(skeleton_, wire, lowerFirst(limb(l).name));
    layer.feature("lap", kLap, "end along the wire that carries it");
    layer.along(runOf(l), 1);
    freeEnd(layer, l, wire, false);
    return layer.finish();
  }

  /// A wire folded at the far end of `back` whose two halves run out into a pair of limbs.
  Piece foldedPiece(const std::string& called, int left, const WireRun& back, bool meets) const {
    const WireSection& wire = wireOf(back.segmentLimb.empty() ? left : back.segmentLimb.back());
    Layer layer(skeleton_, wire, called);
    freeEnd(layer, left, wire, true);
    if (left >= 0) layer.along(reversed(runOf(left)), 1);
    layer.along(back, 2);
    if (meets)
      layer.feature("mutual-twist", mutualTwistLength(kMutualTurns, wire.wireDiameter()),
                    "two full turns with the front wire");
    layer.feature("fold", foldLength(wire.wireDiameter()), "fold at the middle");
    layer.along(reversed(back), 2);
    const int right = left >= 0 ? limb(left).twin : -1;
    if (right >= 0) layer.along(runOf(right), 1);
    freeEnd(layer, right, wire, false);
    return layer.finish();
  }

  Piece crosspiece(int left) const {
    const WireSection& wire = wireOf(left);
    Layer layer(skeleton_, wire, limb(left).family + " crosspiece");
    freeEnd(layer, left, wire, true);
    layer.along(reversed(runOf(left)), 1);
    layer.along(runOf(limb(left).twin), 1);
    freeEnd(layer, limb(left).twin, wire, false);
    return layer.finish();
  }

  void tailStem(int rear) {
    for (size_t i = 0; i < figure_.limbs.size(); ++i) {
      const int l = static_cast<int>(i);
      if (limb(l).kind != LimbKind::Tail || !onSpine(skeleton_, l) || covered(l)) continue;
      const WireSection& wire = wireOf(l);
      const double d = wire.wireDiameter();
      Layer layer(skeleton_, wire, "tail");
      layer.feature("lashing", lashingLength(kMutualTurns, 2 * d, d), "two turns round the back wires");
      // From the hind legs' root where that lies before the tail's.
      const double tail = skeleton_.alongSpine(rootOf(l));
      const double legs = skeleton_.alongSpine(rear);
      layer.along(stretch(skeleton_.spine, legs > tail ? rear : rootOf(l), skeleton_.spine.points.front()),
                  1);
      layer.feature("turn-back", turnBackLength(d), "end turned back");
      add(layer.finish());
    }
  }

  /// One lashing wherever limbs meet the wire that carries them.
  void lashings() {
    std::map<int, std::vector<int>> at;
    eachLimb([&](int l) { at[rootOf(l)].push_back(l); });
    std::vector<std::pair<double, int>> order;
    order.reserve(at.size());
    for (const auto& [point, limbs] : at) order.emplace_back(-skeleton_.alongSpine(point), point);
    std::sort(order.begin(), order.end());
    const double d = fine_.wireDiameter();
    for (const auto& [along, point] : order) {
      double area =
          2 * std::pow(wireOf(skeleton_.spine.segmentLimb.empty() ? 0 : skeleton_.spine.segmentLimb.back())
                           .wireDiameter(),
                       2);
      for (const int l : at[point]) area += 2 * std::pow(wireOf(l).wireDiameter(), 2);
      const double core = std::sqrt(area / 0.78); // strands fill 0.78 of the bundle
      Layer layer(skeleton_, fine_, fmt::format("{} lashing", limb(at[point].front()).family));
      layer.feature("tail", kLashTail, "end to hold");
      layer.feature("lashing", lashingLength(kLashTurns, core, d),
                    fmt::format("{:g} turns round a bundle of {} mm", kLashTurns, printNumber(core, 1)));
      layer.feature("tail", kLashTail, "end to hold");
      Piece piece = layer.finish();
      piece.route = {point};
      piece.routeAt = {0};
      add(std::move(piece));
    }
  }

  void digits() {
    for (size_t i = 0; i < figure_.limbs.size(); ++i) {
      const int l = static_cast<int>(i);
      if (limb(l).kind != LimbKind::Digits || skeleton_.limbs[i].empty()) continue;
      const WireSection& wire = wireOf(l);
      const double d = wire.wireDiameter();
      Layer layer(skeleton_, wire, lowerFirst(limb(l).name));
      layer.feature("tail", kGripTail, "end to hold while twisting");
      for (const WireRun& run : skeleton_.limbs[i]) {
        layer.along(run, 2);
        layer.feature("fold", foldLength(d), "fold at the tip");
        layer.along(reversed(run), 2);
        layer.feature("digit", 2 * d, "crossing to the next");
      }
      layer.feature("tail", kGripTail, "end to hold while twisting");
      add(layer.finish());
    }
  }

  std::vector<Piece> finish() {
    for (size_t i = 0; i < pieces_.size(); ++i) {
      Piece& piece = pieces_[i];
      piece.tag = std::string(1, static_cast<char>('A' + i % 26));
      if (i >= 26) piece.tag += std::to_string(i / 26 + 1);
      std::stable_sort(piece.features.begin(), piece.features.end(),
                       [](const Feature& a, const Feature& b) { return a.at < b.at; });
    }
    return std::move(pieces_);
  }

  const Figure& figure_;
  const WireSkeleton& skeleton_;
  const std::vector<WireGroup>& groups_;
  const std::vector<WireSection>& sections_;
  const WireSection& fine_;
  std::vector<Piece> pieces_;
};

} // namespace

std::vector<Piece> makePieces(const Figure& figure, const WireSkeleton& skeleton, Construction construction,
                              const std::vector<WireGroup>& groups, const std::vector<WireSection>& sections,
                              const WireSection& fine) {
  Plan plan(figure, skeleton, groups, sections, fine);
  return construction == Construction::FoldedPair ? plan.foldedPair() : plan.twistedLimbs();
}

} // namespace columna
