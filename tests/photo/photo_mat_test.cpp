#include "photographed.h"

namespace columna::test {

TEST(PhotoMat, FourDiscsSayWhereTheCameraWas) {
  const Sitter& bear = sitter("toy_bear", 110);
  std::mt19937 drawn(11);
  std::uniform_real_distribution<double> share(-1, 1);
  for (const PhotoView view : kPhotoViews) {
    standin::ShotWish wish = asTaken(bear, view, true, 21);
    wish.turned = 0;
    wish.yaw = view == PhotoView::Above ? 0 : 6 * kDegree * share(drawn);
    if (view == PhotoView::Right || view == PhotoView::Left) wish.pitch = 32 * kDegree; // over its back
    const PhotoCamera truth = standin::cameraOf(bear.model, wish);
    const PhotoImage photo = standin::shot(bear.model, bear.figure, wish);
    const auto cut = cutOut(photo);
    ASSERT_TRUE(cut) << id(view) << cut.problem().sentence();
    const auto mat = findMat(photo, cut->mask);
    ASSERT_TRUE(mat) << id(view);
    const auto camera = cameraOf(*mat, bear.model.centre, wish.stand, photo.width, photo.height);
    ASSERT_TRUE(camera) << id(view);
    EXPECT_EQ(camera->camera.view, view);
    const bool above = view == PhotoView::Above;
    // Straight on to the mat the lens cannot be told from the distance; the turn can.
    EXPECT_EQ(camera->focalKnown, !above);
    EXPECT_NEAR(camera->camera.roll / kDegree, truth.roll / kDegree, 0.2) << id(view);
    if (above) continue;
    EXPECT_NEAR(camera->camera.yaw / kDegree, truth.yaw / kDegree, 0.3) << id(view);
    EXPECT_NEAR(camera->camera.pitch / kDegree, truth.pitch / kDegree, 0.3) << id(view);
    EXPECT_NEAR(camera->camera.distance / truth.distance, 1, 0.01) << id(view);
    EXPECT_NEAR(camera->camera.scale / truth.scale, 1, 0.005) << id(view);
    EXPECT_NEAR(camera->camera.x, truth.x, 0.5) << id(view);
    EXPECT_NEAR(camera->camera.y, truth.y, 0.5) << id(view);
  }
}

TEST(PhotoMat, WithoutAllFourThereIsNone) {
  const Sitter& bear = sitter("toy_bear", 110);
  const standin::ShotWish wish = asTaken(bear, PhotoView::Front, true, 4);
  const PhotoCamera truth = standin::cameraOf(bear.model, wish);
  const PhotoImage whole = standin::shot(bear.model, bear.figure, wish);
  const auto cut = cutOut(whole);
  ASSERT_TRUE(cut);
  ASSERT_TRUE(findMat(whole, cut->mask));
  for (const Vec2& disc : matDiscs()) { // each covered in turn
    PhotoImage photo = whole;
    const Vec2 at = PhotoEye(truth).at(Vec3(disc.x() + wish.stand.x(), disc.y() + wish.stand.y(), 0));
    for (int y = -40; y <= 40; ++y)
      for (int x = -60; x <= 60; ++x) {
        const int px = static_cast<int>(at.x()) + x;
        const int py = static_cast<int>(at.y()) + y;
        if (px < 0 || py < 0 || px >= photo.width || py >= photo.height) continue;
        for (size_t k = 0; k < 3; ++k) photo.rgb[3 * static_cast<size_t>(py * photo.width + px) + k] = 170;
      }
    EXPECT_FALSE(findMat(photo, cut->mask)) << disc.transpose();
  }
  standin::ShotWish bare = wish;
  bare.mat = false;
  const PhotoImage without = standin::shot(bear.model, bear.figure, bare);
  EXPECT_FALSE(findMat(without, cutOut(without)->mask));
}

TEST(PhotoMat, AViewFromAboveTellsHowItStands) {
  const Sitter& bear = sitter("toy_bear", 140);
  for (const double turned : {-3.0, 2.0}) {
    standin::ShotWish wish = asTaken(bear, PhotoView::Above, true, 31);
    wish.turned = turned * kDegree;
    const auto check = checkPhoto(askOf(bear, wish));
    ASSERT_TRUE(check) << check.problem().sentence();
    ASSERT_TRUE(check->turned);
    EXPECT_NEAR(check->turned->turn / kDegree, turned, 1.2);
    EXPECT_GT(check->turned->sd, 0);
    EXPECT_LT(check->turned->sd, 1.5 * kDegree);
    // It is what a photo from before it begins with.
    MatCamera mat;
    mat.camera.view = PhotoView::Front;
    const CameraGuess guess = guessOf(mat, check->turned);
    EXPECT_NEAR(guess.camera.yaw, -check->turned->turn, 1e-12);
    EXPECT_LT(guess.sd[0], guessOf(mat, {}).sd[0]);
  }
}

} // namespace columna::test
