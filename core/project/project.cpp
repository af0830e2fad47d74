// What copies and ends a project, once for all who hold one.
#include "project/project.h"

namespace columna {

Project::Project() = default;
Project::Project(const Project& other) = default;
Project::Project(Project&& other) noexcept = default;
Project& Project::operator=(const Project& other) = default;
Project& Project::operator=(Project&& other) noexcept = default;
Project::~Project() = default;

bool Project::operator==(const Project& o) const {
  return name == o.name && units == o.units && face == o.face && make == o.make && stances == o.stances &&
         untied == o.untied && photos == o.photos && samePlan(*this, o);
}

bool samePlan(const Project& a, const Project& b) {
  return a.pattern == b.pattern && a.size == b.size && a.construction == b.construction &&
         a.material == b.material && a.use == b.use && a.shape == b.shape && a.made == b.made &&
         a.coat == b.coat && a.finish == b.finish && a.limbs == b.limbs && a.mostWires == b.mostWires &&
         a.drawerOnly == b.drawerOnly && a.handling == b.handling && a.drawer == b.drawer &&
         a.allow == b.allow && a.pieceAllow == b.pieceAllow && a.routes == b.routes && a.wool == b.wool &&
         a.face.made() == b.face.made();
}

} // namespace columna
