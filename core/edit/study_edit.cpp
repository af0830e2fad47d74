#include "edit/study_edit.h"

#include "anatomy/joint_names.h"
#include "edit/erase_at.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace columna::edit {
namespace {

/// "elbow" for both sides while they are tied, else the sided key.
std::string shapeKey(const Project& project, const std::string& name, const FigureLimb& limb) {
  if (limb.side == 0 || !project.untied.contains(limb.family)) return name;
  return sidedKey(name, limb.side);
}

const FigureLimb& limbOf(const Figure& figure, const FigureBone& bone) {
  return figure.limbs[static_cast<size_t>(bone.limb)];
}

std::set<std::string> bonesOf(const Plan& plan, int limb) {
  std::set<std::string> out;
  for (const int b : plan.figure->limbs[static_cast<size_t>(limb)].bones)
    out.insert(plan.figure->bones[static_cast<size_t>(b)].patternBone);
  return out;
}

std::optional<Problem> tooClose(const Vec2& a, const Vec2& b) {
  if ((b - a).norm() >= 1) return std::nullopt;
  return Problem{say("the line has no length"), "picture",
                 say("draw it from one end of something to the other")};
}

} // namespace

Project shaped(Project project, const Catalog& catalog, const Plan& plan, Shape shape, bool keep) {
  project.shape = std::move(shape);
  if (!keep || project.size.by == SizeBy::Scale || !project.made.empty()) return project;
  const Pattern* source = catalog.pattern(project.pattern);
  if (!source || shapeProblem(*source, project.shape)) return project;
  const double before =
      lengthOf(plan.figure, plan.pattern, project.size.by, project.size.limb) / plan.figure->scale;
  const double after = modulesOf(columna::shaped(*source, project.shape), project.size);
  if (before > 0 && after > 0 && std::abs(after / before - 1) > 1e-12) project.size.mm *= after / before;
  return project;
}

Project jointMoved(Project project, const Catalog& catalog, const Plan& plan, const std::string& joint,
                   const Vec3& place, bool carry) {
  const Pattern& pattern = plan.pattern;
  const auto now = jointPlace(pattern, joint);
  if (!now) return project;
  const bool right = joint.starts_with("right-") && !pattern.joints.contains(joint);
  const std::string name = withoutSide(pattern, joint);
  const Vec3 step = place / plan.figure->scale - *now;
  Shape shape = project.shape;
  const auto move = [&](const std::string& which, const FigureLimb& limb) {
    const std::string key = shapeKey(project, which, limb);
    Vec3 by = step;
    if (right && key == which) by.y() = -by.y(); // both sides: told as for the left
    if (pattern.onMidline(which)) by.y() = 0;
    const auto [it, fresh] = shape.moved.emplace(key, Vec3(0, 0, 0));
    it->second += by;
    if (it->second.norm() < 1e-9) shape.moved.erase(it);
  };
  const FigureLimb* owner = nullptr;
  const int side = right ? -1 : 1;
  for (const FigureLimb& limb : plan.figure->limbs)
    for (const int b : limb.bones) {
      const PatternBone* bone = pattern.bone(plan.figure->bones[static_cast<size_t>(b)].patternBone);
      if ((bone->from == name || bone->to == name) && (limb.side == 0 || limb.side == side) && !owner)
        owner = &limb;
    }
  if (!owner) return project;
  move(name, *owner);
  if (carry) {
    std::set<std::string> taken{name};
    std::set<std::string> bones;
    for (bool grown = true; grown;) {
      grown = false;
      for (const PatternBone& b : pattern.bones) {
        if (bones.contains(b.id) || !(b.from == name || bones.contains(b.parent))) continue;
        bones.insert(b.id);
        grown = true;
        for (const std::string& each : {b.from, b.to})
          if (taken.insert(each).second) move(each, *owner);
      }
    }
  }
  return shaped(std::move(project), catalog, plan, std::move(shape), true);
}

Result<Project> boneLong(Project project, const Catalog& catalog, const Plan& plan, int bone, double mm) {
  const FigureBone& b = plan.figure->bones[static_cast<size_t>(bone)];
  if (!(mm > 0) || !std::isfinite(mm))
    return Problem{say("a bone of {} has no length", Length(mm, Quantity::kShort)), Name(b.name),
                   say("give a length above 0")};
  Shape shape = project.shape;
  const auto [it, fresh] = shape.lengths.emplace(shapeKey(project, b.patternBone, limbOf(plan.figure, b)), 1);
  if (fresh)
    if (const auto both = shape.lengths.find(b.patternBone); both != shape.lengths.end())
      it->second = both->second;
  it->second *= mm / b.length;
  return shaped(std::move(project), catalog, plan, std::move(shape), true);
}

