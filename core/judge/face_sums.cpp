#include "judge/face_sums.h"

#include "face/foot_layout.h"
#include "judge/face_findings.h"
#include "plan/own_head.h"

#include <algorithm>

namespace columna {
namespace {

/// mm between the eyes of the animal, of those the maker moved; by the eye's id.
std::map<std::string, double> ownApart(const Project& project, const Catalog& catalog, const Plan& plan,
                                       const FaceReport& report) {
  std::map<std::string, double> out;
  if (project.face.moved.empty()) return out;
  Project unmoved = project;
  unmoved.face.moved.clear();
  const auto own = ownHead(unmoved, catalog, plan);
  if (!own) return out;
  const HeadField field(own->head, own->length);
  for (const HeadEye& eye : own->head.eyes)
    for (const FaceEye& now : report.eyes)
      if (now.eye->id == eye.id && project.face.moved.contains(eye.id))
        out[eye.id] = 2 * std::abs(eyeMiddle(field, eye, now.choice.take).y());
  return out;
}

/// Wire in the head, in its axes.
std::vector<HeadWire> wiresIn(const Plan& plan) {
  const Figure& figure = plan.figure;
  const WornHead& head = *figure.head;
  const int limb = headLimb(figure);
  const std::vector<double> bundles = bundlesOf(plan);
  std::vector<HeadWire> out;
  const auto take = [&](const WireRun& run) {
    for (size_t s = 0; s + 1 < run.points.size(); ++s) {
      if (run.segmentLimb[s] != limb || !(bundles[static_cast<size_t>(limb)] > 0)) continue;
      const auto at = [&](size_t i) {
        return head.toHead(plan.skeleton->points[static_cast<size_t>(run.points[i])].at);
      };
      out.push_back({at(s), at(s + 1), bundles[static_cast<size_t>(limb)]});
    }
  };
  for (const WireRun& run : plan.skeleton->limbs[static_cast<size_t>(limb)]) take(run);
  take(plan.skeleton->spine);
  return out;
}

} // namespace

std::shared_ptr<const FaceSums> faceSums(const Project& project, const Catalog& catalog, const Plan& plan) {
  auto own = ownHead(project, catalog, plan);
  if (!own) return nullptr;
  const double length = own->length;
  for (auto* foot : {&own->head.feet.fore, &own->head.feet.mid, &own->head.feet.hind})
    if (*foot) *foot = laidOut(std::move(**foot));
  auto out = std::make_shared<FaceSums>(std::move(own->head), length);
  out->density = own->density;
  if (catalog.headVariants.contains({project.pattern, project.face.variant}))
    out->variant = project.face.variant;
  out->report = faceReport(out->head, length, out->density, catalog.face, project.face.eye, wiresIn(plan));
  out->measured = measuredPairs(project.face.measured, out->field, out->report, catalog.face);
  out->soles = solesOf(out->head, footScale(out->head, *plan.pattern, plan.figure->scale),
                       feltDensity(Firmness::Firm), catalog.face);
  out->steps = faceSteps(out->head, out->field, out->report, plan.wool->hair, project.face, catalog.drying,
                         catalog.face);
  out->wires = plan.flatWires;
  out->offered = offeredPads(project, catalog, plan);
  out->findings = faceFindings(out->report, catalog.face);
  const std::vector<Finding> askew = measuredFindings(out->measured);
  out->findings.insert(out->findings.begin(), askew.begin(), askew.end());
  const std::vector<Finding> apart =
      apartFindings(out->report, ownApart(project, catalog, plan, out->report), catalog.face);
  out->findings.insert(out->findings.begin(), apart.begin(), apart.end());
  const LimbWool& wool = plan.wool->limbs[static_cast<size_t>(headLimb(plan.figure))];
  const std::vector<Finding> heavy =
      hardFindings(plan.wool->hard - plan.figure->eyeGrams(), wool.core + wool.coat + wool.flats + wool.hair,
                   catalog.face);
  out->findings.insert(out->findings.end(), heavy.begin(), heavy.end());
  if (const std::string& id = project.face.variant;
      !id.empty() && !catalog.headVariants.contains({project.pattern, id}))
    out->findings.push_back(
        {Level::Doubtful, "face",
         say("This animal has no variant \"{}\": it is shown as usual. Choose one that is listed.", AsIs(id)),
         say("not among its variants"), Topic::Face});
  return out;
}

const FlatWire* FaceSums::wireOf(const std::string& flat) const {
  const auto found =
      std::find_if(wires.begin(), wires.end(), [&](const FlatWire& wire) { return wire.flat == flat; });
  return found == wires.end() ? nullptr : &*found;
}

Figure headAlone(const Figure& figure) {
  Figure out = figure;
  if (!figure.head) return out;
  const int limb = headLimb(figure);
  out.tubes.clear();
  for (size_t t = 0; t < figure.tubes.size(); ++t) {
    const int at = static_cast<int>(t) - figure.head->tube;
    const bool own = at >= 0 && at < figure.head->tubes;
    if (own && at == 0) out.head->tube = static_cast<int>(out.tubes.size());
    const auto hard = [&](int bone) { return figure.bones[static_cast<size_t>(bone)].hard > 0; };
    const std::vector<int>& bones = figure.tubes[t].slabBone;
    // Teeth and the like are on the head's own bones.
    const bool ofHead = std::all_of(bones.begin(), bones.end(), [&](int bone) {
      return hard(bone) || figure.bones[static_cast<size_t>(bone)].limb == limb;
    });
    if (own || ofHead) out.tubes.push_back(figure.tubes[t]);
  }
  std::erase_if(out.flats, [&](const FigureFlat& flat) {
    return figure.bones[static_cast<size_t>(flat.bone)].limb != limb;
  });
  return out;
}

} // namespace columna
