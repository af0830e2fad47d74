#include "support.h"

#include "wire/allowance.h"

#include <cmath>
#include <numeric>
#include <set>

using namespace columna;
using namespace columna::test;

namespace {

struct Case {
  std::string pattern;
  double height;
  Construction construction;
};

std::vector<Case> everything() {
  std::vector<Case> out;
  for (const Pattern& p : shelf().patterns)
    for (const double h : {80.0, 160.0, 320.0})
      for (const Construction c : {Construction::FoldedPair, Construction::TwistedLimbs})
        out.push_back({p.id, h, c});
  return out;
}

std::string name(const Case& c) {
  return c.pattern + ' ' + std::to_string(c.height) + ' ' + std::string(id(c.construction));
}

/// How often pieces run along each segment between two points.
std::map<std::pair<int, int>, int> runs(const Plan& plan) {
  std::map<std::pair<int, int>, int> out;
  for (const Piece& piece : plan.pieces)
    for (size_t i = 0; i + 1 < piece.route.size(); ++i) {
      const auto [a, b] = std::minmax(piece.route[i], piece.route[i + 1]);
      ++out[{a, b}];
    }
  return out;
}

} // namespace

TEST(Piece, CutIsBonesAndEveryAllowance) {
  for (const Case& c : everything()) {
    const Plan plan = planned(project(c.pattern, c.height, c.construction));
    for (const Piece& piece : plan.pieces) {
      double sum = piece.bones;
      for (const Feature& f : piece.features) sum += f.takes;
      EXPECT_NEAR(sum, piece.cut, 1e-9 * piece.cut) << name(c) << ' ' << piece.tag;
      // Bones are the route's own steps.
      double along = 0;
      for (size_t i = 0; i + 1 < piece.route.size(); ++i)
        along += (plan.skeleton.points[static_cast<size_t>(piece.route[i + 1])].at -
                  plan.skeleton.points[static_cast<size_t>(piece.route[i])].at)
                     .norm();
      EXPECT_NEAR(along, piece.bones, 1e-6) << name(c) << ' ' << piece.tag;
      // Marks lie on the wire, in order.
      double last = 0;
      for (const Feature& f : piece.features) {
        EXPECT_GE(f.at, last - 1e-9) << name(c) << ' ' << piece.tag << ' ' << f.kind;
        EXPECT_LE(f.at, piece.cut + 1e-9);
        last = f.at;
      }
      EXPECT_GT(piece.cut, 0);
    }
  }
}

TEST(Piece, EveryWiredBoneCarriesItsWires) {
  for (const Case& c : everything()) {
    const Plan plan = planned(project(c.pattern, c.height, c.construction));
    const auto covered = runs(plan);
    for (size_t l = 0; l < plan.limbs.size(); ++l) {
      const auto kind = plan.figure.limbs[l].kind;
      // The stretch of a trunk behind the hind legs carries the tail's wire, that before the front ones the
      // neck's.
      if (!plan.limbs[l].wired || kind == LimbKind::Trunk) continue;
      for (const WireRun& run : plan.skeleton.limbs[l])
        for (size_t s = 0; s + 1 < run.points.size(); ++s) {
          const auto [a, b] = std::minmax(run.points[s], run.points[s + 1]);
          const auto found = covered.find({a, b});
          ASSERT_NE(found, covered.end()) << name(c) << ' ' << plan.figure.limbs[l].id;
          EXPECT_EQ(found->second, plan.limbs[l].section.wires) << name(c) << ' ' << plan.figure.limbs[l].id;
        }
    }
    // Without a tail there is nothing behind the hindmost legs for the spine's wire to hold.
    const bool tailed = std::any_of(plan.figure.limbs.begin(), plan.figure.limbs.end(),
                                    [](const FigureLimb& l) { return l.kind == LimbKind::Tail; });
    const std::vector<int> pairs = spinePairs(plan.figure, plan.skeleton);
    const int hindmost = tailed || pairs.empty() ? plan.skeleton.spine.points.front()
                                                 : plan.skeleton.rootPoint[static_cast<size_t>(pairs.back())];
    bool begun = false;
    for (size_t s = 0; s + 1 < plan.skeleton.spine.points.size(); ++s) {
      begun = begun || plan.skeleton.spine.points[s] == hindmost;
      if (!begun) continue;
      const auto [a, b] = std::minmax(plan.skeleton.spine.points[s], plan.skeleton.spine.points[s + 1]);
      EXPECT_TRUE(covered.contains({a, b})) << name(c) << " the spine is one run of wire";
    }
  }
}

