// Eyes: which to buy, how deep they sit, and the holes of their stems.
#pragma once

#include "measure/result.h"

#include <Eigen/Core>

#include <limits>
#include <string>
#include <string_view>
#include <vector>

namespace columna {

/// From data/work/face.json, where each number has its source; most are estimates [E].
struct FaceRules {
  std::vector<double> eyeSizes;            ///< mm, rising: what is sold
  double eyeNear = 0, eyeFar = 0;          ///< shares a bought eye may be off: not told of, still taken
  double eyeGap = 0;                       ///< of the eye: what has to be left between two that look forward
  double flatThin = 0, flatThinnest = 0;   ///< mm: felt that hardly holds, and that does not
  double padNone = 0, radiusNone = 0;      ///< g and mm: below both a pad is left out
  double stem = 0;                         ///< mm across: a loop of wire, doubled
  double stemLong = 0;                     ///< of the eye's diameter
  double stemWide = 0;                     ///< of the head's width there, at most
  double stemMost = 0;                     ///< mm
  double stemLeast = 0;                    ///< mm
  double stemLeastLong = 0;                ///< of the eye's diameter, where that is more
  double holeWider = 0;                    ///< mm more than the stem
  double holesApart = 0;                   ///< mm between two holes
  double glass = 0, acrylic = 0, clay = 0; ///< g/mm3
  double woolGlue = 0, wood = 0;           ///< g/mm3: horns of wool stiffened with glue, or whittled
  double flatBack = 0;                     ///< of its diameter: how thick a flat-backed eye is
  double edgeNeedled = 0;                  ///< mm lost all round where an edge is needled in
  double baseLeast = 0, baseMost = 0;      ///< mm left unfelted beyond a flat part's base
  double baseShare = 0;                    ///< of its length
  double baseThick = 0;                    ///< of its thickness
  double layMedium = 1, layFirm = 1;       ///< how much larger loose wool is laid
  double padThick = 0, padThickLeast = 0, padThickMost = 0; ///< of its width; mm; of the foot's height
  double padStab = 0;                   ///< of the foot's height: how deep a needle may go for a pad
  double toeWide = 0, toeLong = 0;      ///< mm: smaller toes are not made apart
  double clawLeast = 0;                 ///< mm: shorter claws are drawn
  double relaxed = 0;                   ///< share of felt's stiffness left after hours
  double tiltNear = 0, tiltFar = 0;     ///< degrees a pair may stand askew: it begins to show, and it does
  double offNear = 0, offFar = 0;       ///< the same as shares of what is between the pair
  double offLeast = 0;                  ///< mm: less is not seen
  double padLeast = 0;                  ///< g: a lighter pad is laid as a wisp
  double radiusLeast = 0;               ///< mm: a smaller feature is not felted
  double apartNear = 0, apartFar = 0;   ///< shares eyes may stand farther apart than the animal's, or nearer
  double wireClear = 0;                 ///< mm between an eye's hole and wire
  double underThin = 0, underLeast = 0; ///< mm of wool under a socket: little, and too little
  double hiddenNear = 0, hiddenFar = 0; ///< shares of an eye behind an ear: it shows, and it is wrong
  double hardNear = 0, hardLeast = 0;   ///< horns and bill, of the head's wool; g: less pulls nothing over
  double skinTurn = 0;                  ///< mm of a skin's edge turned round a wire
  double skinStretch = 0;               ///< share of length that felt takes up when a skin is not flat
  double wireThicker = 0,
         wireLonger = 0;              ///< mm: felt that thick still droops, an ear that long: it takes wire
  double wireInset = 0, wireInto = 0; ///< mm inside a flat part's edge; mm of each end into the head
  double wireOwn = 0;                 ///< times what would be bought that one's own may be as thick
  double timePads = 0, timeEyes = 0, timeNose = 0, timeEars = 0; ///< shares of the time a face takes
  double timeCoat = 0;                                           ///< likewise
};

/// Errors name the file and the key: one missing, not a number, below zero, or without a source; sizes that
/// do not rise.
[[nodiscard]] Result<FaceRules> readFaceRules(std::string_view json, const std::string& file);

/// The size sold that is nearest by ratio.
struct EyeChoice {
  double wanted = 0, take = 0; ///< mm
  double off = 0;              ///< share it is too large; below zero too small
};
[[nodiscard]] EyeChoice eyeFor(double wanted, const FaceRules& rules);

/// What a round eye of that diameter presses out when so much of it is sunk (0..1): depth mm, volume mm3 (a
/// cap of the ball), and the opening's width, mm.
struct Socket {
  double deep = 0, volume = 0, opening = 0;
};
[[nodiscard]] Socket socketOf(double diameter, double sunk);

/// The two stems of a pair of eyes whose middles lie `aside` mm from the mid line, each running inwards at
/// `azimuth` (radians; 0 straight back): how long each may be, and how far it has to be turned so that their
/// holes stay apart.
struct StemPlan {
  double length = 0;  ///< mm in the wool
  double azimuth = 0; ///< it is set at; less than the eye's where it had to be turned
  double clear = 0;   ///< mm between the holes at their nearest; below zero they meet
  double shorter = 0; ///< mm: how long it may be at the eye's own azimuth; 0 where any length is
};
/// `most`: mm that there is room for at all.
[[nodiscard]] StemPlan stemsFor(double aside, double azimuth, double diameter, double headWidth,
                                const FaceRules& rules,
                                double most = std::numeric_limits<double>::infinity());

} // namespace columna
