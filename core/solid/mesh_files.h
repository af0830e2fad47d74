// The solid's mesh as files other programs read: STL (binary), OBJ with MTL, and glTF 2.0 in one binary file.
//
// Lengths are mm in STL and OBJ, with z up; glTF is in metres with y up, as its standard has it. Faces are
// grouped by limb, each with its colour.
#pragma once

#include "solid/solid_mesh.h"

#include <string>

namespace columna {

/// One named group of a mesh: a limb, or a flat part.
struct MeshGroup {
  std::string name;
  std::array<float, 3> colour{0.85F, 0.78F, 0.68F}; ///< 0..1
  std::vector<int> faces;                           ///< indices
};

/// Groups by limb, then flat parts; groups without faces are left out. `colours` one a limb.
[[nodiscard]] std::vector<MeshGroup> groupsOf(const Figure& figure, const SolidMesh& mesh,
                                              const std::vector<std::array<float, 3>>& colours);

/// STL has no groups: the whole surface. Binary, little endian.
[[nodiscard]] std::string stlBytes(const SolidMesh& mesh, const std::string& title);
/// OBJ and the MTL it names.
struct ObjFiles {
  std::string obj, mtl;
};
[[nodiscard]] ObjFiles objText(const SolidMesh& mesh, const std::vector<MeshGroup>& groups,
                               const std::string& mtlName);
[[nodiscard]] std::string glbBytes(const SolidMesh& mesh, const std::vector<MeshGroup>& groups);

} // namespace columna
