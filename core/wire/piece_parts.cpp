#include "wire/piece_parts.h"

#include "measure/quantity.h"

#include <fmt/format.h>

#include <algorithm>
#include <cmath>

namespace columna {

bool isFoot(LimbKind kind) { return kind == LimbKind::Leg || kind == LimbKind::Arm; }

const Allowances& allowFor(const PieceRules& rules, const std::string& piece) {
  const auto own = rules.own.find(piece);
  return own == rules.own.end() ? rules.allow : own->second;
}

void layFold(Layer& layer, const Figure& figure, int limb, double d, const Allowances& allow) {
  if (limb >= 0 && isFoot(figure.limbs[static_cast<size_t>(limb)].kind))
    layer.fold("loop", loopLength(allow.loopInside, d),
               say("loop of {} at the {}", Length(allow.loopInside, Quantity::kShort),
                   Name(figure.limbs[static_cast<size_t>(limb)].kind == LimbKind::Leg ? named("foot")
                                                                                      : named("palm"))));
  else
    layer.fold("fold", foldLength(d),
               limb < 0 ? say("fold where it turns back")
               : figure.limbs[static_cast<size_t>(limb)].kind == LimbKind::Head ? say("fold at the nose")
                                                                                : say("fold at the tip"));
}

void layEnd(Layer& layer, const Figure& figure, const WireGroup& group, PointKind kind, int limb, bool first,
            double d, const Allowances& allow) {
  if (kind == PointKind::Foot) {
    const auto close = [&] {
      layer.feature("turn-back", closingTurnsLength(d), say("1.5 turns round the shank to close the loop"));
    };
    const auto loop = [&] {
      layer.feature("loop", loopLength(allow.loopInside, d),
                    say("loop of {} at the {}", Length(allow.loopInside, Quantity::kShort),
                        Name(figure.limbs[static_cast<size_t>(limb)].kind == LimbKind::Leg ? named("foot")
                                                                                           : named("palm"))));
    };
    if (first) {
      close();
      loop();
    } else {
      loop();
      close();
    }
  } else if (kind == PointKind::Root || kind == PointKind::Joint) {
    if (group.stem && group.root == RootHold::Lashed)
      layer.feature("lashing", lashingLength(allow.mutualTurns, 2 * d, d),
                    say("{} turns round the wires it meets", Number(allow.mutualTurns, Quantity::kShort)));
    else if (group.root == RootHold::Glued)
      layer.feature("lap", allow.lap, say("end set into the awl hole"));
    else
      layer.feature("lap", allow.lap, say("end along the wire it meets, under the lashing"));
  } else {
    layer.feature("turn-back", turnBackLength(d, allow.turnBack), say("end turned back"));
  }
}

void splice(Piece& piece, double longest, const WireSection& wire) {
  if (!(piece.cut > longest)) return;
  const double overlap = spliceOverlap(wire.wireDiameter(), wire.material.coverRadial > 0);
  const double step = longest - overlap;
  if (step < 2 * overlap) return; // refused: the finding says so
  double done = 0;
  double added = 0;
  std::vector<Feature> made;
  while (piece.cut + added - done > longest + 1e-9) {
    double at = done + step;
    // Back from a bend by the overlap.
    for (int tries = 0; tries < 40; ++tries) {
      const bool near = std::any_of(piece.bends.begin(), piece.bends.end(), [&](const Bend& b) {
        return std::abs(b.at + b.arc / 2 - at) < overlap / 2 + 2 && b.angle > 0.15;
      });
      if (!near || at - overlap / 4 <= done + overlap) break;
      at -= overlap / 4;
    }
    made.push_back({"splice", std::min(at, piece.cut), overlap,
                    say("splice: {} side by side, 5 full turns, ends turned in", Length(overlap, 0))});
    added += overlap;
    done = at;
  }
  for (Feature& f : made) piece.features.push_back(std::move(f));
  std::stable_sort(piece.features.begin(), piece.features.end(),
                   [](const Feature& a, const Feature& b) { return a.at < b.at; });
  piece.cut += added;
  piece.mass += added * wire.linearMass();
}

std::vector<std::pair<Piece, Join>> lashingPieces(const Figure& figure, const WireSkeleton& skeleton,
                                                  const std::vector<WireGroup>& groups,
                                                  const std::vector<WireSection>& sections,
                                                  const std::set<int>& points, const WireSection& fine,
                                                  const PieceRules& rules) {
  std::vector<std::pair<Piece, Join>> out;
  std::vector<std::pair<double, int>> order;
  order.reserve(points.size());
  for (const int point : points) order.emplace_back(-skeleton.alongSpine(point), point);
  std::sort(order.begin(), order.end());
  const double d = fine.wireDiameter();
  for (const auto& [along, point] : order) {
    double area = 0;
    std::string called;
    std::vector<int> limbs;
    for (size_t g = 0; g < groups.size(); ++g) {
      if (groups[g].digits) continue;
      const double w = sections[g].wireDiameter();
      int strands = 0;
      for (const StrandSegment& s : groups[g].segments)
        if (s.a == point || s.b == point) strands = std::max(strands, s.wires);
      int roots = 0;
      for (const int l : groups[g].limbs)
        if (!onSpine(skeleton, l) && skeleton.rootPoint[static_cast<size_t>(l)] == point) {
          ++roots;
          limbs.push_back(l);
          if (called.empty()) called = figure.limbs[static_cast<size_t>(l)].family;
        }
      area += std::max(1, roots) * strands * w * w;
    }
    if (called.empty()) called = skeleton.points[static_cast<size_t>(point)].name;
    const double core = std::sqrt(area / 0.78); // strands fill 0.78 of the bundle
    const std::string full = called + " lashing";
    const Allowances& allow = allowFor(rules, full);
    Layer layer(skeleton, fine, full, allow);
    layer.feature("tail", allow.lashTail, say("end to hold"));
    layer.feature(
        "lashing", lashingLength(allow.lashTurns, core, d),
        say("{} turns round a bundle of {}", Number(allow.lashTurns, Quantity::kShort), Length(core, 1)));
    layer.feature("tail", allow.lashTail, say("end to hold"));
    Piece piece = layer.finish();
    piece.route = {point};
    piece.routeAt = {0};
    Join join{"lashing",
              point,
              limbs,
              0,
              0,
              say("Lash the wires at the {} with {} close turns of the fine wire, ends tucked in.",
                  Name(skeleton.points[static_cast<size_t>(point)].name),
                  Number(allow.lashTurns, Quantity::kShort))};
    out.emplace_back(std::move(piece), std::move(join));
  }
  return out;
}

std::vector<Piece> digitPieces(const Figure& figure, const WireSkeleton& skeleton, const WireGroup& group,
                               const WireSection& wire, const PieceRules& rules) {
  std::vector<Piece> out;
  for (const int l : group.limbs) {
    const double d = wire.wireDiameter();
    const std::string called = lowerFirst(figure.limbs[static_cast<size_t>(l)].name);
    const Allowances& allow = allowFor(rules, called);
    Layer layer(skeleton, wire, called, allow);
    layer.feature("tail", allow.gripTail, say("end to hold while twisting"));
    const int wires = group.wires.front();
    for (const WireRun& run : skeleton.limbs[static_cast<size_t>(l)]) {
      for (size_t s = 0; s + 1 < run.points.size(); ++s)
        layer.step(run.points[s], run.points[s + 1], run.segmentLimb[s], wires);
      layer.fold("fold", foldLength(d), say("fold at the tip"));
      for (size_t s = run.points.size() - 1; s > 0; --s)
        layer.step(run.points[s], run.points[s - 1], run.segmentLimb[s - 1], wires);
      layer.feature("digit", 2 * d, say("crossing to the next"));
    }
    layer.feature("tail", allow.gripTail, say("end to hold while twisting"));
    Piece piece = layer.finish();
    out.push_back(std::move(piece));
  }
  return out;
}

std::vector<Piece> wishedDigits(const Figure& figure, const WireSkeleton& skeleton, const WireSection& fine,
                                const PieceRules& rules) {
  std::vector<Piece> out;
  for (const auto& [l, wish] : rules.digits) {
    if (wish.count <= 0 || skeleton.limbs[static_cast<size_t>(l)].empty()) continue;
    WireSection wire = fine;
    wire.wires = 2;
    const double d = wire.wireDiameter();
    const std::string called =
        lowerFirst(figure.limbs[static_cast<size_t>(l)].name) +
        (figure.limbs[static_cast<size_t>(l)].kind == LimbKind::Arm ? " fingers" : " toes");
    const Allowances& allow = allowFor(rules, called);
    const int point = skeleton.limbs[static_cast<size_t>(l)].front().points.back();
    const int each = wish.pegs ? 1 : wish.count;
    for (int made = 0; made < (wish.pegs ? wish.count : 1); ++made) {
      Layer layer(skeleton, wire, wish.pegs ? fmt::format("{} {}", called, made + 1) : called, allow);
      layer.feature("tail", allow.gripTail, say("end to hold while twisting"));
      for (int i = 0; i < each; ++i)
        layer.feature("digit", digitLength(wish.length, d, allow.lay),
                      say("{}, out, folded and back, twisted", Length(wish.length, 1)));
      layer.feature("tail", allow.gripTail, say("end to hold while twisting"));
      Piece piece = layer.finish();
      piece.route = {point};
      piece.routeAt = {0};
      piece.limbs = {l};
      out.push_back(std::move(piece));
    }
  }
  return out;
}

void copyNumbers(Piece& to, const Piece& from) {
  to.bones = from.bones;
  to.cut = from.cut;
  to.mass = from.mass;
  to.routeAt = from.routeAt;
  to.features = from.features;
  to.twists = from.twists;
  const std::vector<Bend> own = to.bends;
  to.bends = from.bends;
  for (size_t i = 0; i < to.bends.size() && i < own.size(); ++i) {
    to.bends[i].point = own[i].point;
    to.bends[i].roll = -from.bends[i].roll; // the mirror image turns the other way
  }
}

} // namespace columna
