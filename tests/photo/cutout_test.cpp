#include "photographed.h"

namespace columna::test {
namespace {

struct Round {
  double x = 300, y = 220, r = 100;
};

/// Brown rounds on paper in uneven light, each pixel by the share of it they cover.
PhotoImage paper(const std::vector<Round>& rounds, double noise = 4, double soft = 0.7, int width = 600,
                 int height = 450) {
  PhotoImage out;
  out.width = width;
  out.height = height;
  std::mt19937 drawn(9);
  std::normal_distribution<double> normal;
  for (int y = 0; y < height; ++y)
    for (int x = 0; x < width; ++x) {
      double in = 0;
      for (const Round& round : rounds) {
        const double away = round.r - std::hypot(x - round.x, y - round.y);
        in = std::max(in, 0.5 * std::erfc(-away / soft / std::sqrt(2.0)));
      }
      const double light = 1 - 0.2 * x / width - 0.1 * y / height;
      for (const double wool : {150.0, 110.0, 70.0}) {
        const double level = light * (210 + in * (wool - 210)) + noise * normal(drawn);
        out.rgb.push_back(static_cast<std::uint8_t>(std::clamp(level, 0.0, 255.0)));
      }
    }
  return out;
}

std::string refusal(const PhotoImage& photo, const std::optional<PhotoBox>& box = {}) {
  const auto cut = cutOut(photo, box);
  return cut ? "" : std::string(cut.problem().what.english());
}

} // namespace

TEST(Cutout, ARoundIsFoundToAFractionOfAPixel) {
  const Round round{310.3, 221.7, 97.4};
  const auto cut = cutOut(paper({round}));
  ASSERT_TRUE(cut) << cut.problem().sentence();
  double mean = 0;
  double squares = 0;
  for (const EdgePoint& p : cut->edge) {
    const Vec2 from = p.at - Vec2(round.x, round.y);
    const double off = from.norm() - round.r;
    mean += off / static_cast<double>(cut->edge.size());
    squares += off * off / static_cast<double>(cut->edge.size());
    EXPECT_GT(p.out.dot(from.normalized()), 0.9);
  }
  EXPECT_LT(std::abs(mean), 0.8); // where colour turns to wool, not where light does
  EXPECT_LT(std::sqrt(squares - mean * mean), 0.35);
  EXPECT_NEAR(static_cast<double>(std::count(cut->mask.in.begin(), cut->mask.in.end(), 255)),
              std::numbers::pi * round.r * round.r, 0.02 * std::numbers::pi * round.r * round.r);
  EXPECT_FALSE(cut->rough);
}

TEST(Cutout, ASofterEdgeIsToldAsSofter) {
  double before = 0;
  for (const double soft : {1.0, 3.0, 5.0}) {
    const auto cut = cutOut(paper({{}}, 3, soft));
    ASSERT_TRUE(cut) << cut.problem().sentence();
    EXPECT_GT(cut->soft, before + 0.8) << soft;
    // 16 to 84 % of a blurred edge are two standard deviations of it; it is looked at through one of a pixel.
    EXPECT_NEAR(cut->soft, 2 * std::hypot(soft, 1), 1.3) << soft;
    before = cut->soft;
  }
}

TEST(Cutout, WhatIsNoPhotoOfOneFigureIsRefusedForItsOwnReason) {
  std::set<std::string> reasons;
  const auto refused = [&](const PhotoImage& photo, const std::optional<PhotoBox>& box = {}) {
    const std::string why = refusal(photo, box);
    EXPECT_FALSE(why.empty()) << "after " << reasons.size();
    EXPECT_TRUE(reasons.insert(why).second) << why << ": the same as another";
  };
  refused(paper({}));                                  // nothing stands there
  refused(paper({{150, 220, 80}, {450, 220, 78}}));    // two
  refused(paper({{80, 220, 90}}));                     // cut off
  refused(paper({{}}, 4, 0.7, 150, 120));              // too small
  refused(paper({{}}), PhotoBox{0.4, 0.4, 0.41, 0.9}); // a box of nothing
  PhotoImage cluttered = paper({{}});
  std::mt19937 drawn(2);
  for (int i = 0; i < 520; ++i) {
    const int x0 = static_cast<int>(drawn() % 580);
    const int y0 = static_cast<int>(drawn() % 430);
    if (std::hypot(x0 + 10 - 300, y0 + 10 - 220) < 130) continue;
    for (int y = y0; y < y0 + 20; ++y)
      for (int x = x0; x < x0 + 20; ++x)
        for (size_t k = 0; k < 3; ++k)
          cluttered.rgb[3 * static_cast<size_t>(y * 600 + x) + k] = static_cast<std::uint8_t>(40 * (i % 6));
  }
  refused(cluttered);
  // With a box it is found after all, and said to be rough.
  const auto cut = cutOut(cluttered, PhotoBox{0.3, 0.22, 0.7, 0.78});
  ASSERT_TRUE(cut) << cut.problem().sentence();
  EXPECT_TRUE(cut->rough);
  PhotoImage broken = paper({{}});
  broken.rgb.pop_back();
  EXPECT_FALSE(refusal(broken).empty());
  PhotoImage noise = paper({});
  for (std::uint8_t& each : noise.rgb) each = static_cast<std::uint8_t>(drawn());
  EXPECT_FALSE(refusal(noise).empty());
}

TEST(Cutout, LargePhotosAreMadeSmallAndKeepTheirShape) {
  const PhotoImage large = paper({}, 2, 0.7, 2400, 900);
  const PhotoImage small = shrunk(large);
  EXPECT_TRUE(small.ok());
  EXPECT_EQ(small.width, kPhotoSide);
  EXPECT_EQ(small.height, 450);
  EXPECT_EQ(shrunk(small).rgb, small.rgb);
}

} // namespace columna::test
