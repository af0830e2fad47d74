// Standing in a pose: where the figure touches the ground, how far it can tip each way, and how it rocks when
// its legs are not quite alike.
#pragma once

#include "hold/pose_rules.h"
#include "hold/standing.h"
#include "hold/support.h"

namespace columna {

/// Places of the surface that touch the ground: the soles of the feet, and the lowest places of tails, wing
/// tips, bellies and all else within `lieShare` of the height. The figure stands on z = 0.
[[nodiscard]] std::vector<Contact> contactsOf(const Figure& figure, const PoseRules& rules);

/// Tipping angle in one direction of the compass: 0 is forward, a quarter turn is to its left.
struct RosetteRay {
  double direction = 0; ///< radians
  double tip = 0;       ///< radians it can be tipped that way; below 0 it falls
};

struct PoseStanding {
  Standing base;                   ///< hull, margin, smallest tip, stands
  std::vector<RosetteRay> rosette; ///< every five degrees; empty without a hull
  Vec2 falls{0, 0};                ///< unit direction it falls first, seen from above
  std::string towards;             ///< in words: "forward", "to its left", "backward and to its right"
  std::vector<Contact> contacts;
  bool inLine = false; ///< it touches the ground in a line or a point: it cannot stand loose
  bool fixed = false;  ///< glued down, held or hung: tipping is no question
};

/// `centre` is the centre of mass with the base, if any, weighed in; `figureMass` in g without it.
[[nodiscard]] PoseStanding poseStanding(const Figure& figure, const Vec3& centre, double figureMass,
                                        const Support& support, const PoseRules& rules);

/// The words for a direction seen from above, x forward and y to the figure's left.
[[nodiscard]] std::string compass(const Vec2& direction);

/// One foot of a wobble: with legs off by the maker's error, by how much it may hover.
struct WobbleFoot {
  int limb = 0;
  Vec2 at{0, 0};    ///< where it stands, the middle of its contact
  double share = 0; ///< its part in the one way the feet can fail to lie in a plane (sums to nothing)
};

/// Feet beyond three can fail to lie in one plane. With legs each off by `error` mm, at worst they leave a
/// gap under one foot, and the figure rocks over the line between the others.
struct Wobble {
  std::vector<WobbleFoot> feet; ///< empty with three feet or fewer: three always stand
  double usual = 0;             ///< gap at the foot that moves most, mm, legs off at random
  double worst = 0;             ///< mm, all legs off the bad way
  double rocks = 0;             ///< radians it rocks by at the usual gap
};
[[nodiscard]] Wobble wobble(const Figure& figure, const std::vector<Contact>& contacts, double error);

/// What to do when one foot hovers by a gap: for every foot, by how many mm its leg is to be lengthened
/// (above 0) or pushed up (below 0), each alone mending it.
struct LegCure {
  int limb = 0;
  double longer = 0; ///< mm
};
[[nodiscard]] std::vector<LegCure> legCures(const Wobble& wobble, int hoveringLimb, double gap);

} // namespace columna
