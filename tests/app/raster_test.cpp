// The rasteriser: what is nearer covers, what is where, and the camera's ways there and back.
#include "support.h"

#include "pose/pose.h"
#include "turn/raster.h"

#include <Eigen/Dense>

#include <cmath>
#include <map>

using namespace columna;
using namespace columna::test;

namespace {

/// A square facing the eye of the view from the right, at so much depth (y to the figure's left).
void square(Mesh& mesh, double y, double half, QRgb colour, int limb) {
  const int first = static_cast<int>(mesh.vertices.size());
  for (const auto& [x, z] : {std::pair{-1.0, -1.0}, {1.0, -1.0}, {1.0, 1.0}, {-1.0, 1.0}})
    mesh.vertices.push_back(
        {Eigen::Vector3f(static_cast<float>(x * half), static_cast<float>(y), static_cast<float>(z * half)),
         Eigen::Vector3f(0, -1, 0)});
  mesh.triangles.push_back({{first, first + 1, first + 2}, colour, limb});
  mesh.triangles.push_back({{first, first + 2, first + 3}, colour, limb});
}

Camera ahead() {
  Camera c;
  c.scale = 4;
  c.middle = {100, 100};
  return c;
}

} // namespace

TEST(Raster, TheNearerCoversWhateverTheOrder) {
  for (const bool nearFirst : {true, false}) {
    Mesh mesh;
    if (nearFirst) square(mesh, -5, 10, qRgb(200, 0, 0), 1); // the eye is at -y
    square(mesh, 5, 20, qRgb(0, 200, 0), 2);
    if (!nearFirst) square(mesh, -5, 10, qRgb(200, 0, 0), 1);
    Raster raster(200, 200);
    raster.draw(mesh, ahead(), 0);
    EXPECT_EQ(raster.limbAt(100, 100), 1);
    EXPECT_EQ(qRed(raster.image().pixel(100, 100)), 200);
    EXPECT_EQ(raster.limbAt(100, 40), 2) << "beyond the near one";
    EXPECT_EQ(raster.limbAt(5, 5), -1);
    EXPECT_EQ(qAlpha(raster.image().pixel(5, 5)), 0);
    EXPECT_NEAR(raster.depth(100, 100), 5, 1e-3);
    // 80 mm a side at 4 pixels: edges where they belong, to the pixel.
    EXPECT_EQ(raster.limbAt(100, 21), 2);
    EXPECT_EQ(raster.limbAt(100, 18), -1);
  }
}

TEST(Raster, NoSeamBetweenTriangles) {
  Mesh mesh;
  square(mesh, 0, 20, qRgb(10, 20, 30), 0);
  Raster raster(200, 200);
  Camera camera = ahead();
  camera.pitch = 0.3;
  camera.yaw = 0.4;
  raster.draw(mesh, camera, 0);
  for (int y = 60; y < 140; ++y)
    for (int x = 60; x < 140; ++x) EXPECT_EQ(raster.limbAt(x, y), 0) << x << ' ' << y;
}

TEST(Raster, CameraThereAndBack) {
  Camera camera = ahead();
  camera.centre = {10, -4, 30};
  for (const double yaw : {-2.0, -0.4, 0.0, 1.3})
    for (const double pitch : {-0.2, 0.0, 0.6, 1.5}) {
      camera.yaw = yaw;
      camera.pitch = pitch;
      const Vec3 place(31, 7, 12);
      EXPECT_LT((camera.place(camera.at(place), place) - place).norm(), 1e-9);
      const Eigen::Matrix3d t = camera.turn();
      EXPECT_LT((t * t.transpose() - Eigen::Matrix3d::Identity()).norm(), 1e-12);
      EXPECT_GT(t.determinant(), 0) << "not its mirror image";
    }
  camera.yaw = camera.pitch = 0;
  EXPECT_GT(camera.at({20, 0, 30}).x(), camera.at({10, 0, 30}).x()) << "the nose to the right";
  EXPECT_GT(camera.near({0, -10, 0}), camera.near({0, 10, 0})) << "seen from its right";
}

TEST(Raster, MeshesOfAllAnimals) {
  for (const Pattern& p : animals()) {
    const Plan plan = planned(project(p.id, 160));
    const std::vector<QRgb> colours(plan.figure->limbs.size(), qRgb(200, 180, 150));
    const Figure posedOne = figureAtScale(posed(plan.pattern, p.poses.front()), plan.figure->scale);
    const Mesh mesh = woolMesh(posedOne, 12, colours);
    EXPECT_GT(mesh.triangles.size(), 500U) << p.id;
    for (const MeshVertex& v : mesh.vertices) {
      EXPECT_TRUE(v.at.allFinite()) << p.id;
      EXPECT_NEAR(v.normal.norm(), 1, 1e-3) << p.id;
    }
    // A tube is closed: every edge is shared by two triangles. Flat parts' faces and rims are separate.
    Figure bare = posedOne;
    bare.flats.clear();
    std::map<std::pair<int, int>, int> edges;
    const Mesh tubes = woolMesh(bare, 12, colours);
    for (const MeshTriangle& t : tubes.triangles)
      for (size_t k = 0; k < 3; ++k) ++edges[std::minmax(t.corners[k], t.corners[(k + 1) % 3])];
    for (const auto& [edge, times] : edges) EXPECT_EQ(times, 2) << p.id;
    const Mesh wire = wireMesh(plan, 8, std::vector<QRgb>(plan.pieces.size(), qRgb(0, 0, 90)));
    EXPECT_GT(wire.triangles.size(), 50U) << p.id;
  }
}
