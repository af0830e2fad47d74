#include "support.h"

#include <cmath>

using namespace columna;
using namespace columna::test;

namespace {

Figure rod(double length, double a0, double d0, double a1, double d1, double height) {
  const auto pattern = readPattern(rodPattern(length, a0, d0, a1, d1), "rod.json");
  EXPECT_TRUE(pattern.ok());
  auto made = makeFigure(*pattern, {SizeBy::OverallHeight, height});
  EXPECT_TRUE(made.ok());
  return std::move(made).value();
}

double frustum(double length, double a0, double d0, double a1, double d1) {
  // Elliptic frustum with both diameters going straight: pi/4 L (a0 d0/3 + a1 d1/3 + (a0 d1 + a1 d0)/6).
  return M_PI / 4 * length * (a0 * d0 / 3 + a1 * d1 / 3 + (a0 * d1 + a1 * d0) / 6);
}

} // namespace

TEST(Body, EllipticFrustumToATenthPercent) {
  struct Case {
    double length, a0, d0, a1, d1;
  };
  for (const Case& c : {Case{10, 2, 2, 2, 2}, {10, 4, 2, 4, 2}, {7, 4, 2, 1, 2}, {20, 3, 1, 1, 2.5}}) {
    const Figure f = rod(c.length, c.a0, c.d0, c.a1, c.d1, 100);
    const double s = f.scale;
    const double exact = frustum(c.length, c.a0, c.d0, c.a1, c.d1) * s * s * s;
    EXPECT_NEAR(tubeVolume(f.tubes.front()), exact, 1e-3 * exact);
    const BodyVolume v = bodyVolume(f, 0);
    EXPECT_NEAR(v.core + v.coat, exact, 1e-3 * exact);
    EXPECT_EQ(v.coat, 0);
  }
}

TEST(Body, CoatOfARoundRodIsItsShell) {
  const Figure f = rod(10, 2, 2, 2, 2, 60); // scale 10: radius 10 mm, 100 mm long, flat ends
  const BodyVolume v = bodyVolume(f, 3);
  EXPECT_NEAR(v.core, M_PI * 49 * 100, 1e-3 * v.core);
  EXPECT_NEAR(v.coat, M_PI * 51 * 100, 1e-3 * v.coat);
  EXPECT_EQ(bodyVolume(f, 10).core, 0) << "a coat as thick as the rod leaves no core";
  EXPECT_EQ(bodyVolume(f, 50).core, 0);
}

TEST(Body, OverlapsCountOnceAndSharesAddUp) {
  for (const Pattern& p : shelf().patterns) {
    const Plan plan = planned(project(p.id, 160));
    const BodyVolume v = bodyVolume(plan.figure, plan.figure.coatThickness);
    double sum = 0;
    double apart = 0;
    for (const BoneVolume& b : v.bones) sum += b.core + b.coat;
    for (const Tube& t : plan.figure.tubes) apart += tubeVolume(t);
    EXPECT_NEAR(sum, v.core + v.coat, 1e-9 * sum);
    EXPECT_LT(sum, apart) << p.id << ": legs sit in the body";
    EXPECT_GT(sum, 0.5 * apart) << p.id;
    // Against counting points of a fine grid that lie in any tube, an independent way.
    EXPECT_GT(v.error, 0.01);
    EXPECT_LT(v.error, 0.1);
  }
}

TEST(Body, AgreesWithCountingAGrid) {
  // Slower and by another road: cells whose middle lies in the body, in slices between ring planes.
  const Plan plan = planned(project("river_otter", 108.6));
  const BodyVolume v = bodyVolume(plan.figure, 0);
  const double step = 2.0;
  long inside = 0;
  for (double x = -180; x < 290; x += step)
    for (double y = -60; y < 60; y += step)
      for (double z = -4; z < 130; z += step) {
        const Vec3 p(x + step / 2, y + step / 2, z + step / 2);
        bool in = false;
        for (const Tube& t : plan.figure.tubes) {
          for (size_t i = 0; i + 1 < t.rings.size() && !in; ++i) {
            const Ring& a = t.rings[i];
            const Ring& b = t.rings[i + 1];
            const double before = a.normal.dot(p - a.centre);
            const double behind = b.normal.dot(p - b.centre);
            if (before < 0 || behind > 0) continue;
            const double s = before / (before - behind);
            const Vec3 d = p - (a.centre + s * (b.centre - a.centre));
            in = std::hypot(d.dot(a.u) / (a.ru + s * (b.ru - a.ru)),
                            d.dot(a.v) / (a.rv + s * (b.rv - a.rv))) < 1;
          }
          if (in) break;
        }
        inside += in ? 1 : 0;
      }
  const double counted = static_cast<double>(inside) * step * step * step;
  EXPECT_NEAR(v.core, counted, v.error * counted) << "within the error it states";
}

