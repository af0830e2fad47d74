// The figure of a plan, which is all that is made anew while something is dragged; and what is asked of a
// plan.
#include "plan/plan.h"

#include <fmt/format.h>

#include <algorithm>

namespace columna {
namespace {

/// The figure in its shape: what the maker changed, then what came out of the made parts.
Result<Plan> figureOf(const Project& project, const Pattern& pattern) {
  Plan out;
  if (auto problem = shapeProblem(pattern, project.shape)) return *problem;
  out.pattern = shaped(pattern, project.shape);
  Figure unit = inModules(out.pattern);
  auto scale = scaleOf(out.pattern, unit, project.size);
  if (!scale) return scale.problem();
  double mmPerModule = *scale;
  if (!project.made.empty()) {
    auto fit = fitMadeParts(scaledTo(unit, mmPerModule), project.shape, project.made);
    if (!fit) return fit.problem();
    out.made = std::move(fit).value();
    if (auto problem = shapeProblem(pattern, out.made.shape)) return *problem;
    if (!(out.made.shape == project.shape)) {
      out.pattern = shaped(pattern, out.made.shape);
      unit = inModules(out.pattern);
    }
    if (out.made.ratio != 1) mmPerModule *= out.made.ratio;
    if (auto problem = sizeProblem(SizeBy::OverallHeight, unit.overallHeight * mmPerModule)) return *problem;
  }
  out.figure = scaledTo(std::move(unit), mmPerModule);
  Shape character;
  character.character = project.shape.character;
  if (!(project.shape == character) || !project.made.empty())
    out.animal = figureAtScale(shaped(pattern, character), mmPerModule);
  return out;
}

} // namespace

Result<Plan> planFigure(const Project& project, const Catalog& catalog) {
  const Pattern* pattern = catalog.pattern(project.pattern);
  if (!pattern)
    return Problem{fmt::format("the pattern \"{}\" is not in the catalog", project.pattern), "project",
                   "choose another animal, or put its file in the patterns folder"};
  return figureOf(project, *pattern);
}

int Plan::pieceOf(int limb) const {
  const auto i = static_cast<size_t>(limb);
  // A piece of that limb alone comes before one that passes through.
  for (const bool alone : {true, false})
    for (size_t p = 0; p < pieces.size(); ++p) {
      const auto& in = pieces[p].limbs;
      if (std::find(in.begin(), in.end(), static_cast<int>(i)) != in.end() && (!alone || in.size() == 1))
        return static_cast<int>(p);
    }
  return -1;
}

bool Plan::anyWrong() const {
  return std::any_of(findings.begin(), findings.end(),
                     [](const Finding& f) { return f.level == Level::Wrong; });
}

std::vector<double> bundlesOf(const Plan& plan) {
  std::vector<double> out;
  for (const LimbPlan& limb : plan.limbs) out.push_back(limb.wired ? limb.section.bundle() : 0);
  return out;
}

std::optional<double> nextWire(const Plan& plan, int limb, int step) {
  const LimbPlan& l = plan.limbs[static_cast<size_t>(limb)];
  if (!l.wired) return std::nullopt;
  const std::vector<double>& sizes = l.section.material.diameters;
  if (step > 0) {
    const auto up = std::upper_bound(sizes.begin(), sizes.end(), l.section.diameter + 1e-9);
    return up == sizes.end() ? std::nullopt : std::optional(*up);
  }
  const auto down = std::lower_bound(sizes.begin(), sizes.end(), l.section.diameter - 1e-9);
  return down == sizes.begin() ? std::nullopt : std::optional(*std::prev(down));
}

} // namespace columna
