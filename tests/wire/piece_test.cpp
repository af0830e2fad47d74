#include "support.h"

#include "wire/allowance.h"
#include "wire/bend_table.h"

#include <Eigen/Geometry>

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
  for (const Pattern& p : animals())
    for (const double h : {80.0, 160.0, 320.0})
      for (const Construction c : kConstructions) out.push_back({p.id, h, c});
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
        along += (plan.skeleton->points[static_cast<size_t>(piece.route[i + 1])].at -
                  plan.skeleton->points[static_cast<size_t>(piece.route[i])].at)
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
      const auto kind = plan.figure->limbs[l].kind;
      // Parts of a trunk carry the tail's or the neck's wire; its stretches are looked at below.
      if (!plan.limbs[l].wired || kind == LimbKind::Trunk) continue;
      for (const WireRun& run : plan.skeleton->limbs[l])
        for (size_t s = 0; s + 1 < run.points.size(); ++s) {
          const auto [a, b] = std::minmax(run.points[s], run.points[s + 1]);
          const auto found = covered.find({a, b});
          ASSERT_NE(found, covered.end()) << name(c) << ' ' << plan.figure->limbs[l].id;
          EXPECT_EQ(found->second, plan.limbs[l].section.wires) << name(c) << ' ' << plan.figure->limbs[l].id;
        }
    }
    // And so does every stretch of every group, the trunk's too.
    for (const WireGroup& group : plan.groups)
      for (const StrandSegment& segment : group.segments) {
        const auto found = covered.find(std::minmax(segment.a, segment.b));
        ASSERT_NE(found, covered.end()) << name(c) << ' ' << group.name;
        EXPECT_EQ(found->second, segment.wires) << name(c) << ' ' << group.name;
      }
  }
}

TEST(Piece, TheTableFollowedMakesTheSkeleton) {
  size_t joints = 0;
  for (const Case& c : everything()) {
    const Plan plan = planned(project(c.pattern, c.height, c.construction));
    for (const Piece& piece : plan.pieces) {
      if (piece.route.size() < 2) continue;
      const std::vector<Vec3> made = followTable(piece);
      ASSERT_EQ(made.size(), piece.route.size()) << name(c) << ' ' << piece.name;
      // Joints with a bend of their own, folds and ends lie where the skeleton has them; what is passed
      // straight lies beside it by no more than the bends' own roundness.
      std::set<int> beside;
      double most = 0.15;
      for (const CrowdedJoints& joined : piece.crowded) {
        beside.insert(joined.points.begin(), joined.points.end());
        most = std::max(most, 2 * joined.off);
      }
      std::set<int> exact{piece.route.front(), piece.route.back()};
      for (const Bend& b : piece.bends) {
        exact.insert(b.point);
        if (!b.fold) most = std::max(most, 1.2 * b.middle * (1 - std::cos(b.angle / 2)));
      }
      std::vector<int> fitted;
      for (size_t i = 0; i < made.size(); ++i)
        if (exact.contains(piece.route[i]) && !beside.contains(piece.route[i]))
          fitted.push_back(static_cast<int>(i));
      const auto count = static_cast<Eigen::Index>(fitted.size());
      if (count < 3) continue;
      Eigen::Matrix3Xd from(3, count);
      Eigen::Matrix3Xd to(3, count);
      for (Eigen::Index i = 0; i < count; ++i) {
        const auto k = static_cast<size_t>(fitted[static_cast<size_t>(i)]);
        from.col(i) = made[k];
        to.col(i) = plan.skeleton->points[static_cast<size_t>(piece.route[k])].at;
      }
      joints += fitted.size();
      // Moved and turned as a whole it lies on the skeleton (a mirrored piece on the mirror image's).
      const Eigen::Matrix4d move = Eigen::umeyama(from, to, false);
      const auto moved = [&](const Vec3& p) {
        return Vec3(move.topLeftCorner<3, 3>() * p + move.topRightCorner<3, 1>());
      };
      for (Eigen::Index i = 0; i < count; ++i)
        EXPECT_LT((moved(from.col(i)) - to.col(i)).norm(), 0.15) << name(c) << ' ' << piece.name;
      for (size_t i = 0; i < made.size(); ++i)
        EXPECT_LT((moved(made[i]) - plan.skeleton->points[static_cast<size_t>(piece.route[i])].at).norm(),
                  most)
            << name(c) << ' ' << piece.name;
      double last = -1;
      for (const Bend& b : piece.bends) {
        EXPECT_GE(b.at, last - 1e-9) << name(c) << ' ' << piece.name;
        EXPECT_GE(b.tool, b.angle);
        EXPECT_LE(b.at, piece.cut);
        last = b.at;
      }
    }
  }
  EXPECT_GT(joints, 25 * everything().size()); // of fewer animals under the sanitizers
}

