// What the steps of one figure are made of, and what several kinds of them have to know.
#pragma once

#include "judge/face_sums.h"
#include "steps/step_list.h"

namespace columna {

struct Making {
  const Project& project;
  const Catalog& catalog;
  const Plan& plan;
  const FaceSums* face; ///< may be null
  StepList& list;

  [[nodiscard]] const Figure& figure() const { return plan.figure; }
  [[nodiscard]] const FigureLimb& limb(int l) const { return plan.figure->limbs[static_cast<size_t>(l)]; }
  [[nodiscard]] const LimbWool& wool(int l) const { return plan.wool->limbs[static_cast<size_t>(l)]; }
  [[nodiscard]] const StepBook& book() const { return catalog.steps; }
  [[nodiscard]] int limbs() const { return static_cast<int>(plan.figure->limbs.size()); }
  /// How a wired limb is held where it leaves the body.
  [[nodiscard]] RootHold rootOf(int l) const;
  [[nodiscard]] bool wired(int l) const { return plan.limbs[static_cast<size_t>(l)].wired; }
  /// Wired, and part of the skeleton that is made before any wool.
  [[nodiscard]] bool inSkeleton(int l) const;
  /// The first limb of a kind; -1 without one.
  [[nodiscard]] int first(LimbKind kind) const;
  /// "wind/left-foreleg".
  [[nodiscard]] std::optional<int> of(const char* verb, int l) const;
  /// The last of what is done to a limb before its coat.
  [[nodiscard]] std::optional<int> cored(int l) const;
  /// "verb/limb", one of a batch with the limb's twin.
  [[nodiscard]] Step onLimb(const char* verb, int l, Said words, Bench bench,
                            PaceKind pace = PaceKind::Around) const;
  /// What dries after a step, where there is such a thing.
  void dries(Step& step, const std::string& id) const;
  /// What parts are set with: the maker's, or the first there is.
  [[nodiscard]] std::string glue(const std::string& wished) const;
  [[nodiscard]] Goal weightGoal(double grams) const;
  [[nodiscard]] Goal girthGoal(double girth, double along, Said words) const;
};

/// A name as part of an id: "left foreleg" as "left-foreleg".
[[nodiscard]] std::string slug(std::string text);

/// Of one limb's minutes: what is wound, padded, skinned and laid as its coat.
struct LimbMinutes {
  LimbTime time;
  double wound = 0, pads = 0, skin = 0, coat = 0; ///< together its felting
  double area = 0;                                ///< its surface
  double padVolume = 0;                           ///< mm3 of all its pads
};
[[nodiscard]] LimbMinutes limbMinutes(const Making& m, int l);

/// Where a limb is measured: its largest girth outside the loose end; null without any.
[[nodiscard]] const Girth* thickest(const LimbWool& wool);

void wireSteps(Making& m);
void woolSteps(Making& m);
void coatSteps(Making& m);
void headSteps(Making& m);
/// What comes when all else is done.
void lastSteps(Making& m);

} // namespace columna
