// Feet on the ground, and what each leg bears.
#include "anatomy/hull.h"
#include "hold/contacts.h"
#include "hold/figure_frame.h"
#include "judge/pose_report.h"
#include "solid/field.h"
#include "solid/solid_mesh.h"
#include "support.h"

#include <cmath>
#include <set>

using namespace columna;
using namespace columna::test;

namespace {

Plan body(const std::string& id) {
  Project p = project(id, 160);
  p.size = {SizeBy::BodyLength, 160};
  return planned(p);
}

double areaOf(const std::vector<Vec2>& hull) {
  double area = 0;
  for (size_t i = 0; i < hull.size(); ++i) {
    const Vec2& a = hull[i];
    const Vec2& b = hull[(i + 1) % hull.size()];
    area += (a.x() * b.y() - b.x() * a.y()) / 2;
  }
  return area;
}

} // namespace

TEST(Soles, AreWhereTheLegsSurfaceIsLowest) {
  // Against the surface's own triangles: every corner of a leg within a hundredth of the height of the
  // ground.
  for (const char* id :
       {"elephant", "horse", "red_fox", "giraffe", "sheep", "domestic_cat", "pig", "house_mouse"}) {
    const Plan plan = body(id);
    const Figure& f = plan.figure;
    MeshWish wish;
    wish.cell = std::max(0.6, f.overallHeight / 250);
    wish.flats = Flats::None;
    const SolidMesh mesh = solidMesh(f, wish);
    std::vector<Vec2> low;
    for (const MeshFace& face : mesh.faces) {
      if (legOf(f, face.bone) < 0) continue;
      for (const int c : face.corners) {
        const Eigen::Vector3f& v = mesh.vertices[static_cast<size_t>(c)];
        if (v.z() <= 0.01 * f.overallHeight) low.emplace_back(v.x(), v.y());
      }
    }
    std::vector<Vec2> own;
    for (const Contact& c : soles(f)) own.emplace_back(c.at.x(), c.at.y());
    const double area = areaOf(convexHull(own));
    const double surface = areaOf(convexHull(low));
    EXPECT_NEAR(area / surface, 1, 0.06) << id;
    const Standing mine = standingOn(own, plan.loads.centre);
    const Standing theirs = standingOn(low, plan.loads.centre);
    EXPECT_NEAR(mine.margin, theirs.margin, 0.06 * std::abs(theirs.margin) + 0.5) << id;
    EXPECT_NEAR(plan.standing.margin, mine.margin, 1e-9) << id << ": the plan stands on the same soles";
  }
}

TEST(Soles, OfTheNeutralStanceAreThoseOfItsPose) {
  for (const char* id : {"elephant", "house_mouse", "red_fox", "heron"}) {
    const Plan plan = body(id);
    std::set<std::pair<double, double>> feet;
    for (const Contact& c : soles(plan.figure)) feet.insert({c.at.x(), c.at.y()});
    for (const Contact& c : contactsOf(plan.figure, shelf().pose))
      if (plan.figure->limbs[static_cast<size_t>(c.limb)].kind == LimbKind::Leg) {
        EXPECT_TRUE(feet.contains({c.at.x(), c.at.y()})) << id;
      }
  }
}

TEST(Soles, AFrameStandsOnToesAndHeels) {
  Project p = project("house_mouse", 160);
  p.size = {SizeBy::BodyLength, 160};
  const Plan plan = planned(p);
  const PoseReport r = poseReport(p, plan, shelf(), {});
  std::vector<Vec2> nodes;
  for (const int n : r.sums.armature.supports) {
    const Vec3& at = r.sums.armature.frame.nodes[static_cast<size_t>(n)].at;
    nodes.emplace_back(at.x(), at.y());
  }
  double shortest = 1e9;
  double longest = -1e9;
  for (const Contact& c : soles(plan.figure)) {
    shortest = std::min(shortest, c.at.x());
    longest = std::max(longest, c.at.x());
  }
  double low = 1e9;
  double high = -1e9;
  for (const Vec2& n : nodes) {
    low = std::min(low, n.x());
    high = std::max(high, n.x());
  }
  EXPECT_GT(high - low, 0.6 * (longest - shortest)) << "not the toes alone";
}

