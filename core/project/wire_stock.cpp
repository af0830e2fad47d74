#include "project/wire_stock.h"

#include "measure/quantity.h"

#include <fmt/format.h>

#include <algorithm>
#include <cmath>
#include <limits>

namespace columna {
namespace {

constexpr double kSame = 1e-6;

bool is(const OwnWire& own, const std::string& material, double diameter) {
  return own.material == material && std::abs(own.diameter - diameter) < kSame;
}

/// The lengths a piece is cut in: one, or more where it is spliced.
std::vector<double> partsOf(const Piece& piece) {
  std::vector<double> out;
  double from = 0;
  double shift = 0; // what splices before have added
  for (const Feature& f : piece.features)
    if (f.kind == "splice") {
      out.push_back(f.at - from + f.takes);
      from = f.at;
      shift += f.takes;
    }
  out.push_back(piece.cut - shift - from);
  return out;
}

double halfDeep(const Figure& figure, int limb) {
  double most = 0;
  for (const int b : figure.limbs[static_cast<size_t>(limb)].bones)
    for (const Station& s : figure.bones[static_cast<size_t>(b)].stations)
      most = std::max({most, s.across / 2, s.deep / 2});
  return most;
}

} // namespace

double longestOf(const Project& project, const Catalog& catalog, const std::string& material,
                 double diameter) {
  double longest = 0;
  for (const OwnWire& own : project.drawer) {
    if (!is(own, material, diameter)) continue;
    if (own.length <= 0) return std::numeric_limits<double>::infinity();
    if (own.count > 0) longest = std::max(longest, own.length);
  }
  if (project.drawerOnly) return longest;
  const Material* m = catalog.material(material);
  const double sold = m && m->pieceLength > 0 ? m->pieceLength : std::numeric_limits<double>::infinity();
  return std::max(longest, sold);
}

std::vector<WireStock> cutFromStock(const Project& project, const Catalog& catalog, const Plan& plan) {
  std::vector<WireStock> out;
  for (size_t p = 0; p < plan.pieces.size(); ++p) {
    const Piece& piece = plan.pieces[p];
    auto found = std::find_if(out.begin(), out.end(), [&](const WireStock& s) {
      return s.material == piece.material && std::abs(s.diameter - piece.diameter) < kSame;
    });
    if (found == out.end()) {
      out.push_back({piece.material, piece.diameter, false, {}, {}});
      found = out.end() - 1;
    }
    for (const double part : partsOf(piece)) found->parts.emplace_back(static_cast<int>(p), part);
  }
  std::stable_sort(out.begin(), out.end(),
                   [](const WireStock& a, const WireStock& b) { return a.diameter > b.diameter; });
  for (WireStock& wire : out) {
    std::vector<StockBar> bars;
    for (const OwnWire& own : project.drawer)
      if (is(own, wire.material, wire.diameter)) {
        bars.push_back({own.name, own.length, own.length > 0 ? own.count : -1, true});
        wire.have = true;
      }
    if (!project.drawerOnly) {
      const Material* material = catalog.material(wire.material);
      if (material && material->pieceLength > 0)
        bars.push_back({"bought length", material->pieceLength, -1, false});
      else if (std::none_of(bars.begin(), bars.end(), [](const StockBar& b) { return b.length <= 0; }))
        bars.push_back({"coil", 0, -1, false});
    }
    std::vector<double> lengths;
    lengths.reserve(wire.parts.size());
    for (const auto& [piece, length] : wire.parts) lengths.push_back(length);
    wire.cuts = cutList(lengths, bars);
  }
  return out;
}

void bodyJoins(const Project& project, Plan& plan) {
  const Figure& f = plan.figure;
  const auto add = [&](Join join) { plan.joins.push_back(std::move(join)); };
  const auto kindOf = [&](LimbKind kind) {
    for (size_t i = 0; i < f.limbs.size(); ++i)
      if (f.limbs[i].kind == kind && f.limbs[i].side == 0) return static_cast<int>(i);
    return -1;
  };
  const int head = kindOf(LimbKind::Head);
  const int trunk = kindOf(LimbKind::Trunk);
  const int tail = kindOf(LimbKind::Tail);
  const auto wired = [&](int l) { return l >= 0 && plan.limbs[static_cast<size_t>(l)].wired; };
  const auto rootOf = [&](int l) { return plan.skeleton.rootPoint[static_cast<size_t>(l)]; };

  if (project.construction == Construction::ThreadJoints) {
    for (size_t i = 0; i < f.limbs.size(); ++i) {
      const FigureLimb& limb = f.limbs[i];
      if (limb.side <= 0 || limb.kind == LimbKind::Digits || rootOf(static_cast<int>(i)) < 0) continue;
      // There and back through both limbs and the body, and ends to tie with.
      const double through =
          2 * halfDeep(f, trunk < 0 ? static_cast<int>(i) : trunk) + 4 * halfDeep(f, static_cast<int>(i));
      const double length = 2 * through + 150;
      add({"thread",
           rootOf(static_cast<int>(i)),
           {static_cast<int>(i), limb.twin},
           length,
           0,
           fmt::format("String both {}s on {} mm of strong thread through the body, there and back, pull it "
                       "tight and knot it.",
                       limb.family, printNumber(length, 0))});
    }
  }
  if (project.construction == Construction::NoWire || project.construction == Construction::ThreadJoints) {
    for (size_t i = 0; i < f.limbs.size(); ++i) {
      const FigureLimb& limb = f.limbs[i];
      if (limb.bones.empty() || limb.kind == LimbKind::Trunk || limb.kind == LimbKind::Digits ||
          plan.limbs[i].wired)
        continue;
      double girth = 1e9;
      double length = 0;
      for (const int b : limb.bones) {
        length += f.bones[static_cast<size_t>(b)].length;
        for (const Station& s : f.bones[static_cast<size_t>(b)].stations)
          if (s.at <= 0.8) girth = std::min({girth, s.across, s.deep});
      }
      // A third of the thinnest place, as skewers are sold; needled flat at the end, a limb finishes at two
      // thirds of the length it is begun with.
      const double skewer = std::clamp(std::round(girth / 3 * 2) / 2, 2.0, 6.0);
      const bool flat = limb.kind == LimbKind::Leg || limb.kind == LimbKind::Arm;
      const double begun = length * (flat ? 1.5 : 1.1);
      add({"skewer",
           -1,
           {static_cast<int>(i)},
           begun,
           skewer,
           fmt::format(
               "Wind the {} on a {:g} mm skewer, {} mm long to begin with; slid off and felted it comes "
               "to {} mm.",
               limb.id, skewer, printNumber(begun, 0), printNumber(length, 0))});
    }
  }
  if (head >= 0 && !wired(head) && rootOf(head) >= 0 && project.construction != Construction::NoWire) {
    const double pin = std::min(f.limbs[static_cast<size_t>(head)].length, 40.0) * 0.5 + 15;
    add({"spine-pin",
         rootOf(head),
         {head},
         pin,
         0,
         fmt::format("A pin of {} mm, half in the head and half in the body, keeps the head from turning.",
                     printNumber(pin, 0))});
  }
  const bool glued = std::any_of(plan.groups.begin(), plan.groups.end(),
                                 [](const WireGroup& g) { return g.root == RootHold::Through; });
  const bool folded = project.construction == Construction::FoldedPair;
  if (glued || folded)
    for (size_t i = 0; i < f.limbs.size(); ++i)
      if (f.limbs[i].side > 0 && f.limbs[i].kind == LimbKind::Leg && plan.limbs[i].wired &&
          rootOf(static_cast<int>(i)) >= 0)
        add({"glue-stay",
             rootOf(static_cast<int>(i)),
             {static_cast<int>(i), f.limbs[i].twin},
             0,
             0,
             fmt::format("A blob of glue where the {}s meet keeps them from turning.", f.limbs[i].family)});
  if (plan.loads.legs == 2 && wired(tail))
    add({"tail-foot",
         plan.skeleton.limbs[static_cast<size_t>(tail)].front().points.back(),
         {tail},
         0,
         0,
         "Bent down to the ground the tail makes a third foot."});
}

} // namespace columna
