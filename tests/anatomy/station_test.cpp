// The body's surface keeps what the pattern says of it.
#include "solid/slice.h"
#include "support.h"

#include <Eigen/Geometry>

#include <cmath>

using namespace columna;
using namespace columna::test;

namespace {

/// The bone that goes on from this one, or comes before it: it shares the joint and bends less than a tube's
/// sharpest bend.
const FigureBone* neighbour(const Figure& f, const FigureBone& bone, bool after) {
  for (const FigureBone& other : f.bones) {
    const bool joined = after ? other.from == bone.to && other.parent >= 0 &&
                                    f.bones[static_cast<size_t>(other.parent)].id == bone.id
                              : other.to == bone.from && bone.parent >= 0 &&
                                    f.bones[static_cast<size_t>(bone.parent)].id == other.id;
    if (joined && bendAngle(bone.end - bone.begin, other.end - other.begin) < kSharpestBend) return &other;
  }
  return nullptr;
}

bool same(const Station& a, const Station& b) {
  const double wide = std::max({a.across, b.across, a.deep, b.deep});
  return std::abs(a.across - b.across) < 0.01 * wide && std::abs(a.deep - b.deep) < 0.01 * wide &&
         std::abs(std::abs(a.lift) - std::abs(b.lift)) < 0.01 * wide;
}

/// The figure with nothing but the tube a bone is in: no other part joins.
Figure alone(Figure f, int bone) {
  std::erase_if(f.tubes, [&](const Tube& tube) {
    return std::find(tube.slabBone.begin(), tube.slabBone.end(), bone) == tube.slabBone.end();
  });
  return f;
}

/// The ring that stands at a place of a bone; nothing when there is none.
const Ring* ringAt(const Figure& f, int bone, double at) {
  for (const Tube& tube : f.tubes)
    for (size_t i = 0; i < tube.slabBone.size(); ++i) {
      if (tube.slabBone[i] != bone || tube.slabFrom[i] >= tube.slabTo[i]) continue;
      if (std::abs(tube.slabFrom[i] - at) < 1e-9) return &tube.rings[i];
      if (std::abs(tube.slabTo[i] - at) < 1e-9) return &tube.rings[i + 1];
    }
  return nullptr;
}

} // namespace

TEST(Stations, ASliceAtEachIsWhatThePatternSays) {
  int asked = 0;
  int square = 0;
  for (Pattern p : shelf().patterns) {
    p.head.reset(); // tubes alone
    const Figure f = makeFigure(p, {SizeBy::OverallHeight, 160}).value();
    for (size_t b = 0; b < f.bones.size(); ++b) {
      const FigureBone& bone = f.bones[b];
      if (bone.twin >= 0 && f.limbs[static_cast<size_t>(bone.limb)].side < 0) continue;
      const WoolField own(alone(f, static_cast<int>(b)), 0);
      const Vec3 along = (bone.end - bone.begin).normalized();
      for (const Station& s : bone.stations) {
        const FigureBone* before = neighbour(f, bone, false);
        const FigureBone* after = neighbour(f, bone, true);
        // A free end is round; where two bones that meet differ, the joint is blended.
        if (s.at < 0.02 && (!before || !same(before->stations.back(), s))) continue;
        if (s.at > 0.98 && (!after || !same(after->stations.front(), s))) continue;
        // Within a sharp bend the cut runs along the next stretch, too.
        const double half = std::max(s.across, s.deep) / 2;
        const auto sharp = [&](const FigureBone* next, double away) {
          return next && away < half && bendAngle(next->end - next->begin, along) > 0.8;
        };
        if (s.at > 0.02 && s.at < 0.98 &&
            (sharp(before, s.at * bone.length) || sharp(after, (1 - s.at) * bone.length)))
          continue;
        const Ring* ring = ringAt(f, static_cast<int>(b), s.at);
        ASSERT_NE(ring, nullptr) << p.id << ' ' << bone.id << " at " << s.at;
        // Square to the limb's line there, and where that runs along the bone, to the bone.
        for (const bool byBone : {false, true}) {
          if (byBone && bendAngle(ring->normal, along) > 0.03) continue;
          const Vec3 normal = byBone ? along : ring->normal;
          const Vec3 v = byBone ? bone.deepAxis : ring->v;
          const Slice cut = sliceOf(own, ring->centre, v.cross(normal), v, half);
          // Beside a sharp bend the cut runs along the next stretch.
          if (cut.tape <= 0 || cut.tape > 1.15 * ellipsePerimeter(s.across / 2, s.deep / 2)) continue;
          (byBone ? square : asked) += 1;
          EXPECT_NEAR(cut.across, s.across, 0.02 * s.across) << p.id << ' ' << bone.id << " at " << s.at;
          EXPECT_NEAR(cut.deep, s.deep, 0.02 * s.deep) << p.id << ' ' << bone.id << " at " << s.at;
        }
      }
    }
  }
  EXPECT_GT(asked, 900);
  EXPECT_GT(square, 500);
}

TEST(Stations, AHeadComesOutAsWideAsItsPattern) {
  // A head's widest place lies off the even steps of its rings, or next to a narrow end.
  for (const char* id : {"toy_bear", "songbird", "owl", "red_fox"}) {
    Pattern p = *shelf().pattern(id);
    p.head.reset();
    const Figure f = makeFigure(p, {SizeBy::BodyLength, 160}).value();
    const FigureLimb& head = f.limbs[static_cast<size_t>(*f.limb("head"))];
    const FigureBone& bone = f.bones[static_cast<size_t>(head.bones.front())];
    Station widest;
    for (const Station& each : bone.stations)
      if (each.at > 0 && each.at < 1 && each.across > widest.across) widest = each;
    const Ring* ring = ringAt(f, head.bones.front(), widest.at);
    ASSERT_NE(ring, nullptr) << id;
    EXPECT_NEAR(2 * ring->ru, widest.across, 1e-6) << id;
    EXPECT_NEAR(2 * ring->rv, widest.deep, 1e-6) << id;
  }
}

TEST(Stations, BonesThatDifferAreBlendedWithoutAStep) {
  for (const Pattern& p : animals()) {
    const Figure f = makeFigure(p, {SizeBy::OverallHeight, 160}).value();
    for (const Tube& tube : f.tubes)
      for (size_t i = static_cast<size_t>(tube.capBegin > 0 ? tube.capSlabs : 0) + 1;
           i + 1 + static_cast<size_t>(tube.capEnd > 0 ? tube.capSlabs : 0) < tube.rings.size(); ++i) {
        // No ring sticks out or in against both its neighbours by more than the patterns' own waists do.
        const Ring& a = tube.rings[i - 1];
        const Ring& b = tube.rings[i];
        const Ring& c = tube.rings[i + 1];
        for (const auto& [x, y, z] : {std::tuple{a.ru, b.ru, c.ru}, {a.rv, b.rv, c.rv}}) {
          EXPECT_LT(y, 1.6 * std::max(x, z)) << p.id << " ring " << i;
          EXPECT_GT(y, 0.5 * std::min(x, z)) << p.id << " ring " << i;
        }
      }
  }
}
