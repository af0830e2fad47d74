// How much wool each limb takes and in what form: winding, pads, skin and coat, the girths to build to.
#pragma once

#include "measure/working.h"
#include "solid/known_solid.h"
#include "wool/cover.h"
#include "wool/felt.h"
#include "wool/hair.h"
#include "wool/layers.h"
#include "wool/needles.h"
#include "wool/pads.h"
#include "wool/ready_core.h"
#include "wool/winding.h"

#include <vector>

namespace columna {

struct LimbWool {
  // Weights, g. `core` is wound, padded and skin together; `coat` includes parts that are all coat.
  double core = 0, coat = 0;
  double wound = 0, padded = 0, skin = 0;
  double flats = 0;                 ///< ears, fins and the like cut from flat felt
  double fur = 0;                   ///< in rows: fur, feathers or yarn
  double hair = 0;                  ///< rows of hair and feathers on a head, in itself
  double hard = 0;                  ///< of horns, bills and eyes: no wool, counted nowhere else
  double hardVolume = 0;            ///< mm3 of horns and bills
  double ready = 0;                 ///< a core that was there already, as it is placed
  double saved = 0;                 ///< core wool that it stands for
  double coreLow = 0, coreHigh = 0; ///< over the plausible densities and the volume's error
  // Volumes, mm3, felted and without the wire.
  double coreVolume = 0, coatVolume = 0, woundVolume = 0, padVolume = 0, skinVolume = 0;
  double wireVolume = 0; ///< wire and grip inside the wool
  double furVolume = 0;  ///< what rows take at their roots
  double rowsOver = 0;   ///< g the rows weigh above the coat whose room they take
  double readyVolume = 0;
  double area = 0;      ///< mm2 of surface
  double flatFaces = 0; ///< mm2, both faces of its flat parts

  Firmness firmness = Firmness::Medium;
  double density = 0;        ///< g/mm3 felted
  bool ownDensity = false;   ///< by the maker's number or test ball
  bool allCoat = false;      ///< no part of it has a core
  bool someCoat = false;     ///< some of its bones are coat wool right through
  Said coatReason;           ///< why, where some of it is all coat
  double hides = 0;          ///< how many times over the coat hides the core; 0 without either
  double offCentre = 0;      ///< g of pads that wire in the middle of the sections would save
  double offCentreAlong = 0; ///< mm from the root: where it lies farthest out
  double offCentreBy = 0;    ///< mm it lies out of the middle there
  double looseEnd = 0;       ///< mm at the root left unfelted for joining
  double looseFrom = 0;      ///< mm along the limb where its own wool comes out of what it grows from
  double looseVolume = 0;    ///< mm3 of its wool in that end, as felted in the end
  double loose = 0;          ///< g of it: on the wire, but firmed only when the limb is joined

  std::vector<Girth> girths; ///< by `along`
  double girthMax = 0;       ///< the largest finished girth, mm
  std::vector<Pad> pads;     ///< in the order to add them
  Winding winding;
  NeedlePlan needles;
  FurRows furRows;
};

struct WoolPlan {
  std::vector<LimbWool> limbs;
  double core = 0, coat = 0;        ///< g; flats and fur are counted with the coat, a head's hair too
  double ready = 0, saved = 0;      ///< g of ready cores, and of wool they save
  double hard = 0;                  ///< g of horns, bills and eyes
  double coatThickness = 0;         ///< mm between core and outline: the coat laid, and what rows take
  double coatLaid = 0;              ///< mm of it that is laid and felted
  std::vector<ReadyFit> readyFits;  ///< as in the wish
  double volume = 0;                ///< mm3 of the whole body, wire included
  double volumeError = 0;           ///< share of the volume
  bool guessed = false;             ///< the exact solid is still to be made
  double handFactor = 1;            ///< own felt's density over the usual, by the test ball
  std::vector<MarkedArea> markings; ///< as in the wish
  std::vector<HairRow> hair;        ///< on the head, in the order it is laid
};

/// What is settled of one limb.
struct LimbWoolInput {
  Firmness firmness = Firmness::Medium;
  std::optional<double> density; ///< g/mm3, the maker's own
  CoatWay way = CoatWay::Advised;
  double bundle = 0; ///< mm of wire, 0 without
  [[nodiscard]] bool operator==(const LimbWoolInput&) const = default;
};

struct WoolInput {
  double coat = 0; ///< mm from the core to the outline
  double laid = 0; ///< mm of it that is felted coat
  WoolWish wish;
  std::vector<ReadyFit> ready;      ///< how the wish's ready cores fit
  std::vector<LimbWoolInput> limbs; ///< one a limb of the figure
};

/// Each limb's own wool, before flats and markings. `before`: of the same figure, solid and rules, and of an
/// input that is the same but for some limbs; those that are the same are taken over.
struct LimbsBefore {
  const WoolInput& input;
  const std::vector<LimbWool>& alone;
};
[[nodiscard]] std::vector<LimbWool> limbsAlone(const Figure& figure, const KnownSolid& solid,
                                               const WoolInput& in, const WoolRules& rules,
                                               const LimbsBefore* before = nullptr);

[[nodiscard]] WoolPlan planWool(const Figure& figure, const KnownSolid& solid, const WoolInput& in,
                                const WoolRules& rules, std::vector<LimbWool> alone);
[[nodiscard]] WoolPlan planWool(const Figure& figure, const KnownSolid& solid, const WoolInput& in,
                                const WoolRules& rules);

/// Felted density of a limb, g/mm3: the maker's own number, else the usual times the hand's factor.
[[nodiscard]] double densityOf(const LimbWoolInput& in, double handFactor);

/// Whether a bone is coat wool right through: by the limb's way, or thinner than the rules allow, or its coat
/// would not hide the core.
[[nodiscard]] bool boneAllCoat(const FigureBone& bone, const LimbWoolInput& in, double laid,
                               const WoolWish& wish, const WoolRules& rules);

/// Grams of wool in each bone, flats and ready cores too, with wire of those bundles in it.
[[nodiscard]] std::vector<double> boneGrams(const Figure& figure, const KnownSolid& solid,
                                            const WoolInput& in, const WoolRules& rules);

[[nodiscard]] Working coreWorking(const LimbWool& wool, double volumeError);
/// `laid` mm of felted coat.
[[nodiscard]] Working coatWorking(const LimbWool& wool, double laid);
/// How a finished girth follows from the section.
[[nodiscard]] Working girthWorking(const Girth& girth);
/// How the wound girth follows from the felted round.
[[nodiscard]] Working woundWorking(const Girth& girth, LimbKind kind, const LimbWool& wool,
                                   const WoolRules& rules);
/// The core or the coat of all limbs together.
[[nodiscard]] Working totalWorking(const Figure& figure, const WoolPlan& plan, bool core);
[[nodiscard]] Working padWorking(const Pad& pad, const LimbWool& wool);
[[nodiscard]] Working stripWorking(const Winding& winding, const Sliver& wool);
[[nodiscard]] Working furWorking(const FurRows& fur, CoatFinish finish, double shown, double staple);
[[nodiscard]] Working readyWorking(const ReadyCore& core, const ReadyFit& fit, const LimbWool& wool);
[[nodiscard]] Working ballWorking(const TestBall& ball);

} // namespace columna