TEST(Piece, IsNeverShorterThanItsBonesNorBentTighterThanItsWire) {
  for (const Case& c : everything()) {
    const Plan plan = planned(project(c.pattern, c.height, c.construction));
    for (const Piece& piece : plan.pieces) {
      double waste = 0;
      for (const Feature& f : piece.features) waste += f.kind == "waste" ? f.takes : 0;
      EXPECT_GE(piece.cut - waste, piece.bones - 1e-9) << name(c) << ' ' << piece.name;
      const Material& metal = *shelf().material(piece.material);
      WireSection one{metal, piece.diameter, 1};
      const double d = one.wireDiameter();
      for (const BendRow& row : bendTable(plan.skeleton, piece))
        if (row.kind != BendRow::Kind::Twist) {
          ASSERT_TRUE(row.radius.has_value());
          EXPECT_GE(*row.radius, (row.kind == BendRow::Kind::Fold ? 0.5 : metal.bendOnce) * d - 1e-9)
              << name(c) << ' ' << piece.name << " at " << row.at;
        }
    }
  }
}

TEST(Piece, AFoldedWingIsCutAsLongAsItUnfolds) {
  // Two bends of about 160 degrees: the wire goes round them through the joints.
  Project p = project("songbird", 160);
  p.size = {SizeBy::BodyLength, 160};
  const Plan plan = planned(p);
  const Piece& wing = plan.pieces[static_cast<size_t>(plan.pieceOf(*plan.figure->limb("left-wing")))];
  double bends = 0;
  for (const Feature& f : wing.features) bends += f.kind == "bend" ? f.takes : 0;
  EXPECT_GT(bends, 0);
  EXPECT_GT(wing.cut, wing.bones);
}

TEST(Piece, MirroredTwinsInEveryConstruction) {
  for (const Case& c : everything()) {
    const Plan plan = planned(project(c.pattern, c.height, c.construction));
    if (!plan.figure->symmetric) continue;
    std::map<std::string, int> byId;
    for (size_t i = 0; i < plan.skeleton->points.size(); ++i)
      byId[plan.skeleton->points[i].id] = static_cast<int>(i);
    const auto image = [&](int point) {
      std::string id = plan.skeleton->points[static_cast<size_t>(point)].id;
      if (id.starts_with("left-"))
        id = "right-" + id.substr(5);
      else if (id.starts_with("right-"))
        id = "left-" + id.substr(6);
      return byId.contains(id) ? byId[id] : point;
    };
    std::multiset<std::vector<int>> all;
    const auto canonical = [](const std::vector<int>& r) {
      return std::min(r, std::vector<int>(r.rbegin(), r.rend()));
    };
    for (const Piece& piece : plan.pieces) all.insert(canonical(piece.route));
    for (const Piece& piece : plan.pieces) {
      std::vector<int> mirrored;
      for (const int p : piece.route) mirrored.push_back(image(p));
      EXPECT_TRUE(all.contains(canonical(mirrored))) << name(c) << ' ' << piece.name;
    }
  }
}

TEST(Piece, NoPieceOverItsLimit) {
  for (const Case& c : everything()) {
    Project wanted = project(c.pattern, c.height, c.construction);
    wanted.handling = 700;
    const Plan plan = planned(wanted);
    for (const Piece& piece : plan.pieces) {
      if (piece.group < 0 || plan.groups[static_cast<size_t>(piece.group)].digits || piece.route.size() <= 2)
        continue;
      EXPECT_LE(piece.cut, 700) << name(c) << ' ' << piece.name;
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
      EXPECT_EQ(piece->cut, twin->second->cut) << name(c) << ' ' << called;
      EXPECT_EQ(piece->features.size(), twin->second->features.size());
    }
  }
}

TEST(Piece, TwistedLegByHand) {
  const Plan plan = planned(project("river_otter", 108, Construction::TwistedLimbs));
  const auto leg = *plan.figure->limb("left-foreleg");
  const Piece& piece = plan.pieces[static_cast<size_t>(plan.pieceOf(leg))];
  EXPECT_EQ(piece.name, "left foreleg");
  const double d = piece.diameter;
  double corners = 0;
  for (const Feature& f : piece.features)
    if (f.kind == "bend") corners += f.takes;
  EXPECT_GT(corners, 0) << "rounding takes wire: the arcs' apexes lie on the joints";
  const double before =
      2 * Allowances().lap + (piece.bones + corners) / std::cos(std::atan(M_PI / 6)) + M_PI * (5 + d);
  EXPECT_NEAR(piece.cut, before + 0.03 * before + 10, 1e-9);
  EXPECT_EQ(piece.bones, 2 * piece.bones / 2);
  EXPECT_NEAR(piece.bones, 2 * plan.skeleton->length(plan.skeleton->limbs[static_cast<size_t>(leg)].front()),
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
  EXPECT_EQ(plan.limbs[static_cast<size_t>(*plan.figure->limb("left-foreleg"))].section.wires, 1);
  EXPECT_EQ(plan.limbs[static_cast<size_t>(*plan.figure->limb("neck"))].section.wires, 2);
}

TEST(Piece, WorkingEndsWithTheCut) {
  const Plan plan = planned(project("red_fox", 160));
  for (const Piece& piece : plan.pieces) {
    const Working w = cutWorking(piece);
    ASSERT_GE(w.lines.size(), 2U);
    EXPECT_EQ(render(w.lines.back().result), printNumber(piece.cut, 0) + " mm");
    double sum = 0;
    for (size_t i = 0; i + 1 < w.lines.size(); ++i) sum += std::stod(render(w.lines[i].result));
    EXPECT_NEAR(sum, piece.cut, 0.06 * static_cast<double>(w.lines.size())) << piece.tag;
    EXPECT_FALSE(w.source.empty());
  }
}
