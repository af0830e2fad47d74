// Constructions: which limbs have wire, which share one, and how many strands run in each.
#pragma once

#include "wire/skeleton.h"

#include <array>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

namespace columna {

/// The ways makers build. Folded pair: two long wires folded in half, one for head, neck and front limbs, the
/// other for back and hind limbs; a pipe cleaner for the tail. Twisted limbs: every limb a doubled, twisted
/// wire on a doubled spine, lashed on with a short extra piece. Spine and crosspieces: one spine, one wire
/// across through each pair of limbs. Legs and tail: a felted body, wires glued into awl holes. Through pegs:
/// equal wires pushed straight through a firm body. Thread joints: felted parts strung on strong thread. No
/// wire: parts wound on a skewer and felted hard. Part-wired: legs, neck and tail have wire, the rest is
/// felt.
enum class Construction {
  FoldedPair,
  TwistedLimbs,
  SpineAndCrosspieces,
  LegsAndTail,
  ThroughPegs,
  ThreadJoints,
  NoWire,
  PartWired
};

inline constexpr std::array<Construction, 8> kConstructions{
    Construction::TwistedLimbs, Construction::FoldedPair,  Construction::SpineAndCrosspieces,
    Construction::LegsAndTail,  Construction::ThroughPegs, Construction::PartWired,
    Construction::ThreadJoints, Construction::NoWire};

[[nodiscard]] std::string_view id(Construction construction);      ///< "folded-pair"
[[nodiscard]] std::string_view name(Construction construction);    ///< "folded pair"
[[nodiscard]] std::string_view built(Construction construction);   ///< how it is built, one sentence
[[nodiscard]] std::string_view givesUp(Construction construction); ///< what it cannot do, a few words
[[nodiscard]] std::optional<Construction> construction(std::string_view id);

/// A stretch of the skeleton and the wires side by side along it.
struct StrandSegment {
  int a = 0, b = 0; ///< points
  int limb = 0;     ///< whose stretch it is
  int bone = -1;    ///< -1 for the link to a limb's first joint
  int wires = 1;

  [[nodiscard]] bool operator==(const StrandSegment&) const = default;
};

/// How a limb is held where it leaves the body: its wire lashed on with a short extra piece, glued into an
/// awl hole, or pushed straight through the body with its twin's; or no wire: strung on thread with its twin,
/// or wound on a skewer and felted on.
enum class RootHold { Lashed, Glued, Through, Thread, Skewer };

inline constexpr std::array<RootHold, 5> kRootHolds{RootHold::Lashed, RootHold::Glued, RootHold::Through,
                                                    RootHold::Thread, RootHold::Skewer};

[[nodiscard]] std::string_view id(RootHold hold); ///< "lashed", "glued", "through", "thread", "skewer"
[[nodiscard]] std::optional<RootHold> rootHold(std::string_view id);

/// Limbs that share one wire and so one gauge.
struct WireGroup {
  std::string name;                    ///< "spine", "forelegs"; the same for the same figure and construction
  std::vector<int> limbs;              ///< each in exactly one group
  std::vector<int> wires;              ///< wires side by side in each of these limbs
  bool stem = false;                   ///< a pipe cleaner unless the maker chooses another
  bool digits = false;                 ///< fine wire, whatever the load
  std::vector<StrandSegment> segments; ///< all that its wire runs along
  int meets = -1;                      ///< point where it is twisted round another group's wire
  RootHold root = RootHold::Lashed;
  bool equal = false; ///< its pieces and those of like groups are cut alike

  [[nodiscard]] bool operator==(const WireGroup&) const = default;
};

/// What the maker wants of a limb; nothing where it is as the construction has it.
struct LimbWish {
  std::optional<int> wires;     ///< 0 no wire, 1, 2 or 4 side by side
  std::optional<RootHold> held; ///< its own way, whatever the rest of the figure is built like
};
using WiresWanted = std::vector<LimbWish>;

/// The limbs of a figure by shared wire. Every limb that has wire is in exactly one group. A limb that other
/// wire must run through keeps one strand at least. `wanted` has one entry a limb, or none at all. A limb
/// held its own way has wire of its own (a pair pushed through shares one); lashed where no other wire
/// passes its root, it is glued instead.
[[nodiscard]] std::vector<WireGroup> wireGroups(const Figure& figure, const WireSkeleton& skeleton,
                                                Construction construction, const WiresWanted& wanted = {});

/// The ways such a limb can be held; none for the body itself, which the others are held to.
[[nodiscard]] std::vector<RootHold> holdsFor(const FigureLimb& limb);

/// Whether a construction can carry wire in such a limb at all.
[[nodiscard]] bool carries(Construction construction, const FigureLimb& limb);

/// The twin limbs (legs, arms, wings) on the spine, foremost pair first, as indices of the left ones.
[[nodiscard]] std::vector<int> spinePairs(const Figure& figure, const WireSkeleton& skeleton);

/// Whether a limb is part of the spine (head, neck, trunk, tail in one line).
[[nodiscard]] bool onSpine(const WireSkeleton& skeleton, int limb);

} // namespace columna
