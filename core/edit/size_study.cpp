#include "edit/size_study.h"

#include "judge/planning.h"
#include "wire/allowance.h"

#include <algorithm>
#include <cmath>
#include <functional>

namespace columna {
namespace {

/// Plans of one project at many heights. A coat does not grow with the figure, so the wool of one height is a
/// good guess at that of another only nearby; farther off it is made anew.
class Heights {
public:
  /// A guess is good enough within a share `near` of a height whose solid is known.
  Heights(Project project, const Catalog& catalog, double near,
          const std::shared_ptr<const KnownSolid>& known = nullptr)
      : project_(std::move(project)), catalog_(catalog), near_(near) {
    if (known) known_.push_back(known);
  }

  Result<Plan> at(double height) {
    project_.size = {SizeBy::OverallHeight, height, {}};
    const auto figure = planFigure(project_, catalog_);
    if (!figure) return figure.problem();
    std::shared_ptr<const KnownSolid> best;
    double least = std::log1p(near_);
    for (const auto& known : known_)
      if (const double off = std::abs(std::log(figure->figure->scale / known->scale)); off <= least) {
        least = off;
        best = known;
      }
    auto made = plan(project_, catalog_, {best, best != nullptr, kCoarser});
    if (made && !best) known_.push_back(made->solid);
    return made;
  }

private:
  static constexpr double kCoarser = 1.5; ///< cells: good to a thousandth still
  Project project_;
  const Catalog& catalog_;
  double near_;
  std::vector<std::shared_ptr<const KnownSolid>> known_;
};

constexpr double kNearForWool = 0.03;
constexpr double kNearForWire = 0.3; ///< wire hardly feels a few per cent of weight

std::optional<Problem> settledByParts(const Project& project) {
  if (project.made.empty()) return std::nullopt;
  return Problem{say("the made parts settle the size already"), {}, say("take them out of Made parts first")};
}

/// Height at which `amount` reaches `wanted`; amount rises with height, about as its third power.
Result<double> solve(const Project& project, const Catalog& catalog, double wanted,
                     const std::function<double(const Plan&)>& amount, double close, const Said& what,
                     const std::function<Quantity(double)>& as) {
  double low = kSmallestMm;
  double high = kLargestMm;
  Heights heights(project, catalog, kNearForWool);
  const auto at = [&](double height) -> Result<double> {
    const auto made = heights.at(height);
    if (!made) return made.problem();
    return amount(*made);
  };
  const auto least = at(low);
  const auto most = at(high);
  if (!least) return least.problem();
  if (!most) return most.problem();
  if (wanted < *least || wanted > *most)
    return Problem{say("no figure of this animal takes {}", what),
                   {},
                   say("from {} to {} high it takes {} to {}", Length(kSmallestMm, Quantity::kShort),
                       Length(kLargestMm).metres(), as(*least), as(*most))};
  double fLow = std::cbrt(*least) - std::cbrt(wanted);
  double fHigh = std::cbrt(*most) - std::cbrt(wanted);
  // False position on the cube root, which is nearly a straight line (Illinois rule against a sticking end).
  int side = 0;
  for (int i = 0; i < 80 && high - low > 1e-9 * high; ++i) {
    double mid = fHigh - fLow > 0 ? (low * fHigh - high * fLow) / (fHigh - fLow) : (low + high) / 2;
    if (!(mid > low && mid < high)) mid = (low + high) / 2;
    const auto value = at(mid);
    if (!value) return value.problem();
    if (std::abs(*value - wanted) < close) return mid;
    const double f = std::cbrt(*value) - std::cbrt(wanted);
    if (f < 0) {
      low = mid;
      fLow = f;
      if (side == -1) fHigh /= 2;
      side = -1;
    } else {
      high = mid;
      fHigh = f;
      if (side == 1) fLow /= 2;
      side = 1;
    }
  }
  // It jumps here: a part is just thick enough for a core of its own. A little below, so that rounding the
  // height does not cross over.
  return low * (1 - 1e-3);
}

/// Shortest chain of a limb of digits, mm.
double shortestDigit(const Figure& f, const FigureLimb& limb) {
  double least = 1e9;
  double run = 0;
  int last = -1;
  for (const int b : limb.bones) {
    const FigureBone& bone = f.bones[static_cast<size_t>(b)];
    if (last >= 0 && bone.parent != last) {
      least = std::min(least, run);
      run = 0;
    }
    run += bone.length;
    last = b;
  }
  return std::min(least, run);
}

double coverWanted(const FigureLimb& limb) { return limb.kind == LimbKind::Digits ? kToeCover : kCover; }

} // namespace

Result<double> heightForCore(const Project& project, const Catalog& catalog, double grams) {
  if (!(grams > 0) || !std::isfinite(grams))
    return Problem{
        say("{} of wool makes nothing", Mass(grams, Quantity::kShort)), {}, say("give an amount above 0")};
  if (auto problem = settledByParts(project)) return *problem;
  return solve(
      project, catalog, grams, [](const Plan& p) { return p.totals.core; }, 0.01,
      say("{} of core wool", Mass(grams, Quantity::kShort)), [](double g) { return Mass(g); });
}

Result<double> heightForWire(const Project& project, const Catalog& catalog, double length) {
  if (!(length > 0) || !std::isfinite(length))
    return Problem{
        say("{} of wire makes nothing", Length(length, Quantity::kShort)), {}, say("give a length above 0")};
  if (auto problem = settledByParts(project)) return *problem;
  const auto cut = [](const Plan& p) { return p.totals.wireLength; };
  // Lengths jump where the gauge does, so the answer is closed in from below: the last height that still
  // fits.
  double low = kSmallestMm;
  double high = kLargestMm;
  Heights heights(project, catalog, kNearForWire);
  const auto least = heights.at(low);
  const auto most = heights.at(high);
  if (!least) return least.problem();
  if (!most) return most.problem();
  if (cut(*least) > length || cut(*most) < length)
    return Problem{say("no figure of this animal takes {} of wire", Length(length, Quantity::kShort)),
                   {},
                   say("from {} to {} high it takes {} to {}", Length(kSmallestMm, Quantity::kShort),
                       Length(kLargestMm).metres(), Length(cut(*least), 0).figure(), Length(cut(*most), 0))};
  while (high - low > 1e-4 * low) {
    const double mid = std::sqrt(low * high);
    const auto made = heights.at(mid);
    if (!made) return made.problem();
    (cut(*made) <= length ? low : high) = mid;
  }
  return low;
}

std::vector<SmallPart> smallParts(const Project& project, const Catalog& catalog, const Plan& plan,
                                  const std::atomic<bool>* stop) {
  std::vector<SmallPart> out;
  const double height = plan.figure->overallHeight;
  Project free = project;
  free.made.clear(); // made parts hold one size fast; what is asked is what others would give
  for (size_t l = 0; l < plan.figure->limbs.size(); ++l) {
    const FigureLimb& limb = plan.figure->limbs[l];
    if (limb.side < 0) continue;
    if (stop && *stop) return {};
    SmallPart part;
    part.limb = static_cast<int>(l);
    if (limb.kind == LimbKind::Digits) {
      part.least = shortestDigit(plan.figure, limb);
      if (part.least < kShortestDigit) {
        part.tooShort = true;
        part.wanted = kShortestDigit;
        part.stopsAt = height * kShortestDigit / part.least;
        if (part.stopsAt > kLargestMm) part.stopsAt = 0;
        out.push_back(part);
        continue;
      }
    }
    const LimbPlan& wire = plan.limbs[l];
    part.wanted = coverWanted(limb);
    if (!wire.wired || wire.hold.cover >= part.wanted) continue;
    part.least = wire.hold.cover;
    double low = height;
    double high = height;
    Heights heights(free, catalog, kNearForWire, plan.solid);
    const auto covered = [&](double at) {
      const auto made = heights.at(at);
      return made && made->limbs[l].hold.cover >= part.wanted;
    };
    while (high < kLargestMm && !covered(high)) {
      if (stop && *stop) return {};
      low = high;
      high = std::min(kLargestMm, high * 1.4);
    }
    if (covered(high)) {
      while (high - low > 0.5) {
        if (stop && *stop) return {};
        const double mid = (low + high) / 2;
        (covered(mid) ? high : low) = mid;
      }
      part.stopsAt = high;
    }
    out.push_back(part);
  }
  return out;
}

std::vector<ScaleRow> scaleChart(const Project& project, const Catalog& catalog, const Plan& now,
                                 const std::atomic<bool>* stop) {
  std::vector<ScaleRow> rows;
  Project free = project;
  free.made.clear(); // made parts hold one size fast; the chart asks what others would take
  Heights heights(free, catalog, kNearForWool, now.solid);
  for (int k = -8; k <= 8; ++k) {
    if (stop && *stop) return {};
    const double height = now.figure->overallHeight * std::exp2(k / 8.0);
    const auto made = heights.at(height);
    if (!made) continue;
    ScaleRow row;
    row.height = height;
    row.thinnest = 1e9;
    for (const WireSection& s : made->sections) {
      row.thinnest = std::min(row.thinnest, s.diameter);
      row.thickest = std::max(row.thickest, s.diameter);
    }
    if (made->sections.empty()) row.thinnest = 0;
    row.core = made->totals.core;
    row.coat = made->totals.coat;
    row.weight = made->totals.mass;
    row.hours = made->time.total / 60;
    rows.push_back(row);
  }
  return rows;
}

} // namespace columna
