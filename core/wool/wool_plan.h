// How much wool each limb takes, core and coat, and the girths to build to.
#pragma once

#include "measure/working.h"
#include "wool/body.h"
#include "wool/felt.h"

#include <vector>

namespace columna {

/// Girths at a station of a limb, mm round (what a tape measures).
struct Girth {
  double along = 0; ///< mm from the limb's root along its wired bones
  int bone = 0;
  double at = 0;               ///< 0..1 on the bone
  double across = 0, deep = 0; ///< finished diameters
  double finished = 0;         ///< coat on
  double felted = 0;           ///< core, felted; 0 where the part is all coat
  double wound = 0;            ///< core as wound, before felting
};

struct LimbWool {
  double core = 0, coat = 0;             ///< g
  double coreLow = 0, coreHigh = 0;      ///< g, over the plausible densities and the volume's error
  double coreVolume = 0, coatVolume = 0; ///< mm3
  Firmness firmness = Firmness::Medium;
  double stripLength = 0;    ///< mm of 15 g/m sliver for the core
  std::vector<Girth> girths; ///< by `along`
  double girthMax = 0;       ///< the largest finished girth, mm
};

struct WoolPlan {
  std::vector<LimbWool> limbs;
  double core = 0, coat = 0; ///< g
  double coatThickness = 0;  ///< mm
  double volumeError = 0;    ///< share of the volume
};

/// `firmness` has one entry a limb.
[[nodiscard]] WoolPlan planWool(const Figure& figure, const BodyVolume& volume, double coat,
                                const std::vector<Firmness>& firmness);

[[nodiscard]] Working coreWorking(const LimbWool& wool, double volumeError);
[[nodiscard]] Working coatWorking(const LimbWool& wool, double coatThickness);
/// How a finished girth follows from the section.
[[nodiscard]] Working girthWorking(const Girth& girth);
[[nodiscard]] Working woundWorking(const Girth& girth, LimbKind kind);

} // namespace columna
