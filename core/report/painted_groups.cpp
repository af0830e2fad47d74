#include "report/painted_groups.h"

#include "anatomy/figure.h"

#include <Eigen/Geometry>

#include <limits>
#include <map>
#include <optional>
#include <utility>

namespace columna {
namespace {

std::array<float, 3> shares(Colour colour) {
  const auto of = [&](unsigned shift) { return static_cast<float>((colour >> shift) & 0xffU) / 255.0F; };
  return {of(16), of(8), of(0)};
}

/// The palette's colour that is nearest to one: fading edges are between two.
const std::string& nearestIn(const std::map<std::string, Colour>& palette, Colour colour) {
  const std::string* best = nullptr;
  float least = std::numeric_limits<float>::max();
  const auto wanted = shares(colour);
  for (const auto& [name, each] : palette) {
    const auto own = shares(each);
    float away = 0;
    for (size_t c = 0; c < 3; ++c) away += (own[c] - wanted[c]) * (own[c] - wanted[c]);
    if (away >= least) continue;
    least = away;
    best = &name;
  }
  return *best;
}

} // namespace

std::vector<MeshGroup> paintedGroups(const Figure& figure, const SolidMesh& mesh, const HeadPattern& head) {
  const Colour body = bodyColour(head);
  std::vector<std::array<float, 3>> alike(figure.limbs.size(), shares(body));
  if (!figure.head || head.palette.empty()) return groupsOf(figure, mesh, alike);
  const WornHead& worn = *figure.head;
  const HeadPaint paint(head, worn.dials, worn.length);
  const int headLimb = figure.bones[static_cast<size_t>(worn.bone)].limb;
  const Colour coat = paint.ground();
  alike[static_cast<size_t>(headLimb)] = shares(coat);
  std::vector<MeshGroup> plain = groupsOf(figure, mesh, alike);
  std::map<std::string, Colour> palette;
  for (const auto& [name, text] : head.palette) palette[name] = paletteColour(head, name);
  std::vector<MeshGroup> out;
  for (MeshGroup& group : plain) {
    std::map<std::string, MeshGroup> split; // by the palette's name
    std::vector<int> rest;
    for (const int i : group.faces) {
      const MeshFace& face = mesh.faces[static_cast<size_t>(i)];
      const FigureBone& bone = figure.bones[static_cast<size_t>(face.bone)];
      std::array<Vec3, 3> corner;
      for (size_t k = 0; k < 3; ++k)
        corner[k] = mesh.vertices[static_cast<size_t>(face.corners[k])].cast<double>();
      const Vec3 middle = (corner[0] + corner[1] + corner[2]) / 3;
      const Vec3 normal = (corner[1] - corner[0]).cross(corner[2] - corner[0]).normalized();
      const Vec3 local = worn.toHead(middle);
      std::optional<Colour> colour;
      if (face.flat >= 0) {
        const FigureFlat& flat = figure.flats[static_cast<size_t>(face.flat)];
        if (!flat.triangles.empty()) colour = paint.flat(flat.id, local, sideOf(flat, middle, normal), coat);
      } else if (bone.hard > 0) {
        colour = paint.hard(local);
      } else if (bone.limb == headLimb) {
        colour = paint.skin(local, worn.axes.transpose() * normal, coat);
      }
      if (!colour || *colour == (bone.limb == headLimb ? coat : body)) {
        rest.push_back(i);
        continue;
      }
      split[nearestIn(palette, *colour)].faces.push_back(i);
    }
    group.faces = std::move(rest);
    if (!group.faces.empty()) out.push_back(group);
    for (auto& [name, part] : split) {
      part.name = group.name + " " + name;
      part.colour = shares(palette.at(name));
      out.push_back(std::move(part));
    }
  }
  return out;
}

} // namespace columna
