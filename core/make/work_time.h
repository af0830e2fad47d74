// How long the work takes: a first estimate from volumes, surface, firmness and digits.
#pragma once

#include "make/finish.h"
#include "measure/result.h"
#include "measure/working.h"
#include "wire/piece.h"
#include "wool/wool_plan.h"

#include <array>

namespace columna {

/// Minutes for each kind of work, from data/work/pace.json, where each has its range and source [E]. One's
/// own recorded times replace them later.
struct Pace {
  double wirePiece = 0, wireBend = 0;                ///< a piece, a bend
  double part = 0;                                   ///< a part, to begin and to join it
  double coreSoft = 0, coreMedium = 0, coreFirm = 0; ///< a cm3 of felted wool
  double severalNeedles = 1;                         ///< cm3: larger parts are felted with several at once
  std::array<double, 4> surface{};                   ///< a cm2, by finish
  std::array<double, 4> head{};                      ///< the face, by finish
  std::array<double, 4> digit{};                     ///< a toe or finger, by finish
  double low = 1, high = 1;                          ///< the range, as shares of the estimate

  [[nodiscard]] double core(Firmness firmness) const {
    return firmness == Firmness::Soft ? coreSoft : firmness == Firmness::Medium ? coreMedium : coreFirm;
  }
};

/// Errors name the file and the field.
[[nodiscard]] Result<Pace> readPace(std::string_view json, const std::string& file);

struct WorkTime {
  double wire = 0, core = 0, coat = 0, details = 0; ///< minutes
  double total = 0;                                 ///< minutes
  double low = 0, high = 0;                         ///< minutes
  Finish finish = Finish::Good;
  double surface = 0;        ///< cm2 of finished surface, both faces of flat parts
  std::vector<double> limbs; ///< minutes of wool work on each limb
};

/// The minutes of one limb's wool.
struct LimbTime {
  double part = 0;    ///< to begin it and to join it
  double felting = 0; ///< by its volume and firmness
  double coat = 0;    ///< by its surface and the finish
  double digits = 0, face = 0;
};
[[nodiscard]] LimbTime limbTime(const FigureLimb& limb, const LimbWool& wool, const Pace& pace,
                                Finish finish);

/// Of each part its beginning and joining and k V/(1 + V/V0)^(1/3): up to V0 in proportion to its volume, far
/// above it to its surface, for larger parts are felted with several needles at once. The coat by surface and
/// finish, digits and the face apart.
[[nodiscard]] WorkTime workTime(const Figure& figure, const WoolPlan& wool, const std::vector<Piece>& pieces,
                                const Pace& pace, Finish finish);

[[nodiscard]] Working timeWorking(const WorkTime& time, const Pace& pace);

} // namespace columna
