// How long the work takes: a first estimate from volumes, surface, firmness and digits.
#pragma once

#include "measure/result.h"
#include "measure/working.h"
#include "wire/piece.h"
#include "wool/wool_plan.h"

namespace columna {

/// Minutes for each kind of work, from data/work/pace.json [E]. One's own recorded times replace it later.
struct Pace {
  double wirePiece = 0, wireBend = 0;                ///< minutes a piece, a bend
  double coreSoft = 0, coreMedium = 0, coreFirm = 0; ///< minutes a cm3 of felted core
  double coreLimb = 0;                               ///< minutes a limb, to start and join it
  double coatArea = 0;                               ///< minutes a cm2 of coat
  double digit = 0;                                  ///< minutes a toe or finger
  double head = 0;                                   ///< minutes for the face
  double low = 1, high = 1;                          ///< the range, as shares of the estimate
  std::string source;
};

/// Errors name the file and the field.
[[nodiscard]] Result<Pace> readPace(std::string_view json, const std::string& file);

struct WorkTime {
  double wire = 0, core = 0, coat = 0, details = 0; ///< minutes
  double total = 0;                                 ///< minutes
  double low = 0, high = 0;                         ///< minutes
  std::vector<double> limbs;                        ///< minutes of wool work on each limb
};

/// Core by volume and firmness, coat by surface, digits and the face apart.
[[nodiscard]] WorkTime workTime(const Figure& figure, const WoolPlan& wool, const std::vector<Piece>& pieces,
                                const Pace& pace);

[[nodiscard]] Working timeWorking(const WorkTime& time, const Pace& pace);

} // namespace columna
