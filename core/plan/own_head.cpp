#include "plan/own_head.h"

#include "face/face_report.h"
#include "head/dialled.h"
#include "project/heads.h"

namespace columna {

int headLimb(const Figure& figure) {
  return figure.head ? figure.bones[static_cast<size_t>(figure.head->bone)].limb : -1;
}

std::optional<OwnHead> ownHead(const Project& project, const Catalog& catalog, const Plan& plan) {
  const Figure& figure = plan.figure;
  if (!figure.head) return std::nullopt;
  const auto animal = headOf(project, catalog);
  if (!animal) return std::nullopt;
  OwnHead out;
  out.length = figure.head->length;
  out.head = dialled(asWished(*animal, project.face), figure.head->dials);
  for (HeadFlat& flat : out.head.flats)
    if (const auto own = project.face.thick.find(flat.id); own != project.face.thick.end())
      flat.thickness = own->second / out.length;
  out.density = plan.wool->limbs[static_cast<size_t>(headLimb(figure))].density;
  return out;
}

std::vector<FlatWire> flatWiresOf(const Project& project, const Catalog& catalog, const Plan& plan) {
  const std::optional<OwnHead> own = ownHead(project, catalog, plan);
  if (!own || own->head.flats.empty()) return {};
  const Material& wire = plan.limbs[static_cast<size_t>(headLimb(plan.figure))].section.material;
  const Material* material = wire.id.empty() ? catalog.material(project.material) : &wire;
  if (!material) return {};
  return flatWires(faceFlats(own->head, own->length, own->density, catalog.face), own->length, own->density,
                   *material, catalog.pose, catalog.face, project.drawer, project.drawerOnly);
}

} // namespace columna
