#include "photographed.h"

namespace columna::test {
namespace {

PhotoCamera anyCamera(std::mt19937& drawn, PhotoView view) {
  std::uniform_real_distribution<double> share(-1, 1);
  PhotoCamera c;
  c.view = view;
  c.yaw = 0.3 * share(drawn);
  c.pitch = 0.4 * share(drawn);
  c.roll = 0.2 * share(drawn);
  c.x = 30 * share(drawn);
  c.y = 30 * share(drawn);
  c.scale = 4 + 2 * share(drawn);
  c.distance = 600 + 300 * share(drawn);
  c.centre = Vec3(10, -5, 60);
  c.middle = Vec2(599.5, 449.5);
  return c;
}

} // namespace

TEST(PhotoCamera, EachViewHasTheAnimalTheRightWayRound) {
  // Where nose, left side and back point in the picture (x right, y down); 0 towards the lens or away.
  const std::map<PhotoView, std::array<Vec2, 3>> ways{
      {PhotoView::Right, {Vec2(1, 0), Vec2(0, 0), Vec2(0, -1)}},
      {PhotoView::Left, {Vec2(-1, 0), Vec2(0, 0), Vec2(0, -1)}},
      {PhotoView::Front, {Vec2(0, 0), Vec2(1, 0), Vec2(0, -1)}},
      {PhotoView::Back, {Vec2(0, 0), Vec2(-1, 0), Vec2(0, -1)}},
      {PhotoView::Above, {Vec2(1, 0), Vec2(0, -1), Vec2(0, 0)}}};
  for (const auto& [view, way] : ways) {
    PhotoCamera c;
    c.view = view;
    c.scale = 2;
    const PhotoEye eye(c);
    const std::array<Vec3, 3> axes{Vec3::UnitX(), Vec3::UnitY(), Vec3::UnitZ()};
    for (size_t k = 0; k < 3; ++k) EXPECT_LT((eye.at(axes[k]) - 2 * way[k]).norm(), 1e-9) << id(view) << k;
    // What is nearer to the lens is larger, by its distance over the depth.
    const Vec3 towards = PhotoCamera::straight(view).row(2);
    EXPECT_NEAR(eye.millimetres(eye.depth(60 * towards)), (600.0 - 60) / 1200, 1e-12);
  }
}

TEST(PhotoCamera, APlaceIsFoundAgainByItsPixelAndDepth) {
  std::mt19937 drawn(3);
  std::uniform_real_distribution<double> mm(-80, 80);
  for (int i = 0; i < 200; ++i) {
    const PhotoCamera c = anyCamera(drawn, kPhotoViews[static_cast<size_t>(i) % kPhotoViews.size()]);
    EXPECT_LT((c.with(c.numbers()).turn() - c.turn()).norm(), 1e-12);
    EXPECT_LT((c.turn() * c.turn().transpose() - Eigen::Matrix3d::Identity()).norm(), 1e-12);
    const PhotoEye eye(c);
    const Vec3 p(mm(drawn), mm(drawn), mm(drawn));
    EXPECT_LT((eye.place(eye.at(p), eye.depth(p)) - p).norm(), 1e-9);
  }
}

TEST(PhotoFit, TheFiguresOwnEdgeLeadsBackToTheCamera) {
  const Sitter& bear = sitter("toy_bear", 160);
  std::mt19937 drawn(5);
  std::uniform_real_distribution<double> share(-1, 1);
  for (const PhotoView view : {PhotoView::Front, PhotoView::Right, PhotoView::Above}) {
    standin::ShotWish wish;
    wish.view = view;
    wish.yaw = 6 * kDegree * share(drawn);
    wish.pitch = (view == PhotoView::Above ? 3 : 8) * kDegree * share(drawn);
    wish.roll = 2 * kDegree * share(drawn);
    wish.x = 12 * share(drawn);
    wish.y = 8 * share(drawn);
    const PhotoCamera truth = standin::cameraOf(bear.model, wish);
    std::vector<EdgePoint> edge;
    for (const RimPoint& p : rimOf(bear.model, truth, wish.width, wish.height)) edge.push_back({p.at, p.out});
    edge = thinned(edge, 600);
    ASSERT_EQ(edge.size(), 600U);
    FitAsk ask;
    ask.model = &bear.model;
    ask.edge = &edge;
    ask.width = wish.width;
    ask.height = wish.height;
    ask.guess = guessOf(bear.model, edge, view, wish.width, wish.height);
    const PhotoFit fit = fitted(ask);
    const auto off = ((fit.camera.numbers() - truth.numbers()) / kDegree).eval();
    EXPECT_LT(fit.rms, 0.15) << id(view);
    EXPECT_LT(off.head<3>().cwiseAbs().maxCoeff(), 1.2) << id(view); // pitch and distance go together
    const int turn = view == PhotoView::Above ? 2 : 0;
    EXPECT_LT(std::abs(off[turn]), 0.5) << id(view);
    EXPECT_NEAR(fit.camera.scale / truth.scale, 1, 0.01) << id(view);
    EXPECT_GT(fit.spread(turn, turn), 0);
  }
}

TEST(PhotoFit, TheSlopesAreThoseOfTheDistances) {
  const Sitter& bear = sitter("toy_bear", 160);
  standin::ShotWish wish;
  const PhotoCamera truth = standin::cameraOf(bear.model, wish);
  std::vector<EdgePoint> edge;
  for (const RimPoint& p : rimOf(bear.model, truth, wish.width, wish.height)) edge.push_back({p.at, p.out});
  edge = thinned(edge, 400);
  FitAsk ask;
  ask.model = &bear.model;
  ask.edge = &edge;
  ask.width = wish.width;
  ask.height = wish.height;
  const auto at = [&](const PhotoCamera& camera) { // held there: what is read, not where it would go
    ask.guess.camera = camera;
    ask.guess.sd.setConstant(1e-9);
    return refitted(ask, camera);
  };
  const PhotoFit here = at(truth);
  const std::array<double, PhotoCamera::kNumbers> step{0.01, 0.01, 0.01, 0.5, 0.5, 0.008, 0.03};
  for (int k = 0; k < PhotoCamera::kNumbers; ++k) {
    PhotoCamera::Numbers n = truth.numbers();
    n[k] += step[static_cast<size_t>(k)];
    const PhotoFit there = at(truth.with(n));
    std::vector<double> off;
    for (size_t i = 0; i < edge.size(); ++i)
      if (here.matches[i].limb >= 0 && here.matches[i].limb == there.matches[i].limb)
        off.push_back(std::abs(there.matches[i].off - here.matches[i].off -
                               here.matches[i].slope[k] * step[static_cast<size_t>(k)]));
    ASSERT_GT(off.size(), edge.size() / 2);
    std::nth_element(off.begin(), off.begin() + static_cast<std::ptrdiff_t>(off.size() / 2), off.end());
    EXPECT_LT(off[off.size() / 2], 0.06) << k; // mm, where the number moves the edge by some 0.5
  }
}

} // namespace columna::test
