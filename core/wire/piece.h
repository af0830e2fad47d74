// Pieces: each length of wire to cut, the way it takes through the skeleton, and what its features take of
// it.
#pragma once

#include "measure/working.h"
#include "wire/allowance.h"
#include "wire/construction.h"
#include "wire/join.h"
#include "wire/route.h"
#include "wire/section.h"

#include <map>
#include <string>
#include <vector>

namespace columna {

/// Something done to a piece at a place, and what it takes. Kinds: "lap", "turn-back", "loop", "fold",
/// "twist", "bend", "mutual-twist", "lashing", "digit", "tail", "alike", "splice", "spare", "waste".
struct Feature {
  std::string kind;
  double at = 0;    ///< mm from the piece's left end to where it begins
  double takes = 0; ///< mm of wire beyond the bones
  Said note;        ///< in the maker's words
};

/// A bend of a piece, in the order they are made from the left end.
struct Bend {
  double at = 0;     ///< mm from the left end to where the bend begins; of a fold its middle
  double angle = 0;  ///< radians it stays bent, pi for a fold
  double roll = 0;   ///< radians to turn the wire about itself since the bend before, right-handed
  double tool = 0;   ///< radians to bend it so that it springs back to `angle`
  double radius = 0; ///< inside radius, mm
  double arc = 0;    ///< mm of wire in the bend
  double apex = 0;   ///< mm of wire from where it begins to its apex, which lies on the joint
  double middle = 0; ///< radius of the limb's middle line, mm; of a fold 0
  int point = -1;    ///< point of the skeleton at the apex, the first of those it stands for
  bool fold = false;
};

/// A stretch that is twisted with its neighbours.
struct TwistZone {
  double from = 0, to = 0; ///< mm from the left end
  int wires = 2;
  double turns = 0;  ///< full turns
  double factor = 1; ///< wire per length of limb
};

/// Joints of the skeleton that a piece cannot bend at where they lie: too near each other, or to an end.
struct CrowdedJoints {
  std::vector<int> points; ///< of the skeleton
  bool one = false;        ///< they share a bend between them; else the wire passes straight
  double off = 0;          ///< mm the farthest of them lies from where the wire has it
};

struct Piece {
  std::string tag;               ///< "A"
  std::string name;              ///< "spine", "left foreleg", "foreleg lashing"
  std::string material;          ///< id
  double diameter = 0;           ///< mm
  int group = -1;                ///< index into the groups, -1 for a lashing
  std::vector<int> route;        ///< points of the skeleton, in the order the wire passes them
  std::vector<double> routeAt;   ///< mm from the left end at each of them
  std::vector<int> limbs;        ///< limbs it runs in
  double bones = 0;              ///< mm of skeleton it runs along
  double cut = 0;                ///< mm to cut: bones and all that the features take
  double mass = 0;               ///< g
  int mirrorOf = -1;             ///< index of the piece it mirrors, -1 if none
  std::vector<Feature> features; ///< by place
  std::vector<Bend> bends;
  std::vector<TwistZone> twists;
  std::vector<CrowdedJoints> crowded;
};

/// What pieces are made under.
struct PieceRules {
  Allowances allow;
  std::map<std::string, Allowances> own; ///< of a piece by its name, instead of the figure's
  double handling = 2000;                ///< mm: no longer wire is worked with in one
  /// Routes the maker settled: of a group by its name, each piece as point ids.
  std::map<std::string, std::vector<std::vector<std::string>>> routes;
  /// Toes or fingers the maker wants of fine wire where the animal has no bones for them.
  struct Digits {
    int count = 0;
    double length = 0; ///< mm
    bool pegs = false; ///< a single peg each instead of one woven piece

    [[nodiscard]] bool operator==(const Digits&) const = default;
  };
  std::map<int, Digits> digits; ///< by limb

  [[nodiscard]] bool operator==(const PieceRules&) const = default;
};

/// How a group's strands may run, best first; the first was taken unless the maker settled another.
struct RouteChoice {
  std::string group;
  std::vector<std::vector<std::vector<std::string>>> ways; ///< of equal cost, as point ids
  Said problem;       ///< why the maker's own routes do not do; empty when they do or there are none
  bool own = false;   ///< the maker's
  bool proven = true; ///< no cheaper one exists; false where not every way could be tried
};

struct PiecePlan {
  std::vector<Piece> pieces;
  std::vector<Join> joins;
  std::vector<RouteChoice> choices; ///< one a group that is routed
};

/// The pieces of a figure. `sections` has one entry a group, the section of one limb's wires apart; `longest`
/// the longest wire to be had for it, mm (infinite for a coil). `fine` is the wire for lashings. A piece that
/// mirrors another equals it in every number but the route.
[[nodiscard]] PiecePlan makePieces(const Figure& figure, const WireSkeleton& skeleton,
                                   const std::vector<WireGroup>& groups,
                                   const std::vector<WireSection>& sections,
                                   const std::vector<double>& longest, const WireSection& fine,
                                   const PieceRules& rules);

/// How a piece's cut length comes about.
[[nodiscard]] Working cutWorking(const Piece& piece, const Allowances& allow = {});

/// The places a piece's points come to when its table is followed, with nothing else known of the figure:
/// from the left end straight on, turned and bent as it says, twisted stretches shorter by their factor. In
/// the order of the route; for comparison they are to be moved and turned as a whole.
[[nodiscard]] std::vector<Vec3> followTable(const Piece& piece);

} // namespace columna
