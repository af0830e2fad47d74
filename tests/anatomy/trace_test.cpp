#include "anatomy/trace.h"
#include "support.h"

#include <Eigen/Geometry>

#include <algorithm>
#include <cmath>
#include <random>

using namespace columna;
using namespace columna::test;

namespace {

/// A picture of a figure: landmarks of its joints, turned, scaled, shifted, each off by up to `noise` of the
/// shorter bone that meets there.
Photo pictureOf(const Pattern& known, const Pattern& asked, View view, double turn, double scale,
                double noise, bool flipped, std::mt19937& random) {
  std::uniform_real_distribution<double> angle(0, 2 * M_PI);
  std::uniform_real_distribution<double> share(0, 1);
  Photo photo;
  photo.view = view;
  photo.width = photo.height = 2000;
  for (const std::string& joint : landmarksOf(asked, view)) {
    Vec2 at = project(*jointPlace(known, joint), view);
    const std::string name = joint.starts_with("left-")    ? joint.substr(5)
                             : joint.starts_with("right-") ? joint.substr(6)
                                                           : joint;
    double shortest = 1e9;
    for (const PatternBone& b : known.bones)
      if (b.wire && (b.from == name || b.to == name))
        shortest =
            std::min(shortest, project(Vec3(known.joints.at(b.to) - known.joints.at(b.from)), view).norm());
    const double a = angle(random);
    at += noise * share(random) * shortest * Vec2(std::cos(a), std::sin(a));
    if (flipped) at.x() = -at.x();
    at = Eigen::Rotation2Dd(turn) * (at * scale);
    photo.landmarks[joint] = Vec2(700 + at.x(), 900 - at.y());
  }
  return photo;
}

Shape randomShape(const Pattern& p, std::mt19937& random) {
  std::uniform_real_distribution<double> factor(0.85, 1.18);
  Shape shape;
  for (const PatternBone& b : p.bones)
    if (b.wire) shape.lengths[b.id] = factor(random);
  return shape;
}

} // namespace

TEST(Trace, LengthsComeBackThroughNoiseTurnAndScale) {
  std::mt19937 random(20261125);
  std::uniform_real_distribution<double> scales(40, 900);
  for (const Pattern& p : animals()) {
    const View view = p.bestView == "front" ? View::Front : p.bestView == "above" ? View::Above : View::Side;
    const Shape known = randomShape(p, random);
    const Photo photo =
        pictureOf(shaped(p, known), p, view, 7 * M_PI / 180, scales(random), 0.01, false, random);
    const auto bones = traceBones(p, {photo});
    ASSERT_FALSE(bones.empty()) << p.id;
    // The picture knows proportions, not size: compared after the scale both share.
    std::vector<double> shares;
    for (const TracedBone& t : bones)
      if (t.reliable) shares.push_back(t.ratio / known.lengths.at(t.bone));
    ASSERT_GE(shares.size(), 2U) << p.id;
    std::sort(shares.begin(), shares.end());
    const double middle = (shares.front() + shares.back()) / 2;
    EXPECT_LT(shares.back() / middle - 1, 0.02) << p.id;
    EXPECT_LT(1 - shares.front() / middle, 0.02) << p.id;
  }
}

TEST(Trace, WithoutNoiseTheFitIsExactEitherWayRound) {
  std::mt19937 random(3);
  for (const Pattern& p : animals())
    for (const bool flipped : {false, true}) {
      const View view = p.bestView == "front"   ? View::Front
                        : p.bestView == "above" ? View::Above
                                                : View::Side;
      Photo photo = pictureOf(p, p, view, -0.3, 210, 0, flipped, random);
      const auto fit = fitSimilarity(p, photo);
      ASSERT_TRUE(fit.ok()) << p.id << ' ' << fit.problem().sentence();
      EXPECT_NEAR(fit->scale, 210, 1e-6) << p.id;
      for (const auto& [joint, at] : photo.landmarks) {
        EXPECT_NEAR((fit->toPicture(project(*jointPlace(p, joint), view)) - at).norm(), 0, 1e-6);
        EXPECT_NEAR((fit->toModel(at) - project(*jointPlace(p, joint), view)).norm(), 0, 1e-9);
      }
      // Three landmarks kept, the others are proposed where they were.
      const Photo whole = photo;
      const auto order = landmarksOf(p, view);
      photo.landmarks.clear();
      for (size_t i = 0; i < 3; ++i) photo.landmarks[order[i]] = whole.landmarks.at(order[i]);
      const auto proposed = proposeLandmarks(p, photo);
      ASSERT_TRUE(proposed.ok()) << p.id << ' ' << proposed.problem().sentence();
      if (view != View::Side) continue; // from the front and above a mirrored animal looks alike both ways
      for (const auto& [joint, at] : *proposed)
        EXPECT_NEAR((at - whole.landmarks.at(joint)).norm(), 0, 1e-5) << p.id << ' ' << joint;
    }
}

