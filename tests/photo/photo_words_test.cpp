// What a check says, of checks made up for it: no photo is needed to know which way round things are told.
#include "photographed.h"

#include "told.h"

namespace columna::test {
namespace {

const Figure& bear() { return sitter("toy_bear", 160).figure; }

int limb(const char* id) { return *bear().limb(id); }

PhotoPair pair(const char* left, const char* right, double more, double error) {
  PhotoPair p;
  p.left = limb(left);
  p.right = limb(right);
  p.more = more;
  p.error = error;
  return p;
}

PhotoPlace place(const char* of, double off, double error) {
  PhotoPlace p;
  p.limb = limb(of);
  p.off = off;
  p.error = error;
  p.out = Vec2(1, 0);
  return p;
}

/// The template of a sentence, which is its key.
std::string_view key(const PhotoFinding& f) { return f.text.english(); }

} // namespace

TEST(PhotoWords, EachSideOfEachViewIsTheAnimalsOwn) {
  const std::array<Vec2, 4> ways{Vec2(1, 0), Vec2(0, -1), Vec2(-1, 0), Vec2(0, 1)}; // right, up, left, down
  const std::map<PhotoView, std::array<const char*, 4>> said{
      {PhotoView::Right, {"in front", "on top", "behind", "underneath"}},
      {PhotoView::Left, {"behind", "on top", "in front", "underneath"}},
      {PhotoView::Front, {"at its left", "on top", "at its right", "underneath"}},
      {PhotoView::Back, {"at its right", "on top", "at its left", "underneath"}},
      {PhotoView::Above, {"in front", "at its left", "behind", "at its right"}}};
  for (const PhotoView view : kPhotoViews)
    for (size_t q = 0; q < ways.size(); ++q) {
      EXPECT_EQ(quarterOf(ways[q]), static_cast<int>(q));
      EXPECT_EQ(sideOf(view, ways[q]).text, said.at(view)[q]) << id(view);
      // What the words say is so in space: the way there is nearest to that side of the animal.
      const Vec3 way = PhotoCamera::straight(view).transpose() * Vec3(ways[q].x(), -ways[q].y(), 0);
      const std::string word = sideOf(view, ways[q]).text;
      const Vec3 meant = word == "in front"       ? Vec3(1, 0, 0)
                         : word == "behind"       ? Vec3(-1, 0, 0)
                         : word == "at its left"  ? Vec3(0, 1, 0)
                         : word == "at its right" ? Vec3(0, -1, 0)
                         : word == "on top"       ? Vec3(0, 0, 1)
                                                  : Vec3(0, 0, -1);
      EXPECT_NEAR(way.dot(meant), 1, 1e-12) << id(view) << ' ' << word;
    }
}

TEST(PhotoWords, TheFullerOneIsSpokenOfAndNoneTwice) {
  PhotoCheck check;
  check.pairs = {pair("left-arm", "right-arm", -3, 0.5), pair("head", "head", 2, 0.4),
                 pair("left-leg", "right-leg", 1.5, 0.9)}; // the last could be chance
  PhotoTurn turned;
  turned.limb = limb("left-leg");
  turned.turn = 6 * kDegree;
  turned.error = 1 * kDegree;
  check.turns = {turned};
  turned.limb = limb("left-arm"); // fuller on one side looks turned: it is told as one of them
  check.turns.push_back(turned);
  check.places = {place("left-leg", 4, 0.5), place("trunk", -2, 0.4), place("trunk", 1.8, 0.4),
                  place("right-leg", 0.9, 0.1)};
  const auto told = photoFindings(check, bear());
  ASSERT_EQ(told.size(), 4U);
  EXPECT_TRUE(told[0].pair);
  EXPECT_EQ(told[0].limb, limb("right-arm")) << "the right one is the fuller";
  EXPECT_NEAR(told[0].off, 3, 1e-12);
  EXPECT_EQ(told[1].limb, limb("head"));
  EXPECT_FALSE(told[2].pair);
  EXPECT_EQ(told[2].limb, limb("left-leg"));
  EXPECT_NEAR(told[2].off, 6 * kDegree * bear().limbs[static_cast<size_t>(limb("left-leg"))].length, 1e-9);
  EXPECT_EQ(told[3].limb, limb("trunk"));
  EXPECT_NEAR(told[3].off, 2, 1e-12);
  std::set<std::string_view> keys;
  for (const PhotoFinding& f : told) {
    keys.insert(key(f));
    EXPECT_FALSE(hasEnglish(render(f.text, {UnitSystem::Metric, &pseudoLanguage()}))) << render(f.text);
    EXPECT_FALSE(isMetric(render(f.text, {UnitSystem::Inch, nullptr}))) << render(f.text);
  }
  EXPECT_EQ(keys.size(), 4U) << "each is another sentence";
  // The other way round each says the opposite.
  check.pairs[0].more = 3;
  check.pairs[1].more = -2;
  check.turns[0].turn = -6 * kDegree;
  check.places[1].off = 2;
  const auto opposite = photoFindings(check, bear());
  ASSERT_EQ(opposite.size(), 4U);
  EXPECT_EQ(opposite[0].limb, limb("left-arm"));
  for (size_t i = 1; i < 4; ++i) EXPECT_NE(key(told[i]), key(opposite[i])) << i;
}

TEST(PhotoWords, ACheckWithoutAFaultSaysNothing) {
  PhotoCheck check;
  check.pairs = {pair("left-arm", "right-arm", 0.9, 0.1), pair("left-leg", "right-leg", 2, 1.1)};
  check.places = {place("trunk", 0.99, 0.01), place("head", 3, 1.6)};
  PhotoTurn slight;
  slight.limb = limb("left-leg");
  slight.turn = 2.9 * kDegree;
  slight.error = 0.1 * kDegree;
  check.turns = {slight};
  EXPECT_TRUE(photoFindings(check, bear()).empty());
}

TEST(PhotoWords, WhatAPhotoCannotShowFollowsFromHowItWasTaken) {
  const auto limits = [](const PhotoCheck& check) {
    std::set<std::string_view> out;
    for (const Said& each : photoLimits(check, bear())) {
      out.insert(each.english());
      EXPECT_FALSE(hasEnglish(render(each, {UnitSystem::Metric, &pseudoLanguage()}))) << render(each);
    }
    return out;
  };
  PhotoCheck plain;
  plain.mat = MatCamera();
  plain.pairs = {pair("left-arm", "right-arm", 0, 0.5)};
  const auto usual = limits(plain);
  EXPECT_EQ(usual.size(), 2U);
  const auto more = [&](const std::function<void(PhotoCheck&)>& change) {
    PhotoCheck changed = plain;
    change(changed);
    const auto now = limits(changed);
    return std::any_of(now.begin(), now.end(), [&](std::string_view each) { return !usual.contains(each); });
  };
  EXPECT_TRUE(more([](PhotoCheck& c) { c.mat.reset(); }));
  EXPECT_TRUE(more([](PhotoCheck& c) { c.rough = true; }));
  EXPECT_TRUE(more([](PhotoCheck& c) { c.hidden = {limb("head")}; }));
  EXPECT_TRUE(more([](PhotoCheck& c) { c.view = PhotoView::Right; }));
  EXPECT_TRUE(more([](PhotoCheck& c) { c.view = PhotoView::Above; }));
  EXPECT_TRUE(more([](PhotoCheck& c) {
    c.soft = 3;
    c.fit.camera.scale = 5;
  })) << "long fur";
  EXPECT_FALSE(more([](PhotoCheck& c) {
    c.soft = 3;
    c.fit.camera.scale = 1;
  })) << "a small picture's edge is as soft";
  EXPECT_NE(photoTaken(plain).english(), photoTaken(PhotoCheck()).english());
}

} // namespace columna::test
