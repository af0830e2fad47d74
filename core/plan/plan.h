// The plan: everything that follows from a project, as plain values and the sums that give them. plan()
// (judge/planning.h) makes the whole. The interface, the command line, the sheet and the tests all read this.
#pragma once

#include "hold/gauge_rule.h"
#include "hold/soles.h"
#include "hold/standing.h"
#include "make/work_time.h"
#include "plan/finding.h"
#include "plan/flat_wire.h"
#include "plan/shared.h"
#include "project/catalog.h"
#include "project/project.h"
#include "wire/cut_list.h"
#include "wire/piece.h"
#include "wool/wool_plan.h"

#include <memory>
#include <vector>

namespace columna {

/// One limb's wire.
struct LimbPlan {
  bool wired = false;
  int group = -1;
  WireSection section; ///< this limb's wires
  Need need;           ///< what the sums ask for in this material
  Hold hold;
  bool chosen = false; ///< the maker chose the wire
  bool fits = true;    ///< false: no size of this material is thick enough
  Level verdict = Level::Good;
  Said sentence; ///< "Holds 4.5 times its load; bends with 1 N at the end."
};

/// A length that is cut: of a piece, of which a spliced one has several, or of the wire in an ear.
struct WirePart {
  int piece = -1; ///< of the plan; -1 for an ear's
  double length = 0;
  int flat = -1; ///< of the plan's flat wires
};

/// One wire and how its pieces are cut from what there is.
struct WireStock {
  std::string material; ///< id
  double diameter = 0;  ///< mm
  bool have = false;    ///< some of it is in the drawer
  std::vector<WirePart> parts;
  CutList cuts; ///< `piece` of a cut is an index into `parts`
};

struct Totals {
  double wireLength = 0;     ///< mm, all pieces as cut
  double wireMass = 0;       ///< g
  double core = 0, coat = 0; ///< g
  double ready = 0;          ///< g of ready cores
  double waste = 0;          ///< g of wire that is cut off and not carried
  double mass = 0;           ///< g of the figure
};

struct PlanKeys;

/// In parts, each made of its own inputs and shared by all plans whose inputs are the same: another gauge
/// makes no other figure, other firmness no other pieces.
struct Plan {
  // Out of line: what it takes to copy all of it would be compiled anew in every file that holds one.
  Plan();
  Plan(const Plan& other);
  Plan(Plan&& other) noexcept;
  Plan& operator=(const Plan& other);
  Plan& operator=(Plan&& other) noexcept;
  ~Plan();

  // The figure: of the animal, the maker's shape, the size and what is made.
  Shared<Pattern> pattern; ///< the animal in the maker's shape, made parts included
  Shared<Figure> figure;
  /// The animal at the same scale with nothing but the character dials: what a changed value is put back to.
  /// Only when it differs from `figure`.
  Shared<std::optional<Figure>> animal;
  Shared<MadeFit> made; ///< how the made parts fit; empty without any
  Shared<WireSkeleton> skeleton;
  Shared<Footing> footing;

  // The wool: of figure, solid, what is settled of it, and the wire in it.
  std::shared_ptr<const KnownSolid> solid;
  Shared<WoolPlan> wool;
  WoolRules woolRules; ///< the rules of thumb it was made by

  // The wire.
  Construction construction = Construction::TwistedLimbs;
  BenchRules bench; ///< the rules of thumb it was made by
  std::vector<WireGroup> groups;
  std::vector<WireSection> sections; ///< one a group
  Shared<std::vector<Piece>> pieces;
  std::vector<Join> joins;
  Shared<std::vector<RouteChoice>> routes; ///< one a routed group
  std::vector<FlatWire> flatWires;      ///< in the ears and other flat parts of the head; not in its weight
  Shared<std::vector<WireStock>> stock; ///< one a wire, thickest first
  int wiresBought = 0;                  ///< different wires that are not in the drawer, lashing wire apart
  int wiresLeast = 0;                   ///< as few as would do at all
  double gaugeExcess = 0;               ///< American gauge numbers over what is needed, summed over the limbs

  // What it bears and does.
  Loads loads;
  std::vector<BoneMass> boneWool; ///< of each bone, wool alone
  std::vector<BoneMass> carried;  ///< the same with what wire takes at its joints
  Standing standing;
  PoseRules poseRules;           ///< what it is judged by
  std::vector<LimbPlan> limbs;   ///< one a limb of the figure
  std::vector<Finding> findings; ///< worst first, then in body order
  Totals totals;
  WorkTime time;

  std::shared_ptr<const PlanKeys> keys; ///< what the parts were made of

  /// Takes over the figure's part; the rest is of the figure before then, until it is planned.
  void takeFigure(const Plan& other);
  /// Index of the piece that is a limb's own, -1 if it has none.
  [[nodiscard]] int pieceOf(int limb) const;
  [[nodiscard]] bool anyWrong() const;
  /// The animal's own, `figure` itself when nothing was changed.
  [[nodiscard]] const Figure& intended() const { return *animal ? **animal : *figure; }
};

/// What may be known already, so that it need not be made.
struct SolidOffer {
  std::shared_ptr<const KnownSolid> known; ///< used as it is when it is of the same figure and coat
  bool hurried = false;                    ///< else guessed from it, or made roughly; the plan's wool says so
  double coarser = 1;                      ///< times the working cell
  const Plan* before = nullptr;            ///< parts of it whose inputs are the same are taken over
};

/// The sums of a plan: all but what is judged of it (verdicts, sentences and findings stay empty). Errors: a
/// pattern or material that is not in the catalog, a size no figure can have.
[[nodiscard]] Result<Plan> sums(const Project& project, const Catalog& catalog, const SolidOffer& offer = {});

/// The felted coat of a project, mm: the maker's, else what hides the core.
[[nodiscard]] double laidCoat(const Project& project, const WoolRules& rules);

/// What the solid of a plan's figure is made with.
[[nodiscard]] SolidWish solidWish(const Plan& plan);
[[nodiscard]] SolidWish solidWish(const Figure& figure, double coat, const WoolRules& rules);

/// The first part of a plan alone: pattern, figure, animal and made parts; nothing else is filled in. For
/// showing a figure under the hand, when the rest follows a little later. Errors as plan(), but for the
/// wire's.
[[nodiscard]] Result<Plan> planFigure(const Project& project, const Catalog& catalog,
                                      const Plan* before = nullptr);

/// Across each limb's bundle of wire, mm; 0 without wire.
[[nodiscard]] std::vector<double> bundlesOf(const Plan& plan);

/// The next thicker (+1) or thinner (-1) wire of a limb's material than the one it has now; nothing past the
/// end.
[[nodiscard]] std::optional<double> nextWire(const Plan& plan, int limb, int step);

} // namespace columna
