#include "judge/standing_words.h"

#include "measure/quantity.h"

#include <fmt/format.h>

#include <algorithm>
#include <numbers>

namespace columna {

std::optional<StandingWords> standingWords(const Standing& s, const std::string& towards,
                                           const std::string& on, double tipNeeded, double marginNeeded,
                                           const std::string& fallCure, const std::string& tipCure) {
  if (!s.stands)
    return StandingWords{Level::Wrong,
                         fmt::format("It falls {}: its weight lies {} mm outside {}; {}.", towards,
                                     printApart(std::max(0.0, -s.margin), 0, 1), on, fallCure),
                         "it falls over"};
  const double degrees = s.tip * 180 / std::numbers::pi;
  const double needed = tipNeeded * 180 / std::numbers::pi;
  const bool tips = s.tip < tipNeeded;
  const bool near = s.margin < marginNeeded;
  if (!tips && !near) return std::nullopt;
  std::string what;
  if (tips)
    what = fmt::format("tips {} at {}°, {}° is wanted", towards, printApart(degrees, needed, 0),
                       printNumber(needed, 0));
  if (near)
    what += fmt::format("{}its weight lies {} mm inside {}, {} mm is wanted", tips ? "; " : "",
                        printApart(s.margin, marginNeeded, 1), on, printNumber(marginNeeded, 1));
  return StandingWords{Level::Doubtful,
                       fmt::format("It stands, but {}{}; {}.", tips ? "" : "only just: ", what, tipCure),
                       "it tips easily"};
}

} // namespace columna
