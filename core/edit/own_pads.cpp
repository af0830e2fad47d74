#include "edit/own_pads.h"

#include "head/dialled.h"
#include "project/heads.h"
#include "project/project_fields.h"

#include <algorithm>
#include <cmath>

namespace columna::edit {
namespace {

constexpr Bounds kBody = boundsOf(&FaceWish::body);
const Vec3 kUsual(0.14, 0.11, 0.045); ///< head modules: long, wide, high; a small pad of a thumb's print
constexpr double kBeside = 0.1;       ///< head modules: farther from the surface is beside the head
constexpr size_t kMost = 40;          ///< as its field holds

Problem noneCalled(const std::string& id) {
  return {say("there is no pad \"{}\" to lay on here", AsIs(id)), "", say("choose one that is offered")};
}

} // namespace

Result<Project> padLaid(const Project& project, const Catalog& catalog, const Plan& plan,
                        const FaceSums& face, const Vec3& at, bool hollow, std::string& id) {
  const auto animal = headOf(project, catalog);
  if (!animal || !plan.figure->head)
    return Problem{say("this animal has no head to lay a pad on"), "", say("take a round head first")};
  if (project.face.own.size() >= kMost)
    return Problem{say("no more than {} pads of one's own are kept", kMost), "", say("take one out first")};
  const double length = face.field.length();
  if (!at.allFinite() || std::abs(face.field.distance(at)) > kBeside * length)
    return Problem{say("this place lies beside the head"), "", say("choose one on it")};
  // Back to the animal's own proportions, which the dials work on.
  const HeadPattern own = asWished(*animal, project.face);
  Vec3 place = face.field.onto(at) / length;
  place.x() = muzzleWarp(own, plan.figure->head->dials.muzzle).before(place.x());
  HeadFeature pad = padAt(HeadField(own, length), place, Vec3::UnitX(), kUsual, hollow);
  for (int number = 1;; ++number) {
    pad.id = (hollow ? "hollow-" : "pad-") + std::to_string(number);
    if (std::none_of(own.features.begin(), own.features.end(),
                     [&](const HeadFeature& f) { return f.id == pad.id; }))
      break;
  }
  id = pad.id;
  Project out = project;
  out.face.features.erase(pad.id);
  out.face.own.push_back({pad, ""});
  return out;
}

Result<Project> offeredPad(const Project& project, const Catalog& catalog, const std::string& id, bool on) {
  Project out = project;
  if (const HeadPadKind* kind = catalog.anatomy.headPad(id)) {
    std::erase_if(out.face.own, [&](const OwnPad& own) { return own.pad.id == id; });
    out.face.features.erase(id);
    if (!on) return out;
    const auto animal = headOf(project, catalog);
    const auto feature = animal ? headPad(*kind, asWished(*animal, out.face)) : std::optional<HeadFeature>();
    if (!feature || out.face.own.size() >= kMost) return noneCalled(id);
    out.face.own.push_back({*feature, ""});
    return out;
  }
  const BodyPadKind* kind = catalog.anatomy.bodyPad(id);
  const Pattern* pattern = catalog.pattern(project.pattern);
  if (!kind || !pattern || bodyPads(*kind, *pattern).empty()) return noneCalled(id);
  if (on)
    out.face.body.emplace(id, 1);
  else
    out.face.body.erase(id);
  return out;
}

Project bodyPadSized(Project project, const std::string& id, double factor) {
  if (const auto found = project.face.body.find(id); found != project.face.body.end())
    found->second = std::clamp(found->second * factor, kBody.least, kBody.most);
  return project;
}

} // namespace columna::edit
