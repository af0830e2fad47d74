// A face as felt: its hair, each kind as it is, its eyes with a light in them, and its fuzzy edge.
#include "head/heads.h"

#include "turn/felt.h"

#include <gtest/gtest.h>

#include <cmath>
#include <set>

using namespace columna;
using namespace columna::test;

namespace {

constexpr int kPixels = 200;

/// A fox's head with one hair of its own, 20 mm straight up, and nothing else.
FaceLook haired(HairKind kind, double width) {
  HeadPattern head = shippedHead("red_fox");
  HeadHair hair;
  hair.kind = kind;
  hair.colour = "dark";
  head.hair = {hair};
  FaceLook look;
  look.paint = std::make_shared<const HeadPaint>(head, HeadDials(), 52);
  look.head = WornHead();
  HairStroke stroke;
  for (int i = 0; i <= 6; ++i) stroke.points.emplace_back(0, 0, 20.0 * i / 6);
  stroke.width = width;
  look.hair = {stroke};
  return look;
}

/// Five pixels a mm, the hair's root a little over the lower edge.
Camera near() {
  Camera c;
  c.scale = 5;
  c.middle = {kPixels / 2.0, 150};
  return c;
}

QImage clear() {
  QImage image(kPixels, kPixels, QImage::Format_ARGB32_Premultiplied);
  image.fill(Qt::transparent);
  return image;
}

QImage painted(const FaceLook& look, const Raster& before) {
  QImage image = clear();
  paintHair(image, before, near(), look);
  return image;
}

QImage painted(const FaceLook& look) { return painted(look, Raster(kPixels, kPixels)); }

/// How much of a row of the picture is covered, pixels.
double covered(const QImage& image, int row) {
  double sum = 0;
  for (int x = 0; x < image.width(); ++x) sum += qAlpha(image.pixel(x, row)) / 255.0;
  return sum;
}

double covered(const QImage& image) {
  double sum = 0;
  for (int y = 0; y < image.height(); ++y) sum += covered(image, y);
  return sum;
}

} // namespace

TEST(Felt, AWhiskerCoversWhatItIsWideThinnerThanAPixelToo) {
  // 100 pixels long; round ends add less than a pixel's square.
  for (const double pixels : {0.4, 0.6, 1.0, 2.0})
    EXPECT_NEAR(covered(painted(haired(HairKind::Whiskers, pixels / 5))), 100 * pixels, 12 * pixels)
        << pixels;
}

TEST(Felt, AFeatherIsBroadAndRunsOut) {
  const QImage image = painted(haired(HairKind::FeatherRow, 4)); // 20 pixels wide
  EXPECT_NEAR(covered(image, 110), 20, 1.5);
  EXPECT_LT(covered(image, 52), 14);
  EXPECT_GT(covered(image, 52), 0);
  EXPECT_EQ(covered(image, 45), 0);
}

TEST(Felt, ALockIsManyFibresThatDrawTogether) {
  const FaceLook look = haired(HairKind::Ruff, 2.4); // 12 pixels wide
  const QImage image = painted(look);
  EXPECT_EQ(image, painted(look));
  std::set<QRgb> tones;
  for (int x = 0; x < kPixels; ++x)
    if (qAlpha(image.pixel(x, 140)) == 255) tones.insert(image.pixel(x, 140));
  EXPECT_GT(tones.size(), 3U) << "each fibre has its own tone";
  const auto span = [&](int row) {
    int first = kPixels;
    int last = 0;
    for (int x = 0; x < kPixels; ++x)
      if (qAlpha(image.pixel(x, row)) > 60) {
        first = std::min(first, x);
        last = x;
      }
    return last - first;
  };
  EXPECT_NEAR(span(148), 13, 3);
  EXPECT_LT(span(70), 0.75 * span(148));
}

TEST(Felt, HairBehindWhatStandsBeforeItIsNotSeen) {
  Mesh wall; // before the root's half of it; the eye is at -y
  for (const auto& [x, z] : {std::pair{-15.F, -5.F}, {15.F, -5.F}, {15.F, 10.F}, {-15.F, 10.F}})
    wall.vertices.push_back({Eigen::Vector3f(x, -5, z), Eigen::Vector3f(0, -1, 0)});
  wall.triangles = {{{0, 1, 2}, qRgb(200, 0, 0), 0}, {{0, 2, 3}, qRgb(200, 0, 0), 0}};
  for (const HairKind kind : {HairKind::Whiskers, HairKind::FeatherRow, HairKind::Ruff}) {
    Raster raster(kPixels, kPixels);
    raster.draw(wall, near());
    const QImage image = painted(haired(kind, 1), raster);
    EXPECT_EQ(covered(image, 130), 0); // z = 4 mm
    EXPECT_GT(covered(image, 70), 0);  // z = 16 mm
  }
}

TEST(Felt, EyesAreAPairOfBallsWithALightInEach) {
  FaceLook look = haired(HairKind::Whiskers, 0.1);
  look.limb = 7;
  Camera ahead;
  ahead.yaw = std::acos(0.0);
  const Mesh mesh = eyeMesh(look, ahead.turn());
  const EyeBall& left = look.paint->eyes().front();
  ASSERT_TRUE(left.twin);
  ASSERT_EQ(mesh.vertices.size() % 2, 0U);
  std::map<bool, double> white;
  for (const MeshTriangle& t : mesh.triangles) {
    EXPECT_EQ(t.limb, 7);
    const Eigen::Vector3f& at = mesh.vertices[static_cast<size_t>(t.corners[0])].at;
    const bool right = at.y() < 0;
    const Vec3 middle = right ? left.centre.cwiseProduct(Vec3(1, -1, 1)) : left.centre;
    EXPECT_NEAR((at.cast<double>() - middle).norm(), left.radius, 1e-4);
    if (t.colour == qRgb(255, 255, 255)) ++white[right];
  }
  // The light comes from one side for both: it is as large in each.
  EXPECT_GT(white[false], 20);
  EXPECT_NEAR(white[true], white[false], 0.2 * white[false]);
}

TEST(Felt, TheEdgeIsFuzzyTheSameWayEveryTime) {
  Mesh square;
  for (const auto& [x, z] : {std::pair{-10.F, -5.F}, {10.F, -5.F}, {10.F, 15.F}, {-10.F, 15.F}})
    square.vertices.push_back({Eigen::Vector3f(x, 0, z), Eigen::Vector3f(0, -1, 0)});
  square.triangles = {{{0, 1, 2}, qRgb(180, 90, 20), 0}, {{0, 2, 3}, qRgb(180, 90, 20), 0}};
  Raster raster(kPixels, kPixels);
  raster.draw(square, near());
  QImage image = raster.image().copy();
  feltEdge(image, raster);
  QImage again = raster.image().copy();
  feltEdge(again, raster);
  EXPECT_EQ(image, again);
  double outside = 0;
  for (int y = 0; y < kPixels; ++y)
    for (int x = 0; x < kPixels; ++x) {
      if (raster.limbAt(x, y) >= 0 || qAlpha(image.pixel(x, y)) == 0) continue;
      ++outside;
      // No fibre is longer than a few pixels.
      EXPECT_TRUE(x >= 43 && x <= 156 && y >= 68 && y <= 181) << x << ' ' << y;
    }
  EXPECT_GT(outside, 50);
}
