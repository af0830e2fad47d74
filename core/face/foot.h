// Soles: pads to weigh, claws, and where the foot's colour begins.
#pragma once

#include "face/eye.h"
#include "head/head_pattern.h"

#include <string>
#include <vector>

namespace columna {

/// A pad as it is laid on the sole.
struct SolePad {
  const FootPad* pad = nullptr;
  std::vector<Vec2> outline;    ///< mm in the foot's own plane: u forward from the heel, v to the outer side
  double length = 0, width = 0; ///< mm
  double thickness = 0;         ///< mm: shallow, so that its colour does not come out above
  double grams = 0;             ///< g, firm
  bool wisp = false;            ///< too light for a pad: laid as a wisp
};

struct SoleClaw {
  const FootClaw* claw = nullptr;
  std::vector<Vec2> outline; ///< mm
  double length = 0;         ///< mm
  bool drawn = false;        ///< too short to be made: painted, or a stitch of black thread
};

struct Sole {
  std::string which; ///< "fore", "mid", "hind"
  const FootPattern* foot = nullptr;
  double length = 0, width = 0, height = 0; ///< mm
  double colourUp = 0;       ///< mm up the limb that the foot's colour begins at; 0: none of its own
  double stab = 0;           ///< mm a needle may go in for the pads
  bool toesApart = true;     ///< toes can be made each; else lines are needled between them
  std::vector<Vec2> outline; ///< mm; empty where the file gives none
  std::vector<SolePad> pads;
  std::vector<SoleClaw> claws;
  std::vector<std::vector<Vec2>> toes, webs; ///< mm
};

/// How many mm of a figure a head module of its feet is: feet go by the animal's own size in life, and not by
/// how large its head is made. `mmPerModule` is the figure's, of the pattern.
[[nodiscard]] double footScale(const HeadPattern& head, const Pattern& pattern, double mmPerModule);

/// The soles of the left feet. A pad is 0.12 of its width thick, 0.6 mm at least and a third of the foot's
/// depth at most, and weighs as half an oval of that height: `firm` (g/mm3) x area x thickness / 2.
[[nodiscard]] std::vector<Sole> solesOf(const HeadPattern& head, double scale, double firm,
                                        const FaceRules& rules);

/// The outline of a pad of a shape about the origin, with half sizes along u and v.
[[nodiscard]] std::vector<Vec2> padShape(FootPadShape shape, const Vec2& radii);

} // namespace columna
