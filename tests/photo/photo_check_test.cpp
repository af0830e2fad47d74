#include "photographed.h"

#include "report/photo_json.h"

#include <nlohmann/json.hpp>

namespace columna::test {
namespace {

#ifdef COLUMNA_SANITIZED
constexpr unsigned kPhotos = 1; // there it is the code that is looked at, not how often it is right
#else
constexpr unsigned kPhotos = 6;
#endif

std::string refusal(const PhotoAsk& ask) {
  const auto check = checkPhoto(ask);
  return check ? "" : std::string(check.problem().what.english());
}

} // namespace

TEST(PhotoCheck, ThreeMillimetresAreToldAndNothingIsNot) {
  const Sitter& bear = sitter("toy_bear", 160);
  unsigned told = 0;
  unsigned wrongly = 0;
  double sum = 0;
  for (unsigned seed = 1; seed <= kPhotos; ++seed) {
    standin::ShotWish wish = asTaken(bear, PhotoView::Front, true, seed);
    const auto sound = checkPhoto(askKnowing(bear, wish));
    ASSERT_TRUE(sound) << sound.problem().sentence();
    EXPECT_TRUE(sound->mat);
    wrongly += std::any_of(sound->pairs.begin(), sound->pairs.end(), [](const auto& p) { return p.told(); })
                   ? 1U
                   : 0U;
    wish.faults["left-leg"].fuller = 3;
    const auto check = checkPhoto(askKnowing(bear, wish));
    ASSERT_TRUE(check) << check.problem().sentence();
    const PhotoPair* pair = pairOf(*check, bear.figure, "left-leg");
    ASSERT_TRUE(pair);
    told += pair->told() && pair->more > 0 ? 1U : 0U;
    sum += pair->more / kPhotos;
    EXPECT_LT(pair->error, 1.5);
  }
  EXPECT_GE(10 * told, 8 * kPhotos);
  EXPECT_LE(wrongly, 1U);
  EXPECT_NEAR(sum, 3, 1);
}

TEST(PhotoCheck, AThinRightSideIsToldAsTheLeftBeingFuller) {
  const Sitter& owl = sitter("owl", 160);
  standin::ShotWish wish = asTaken(owl, PhotoView::Back, true, 3);
  wish.faults["right-wing"].fuller = -3.5;
  const auto check = checkPhoto(askKnowing(owl, wish));
  ASSERT_TRUE(check) << check.problem().sentence();
  const PhotoPair* pair = pairOf(*check, owl.figure, "left-wing");
  ASSERT_TRUE(pair);
  EXPECT_TRUE(pair->told());
  EXPECT_GT(pair->more, 1.5);
  EXPECT_LT(pair->rightOff, -1);
  // In words: the fuller one is spoken of, and the JSON has the same.
  const auto findings = photoFindings(*check, owl.figure);
  ASSERT_FALSE(findings.empty());
  EXPECT_TRUE(findings.front().pair);
  const nlohmann::json json = toJson(*check, owl.figure);
  EXPECT_EQ(json["findings"].size(), findings.size());
  EXPECT_EQ(json["view"], "back");
  EXPECT_TRUE(json["mat"]);
  const auto same = std::find_if(json["pairs"].begin(), json["pairs"].end(),
                                 [](const nlohmann::json& p) { return p["left"] == "left-wing"; });
  ASSERT_NE(same, json["pairs"].end());
  EXPECT_DOUBLE_EQ((*same)["left_less_right_mm"].get<double>(), pair->more);
  EXPECT_EQ((*same)["told"], true);
}

TEST(PhotoCheck, ATurnedArmIsToldAsTurnedAndNotAsFuller) {
  const Sitter& bear = sitter("toy_bear", 160);
  for (const double lean : {5.0, -5.0}) {
    standin::ShotWish wish = asTaken(bear, PhotoView::Front, true, 2);
    wish.faults["left-arm"].leaning = lean * kDegree;
    const auto check = checkPhoto(askKnowing(bear, wish));
    ASSERT_TRUE(check) << check.problem().sentence();
    ASSERT_FALSE(check->turns.empty());
    const PhotoTurn& most = check->turns.front();
    EXPECT_EQ(bear.figure.limbs[static_cast<size_t>(most.limb)].id, "left-arm");
    EXPECT_TRUE(most.told());
    EXPECT_NEAR(most.turn / kDegree, lean, 1.3);
    EXPECT_FALSE(pairOf(*check, bear.figure, "left-arm"));
  }
}

TEST(PhotoCheck, FromTheSideItTellsWhatIsFullerThanPlanned) {
  const Sitter& fox = sitter("red_fox", 140);
  standin::ShotWish wish = asTaken(fox, PhotoView::Right, false, 6);
  wish.girths = 0.01;
  wish.faults["tail"].fuller = 3;
  const auto check = checkPhoto(askOf(fox, wish));
  ASSERT_TRUE(check) << check.problem().sentence();
  EXPECT_TRUE(check->pairs.empty()) << "left hides right";
  ASSERT_FALSE(check->places.empty());
  const PhotoPlace& worst = check->places.front();
  EXPECT_EQ(fox.figure.limbs[static_cast<size_t>(worst.limb)].id, "tail");
  EXPECT_TRUE(worst.told());
  EXPECT_NEAR(worst.off, 3, 1.5);
  EXPECT_FALSE(photoLimits(*check, fox.figure).empty());
}

TEST(PhotoCheck, TheOtherSideOfALikeFigureIsItsOwnEdge) {
  const Sitter& bear = sitter("toy_bear", 160);
  standin::ShotWish wish = asTaken(bear, PhotoView::Front, false, 8);
  wish.girths = 0;
  wish.fuzz = 0.1;
  const auto check = checkPhoto(askOf(bear, wish));
  ASSERT_TRUE(check) << check.problem().sentence();
  const auto mirrored = mirroredEdge(*check);
  ASSERT_GT(mirrored.size(), 300U);
  std::vector<double> off;
  for (const Vec2& p : mirrored) {
    double nearest = 1e9;
    for (const EdgePoint& e : check->edge) nearest = std::min(nearest, (e.at - p).norm());
    off.push_back(nearest / check->fit.camera.scale);
  }
  std::nth_element(off.begin(), off.begin() + static_cast<std::ptrdiff_t>(off.size() / 2), off.end());
  EXPECT_LT(off[off.size() / 2], 0.7); // mm, though it was taken 5 degrees from the side
}

TEST(PhotoCheck, WhatIsNoPhotoOfThisFigureGivesNoNumbers) {
  const Sitter& bear = sitter("toy_bear", 160);
  const Sitter& heron = sitter("heron", 160);
  std::set<std::string> reasons;
  const auto refused = [&](const PhotoAsk& ask) {
    const std::string why = refusal(ask);
    EXPECT_FALSE(why.empty());
    EXPECT_TRUE(reasons.insert(why).second) << why << ": the same as another";
  };
  PhotoAsk other = askOf(heron, asTaken(heron, PhotoView::Front, false, 1));
  other.figure = bear.figure;
  refused(other); // another animal
  PhotoAsk behind = askOf(bear, asTaken(bear, PhotoView::Back, true, 1));
  behind.view = PhotoView::Front;
  refused(behind); // the mat says from behind
  standin::ShotWish aside = asTaken(bear, PhotoView::Front, false, 1);
  aside.yaw = 24 * kDegree;
  aside.girths = 0;
  refused(askOf(bear, aside)); // too far off the view
  standin::ShotWish shaken = asTaken(bear, PhotoView::Front, false, 1);
  shaken.blur = 9;
  refused(askOf(bear, shaken)); // not sharp
  PhotoAsk nothing = askOf(bear, asTaken(bear, PhotoView::Front, false, 1));
  nothing.figure.tubes.clear();
  nothing.figure.flats.clear();
  nothing.figure.head.reset();
  refused(nothing); // nothing is made yet
  // A wish to stop ends it early, with nothing to be told.
  std::atomic<bool> stop{true};
  PhotoAsk stopped = askOf(bear, asTaken(bear, PhotoView::Front, false, 1));
  stopped.stop = &stop;
  const auto check = checkPhoto(stopped);
  EXPECT_TRUE(!check || (check->pairs.empty() && check->places.empty()));
}

TEST(PhotoCheck, TheErrorOfADifferenceIsThatOfItsTurn) {
  // A pair 33 mm behind the rest, its edges to the left and to the right: a turn by t moves them apart by
  // 2 x 33 t mm; known to 0.63 degrees that is 0.73 mm, with one edge's 0.25 mm 0.77, with two 0.81.
  PhotoFit fit;
  const double sd = 0.63 * kDegree;
  fit.spread(0, 0) = sd * sd;
  PhotoCamera::Numbers slope = PhotoCamera::Numbers::Zero();
  slope[0] = 2 * 33;
  EXPECT_NEAR(readingError(fit, slope, 0, 1), 0.77, 0.005);
  EXPECT_NEAR(readingError(fit, slope, 0, 2), 0.81, 0.005);
  EXPECT_NEAR(readingError(fit, slope, 0.6, 2), std::hypot(0.807, 0.6), 0.005);
  slope[0] = 2 * 10; // nearer to the rest it is known more closely
  fit.spread(0, 0) = 0.4 * kDegree * 0.4 * kDegree;
  EXPECT_NEAR(readingError(fit, slope, 0, 1), 0.29, 0.005);
  PhotoPair pair;
  pair.error = 0.77;
  pair.more = 1.5;
  EXPECT_FALSE(pair.told()) << "under twice it";
  pair.more = -1.6;
  EXPECT_TRUE(pair.told());
  pair.error = 0.2;
  pair.more = 0.9;
  EXPECT_FALSE(pair.told()) << "under a millimetre nothing is told";
  PhotoCheck check;
  EXPECT_EQ(check.least().second, kPhotoLeast);
  check.pairs = {{0, 1, 0, 0, 0, 0.9}, {2, 3, 0, 0, 0, 0.3}};
  EXPECT_EQ(check.least().first, kPhotoLeast);
  EXPECT_NEAR(check.least().second, 2 * 0.9, 1e-12);
}

TEST(StandIn, TheSameWishGivesTheSamePicture) {
  const Sitter& bear = sitter("toy_bear", 110);
  const standin::ShotWish wish = asTaken(bear, PhotoView::Front, true, 5);
  const PhotoImage a = standin::shot(bear.model, bear.figure, wish);
  EXPECT_EQ(a.rgb, standin::shot(bear.model, bear.figure, wish).rgb);
  standin::ShotWish other = wish;
  ++other.seed;
  EXPECT_NE(a.rgb, standin::shot(bear.model, bear.figure, other).rgb);
}

} // namespace columna::test
