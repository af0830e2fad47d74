// The armature of a posed figure as a frame: which members there are, of which wire, and what weighs on them.
#pragma once

#include "hold/contacts.h"
#include "hold/frame.h"
#include "hold/loads.h"
#include "wire/construction.h"
#include "wire/section.h"

#include <memory>
#include <set>

namespace columna {

/// What the frame is made from. The neutral figure and its skeleton say where wire runs; the posed figure has
/// the same bones in the same order.
struct ArmatureParts {
  const Figure& figure;         ///< neutral
  const WireSkeleton& skeleton; ///< neutral
  const std::vector<WireGroup>& groups;
  const std::vector<WireSection>& sections; ///< one a group
  const std::vector<BoneMass>& wool;        ///< of each bone, neutral: wool, and what wire takes at joints
  const std::vector<double>& feltStiffness; ///< MPa, of each limb's felt: what holds where no wire runs
  const std::set<std::string>& glued;       ///< points whose strands are glued together
  double bonded = 1;                        ///< strength of glued strands over their sum
};

/// A member's wire: what bends it.
struct MemberWire {
  int limb = -1;
  int a = -1, b = -1;                         ///< points of the skeleton, in the limb's direction
  int group = -1;                             ///< the strongest that runs here; -1: felt alone
  double hold = 0, holdLow = 0, holdHigh = 0; ///< moment at the 0.2 % stress and over its range, N mm
  double nudge = 0;                           ///< at the 2 % stress
  double ultimate = 0;                        ///< at the tensile strength
  double bundle = 0;                          ///< mm across
};

struct FigureFrame {
  Frame frame;
  std::vector<MemberWire> wires;               ///< one a member
  std::vector<Vec3> points;                    ///< of the skeleton, posed, mm
  std::vector<int> nodeOf;                     ///< of each point, -1 where nothing runs
  std::vector<int> supports;                   ///< nodes that are held
  Vec3 centre{0, 0, 0};                        ///< centre of mass, mm
  double weight = 0;                           ///< N
  std::shared_ptr<const ElasticFrame> elastic; ///< made ready to be solved, where that was done already
  bool anyWire = false;
  bool inLine = false; ///< loose feet in one line: they were taken as flat so that something can be said
};

/// Where the neutral skeleton's points lie in the pose: joints as posed, roots at their place along the bone
/// that carries them.
[[nodiscard]] std::vector<Vec3> posedPoints(const Figure& figure, const WireSkeleton& skeleton,
                                            const Figure& posed);

/// The frame in its own weight. Supports as told; feet that pull instead of press are let go of while three
/// others stand. A figure that touches the ground nowhere is held at the point nearest its middle.
[[nodiscard]] FigureFrame figureFrame(const ArmatureParts& parts, const Figure& posed, const Support& support,
                                      const PoseRules& rules);

} // namespace columna
