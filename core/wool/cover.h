// The coat: how much of it hides the core, markings in other colours, and fur laid in rows.
#pragma once

#include "solid/known_solid.h"
#include "wool/wool_rules.h"
#include "wool/wool_wish.h"

#include <string>
#include <vector>

namespace columna {

/// Wool needed to hide a core of that tone, g/mm2: by the coat's tone, little where they are alike. Where
/// either is unknown a middle tone is reckoned with.
[[nodiscard]] double hidingMass(std::optional<Tone> core, std::optional<Tone> coat, const WoolRules& rules);

/// The coat a maker lays unless they settle another, mm felted down: what hides the core by the two tones,
/// never thinner than can be laid, nor thicker than a quarter of the thinnest part that has a core. A brushed
/// one is laid thicker.
[[nodiscard]] double usualCoat(const WoolWish& wish, const WoolRules& rules);

/// How deep a coat in rows takes from the outline at its roots, mm: its own wool as needled down; 0 for a
/// coat without rows.
[[nodiscard]] double rowsDepth(const WoolWish& wish, const WoolRules& rules);

/// What an animal's living pelt suggests beyond a felted coat: fur or feathers of that shown length, mm.
struct CoatOffer {
  CoatFinish finish = CoatFinish::Fur;
  double shown = 0;
};
/// `kind` is the pattern's word for its pelt, `pelt` its thickness at this size, `laid` the coat's, mm.
[[nodiscard]] std::optional<CoatOffer> coatOffer(std::string_view kind, double pelt, double laid,
                                                 const WoolRules& rules);

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
                                    double coat, std::optional<Tone> under, double density,
                                    const WoolRules& rules);

/// Fur, feathers or lengths of yarn on one limb, laid from its far end towards the head like roof tiles.
struct FurRows {
  int rows = 0;
  double spacing = 0; ///< mm between rows
  int tufts = 0;      ///< of all rows
  double cut = 0;     ///< mm: twice the shown length and the fold
  double yarn = 0;    ///< mm of it in all, of yarn alone
  double grams = 0;
  int perStaple = 0; ///< tufts that one length of staple gives
  double waste = 0;  ///< share of the staple that is left over, 0..1
  std::string way;   ///< from where to where, along the growth
};

/// `shown` mm of it on a limb `length` mm long and `girth` mm round on the mean.
[[nodiscard]] FurRows furOn(const FigureLimb& limb, CoatFinish finish, double length, double girth,
                            double shown, double staple, const WoolRules& rules);

} // namespace columna
