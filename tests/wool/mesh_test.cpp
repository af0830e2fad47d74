// Meshes: closed for every animal at every size, and read back by readers from outside.
#include "report/solid_export.h"
#include "solid/cube_cases.h"
#include "solid/field.h"
#include "solid/mesh_files.h"
#include "solid/solid.h"
#include "solid/solid_mesh.h"
#include "support.h"

#include <Eigen/Geometry>
#include <assimp/Importer.hpp>
#include <assimp/postprocess.h>
#include <assimp/scene.h>

#include <array>
#include <cmath>
#include <cstdio>
#include <map>
#include <utility>

using namespace columna;
using namespace columna::test;

namespace {

SolidMesh meshOf(const Figure& f, double cell, double depth = 0, Flats flats = Flats::Joined) {
  MeshWish wish;
  wish.cell = cell;
  wish.depth = depth;
  wish.blend = usualBlend(f);
  wish.flats = flats;
  return solidMesh(f, wish);
}

std::string said(const std::string& command) {
  std::string out;
  FILE* pipe = ::popen((command + " 2>&1").c_str(), "r");
  EXPECT_NE(pipe, nullptr);
  std::array<char, 512> some{};
  while (pipe && std::fgets(some.data(), some.size(), pipe)) out += some.data();
  if (pipe) {
    EXPECT_EQ(::pclose(pipe), 0) << command << '\n' << out;
  }
  return out;
}

/// The number after some words in what admesh prints.
double numberAfter(const std::string& text, const std::string& words) {
  const auto at = text.find(words);
  EXPECT_NE(at, std::string::npos) << words << " in\n" << text;
  return at == std::string::npos ? -1 : std::stod(text.substr(text.find(':', at) + 1));
}

/// Volume, triangles and groups of a file as assimp reads it.
struct Read {
  double volume = 0;
  size_t triangles = 0, meshes = 0;
};

Read readBack(const std::string& path) {
  Read out;
  Assimp::Importer importer;
  const aiScene* scene = importer.ReadFile(path, aiProcess_Triangulate | aiProcess_PreTransformVertices);
  EXPECT_NE(scene, nullptr) << importer.GetErrorString();
  if (!scene) return out;
  out.meshes = scene->mNumMeshes;
  for (unsigned m = 0; m < scene->mNumMeshes; ++m) {
    const aiMesh& mesh = *scene->mMeshes[m];
    out.triangles += mesh.mNumFaces;
    for (unsigned f = 0; f < mesh.mNumFaces; ++f) {
      const auto at = [&](unsigned k) {
        const aiVector3D& v = mesh.mVertices[mesh.mFaces[f].mIndices[k]];
        return Vec3(v.x, v.y, v.z);
      };
      out.volume += at(0).dot(at(1).cross(at(2))) / 6;
    }
  }
  return out;
}

} // namespace

TEST(CubeCases, EveryCutEdgeIsUsedOnceAndNothingElse) {
  const auto& cases = cubeCases();
  for (unsigned c = 0; c < 256; ++c) {
    std::array<int, 12> used{};
    for (const CubePolygon& p : cases[c]) {
      EXPECT_GE(p.edges.size(), 3U);
      for (const int e : p.edges) ++used[static_cast<size_t>(e)];
    }
    for (size_t e = 0; e < 12; ++e) {
      const bool a = (c >> static_cast<unsigned>(kCubeEdges[e][0]) & 1U) != 0;
      const bool b = (c >> static_cast<unsigned>(kCubeEdges[e][1]) & 1U) != 0;
      EXPECT_EQ(used[e], a != b ? 1 : 0) << c;
    }
  }
}

TEST(Mesh, ClosedForEveryAnimalSmallAndLarge) {
  bool large = false; // in turns: its cells grow with it
  for (const Pattern& p : animals())
    for (const double height : {std::exchange(large, !large) ? 320.0 : 80.0}) {
      const Figure f = makeFigure(p, {SizeBy::OverallHeight, height}).value();
      const double cell = std::max(1.0, height / 50);
      for (const double depth : {0.0, f.coatThickness}) {
        const SolidMesh mesh = meshOf(f, cell, depth);
        if (depth > 0 && mesh.faces.empty()) continue; // all coat
        const MeshCheck check = checkMesh(mesh);
        EXPECT_TRUE(check.closed) << p.id << ' ' << height << ' ' << depth << ' ' << check.openEdges;
        EXPECT_GT(check.volume, 0) << p.id << ": outside is out";
      }
    }
}

