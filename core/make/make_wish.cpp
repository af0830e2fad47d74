#include "make/make_wish.h"

#include <fmt/format.h>

#include <algorithm>

namespace columna {

Result<std::vector<OtherDay>> readOtherDays(std::string_view text) {
  std::vector<OtherDay> out;
  while (!text.empty()) {
    const size_t comma = text.find(',');
    const std::string_view one = withoutSpace(text.substr(0, comma));
    text = comma == std::string_view::npos ? std::string_view() : text.substr(comma + 1);
    if (one.empty()) continue;
    const Problem bad{say("“{}” is no day of its own", AsIs(std::string(one))), "",
                      say("write it as {}", AsIs("2026-12-24 off, 2026-12-26 10:00-12:00"))};
    const size_t space = one.find(' ');
    const auto date = dateOf(one.substr(0, space));
    if (!date || space == std::string_view::npos) return bad;
    const std::string_view time = withoutSpace(one.substr(space + 1));
    auto day = std::find_if(out.begin(), out.end(), [&](const OtherDay& o) { return o.date == *date; });
    const bool fresh = day == out.end();
    if (fresh) day = out.insert(out.end(), {*date, {}});
    const auto session = time == "off" ? std::nullopt : readDaySession(time);
    if (time != "off" && !session) return bad;
    if (!fresh && (time == "off" || day->sessions.empty()))
      return Problem{say("{} is off and worked on", AsIs(dateText(*date))), "", say("leave one of them out")};
    if (session) day->sessions.push_back(*session);
  }
  return out;
}

std::string otherDaysText(const std::vector<OtherDay>& days) {
  std::string out;
  const auto add = [&](const Date& date, const std::string& what) {
    out += fmt::format("{}{} {}", out.empty() ? "" : ", ", dateText(date), what);
  };
  for (const OtherDay& day : days) {
    if (day.sessions.empty()) add(day.date, "off");
    for (const DaySession& s : day.sessions) add(day.date, daySessionText(s));
  }
  return out;
}

Result<WorkWeek> weekOf(const MakeWish& wish) {
  WorkWeek out;
  out.stretch = wish.stretch;
  out.rest = wish.rest;
  auto days = readOtherDays(wish.days);
  if (!days) return days.problem();
  out.others = std::move(days).value();
  if (withoutSpace(wish.week).empty()) return out;
  auto week = readWeek(wish.week);
  if (!week) return week.problem();
  out.week = std::move(week).value();
  if (auto wrong = weekProblem(out)) return *wrong;
  return out;
}

} // namespace columna
