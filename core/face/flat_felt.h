// Whether an ear stands: a flat part of felt under its own weight.
#pragma once

namespace columna {

/// A flat part as it stands: a strip rooted at its base.
struct FlatStrip {
  double length = 0;     ///< mm from base to tip
  double width = 0;      ///< mm, at a third of its height
  double thickness = 0;  ///< mm
  double density = 0;    ///< g/mm3
  double cup = 0;        ///< radians its width is rolled to; 0 flat
  double lean = 0;       ///< radians from upright
  bool thickRoot = true; ///< a third thicker over its lowest quarter
};

enum class Stands { Well, Doubtful, Droops };

struct FlatStanding {
  double critical = 0; ///< mm: the length it would buckle at under its own weight
  double sag = 0;      ///< mm its tip sinks, by the small-bend formula, too much beyond 0.15 of the length
  double stiffer = 1;  ///< times the flat strip's stiffness, by its cup
  Stands verdict = Stands::Well;
};

/// How many times stiffer a strip is rolled to an arc of `angle` than flat: 1 + 12 var(z) / t^2, z being the
/// arc's height over its own chord.
[[nodiscard]] double cupFactor(double width, double thickness, double angle);

/// Self-buckling of an upright cantilever (Greenhill 1881), L^3 = 7.837 E I / w, with the felt's stiffness by
/// its density (feltStiffness, uncertain by a factor of 2 either way) of which `relaxed` is left after hours;
/// the tip's sag as a uniformly loaded cantilever's, w L^4 sin(lean) / (8 E I). Stands well up to 0.6 of the
/// critical length with a sag under 0.05 of it, doubtful up to 0.8 and 0.12. All sizes above 0.
[[nodiscard]] FlatStanding standingOf(const FlatStrip& strip, double relaxed);

} // namespace columna
