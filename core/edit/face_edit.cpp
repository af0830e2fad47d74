#include "edit/face_edit.h"

#include "head/variant.h"
#include "project/project_fields.h"

#include <algorithm>
#include <cmath>

namespace columna::edit {
namespace {

constexpr Bounds kFactor = boundsOf(&FeatureChange::factor);
constexpr Bounds kShift = boundsOf(&FeatureChange::shift);
constexpr Bounds kMove = boundsOf(&PartMove::shift);
constexpr Bounds kEye = boundsOf(&FaceWish::eye);
constexpr Bounds kThick = boundsOf(&FaceWish::thick);
constexpr Bounds kTape = boundsOf(&MeasuredPin::tape);
constexpr Bounds kAside = boundsOf(&MeasuredPin::aside);
constexpr double kNoMove = 1e-9; ///< head modules
constexpr double kThicker = 1.5; ///< what helps an ear that droops

/// Changes one feature; what is as the animal's own again is dropped.
template <class Change>
Project changed(Project project, const std::string& feature, Change&& change) {
  FeatureChange& one = project.face.features[feature];
  change(one);
  if (one.none()) project.face.features.erase(feature);
  return project;
}

Problem outside(const Said& what, const Bounds& bounds) {
  return {what, "", say("give {} to {}", Length(bounds.least, 1).figure(), Length(bounds.most, 0))};
}

} // namespace

Project padSized(Project project, const std::string& feature, double factor) {
  return changed(std::move(project), feature, [&](FeatureChange& c) {
    c.factor = std::clamp(c.factor * factor, kFactor.least, kFactor.most);
    if (std::abs(c.factor - 1) < 1e-9) c.factor = 1;
  });
}

Project padMoved(Project project, const std::string& feature, const Vec3& by) {
  return changed(std::move(project), feature, [&](FeatureChange& c) {
    c.shift = (c.shift + by).cwiseMax(Vec3::Constant(kShift.least)).cwiseMin(Vec3::Constant(kShift.most));
  });
}

Project partMoved(Project project, const std::string& part, const Vec3& by) {
  PartMove& one = project.face.moved[part];
  one.shift = (one.shift + by).cwiseMax(Vec3::Constant(kMove.least)).cwiseMin(Vec3::Constant(kMove.most));
  if (one.shift.norm() < kNoMove) project.face.moved.erase(part);
  return project;
}

Project partOwn(Project project, const std::string& part) {
  project.face.moved.erase(part);
  return project;
}

Project padOut(Project project, const std::string& feature, bool out) {
  // One of the maker's own is gone for good; undo brings it back.
  if (out && std::erase_if(project.face.own, [&](const OwnPad& own) { return own.pad.id == feature; }) > 0) {
    project.face.features.erase(feature);
    return project;
  }
  return changed(std::move(project), feature, [&](FeatureChange& c) { c.out = out; });
}

Project padOwn(Project project, const std::string& feature) {
  project.face.features.erase(feature);
  return project;
}

Project allPadsOwn(Project project) {
  project.face.features.clear();
  project.face.moved.clear();
  return project;
}

Project roundHead(Project project, bool on) {
  project.face.generic = on;
  return project;
}

Result<Project> headVariant(Project project, const Catalog& catalog, const std::string& id) {
  if (!id.empty() && !catalog.headVariants.contains({project.pattern, id}))
    return Problem{say("there is no such variant of this animal"), id,
                   say("choose one that is listed with its head")};
  project.face.variant = id;
  return project;
}

Project nextVariant(Project project, const Catalog& catalog) {
  const HeadPattern* head = catalog.head(project.pattern);
  if (!head || head->variants.empty()) return project;
  const HeadVariant* now = variantOf(*head, project.face.variant);
  const size_t next = now ? static_cast<size_t>(now - head->variants.data()) + 1 : 0;
  project.face.variant = next < head->variants.size() ? head->variants[next].id : std::string();
  return project;
}

Result<Project> eyesOf(Project project, std::optional<double> mm) {
  if (mm && !kEye.hold(*mm)) return outside(say("no eye of that size is made"), kEye);
  project.face.eye = mm;
  return project;
}

Project eyesMadeAs(Project project, std::optional<EyeKind> kind) {
  project.face.eyeKind = kind;
  return project;
}

Project eyeStep(Project project, const FaceSums& face, const FaceRules& rules, int step) {
  if (face.report.eyes.empty()) return project;
  const double now = face.report.eyes.front().choice.take;
  const auto& sizes = rules.eyeSizes;
  if (step > 0) {
    const auto up = std::upper_bound(sizes.begin(), sizes.end(), now + 1e-9);
    if (up != sizes.end()) project.face.eye = *up;
  } else {
    const auto down = std::lower_bound(sizes.begin(), sizes.end(), now - 1e-9);
    if (down != sizes.begin()) project.face.eye = *std::prev(down);
  }
  return project;
}

Result<Project> flatThick(Project project, const std::string& flat, std::optional<double> mm) {
  if (mm && !kThick.hold(*mm)) return outside(say("felt of that thickness there is not"), kThick);
  if (mm)
    project.face.thick[flat] = *mm;
  else
    project.face.thick.erase(flat);
  return project;
}

Project faceSchool(Project project, FaceSchool school) {
  project.face.school = school;
  return project;
}

Project hairFirst(Project project, bool on) {
  project.face.hairFirst = on;
  return project;
}

Result<Project> gluedWith(Project project, GluedPart what, const std::string& glue,
                          const DryingTimes& drying) {
  const Drying* found = drying.find(glue);
  if (!glue.empty() && !(found && found->glue)) {
    std::string known;
    for (const Drying& each : drying.all)
      if (each.glue) known += (known.empty() ? "" : ", ") + each.id;
    return Problem{say("{} is no glue that is known here", AsIs(glue)), "",
                   say("use one of {}", AsIs(known))};
  }
  (what == GluedPart::Eyes ? project.face.eyeGlue : project.face.partGlue) = glue;
  return project;
}

Result<Project> pinMeasured(Project project, const std::string& pin, bool right, std::optional<double> tape,
                            std::optional<double> aside) {
  auto& list = project.face.measured;
  const auto found = std::find_if(list.begin(), list.end(),
                                  [&](const MeasuredPin& m) { return m.pin == pin && m.right == right; });
  if (!tape) {
    if (found != list.end()) list.erase(found);
    return project;
  }
  if (!kTape.hold(*tape)) return outside(say("no tape on a head reads that"), kTape);
  if (aside && !kAside.hold(*aside)) return outside(say("no head is that wide"), kAside);
  MeasuredPin one = found == list.end() ? MeasuredPin{pin, right, 0, 0} : *found;
  one.tape = *tape;
  one.aside = aside.value_or(one.aside);
  if (found == list.end())
    list.push_back(one);
  else
    *found = one;
  return project;
}

std::vector<FaceRemedy> faceRemedies(const Project& project, const FaceSums& face, const Finding& finding,
                                     const FaceRules& rules) {
  std::vector<FaceRemedy> out;
  if (finding.id() == "askew") return out; // only the hand sets it anew
  for (const FaceEye& eye : face.report.eyes) {
    if (eye.eye->id != finding.where) continue;
    if (project.face.moved.contains(eye.eye->id))
      out.push_back({say("set the eyes where the animal has them"), partOwn(project, eye.eye->id)});
    const EyeChoice nearest = eyeFor(eye.choice.wanted, rules);
    if (std::abs(nearest.take - eye.choice.take) > 1e-9)
      out.push_back({say("take {} eyes", Length(nearest.take, 1)), *eyesOf(project, std::nullopt)});
    Project smaller = eyeStep(project, face, rules, -1);
    if (eye.between < rules.eyeGap * eye.choice.take && smaller.face.eye && !(smaller == project))
      out.push_back({say("take {} eyes", Length(*smaller.face.eye, 1)), smaller});
  }
  for (const FaceFlat& flat : face.report.flats) {
    if (flat.flat->id != finding.where) continue;
    if (project.face.moved.contains(flat.flat->id))
      out.push_back({say("set it where the animal has it"), partOwn(project, flat.flat->id)});
    const double mm = std::max(rules.flatThin, kThicker * flat.thickness);
    if (const auto thicker = flatThick(project, flat.flat->id, mm))
      out.push_back({say("make it {} thick", Length(mm, 1)), *thicker});
  }
  for (const FacePad& pad : face.report.pads) {
    if (pad.feature->id != finding.where) continue;
    Project none = project;
    for (const FacePad& each : face.report.pads)
      if (each.tooSmall) none = padOut(std::move(none), each.feature->id, true);
    out.push_back({say("leave the small ones out"), std::move(none)});
  }
  return out;
}

} // namespace columna::edit