TEST(Mesh, FallsShortOfTheSolidByItsChords) {
  for (const char* id : {"river_otter", "toy_bear"}) {
    const Figure f = makeFigure(*shelf().pattern(id), {SizeBy::OverallHeight, 160}).value();
    SolidWish wish;
    wish.cell = 2;
    wish.blend = usualBlend(f);
    const BodySolid s = bodySolid(f, wish);
    const double coarse = checkMesh(meshOf(f, 2, 0, Flats::None)).volume;
    const double fine = checkMesh(meshOf(f, 1, 0, Flats::None)).volume;
    EXPECT_LT(std::abs(1 - fine / (s.core + s.coat)), 1e-3) << id;
    EXPECT_LT(std::abs(1 - fine / (s.core + s.coat)), std::abs(1 - coarse / (s.core + s.coat)));
  }
}

TEST(Mesh, IsManifoldWhenEqualCornersAreWelded) {
  // Every reader of a corner-by-corner file welds equal corners; plates that share an edge must not meet
  // there.
  for (const char* id : {"donkey", "giraffe", "bat", "dragon", "heron", "red_fox"}) {
    const Figure f = makeFigure(*shelf().pattern(id), {SizeBy::BodyLength, 160}).value();
    const SolidMesh mesh = meshOf(f, 1.5);
    std::map<std::array<float, 3>, int> welded;
    std::vector<int> to;
    for (const Eigen::Vector3f& v : mesh.vertices)
      to.push_back(
          welded.emplace(std::array{v.x(), v.y(), v.z()}, static_cast<int>(welded.size())).first->second);
    std::map<std::pair<int, int>, int> edges;
    for (const MeshFace& face : mesh.faces)
      for (size_t k = 0; k < 3; ++k) {
        const int a = to[static_cast<size_t>(face.corners[k])];
        const int b = to[static_cast<size_t>(face.corners[(k + 1) % 3])];
        ++edges[std::minmax(a, b)];
      }
    int odd = 0;
    for (const auto& [edge, faces] : edges) odd += faces == 2 ? 0 : 1;
    EXPECT_EQ(odd, 0) << id << ": an edge with other than two faces";
  }
}

TEST(Mesh, FlatPartsAreOneWithTheBodyAndCountOnce) {
  const Figure f = makeFigure(*shelf().pattern("bat"), {SizeBy::BodyLength, 160}).value();
  const double body = checkMesh(meshOf(f, 1, 0, Flats::None)).volume;
  const double joined = checkMesh(meshOf(f, 1)).volume;
  const double apart = checkMesh(meshOf(f, 1, 0, Flats::Apart)).volume;
  EXPECT_GT(joined, 1.02 * body);
  EXPECT_LT(joined, apart) << "what lies in the body is not counted twice";
  bool flat = false;
  for (const MeshFace& face : meshOf(f, 2).faces) flat = flat || face.flat >= 0;
  EXPECT_TRUE(flat) << "their faces are known";
}

TEST(Mesh, SaysWhenCellsWouldBreakAThinPart) {
  const Figure f = makeFigure(*shelf().pattern("deer"), {SizeBy::BodyLength, 160}).value();
  EXPECT_TRUE(exportCaution(f, 0.1).empty());
  EXPECT_FALSE(exportCaution(f, 3).empty());
}

TEST(Mesh, LimbsKeepTheirOwnFaces) {
  const Figure f = makeFigure(*shelf().pattern("red_fox"), {SizeBy::OverallHeight, 120}).value();
  const SolidMesh mesh = meshOf(f, 1.5);
  const auto groups = groupsOf(f, mesh, limbColours(f));
  size_t faces = 0;
  for (const MeshGroup& g : groups) faces += g.faces.size();
  EXPECT_EQ(faces, mesh.faces.size());
  EXPECT_GE(groups.size(), f.limbs.size());
  const auto size = [&](const char* name) {
    for (const MeshGroup& g : groups)
      if (g.name == name) return static_cast<double>(g.faces.size());
    return 0.0;
  };
  EXPECT_NEAR(size("left-hindleg") / size("right-hindleg"), 1, 0.05);
}

