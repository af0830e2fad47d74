#include "solid/mesh_files.h"

#include <Eigen/Geometry>
#include <fmt/format.h>
#include <nlohmann/json.hpp>

#include <algorithm>
#include <bit>
#include <cstdint>
#include <cstring>

namespace columna {
namespace {

static_assert(std::endian::native == std::endian::little, "the writers copy numbers as they lie");

template <class Number>
void put(std::string& out, Number value) {
  std::array<char, sizeof value> bytes{};
  std::memcpy(bytes.data(), &value, sizeof value);
  out.append(bytes.data(), bytes.size());
}

void put(std::string& out, const Eigen::Vector3f& v) {
  for (const float c : {v.x(), v.y(), v.z()}) put(out, c);
}

/// Names in OBJ and MTL hold no blanks.
std::string plainName(std::string name) {
  for (char& c : name)
    if (c == ' ' || c == '\t' || c == '#') c = '_';
  return name;
}

Eigen::Vector3f faceNormal(const SolidMesh& mesh, const MeshFace& face) {
  const Eigen::Vector3f& a = mesh.vertices[static_cast<size_t>(face.corners[0])];
  const Eigen::Vector3f n = (mesh.vertices[static_cast<size_t>(face.corners[1])] - a)
                                .cross(mesh.vertices[static_cast<size_t>(face.corners[2])] - a);
  return n.norm() > 0 ? Eigen::Vector3f(n.normalized()) : Eigen::Vector3f(0, 0, 1);
}

} // namespace

std::vector<MeshGroup> groupsOf(const Figure& figure, const SolidMesh& mesh,
                                const std::vector<std::array<float, 3>>& colours) {
  std::vector<MeshGroup> groups(figure.limbs.size() + figure.flats.size());
  for (size_t l = 0; l < figure.limbs.size(); ++l) {
    groups[l].name = figure.limbs[l].id;
    if (l < colours.size()) groups[l].colour = colours[l];
  }
  for (size_t f = 0; f < figure.flats.size(); ++f) {
    MeshGroup& group = groups[figure.limbs.size() + f];
    group.name = figure.flats[f].id;
    const auto limb = static_cast<size_t>(figure.bones[static_cast<size_t>(figure.flats[f].bone)].limb);
    if (limb < colours.size()) group.colour = colours[limb];
  }
  for (size_t i = 0; i < mesh.faces.size(); ++i) {
    const MeshFace& face = mesh.faces[i];
    const size_t group = face.flat >= 0
                             ? figure.limbs.size() + static_cast<size_t>(face.flat)
                             : static_cast<size_t>(figure.bones[static_cast<size_t>(face.bone)].limb);
    groups[group].faces.push_back(static_cast<int>(i));
  }
  std::erase_if(groups, [](const MeshGroup& g) { return g.faces.empty(); });
  return groups;
}

std::string stlBytes(const SolidMesh& mesh, const std::string& title) {
  std::string out = fmt::format("{:80.80}", "binary STL, mm: " + title);
  out.reserve(84 + 50 * mesh.faces.size());
  put(out, static_cast<std::uint32_t>(mesh.faces.size()));
  for (const MeshFace& face : mesh.faces) {
    put(out, faceNormal(mesh, face));
    for (const int c : face.corners) put(out, mesh.vertices[static_cast<size_t>(c)]);
    put(out, std::uint16_t{0});
  }
  return out;
}

ObjFiles objText(const SolidMesh& mesh, const std::vector<MeshGroup>& groups, const std::string& mtlName) {
  ObjFiles files;
  fmt::memory_buffer obj;
  const auto out = std::back_inserter(obj);
  fmt::format_to(out, "# lengths in mm, z up\nmtllib {}\n", mtlName);
  for (const Eigen::Vector3f& v : mesh.vertices)
    fmt::format_to(out, "v {:.4f} {:.4f} {:.4f}\n", v.x(), v.y(), v.z());
  for (const MeshGroup& group : groups) {
    const std::string name = plainName(group.name);
    fmt::format_to(out, "g {}\nusemtl {}\n", name, name);
    for (const int f : group.faces) {
      const auto& c = mesh.faces[static_cast<size_t>(f)].corners;
      fmt::format_to(out, "f {} {} {}\n", c[0] + 1, c[1] + 1, c[2] + 1);
    }
    files.mtl += fmt::format("newmtl {}\nKd {:.3f} {:.3f} {:.3f}\nKs 0 0 0\nillum 1\n", name, group.colour[0],
                             group.colour[1], group.colour[2]);
  }
  files.obj = fmt::to_string(obj);
  return files;
}

std::string glbBytes(const SolidMesh& mesh, const std::vector<MeshGroup>& groups) {
  using Json = nlohmann::json;
  constexpr int floats = 5126;
  constexpr int unsignedInts = 5125;
  const std::vector<Eigen::Vector3f> normals = cornerNormals(mesh);
  std::string data;
  Json views = Json::array();
  Json accessors = Json::array();
  const auto view = [&](size_t from, int target) {
    views.push_back(
        {{"buffer", 0}, {"byteOffset", from}, {"byteLength", data.size() - from}, {"target", target}});
    return views.size() - 1;
  };
  // z up in mm becomes y up in metres: (x, y, z) to (x, z, -y) / 1000.
  const auto turned = [](const Eigen::Vector3f& v) { return Eigen::Vector3f(v.x(), v.z(), -v.y()); };
  Json nodes = Json::array();
  Json meshes = Json::array();
  Json materials = Json::array();
  Json children = Json::array();
  std::vector<int> to(mesh.vertices.size());
  for (const MeshGroup& group : groups) {
    std::fill(to.begin(), to.end(), -1);
    std::vector<int> from;
    std::vector<std::uint32_t> indices;
    for (const int f : group.faces)
      for (const int c : mesh.faces[static_cast<size_t>(f)].corners) {
        int& mine = to[static_cast<size_t>(c)];
        if (mine < 0) {
          mine = static_cast<int>(from.size());
          from.push_back(c);
        }
        indices.push_back(static_cast<std::uint32_t>(mine));
      }
    Eigen::Vector3f low = Eigen::Vector3f::Constant(1e9F);
    Eigen::Vector3f high = -low;
    size_t at = data.size();
    for (const int v : from) {
      const Eigen::Vector3f p = turned(mesh.vertices[static_cast<size_t>(v)]) / 1000;
      low = low.cwiseMin(p);
      high = high.cwiseMax(p);
      put(data, p);
    }
    accessors.push_back({{"bufferView", view(at, 34962)},
                         {"componentType", floats},
                         {"count", from.size()},
                         {"type", "VEC3"},
                         {"min", {low.x(), low.y(), low.z()}},
                         {"max", {high.x(), high.y(), high.z()}}});
    at = data.size();
    for (const int v : from) put(data, turned(normals[static_cast<size_t>(v)]));
    accessors.push_back({{"bufferView", view(at, 34962)},
                         {"componentType", floats},
                         {"count", from.size()},
                         {"type", "VEC3"}});
    at = data.size();
    for (const std::uint32_t i : indices) put(data, i);
    accessors.push_back({{"bufferView", view(at, 34963)},
                         {"componentType", unsignedInts},
                         {"count", indices.size()},
                         {"type", "SCALAR"}});
    const size_t first = accessors.size() - 3;
    materials.push_back({{"name", group.name},
                         {"pbrMetallicRoughness",
                          {{"baseColorFactor", {group.colour[0], group.colour[1], group.colour[2], 1}},
                           {"metallicFactor", 0},
                           {"roughnessFactor", 1}}}});
    meshes.push_back({{"name", group.name},
                      {"primitives",
                       {{{"attributes", {{"POSITION", first}, {"NORMAL", first + 1}}},
                         {"indices", first + 2},
                         {"material", materials.size() - 1}}}}});
    nodes.push_back({{"name", group.name}, {"mesh", meshes.size() - 1}});
    children.push_back(nodes.size() - 1);
  }
  const Json root{{"asset", {{"version", "2.0"}, {"generator", "Columna"}}},
                  {"scene", 0},
                  {"scenes", {{{"nodes", children}}}},
                  {"nodes", nodes},
                  {"meshes", meshes},
                  {"materials", materials},
                  {"accessors", accessors},
                  {"bufferViews", views},
                  {"buffers", {{{"byteLength", data.size()}}}}};
  std::string json = root.dump();
  while (json.size() % 4 != 0) json += ' ';
  while (data.size() % 4 != 0) data += '\0';
  std::string out;
  put(out, std::uint32_t{0x46546C67}); // "glTF"
  put(out, std::uint32_t{2});
  put(out, static_cast<std::uint32_t>(12 + 8 + json.size() + 8 + data.size()));
  put(out, static_cast<std::uint32_t>(json.size()));
  put(out, std::uint32_t{0x4E4F534A}); // "JSON"
  out += json;
  put(out, static_cast<std::uint32_t>(data.size()));
  put(out, std::uint32_t{0x004E4942}); // "BIN"
  out += data;
  return out;
}

} // namespace columna