TEST(Piece, TwinsAreCutAlikeToTheLastBit) {
  for (const Case& c : everything()) {
    const Plan plan = planned(project(c.pattern, c.height, c.construction));
    std::map<std::string, const Piece*> byName;
    for (const Piece& piece : plan.pieces) byName[piece.name] = &piece;
    for (const auto& [called, piece] : byName) {
      if (!called.starts_with("left ")) continue;
      const auto twin = byName.find("right " + called.substr(5));
      ASSERT_NE(twin, byName.end()) << name(c);
      EXPECT_EQ(piece->cut, twin->second->cut);
      EXPECT_EQ(piece->features.size(), twin->second->features.size());
    }
  }
}

TEST(Piece, TwistedLegByHand) {
  const Plan plan = planned(project("river_otter", 108, Construction::TwistedLimbs));
  const auto leg = *plan.figure.limb("left-foreleg");
  const Piece& piece = plan.pieces[static_cast<size_t>(plan.pieceOf(leg))];
  EXPECT_EQ(piece.name, "left foreleg");
  const double d = piece.diameter;
  double corners = 0;
  for (const Feature& f : piece.features)
    if (f.kind == "bend") corners += f.takes;
  EXPECT_LT(corners, 0);
  const double before = 2 * kLap + piece.bones / std::cos(std::atan(M_PI / 6)) + M_PI * (5 + d) + corners;
  EXPECT_NEAR(piece.cut, before + 0.03 * before + 10, 1e-9);
  EXPECT_EQ(piece.bones, 2 * piece.bones / 2);
  EXPECT_NEAR(piece.bones, 2 * plan.skeleton.length(plan.skeleton.limbs[static_cast<size_t>(leg)].front()),
              1e-9);
}

TEST(Piece, FoldedPairIsTwoLongWiresAndATail) {
  const Plan plan = planned(project("river_otter", 108, Construction::FoldedPair));
  ASSERT_EQ(plan.pieces.size(), 3U);
  const auto kinds = [](const Piece& p) {
    std::multiset<std::string> out;
    for (const Feature& f : p.features) out.insert(f.kind);
    return out;
  };
  EXPECT_EQ(kinds(plan.pieces[0]).count("loop"), 2U) << "a loop at each forefoot";
  EXPECT_EQ(kinds(plan.pieces[0]).count("fold"), 1U) << "folded at the nose";
  EXPECT_EQ(kinds(plan.pieces[1]).count("mutual-twist"), 1U)
      << "twisted round the front wire where they meet";
  EXPECT_EQ(plan.pieces[2].material, "pipe-cleaner");
  EXPECT_EQ(plan.limbs[static_cast<size_t>(*plan.figure.limb("left-foreleg"))].section.wires, 1);
  EXPECT_EQ(plan.limbs[static_cast<size_t>(*plan.figure.limb("neck"))].section.wires, 2);
}

TEST(Piece, WorkingEndsWithTheCut) {
  const Plan plan = planned(project("red_fox", 160));
  for (const Piece& piece : plan.pieces) {
    const Working w = cutWorking(piece);
    ASSERT_GE(w.lines.size(), 2U);
    EXPECT_EQ(w.lines.back().result, printNumber(piece.cut, 0) + " mm");
    double sum = 0;
    for (size_t i = 0; i + 1 < w.lines.size(); ++i) sum += std::stod(w.lines[i].result);
    EXPECT_NEAR(sum, piece.cut, 0.06 * static_cast<double>(w.lines.size())) << piece.tag;
    EXPECT_FALSE(w.source.empty());
  }
}
