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
  // Pads of one's own are at places of that head: on another they would hang in the air.
  if (project.pattern != pattern) {
    project.face.own.clear();
    project.face.variant.clear();
  }
  project.pattern = pattern;
  return project;
}

Project constructedAs(Project project, Construction construction) {
  project.construction = construction;
  return project;
}

Project usedFor(Project project, Use use) {
  project.use = use;
  return project;
}

Result<Project> workedOn(Project project, const MakeWish& wish) {
  if (const auto week = weekOf(wish); !week) return week.problem();
  project.make = wish;
  return project;
}

Project finishedAs(Project project, Finish finish) {
  project.finish = finish;
  return project;
}

Project shownIn(Project project, UnitSystem units) {
  project.units = units;
  return project;
}

Result<Project> ofMetal(Project project, const Catalog& catalog, const std::string& material) {
  if (!catalog.material(material))
    return Problem{say("there is no wire \"{}\"", AsIs(material)), {}, say("take one of the list")};
  project.material = material;
  return project;
}

Result<Project> called(Project project, std::string name) {
  if (name.empty()) return Problem{say("a figure needs a name"), {}, say("give it one")};
  project.name = std::move(name);
  return project;
}

Result<Project> withPhotos(Project project, std::vector<Photo> photos) {
  for (const Photo& photo : photos)
    if (std::count_if(photos.begin(), photos.end(), [&](const Photo& p) { return p.view == photo.view; }) > 1)
      return Problem{say("a view has one picture to trace"), {}, say("remove the one that is there first")};
  project.photos = std::move(photos);
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
