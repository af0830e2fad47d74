// The coat: how much of it hides the core, markings in other colours, and fur laid in rows.
#pragma once

#include "solid/known_solid.h"
#include "wool/wool_rules.h"
#include "wool/wool_wish.h"

#include <string>
#include <vector>

namespace columna {

/// Wool needed to hide a core of that tone, g/mm2: by the coat's tone, little where they are alike.
[[nodiscard]] double hidingMass(Tone core, Tone coat, const WoolRules& rules);

/// A marking on the figure.
struct MarkedArea {
  std::string name;
  Tone tone = Tone::Pale;
  double area = 0;            ///< mm2, both sides together where it is on both
  double grams = 0;           ///< of its colour, in place of coat wool
  std::vector<double> byLimb; ///< mm2 on each limb
};

/// The surface seen inside a marking's outline: patches that face the view, and their mirror images where it
/// is on both sides. `coat` mm of `density`, or more where hiding takes it.
[[nodiscard]] MarkedArea markedArea(const Marking& marking, const Figure& figure, const KnownSolid& solid,
                                    double coat, Tone under, double density, const WoolRules& rules);

/// Fur on one limb, laid from its far end towards the head like roof tiles.
struct FurRows {
  int rows = 0;
  double spacing = 0; ///< mm between rows
  int tufts = 0;      ///< of all rows
  double cut = 0;     ///< mm: twice the shown length and the fold
  double grams = 0;
  int perStaple = 0; ///< tufts that one length of staple gives
  double waste = 0;  ///< share of the staple that is left over, 0..1
  std::string way;   ///< from where to where, along the growth
};

/// `shown` mm of fur on a limb `length` mm long and `girth` mm round on the mean.
[[nodiscard]] FurRows furOn(const FigureLimb& limb, double length, double girth, double shown, double staple,
                            const WoolRules& rules);

} // namespace columna
