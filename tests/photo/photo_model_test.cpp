// The figure seen through a camera, by shapes whose picture is known.
#include "photographed.h"

namespace columna::test {
namespace {

/// A box from corner to corner, its faces outwards.
SolidMesh box(const Vec3& low, const Vec3& high) {
  SolidMesh out;
  for (int i = 0; i < 8; ++i)
    out.vertices.push_back(
        Vec3(i & 1 ? high.x() : low.x(), i & 2 ? high.y() : low.y(), i & 4 ? high.z() : low.z())
            .cast<float>());
  for (const auto& face : std::vector<std::array<int, 4>>{
           {0, 2, 3, 1}, {4, 5, 7, 6}, {0, 1, 5, 4}, {2, 6, 7, 3}, {0, 4, 6, 2}, {1, 3, 7, 5}}) {
    out.faces.push_back({{face[0], face[1], face[2]}, 0, -1});
    out.faces.push_back({{face[0], face[2], face[3]}, 0, -1});
  }
  return out;
}

PhotoCamera straightOn(PhotoView view, double scale) {
  PhotoCamera c;
  c.view = view;
  c.scale = scale;
  c.distance = 500;
  c.middle = Vec2(199.5, 149.5);
  return c;
}

} // namespace

TEST(PhotoModel, ABoxCoversWhatItsNearFaceCovers) {
  const SolidMesh cube = box(Vec3(-20, -30, -10), Vec3(20, 30, 10));
  const std::map<PhotoView, std::array<double, 3>> faces{// across, high, and how much nearer the near one is
                                                         {PhotoView::Right, {40, 20, 30}},
                                                         {PhotoView::Front, {60, 20, 20}},
                                                         {PhotoView::Above, {40, 60, 10}}};
  for (const auto& [view, face] : faces) {
    const PhotoCamera c = straightOn(view, 2);
    const PhotoRaster raster = rasterOf(cube, c, 400, 300);
    const double near = c.focal() / (c.distance - face[2]); // px a mm there
    const auto covered = static_cast<double>(
        std::count_if(raster.face.begin(), raster.face.end(), [](int f) { return f >= 0; }));
    const double wide = face[0] * near;
    const double high = face[1] * near;
    EXPECT_NEAR(covered, wide * high, 2 * (wide + high)) << id(view);
    // The face that is seen is the near one, as far away as it is.
    EXPECT_NEAR(static_cast<double>(raster.depth[raster.index(200, 150)]), c.distance - face[2], 1e-3)
        << id(view);
    const Eigen::AlignedBox2d around = [&] {
      PhotoModel model;
      model.mesh = cube;
      return boxOf(model, c);
    }();
    EXPECT_NEAR(around.sizes().x(), wide, 1e-6) << id(view);
    EXPECT_NEAR(around.sizes().y(), high, 1e-6) << id(view);
  }
}

TEST(PhotoModel, WhatIsBehindTheLensIsNotSeen) {
  const SolidMesh behind = box(Vec3(-20, -700, -10), Vec3(20, -600, 10)); // from the right: past the lens
  const PhotoRaster raster = rasterOf(behind, straightOn(PhotoView::Right, 2), 400, 300);
  EXPECT_TRUE(std::all_of(raster.face.begin(), raster.face.end(), [](int f) { return f < 0; }));
}

TEST(PhotoModel, TheRimIsTheEdgeOfWhatIsSeenAndOfTheRightPart) {
  const Sitter& bear = sitter("toy_bear", 160);
  standin::ShotWish wish;
  wish.width = 800;
  wish.height = 600;
  const PhotoCamera camera = standin::cameraOf(bear.model, wish);
  const PhotoEye eye(camera);
  const auto fine = rimOf(bear.model, camera, wish.width, wish.height);
  ASSERT_GT(fine.size(), 500U);
  std::set<int> limbs;
  for (const RimPoint& p : fine) {
    limbs.insert(p.limb);
    EXPECT_LT((eye.at(p.place) - p.at).norm(), 1e-6);
    EXPECT_NEAR(p.out.norm(), 1, 1e-9);
    // Its place lies on the figure, or next to it.
    EXPECT_TRUE((p.place.array() > bear.model.low.array() - 3).all() &&
                (p.place.array() < bear.model.high.array() + 3).all());
  }
  for (const char* each : {"head", "left-arm", "right-arm", "left-leg", "right-leg"})
    EXPECT_TRUE(limbs.contains(*bear.figure.limb(each))) << each;
  // Left is seen at the right of the picture from before it.
  double left = 0;
  double right = 0;
  double lefts = 0;
  double rights = 0;
  for (const RimPoint& p : fine) {
    if (p.limb == *bear.figure.limb("left-arm")) left += p.at.x(), ++lefts;
    if (p.limb == *bear.figure.limb("right-arm")) right += p.at.x(), ++rights;
  }
  EXPECT_GT(left / lefts, right / rights + 50);
  // In half as many pixels it is the same edge.
  for (const RimPoint& p : rimOf(bear.model, camera, wish.width, wish.height, true)) {
    double nearest = 1e9;
    for (const RimPoint& q : fine) nearest = std::min(nearest, (p.at - q.at).norm());
    EXPECT_LT(nearest, 4);
  }
}

TEST(PhotoModel, TheSurfaceIsTheFiguresOwn) {
  const Sitter& bear = sitter("toy_bear", 160);
  const MeshCheck check = checkMesh(bear.model.mesh);
  EXPECT_TRUE(check.closed);
  EXPECT_NEAR(bear.model.high.z() - bear.model.low.z(), 160, 4);
  EXPECT_EQ(bear.model.limbOfBone.size(), bear.figure.bones.size());
  EXPECT_TRUE(photoModel(Figure()).empty());
}

} // namespace columna::test
