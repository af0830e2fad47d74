// The figure of a plan, which is all that is made anew while something is dragged; and what is asked of a
// plan.
#include "head/wearing.h"
#include "plan/plan.h"
#include "plan/plan_keys.h"
#include "project/heads.h"

#include <algorithm>

namespace columna {
namespace {

/// The figure in its shape: what the maker changed, then what came out of the made parts.
std::optional<Problem> makeFigurePart(const Project& project, const Pattern& animal, Plan& out) {
  if (auto problem = shapeProblem(animal, project.shape)) return problem;
  Pattern pattern = shaped(animal, project.shape);
  Figure unit = inModules(pattern);
  auto scale = scaleOf(pattern, unit, project.size);
  if (!scale) return scale.problem();
  double mmPerModule = *scale;
  if (!project.made.empty()) {
    auto fit = fitMadeParts(scaledTo(unit, mmPerModule), project.shape, project.made);
    if (!fit) return fit.problem();
    const MadeFit made = std::move(fit).value();
    if (auto problem = shapeProblem(animal, made.shape)) return problem;
    if (!(made.shape == project.shape)) {
      pattern = shaped(animal, made.shape);
      unit = inModules(pattern);
    }
    if (made.ratio != 1) mmPerModule *= made.ratio;
    if (auto problem = sizeProblem(SizeBy::OverallHeight, unit.overallHeight * mmPerModule)) return problem;
    out.made = made;
  }
  out.pattern = std::move(pattern);
  out.figure = scaledTo(std::move(unit), mmPerModule);
  Shape character;
  character.character = project.shape.character;
  if (!(project.shape == character) || !project.made.empty())
    out.animal = std::optional(figureAtScale(shaped(animal, character), mmPerModule));
  return std::nullopt;
}

/// With the eyes and the ears that the maker takes.
Figure faced(Figure figure, const FaceWish& wish) {
  if (wish.eye && figure.eyeDiameter > 0) figure.eyeDiameter = *wish.eye;
  for (FigureFlat& flat : figure.flats) {
    std::string_view id = flat.id;
    for (const std::string_view side : {"left-", "right-"})
      if (id.starts_with(side)) id.remove_prefix(side.size());
    if (const auto own = wish.thick.find(std::string(id)); own != wish.thick.end())
      flat.thickness = own->second;
  }
  return figure;
}

} // namespace

Result<Plan> planFigure(const Project& project, const Catalog& catalog, const Plan* before) {
  const Pattern* pattern = catalog.pattern(project.pattern);
  if (!pattern)
    return Problem{say("the pattern \"{}\" is not in the catalog", AsIs(project.pattern)),
                   Name(named("project")),
                   say("choose another animal, or put its file in the patterns folder")};
  auto keys = std::make_shared<PlanKeys>();
  keys->figure = {pattern,
                  project.shape,
                  project.size,
                  project.made,
                  project.face.made(),
                  catalog.pose.touchShare,
                  catalog.pose.soleGive};
  Plan out;
  if (before && before->keys && before->keys->figure == keys->figure) {
    out.takeFigure(*before);
  } else {
    const auto head = headOf(project, catalog);
    Pattern own; // with pads, eyes or ears that the maker changed, or a head that the animal has not
    const FaceWish& face = project.face;
    if (head && (!face.features.empty() || !face.moved.empty() || !face.own.empty() || face.eyeKind ||
                 catalog.headVariants.contains({project.pattern, face.variant}) || !pattern->head)) {
      own = wearing(*pattern, asWished(*head, face), hardDensities(catalog.face));
      pattern = &own;
    }
    if (!face.body.empty()) {
      if (pattern != &own) own = *pattern;
      pattern = &own;
      for (const auto& [id, factor] : face.body)
        if (const BodyPadKind* kind = catalog.anatomy.bodyPad(id))
          for (PatternPad& pad : bodyPads(*kind, own, factor)) own.pads.push_back(std::move(pad));
    }
    if (auto problem = makeFigurePart(project, *pattern, out)) return *problem;
    if (project.face.eye || !project.face.thick.empty()) out.figure = faced(*out.figure, project.face);
    out.skeleton = makeSkeleton(out.figure);
    out.footing = footingOf(out.figure, catalog.pose.touchShare, catalog.pose.soleGive);
  }
  out.keys = std::move(keys);
  return out;
}

void Plan::takeFigure(const Plan& other) {
  pattern = other.pattern;
  figure = other.figure;
  animal = other.animal;
  made = other.made;
  skeleton = other.skeleton;
  footing = other.footing;
  auto moved = std::make_shared<PlanKeys>();
  if (other.keys) moved->figure = other.keys->figure;
  keys = std::move(moved);
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
