// The fields of when a maker works.
#pragma once

#include "make/make_wish.h"
#include "make/step_pins.h"
#include "measure/field.h"

namespace columna {

template <>
struct Table<MakeWish> {
  static constexpr std::tuple fields{
      field("week", &MakeWish::week).about("when the maker works: tue 20:00-21:30, sat 10:00-12:00"),
      field("days", &MakeWish::days).about("days that differ: 2026-12-24 off, 2026-12-26 10:00-12:00"),
      field("pins", &MakeWish::pins).about("steps kept to a session: coat/trunk 2026-12-05 10:00"),
      field("stretch_min", &MakeWish::stretch).within(5, 720).about("minutes of handwork in one go"),
      field("rest_min", &MakeWish::rest).within(0, 720).about("minutes of rest after it")};
  static std::optional<FieldProblem> settle(MakeWish& wish) {
    if (const auto days = readOtherDays(wish.days); !days)
      return FieldProblem{"days", days.problem().what, days.problem().remedy};
    if (const auto pins = readPins(wish.pins); !pins)
      return FieldProblem{"pins", pins.problem().what, pins.problem().remedy};
    if (const auto week = weekOf(wish); !week)
      return FieldProblem{"week", week.problem().what, week.problem().remedy};
    return std::nullopt;
  }
};

} // namespace columna
