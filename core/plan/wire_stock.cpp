#include "plan/wire_stock.h"

#include "measure/quantity.h"
#include "wire/allowance.h"

#include <algorithm>
#include <cmath>
#include <limits>

namespace columna {
namespace {

constexpr double kSame = 1e-6;
constexpr double kNothing = 0.5; ///< mm: nobody cuts that

bool is(const OwnWire& own, const std::string& material, double diameter) {
  return own.material == material && std::abs(own.diameter - diameter) < kSame;
}

/// The same of an ear's, which has no bends to keep clear of: so many as it takes, each as long as the
/// others.
std::vector<double> partsOf(const FlatWire& wire, double longest, bool covered) {
  const double over = spliceOverlap(*wire.take, covered);
  if (wire.cut <= longest || longest <= 2 * over) return {wire.cut};
  const double count = std::ceil((wire.cut - over) / (longest - over));
  return std::vector<double>(static_cast<size_t>(count), (wire.cut + (count - 1) * over) / count);
}

/// The lengths a piece is cut in: one, or more where it is spliced.
std::vector<double> partsOf(const Piece& piece) {
  std::vector<double> out;
  double from = 0;
  double shift = 0; // what splices before have added
  for (const Feature& f : piece.features)
    if (f.kind == "splice") {
      if (f.at - from + f.takes < kNothing) continue;
      out.push_back(f.at - from + f.takes);
      from = f.at;
      shift += f.takes;
    }
  if (const double rest = piece.cut - shift - from; rest >= kNothing) out.push_back(rest);
  return out;
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
  const auto of = [&](const std::string& material, double diameter) -> std::vector<WirePart>& {
    const auto found = std::find_if(out.begin(), out.end(), [&](const WireStock& s) {
      return s.material == material && std::abs(s.diameter - diameter) < kSame;
    });
    if (found != out.end()) return found->parts;
    out.push_back({material, diameter, false, {}, {}});
    return out.back().parts;
  };
  for (size_t p = 0; p < plan.pieces.size(); ++p) {
    const Piece& piece = plan.pieces[p];
    std::vector<WirePart>& parts = of(piece.material, piece.diameter);
    for (const double length : partsOf(piece)) parts.push_back({static_cast<int>(p), length, -1});
  }
  for (size_t f = 0; f < plan.flatWires.size(); ++f) {
    const FlatWire& wire = plan.flatWires[f];
    if (!wire.take) continue;
    const Material* material = catalog.material(wire.material);
    const double longest = longestOf(project, catalog, wire.material, *wire.take);
    std::vector<WirePart>& parts = of(wire.material, *wire.take);
    for (int i = 0; i < wire.count; ++i)
      for (const double length : partsOf(wire, longest, material && material->coverRadial > 0))
        parts.push_back({-1, length, static_cast<int>(f)});
  }
  std::stable_sort(out.begin(), out.end(),
                   [](const WireStock& a, const WireStock& b) { return a.diameter > b.diameter; });
  for (WireStock& wire : out) {
    std::vector<StockBar> bars;
    for (const OwnWire& own : project.drawer)
      if (is(own, wire.material, wire.diameter) && (own.length <= 0 || own.count > 0)) { // none left is none
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
    for (const WirePart& part : wire.parts) lengths.push_back(part.length);
    wire.cuts = cutList(lengths, bars);
  }
  return out;
}

Material asMeasured(Material material, const std::vector<OwnWire>& drawer, double diameter) {
  for (const OwnWire& own : drawer) {
    std::vector<double>& sizes = material.diameters;
    const auto at = std::lower_bound(sizes.begin(), sizes.end(), own.diameter - 1e-9);
    if (own.material == material.id && (at == sizes.end() || *at > own.diameter + 1e-9))
      sizes.insert(at, own.diameter);
  }
  const auto own = std::find_if(drawer.begin(), drawer.end(), [&](const OwnWire& each) {
    return each.material == material.id && std::abs(each.diameter - diameter) <= 1e-9;
  });
  if (own == drawer.end()) return material;
  if (own->cover > 0) material.coverRadial = own->cover;
  if (own->yield) {
    material.flow2 *= own->yield->value / material.yield.value;
    material.yield = *own->yield;
    material.flow10 = std::max(material.flow10, own->yield->value);
    material.ultimate = std::max(material.ultimate, own->yield->value);
  }
  return material;
}

} // namespace columna