Project lengthened(Project project, const Plan& plan, int limb, double factor) {
  for (const std::string& b : bonesOf(plan, limb)) {
    const auto found = project.shape.lengths.find(b);
    project.shape.lengths[b] = (found == project.shape.lengths.end() ? 1 : found->second) * factor;
  }
  return project;
}

Project thickened(Project project, const Plan& plan, int limb, double factor) {
  for (const std::string& b : bonesOf(plan, limb))
    for (int place = 0; place < 3; ++place) {
      GirthChange& girth = project.shape.girths[girthKey(b, place)];
      girth.across *= factor;
      girth.deep *= factor;
    }
  return project;
}

Project girthChanged(Project project, const Catalog& catalog, const Plan& plan, int bone, int place,
                     double across, double deep, double lift) {
  const Figure& f = plan.figure;
  const FigureBone& b = f.bones[static_cast<size_t>(bone)];
  const FigureLimb& limb = limbOf(f, b);
  Shape shape = project.shape;
  const auto apply = [&](const FigureBone& which, int at) {
    const std::string key = girthKey(shapeKey(project, which.patternBone, limb), at);
    const auto [it, fresh] = shape.girths.emplace(key, GirthChange());
    if (fresh)
      if (const auto both = shape.girths.find(girthKey(which.patternBone, at)); both != shape.girths.end())
        it->second = both->second;
    it->second.across *= across;
    it->second.deep *= deep;
    it->second.lift += lift / f.scale;
    if (it->second.none()) shape.girths.erase(it);
  };
  apply(b, place);
  for (const int other : limb.bones) {
    const FigureBone& o = f.bones[static_cast<size_t>(other)];
    if (place == 2 && o.from == b.to && o.parent == bone) apply(o, 0);
    if (place == 0 && b.parent == other && o.to == b.from) apply(o, 2);
  }
  return shaped(std::move(project), catalog, plan, std::move(shape), true);
}

Project putBack(Project project, const Catalog& catalog, const Plan& plan, int bone) {
  Shape shape = project.shape;
  if (bone < 0) {
    Shape kept;
    kept.character = shape.character;
    return shaped(std::move(project), catalog, plan, std::move(kept), true);
  }
  const FigureBone& b = plan.figure->bones[static_cast<size_t>(bone)];
  const PatternBone* source = plan.pattern->bone(b.patternBone);
  for (const int side : {-1, 0, 1}) {
    shape.lengths.erase(sidedKey(b.patternBone, side));
    for (const std::string& joint : {source->from, source->to}) shape.moved.erase(sidedKey(joint, side));
    for (int place = 0; place < 3; ++place)
      shape.girths.erase(girthKey(sidedKey(b.patternBone, side), place));
  }
  return shaped(std::move(project), catalog, plan, std::move(shape), true);
}

Project partMade(Project project, const MadePart& part) {
  std::erase_if(project.made, [&](const MadePart& other) { return other.limb == part.limb; });
  if (part.length || part.across) project.made.push_back(part);
  return project;
}

Project photoAdded(Project project, Photo photo) {
  std::erase_if(project.photos, [&](const Photo& other) { return other.view == photo.view; });
  project.photos.push_back(std::move(photo));
  return project;
}

Project photoRemoved(Project project, size_t index) {
  eraseAt(project.photos, index);
  return project;
}

Result<Project> photoStraightened(Project project, size_t index, const Vec2& a, const Vec2& b) {
  if (auto problem = tooClose(a, b)) return *problem;
  double angle = std::atan2(-(b.y() - a.y()), b.x() - a.x());
  constexpr double right = std::numbers::pi / 2;
  angle -= std::round(angle / right) * right;
  project.photos[index].straighten = angle;
  return project;
}

Result<Project> photoScaled(Project project, size_t index, const Vec2& a, const Vec2& b, double mm) {
  if (auto problem = tooClose(a, b)) return *problem;
  if (!(mm > 0) || !std::isfinite(mm))
    return Problem{say("a known length is above 0"), "picture",
                   say("give what the line measures on the figure")};
  project.photos[index].mmPerPixel = mm / (b - a).norm();
  return project;
}

} // namespace columna::edit