TEST(LegShares, BalanceAndAreTheLeverRule) {
  for (const Pattern& p : animals()) {
    const Plan plan = planned(project(p.id, 160));
    if (plan.loads.legs == 0) continue;
    const auto& shares = plan.loads.shares;
    double sum = 0;
    for (size_t l = 0; l < shares.size(); ++l) {
      sum += shares[l];
      EXPECT_GE(shares[l], 0) << p.id;
      if (const int twin = plan.figure->limbs[l].twin; twin >= 0) {
        EXPECT_NEAR(shares[l], shares[static_cast<size_t>(twin)], 1e-9) << p.id;
      }
    }
    EXPECT_NEAR(sum, 1, 1e-9) << p.id;
  }
  // Two pairs of feet: the nearer pair bears the more, as on a seesaw.
  const Plan giraffe = body("giraffe");
  double front = 0;
  for (size_t l = 0; l < giraffe.limbs.size(); ++l)
    if (giraffe.figure->limbs[l].family == "foreleg") front += giraffe.loads.shares[l];
  EXPECT_GT(front, 0.65);
}

TEST(LegShares, AreWhatTheFrameFinds) {
  // The frame's reactions with all feet held, by the stiffness of all its wire: an independent way to the
  // same.
  for (const char* id : {"giraffe", "elephant", "deer", "horse", "cow", "sheep", "red_fox", "house_mouse"}) {
    Project p = project(id, 160);
    p.size = {SizeBy::BodyLength, 160};
    const Plan plan = planned(p);
    const PoseReport r = poseReport(p, plan, shelf(), {});
    ASSERT_TRUE(r.sums.stable) << id;
    double middle = 0;
    for (size_t l = 0; l < plan.limbs.size(); ++l)
      if (stands(plan.figure, static_cast<int>(l)))
        middle += plan.figure->bones[static_cast<size_t>(plan.figure->limbs[l].bones.back())].end.x() /
                  plan.loads.legs;
    double front = 0;
    double all = 0;
    for (const int n : r.sums.armature.supports) {
      const double up = r.sums.under.reactions[static_cast<size_t>(n)][2];
      all += up;
      if (r.sums.armature.frame.nodes[static_cast<size_t>(n)].at.x() > middle) front += up;
    }
    double shares = 0;
    for (size_t l = 0; l < plan.limbs.size(); ++l)
      if (plan.loads.shares[l] > 0 &&
          plan.figure->bones[static_cast<size_t>(plan.figure->limbs[l].bones.back())].end.x() > middle)
        shares += plan.loads.shares[l];
    EXPECT_NEAR(shares, front / all, 0.12) << id;
  }
}

TEST(LegShares, ALegThatWouldPullBearsNothing) {
  Figure f = body("red_fox").figure;
  const std::vector<Contact> feet = soles(f);
  double foremost = -1e9;
  for (const Contact& c : feet) foremost = std::max(foremost, c.at.x());
  const std::vector<double> shares = legShares(f, feet, {foremost + 50, 0, 60});
  double sum = 0;
  for (size_t l = 0; l < shares.size(); ++l) {
    sum += shares[l];
    if (f.limbs[l].family == "hindleg") {
      EXPECT_EQ(shares[l], 0);
    }
  }
  EXPECT_NEAR(sum, 1, 1e-9);
  EXPECT_EQ(legShares(f, {}, {0, 0, 0}), std::vector<double>(f.limbs.size(), 0));
}

TEST(Loads, ALinkInsideItsCarrierAsksOfTheCarrier) {
  // From the rump to the first joint of the tail the wire lies in the trunk's wool.
  int links = 0;
  for (const Pattern& p : animals()) {
    const Plan plan = body(p.id);
    const auto tail = plan.figure->limb("tail");
    if (!tail || plan.skeleton->limbs[static_cast<size_t>(*tail)].empty()) continue;
    const WireRun& run = plan.skeleton->limbs[static_cast<size_t>(*tail)].front();
    if (run.segmentBone.front() >= 0) continue;
    ++links;
    const std::string& root = plan.skeleton->points[static_cast<size_t>(run.points.front())].id;
    double own = 0;
    for (const Demand& d : plan.loads.limbs[static_cast<size_t>(*tail)]) {
      EXPECT_NE(d.joint, root) << p.id;
      own = std::max(own, d.gravity);
    }
    EXPECT_GT(own, 0) << p.id;
    double carried = 0;
    for (const Demand& d : plan.loads.limbs[static_cast<size_t>(*plan.figure->limb("trunk"))])
      if (d.joint == root) carried = std::max(carried, d.gravity);
    EXPECT_GT(carried, own) << p.id << ": the longer lever is asked of the trunk";
  }
  EXPECT_GE(links, 3);
}
