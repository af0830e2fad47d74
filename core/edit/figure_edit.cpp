#include "edit/figure_edit.h"

#include <algorithm>

namespace columna::edit {

Project sized(Project project, const Sizing& sizing) {
  project.size = sizing;
  return project;
}

Project sizedBy(Project project, double factor) {
  project.size.mm *= project.size.by == SizeBy::Scale ? 1 / factor : factor;
  return project;
}

Project grown(Project project, const Plan& plan, double factor) {
  return sized(std::move(project), {SizeBy::OverallHeight, plan.figure->overallHeight * factor, {}});
}

std::pair<double, double> alongFigure(const Figure& figure) {
  double back = 1e9;
  double front = -1e9;
  for (const Tube& tube : figure.tubes)
    for (const Ring& r : tube.rings) {
      front = std::max(front, r.centre.x());
      back = std::min(back, r.centre.x());
    }
  return {back, front};
}

double lengthFromNose(const Figure& figure, double foremost) {
  return foremost * figure.bodyLength / alongFigure(figure).second;
}

Project ofAnimal(Project project, const Catalog& catalog, const std::string& pattern) {
  const Pattern* before = catalog.pattern(project.pattern);
  const Pattern* after = catalog.pattern(pattern);
  if (before && after && project.name == before->name) project.name = after->name;
  project.pattern = pattern;
  return project;
}

bool tied(const Project& project, const FigureLimb& limb) {
  return limb.twin >= 0 && !project.untied.contains(limb.family);
}

Project tieToggled(Project project, const Plan& plan, int limb) {
  const FigureLimb& part = plan.figure->limbs[static_cast<size_t>(limb)];
  if (part.twin < 0) return project;
  if (!project.untied.erase(part.family)) {
    project.untied.insert(part.family);
    return project;
  }
  const FigureLimb& twin = plan.figure->limbs[static_cast<size_t>(part.twin)];
  const auto mine = project.limbs.find(part.id);
  if (mine == project.limbs.end())
    project.limbs.erase(twin.id);
  else
    project.limbs[twin.id] = mine->second;
  return project;
}

std::string tiedName(const Project& project, const FigureLimb& limb) {
  return tied(project, limb) ? limb.family + "s" : limb.family;
}

} // namespace columna::edit