TEST(MeshFiles, OutsideReadersReadTheSame) {
  const Scratch scratch;
  Project p = project("red_fox", 90);
  const Plan plan = planned(p);
  ExportWish wish;
  wish.cell = 1;
  for (const char* name : {"fox.stl", "fox.obj", "fox.glb", "fox.csv"})
    ASSERT_FALSE(exportSolid(scratch.path(name), plan, plan.figure, "fox", wish)) << name;
  const SolidMesh mesh = meshOf(plan.figure, 1);
  const MeshCheck own = checkMesh(mesh);
  const size_t groups = groupsOf(plan.figure, mesh, limbColours(plan.figure)).size();
  const Read obj = readBack(scratch.path("fox.obj"));
  EXPECT_EQ(obj.triangles, mesh.faces.size());
  EXPECT_EQ(obj.meshes, groups);
  EXPECT_NEAR(obj.volume / own.volume, 1, 1e-4);
  const Read glb = readBack(scratch.path("fox.glb"));
  EXPECT_EQ(glb.triangles, mesh.faces.size());
  EXPECT_EQ(glb.meshes, groups);
  EXPECT_NEAR(glb.volume * 1e9 / own.volume, 1, 1e-4) << "glTF is in metres";
  const std::string mesher = said("admesh " + scratch.path("fox.stl"));
  EXPECT_NEAR(numberAfter(mesher, "Number of facets"), static_cast<double>(mesh.faces.size()), 0.5);
  EXPECT_NEAR(numberAfter(mesher, "Volume") / own.volume, 1, 1e-3);
  EXPECT_EQ(numberAfter(mesher, "Total disconnected facets"), 0);
  EXPECT_EQ(numberAfter(mesher, "Facets reversed"), 0);
  const std::string csv = Scratch::read(scratch.path("fox.csv"));
  EXPECT_TRUE(csv.starts_with("limb,from_root_mm,wire_mm"));
  EXPECT_GT(std::count(csv.begin(), csv.end(), '\n'), 20);
}

TEST(MeshFiles, AdmeshFindsEveryAnimalClosed) {
  const Scratch scratch;
  for (const Pattern& p : animals()) {
    const Figure f = makeFigure(p, {SizeBy::OverallHeight, 160}).value();
    const std::string path = scratch.write("a.stl", stlBytes(meshOf(f, 3), p.id));
    const std::string mesher = said("admesh " + path);
    EXPECT_EQ(numberAfter(mesher, "Total disconnected facets"), 0) << p.id << mesher;
    EXPECT_EQ(numberAfter(mesher, "Backwards edges"), 0) << p.id;
  }
}

TEST(MeshFiles, BadWishesAreOneSentence) {
  const Scratch scratch;
  const Plan plan = planned(project("heron", 120));
  ExportWish wish;
  EXPECT_NE(exportSolid(scratch.path("a.ply"), plan, plan.figure, "x", wish)->sentence().find(".stl"),
            std::string::npos);
  wish.cell = 0;
  EXPECT_TRUE(exportSolid(scratch.path("a.stl"), plan, plan.figure, "x", wish).has_value());
  wish.cell = std::nan("");
  EXPECT_TRUE(exportSolid(scratch.path("a.stl"), plan, plan.figure, "x", wish).has_value());
  wish.cell = 2;
  EXPECT_TRUE(exportSolid("/nowhere/a.stl", plan, plan.figure, "x", wish).has_value());
  std::atomic<bool> stop{true};
  wish.stop = &stop;
  EXPECT_NE(exportSolid(scratch.path("a.stl"), plan, plan.figure, "x", wish)->sentence().find("stopped"),
            std::string::npos);
  EXPECT_FALSE(std::filesystem::exists(scratch.path("a.stl")));
}