TEST(Wool, TwiceAsHighIsEightTimesTheWool) {
  for (const Pattern& p : shelf().patterns) {
    const Plan small = planned(project(p.id, 120));
    const Plan large = planned(project(p.id, 240));
    EXPECT_NEAR(large.totals.core, 8 * small.totals.core, 1e-3 * large.totals.core + 1e-9) << p.id;
    EXPECT_NEAR(large.totals.coat, 8 * small.totals.coat, 1e-3 * large.totals.coat) << p.id;
    for (size_t l = 0; l < small.figure.limbs.size(); ++l)
      EXPECT_NEAR(large.wool.limbs[l].girthMax, 2 * small.wool.limbs[l].girthMax,
                  1e-9 * large.wool.limbs[l].girthMax);
  }
}

TEST(Wool, TwinsWeighTheSameToTheLastBit) {
  for (const Pattern& p : shelf().patterns) {
    const Plan plan = planned(project(p.id, 160));
    for (size_t l = 0; l < plan.figure.limbs.size(); ++l) {
      const int twin = plan.figure.limbs[l].twin;
      if (twin < 0) continue;
      EXPECT_EQ(plan.wool.limbs[l].core, plan.wool.limbs[static_cast<size_t>(twin)].core);
      EXPECT_EQ(plan.wool.limbs[l].coat, plan.wool.limbs[static_cast<size_t>(twin)].coat);
    }
  }
}

TEST(Wool, FirmerIsHeavierInProportion) {
  Project p = project("river_otter", 108);
  const Plan medium = planned(p);
  p.limbs["trunk"].firmness = Firmness::Firm;
  const Plan firm = planned(p);
  const auto trunk = static_cast<size_t>(*medium.figure.limb("trunk"));
  EXPECT_NEAR(firm.wool.limbs[trunk].core / medium.wool.limbs[trunk].core, 0.22 / 0.15, 1e-9);
  EXPECT_EQ(firm.wool.limbs[trunk].coat, medium.wool.limbs[trunk].coat);
  EXPECT_LT(medium.wool.limbs[trunk].coreLow, medium.wool.limbs[trunk].core);
  EXPECT_GT(medium.wool.limbs[trunk].coreHigh, medium.wool.limbs[trunk].core);
}

TEST(Felt, ShrinkageLaws) {
  // "To three quarters" on a ball is 2.37 times the density, which takes a limb to 0.65.
  EXPECT_NEAR(30 / woundBallDiameter(30, 0.06, 0.142), 0.75, 1e-3);
  EXPECT_NEAR(10 / woundLimbDiameter(10, 0, 0.06, 0.142), 0.65, 1e-3);
  EXPECT_NEAR(woundLimbDiameter(10, 10, 0.06, 0.142), 10, 1e-12) << "bare wire does not felt";
  EXPECT_DOUBLE_EQ(feltedOverWound(LimbKind::Head), 0.75);
  EXPECT_DOUBLE_EQ(feltedOverWound(LimbKind::Leg), 0.65);
  EXPECT_NEAR(woolLength(1.5, kSliverLinear), 100, 1e-12);
}

TEST(Girths, AreWhatATapeReads) {
  const Plan plan = planned(project("river_otter", 108));
  for (const LimbWool& w : plan.wool.limbs) {
    double last = -1;
    for (const Girth& g : w.girths) {
      EXPECT_GT(g.along, last);
      last = g.along;
      EXPECT_NEAR(g.finished, ellipsePerimeter(g.across / 2, g.deep / 2), 1e-9);
      if (g.felted <= 0) continue;
      EXPECT_NEAR(g.finished - g.felted, 2 * M_PI * plan.wool.coatThickness, 1e-9);
      EXPECT_GT(g.wound, g.felted);
    }
  }
}