TEST(Trace, ALimbFollowsItsOwnLandmarks) {
  const Pattern& fox = *shelf().pattern("red_fox");
  std::mt19937 random(5);
  Shape longTail;
  for (const PatternBone& b : fox.bones)
    if (b.id.starts_with("tail")) longTail.lengths[b.id] = 1.5;
  const Photo whole = pictureOf(shaped(fox, longTail), fox, View::Side, 0, 300, 0, false, random);
  Photo some = whole;
  for (const auto& [joint, at] : whole.landmarks)
    if (joint.starts_with("tail") && joint != "tail0" && joint != "tail5") some.landmarks.erase(joint);
  const auto proposed = proposeLandmarks(fox, some);
  ASSERT_TRUE(proposed.ok());
  for (const auto& [joint, at] : *proposed)
    EXPECT_NEAR((at - whole.landmarks.at(joint)).norm(), 0, 3) << joint << " lies on the longer tail";
}

TEST(Trace, TooFewInALineOrOnASpotIsOneSentence) {
  const Pattern& otter = *shelf().pattern("river_otter");
  Photo photo;
  photo.width = photo.height = 1000;
  const auto said = [&] { return fitSimilarity(otter, photo).problem().sentence(); };
  EXPECT_NE(said().find("two are needed"), std::string::npos);
  photo.landmarks["nose"] = Vec2(100, 100);
  EXPECT_NE(said().find("1 landmark is placed"), std::string::npos);
  photo.landmarks["rump"] = Vec2(100, 100);
  EXPECT_NE(said().find("one spot"), std::string::npos);
  photo.landmarks["rump"] = Vec2(500, 100);
  EXPECT_TRUE(fitSimilarity(otter, photo).ok()) << "two do";
  photo.landmarks["poll"] = Vec2(300, 100);
  EXPECT_NE(said().find("one line"), std::string::npos);
  EXPECT_FALSE(proposeLandmarks(otter, photo).ok());
}

TEST(Trace, SidesAreAveragedOrKeptAndForeshorteningIsNamed) {
  const Pattern& otter = *shelf().pattern("river_otter");
  std::mt19937 random(9);
  Shape known;
  known.lengths["right-forearm"] = 1.1;
  known.lengths["left-forearm"] = 1.0;
  const Photo photo = pictureOf(shaped(otter, known), otter, View::Side, 0, 400, 0, false, random);
  const auto bones = traceBones(otter, {photo});
  const Shape mean = adoptTrace({}, bones, true);
  const Shape kept = adoptTrace({}, bones, false);
  EXPECT_NEAR(mean.lengths.at("forearm") / mean.lengths.at("shin"), 1.05, 0.002);
  EXPECT_NEAR(kept.lengths.at("right-forearm") / kept.lengths.at("left-forearm"), 1.1, 1e-6);
  EXPECT_EQ(adoptTrace({}, bones, true, {"forearm"}).lengths.size(), 1U) << "one alone";
  known.lengths["left-forearm"] = 0.6;
  for (const TracedBone& t :
       traceBones(otter, {pictureOf(shaped(otter, known), otter, View::Side, 0, 400, 0, false, random)}))
    if (t.bone == "forearm") {
      EXPECT_EQ(t.turnedAway, t.side > 0);
    }
}
