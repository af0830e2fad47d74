// What copies and ends a project, once for all who hold one.
#include "project/project.h"

namespace columna {

Project::Project() = default;
Project::Project(const Project& other) = default;
Project::Project(Project&& other) noexcept = default;
Project& Project::operator=(const Project& other) = default;
Project& Project::operator=(Project&& other) noexcept = default;
Project::~Project() = default;

} // namespace columna
