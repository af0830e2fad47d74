// Steps that a maker keeps to a session of their own choice.
#pragma once

#include "make/open_time.h"

#include <string>
#include <string_view>
#include <vector>

namespace columna {

/// By the step's id, and the day and minute that session begins.
struct StepPin {
  std::string step;
  Date date{};
  int minute = 0; ///< of the day
  [[nodiscard]] bool operator==(const StepPin&) const = default;
  /// As a moment of a calendar whose first day that is.
  [[nodiscard]] int moment(const Date& first) const;
};

/// "coat/trunk 2026-12-05 10:00, face/eyes 2026-12-08 20:00". Errors name what is none, and a step that is
/// kept twice.
[[nodiscard]] Result<std::vector<StepPin>> readPins(std::string_view text);
[[nodiscard]] std::string pinsText(const std::vector<StepPin>& pins);

/// The pin of a session that begins at a moment.
[[nodiscard]] StepPin pinAt(const std::string& step, const Date& first, int moment);

} // namespace columna
