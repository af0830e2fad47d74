#include "make/step_pins.h"

#include <fmt/format.h>

#include <algorithm>
#include <charconv>

namespace columna {
namespace {

/// "10:00"; none for what is no time of a day.
std::optional<int> minuteOf(std::string_view text) {
  const size_t colon = text.find(':');
  if (colon == std::string_view::npos) return std::nullopt;
  const auto number = [](std::string_view part) -> std::optional<int> {
    int value = 0;
    const auto [end, error] = std::from_chars(part.data(), part.data() + part.size(), value);
    if (error != std::errc() || end != part.data() + part.size() || part.size() > 2) return std::nullopt;
    return value;
  };
  const auto hour = number(text.substr(0, colon));
  const auto minute = number(text.substr(colon + 1));
  if (!hour || !minute || *hour < 0 || *hour > 23 || *minute < 0 || *minute > 59) return std::nullopt;
  return 60 * *hour + *minute;
}

} // namespace

int StepPin::moment(const Date& first) const {
  return static_cast<int>((std::chrono::sys_days(date) - std::chrono::sys_days(first)).count()) * kDay +
         minute;
}

StepPin pinAt(const std::string& step, const Date& first, int moment) {
  const int day = moment >= 0 ? moment / kDay : (moment - kDay + 1) / kDay;
  return {step, Date(std::chrono::sys_days(first) + std::chrono::days(day)), moment - day * kDay};
}

Result<std::vector<StepPin>> readPins(std::string_view text) {
  std::vector<StepPin> out;
  while (!text.empty()) {
    const size_t comma = text.find(',');
    const std::string_view one = withoutSpace(text.substr(0, comma));
    text = comma == std::string_view::npos ? std::string_view() : text.substr(comma + 1);
    if (one.empty()) continue;
    const Problem bad{say("“{}” keeps no step to a session", AsIs(std::string(one))), "",
                      say("write it as {}", AsIs("coat/trunk 2026-12-05 10:00"))};
    const size_t first = one.find(' ');
    const size_t last = one.rfind(' ');
    if (first == std::string_view::npos || first == last) return bad;
    const auto date = dateOf(withoutSpace(one.substr(first, last - first)));
    const auto minute = minuteOf(one.substr(last + 1));
    if (!date || !minute) return bad;
    StepPin pin{std::string(one.substr(0, first)), *date, *minute};
    if (std::any_of(out.begin(), out.end(), [&](const StepPin& p) { return p.step == pin.step; }))
      return Problem{say("{} is kept to two sessions", AsIs(pin.step)), "", say("leave one of them out")};
    out.push_back(std::move(pin));
  }
  return out;
}

std::string pinsText(const std::vector<StepPin>& pins) {
  std::string out;
  for (const StepPin& p : pins)
    out += fmt::format("{}{} {} {:02}:{:02}", out.empty() ? "" : ", ", p.step, dateText(p.date),
                       p.minute / 60, p.minute % 60);
  return out;
}

} // namespace columna
