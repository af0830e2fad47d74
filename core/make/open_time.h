// When a maker works: the week's sessions, days that differ, breaks for the hands; and the open minutes that
// come of it.
//
// A moment is a whole minute of local wall time since midnight at the start of the first day. The wall
// clock's summer-time change is not counted: a session at 20:00 is at 20:00.
#pragma once

#include "measure/result.h"

#include <algorithm>
#include <chrono>
#include <cstdint>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

namespace columna {

using Date = std::chrono::year_month_day;

/// "2026-12-01"; none for what is no day.
[[nodiscard]] std::optional<Date> dateOf(std::string_view text);
[[nodiscard]] std::string dateText(const Date& date);

inline constexpr int kDay = 24 * 60; ///< minutes

/// A moment of a calendar whose first day that is: "2026-12-01T20:00".
[[nodiscard]] std::string momentText(const Date& first, int moment);

/// From and to, minutes of a day; `to` past midnight is more than kDay.
struct DaySession {
  int from = 0, to = 0;
  [[nodiscard]] bool operator==(const DaySession&) const = default;
};

struct WeeklySession {
  int day = 0; ///< 0 Monday .. 6 Sunday
  DaySession time;
  [[nodiscard]] bool operator==(const WeeklySession&) const = default;
};

/// A day on which other sessions are worked than the week has, or none.
struct OtherDay {
  Date date{};
  std::vector<DaySession> sessions;
  [[nodiscard]] bool operator==(const OtherDay&) const = default;
};

struct WorkWeek {
  std::vector<WeeklySession> week;
  std::vector<OtherDay> others;
  int stretch = 50; ///< minutes of handwork in one go
  int rest = 10;    ///< minutes of rest after it
  [[nodiscard]] bool operator==(const WorkWeek&) const = default;
};

/// "20:00-21:30", "10-12", and past midnight "22:00-24:00"; nothing for what is none.
[[nodiscard]] std::optional<DaySession> readDaySession(std::string_view text);
[[nodiscard]] std::string daySessionText(const DaySession& session);
/// Text without the blanks round it.
[[nodiscard]] std::string_view withoutSpace(std::string_view text);

/// "tue 20:00-21:30, sat 10-12". Errors name what is not a session, one that ends before it begins, one
/// longer than half a day, two that overlap, none at all.
[[nodiscard]] Result<std::vector<WeeklySession>> readWeek(std::string_view text);
[[nodiscard]] std::string weekText(const std::vector<WeeklySession>& week);
/// What is wrong with a week; nothing where it can be worked by.
[[nodiscard]] std::optional<Problem> weekProblem(const WorkWeek& week);

/// A time without a break.
struct OpenStretch {
  int from = 0, to = 0; ///< moments
  int session = 0;      ///< from 0
  [[nodiscard]] bool operator==(const OpenStretch&) const = default;
};

class OpenTime {
public:
  static constexpr int kWeeks = 60;      ///< what is not done by then is not planned
  static constexpr int kNever = 1 << 28; ///< a moment past all sessions
  OpenTime() = default;
  /// Of so many weeks from that day on. The week has to be free of problems.
  OpenTime(const WorkWeek& week, const Date& first, int weeks = kWeeks);
  /// One session that begins now and has so many minutes.
  [[nodiscard]] static OpenTime only(int from, int minutes, const WorkWeek& breaks);

  [[nodiscard]] const std::vector<OpenStretch>& stretches() const { return stretches_; }
  /// Index of the first stretch that ends after a moment; their count when there is none.
  [[nodiscard]] size_t at(int moment) const;
  /// Open minutes before a moment.
  [[nodiscard]] int before(int moment) const;
  [[nodiscard]] int between(int from, int to) const { return std::max(0, before(to) - before(from)); }
  /// Sessions that begin before a moment.
  [[nodiscard]] int sessionsBefore(int moment) const;
  /// Where the session of a stretch ends.
  [[nodiscard]] int sessionEnd(size_t stretch) const { return ends_[stretch]; }
  [[nodiscard]] int longestSession() const;
  /// The next open moment; kNever past the end.
  [[nodiscard]] int align(int moment) const;
  /// When work of so many minutes ends that begins at a moment or as soon after as it can; what is not
  /// `pausable` lies in one stretch.
  [[nodiscard]] int forward(int moment, int minutes, bool pausable) const;
  /// The latest moment to begin it so that it ends by then; -kNever where there is none.
  [[nodiscard]] int back(int moment, int minutes, bool pausable) const;

private:
  void index();
  std::vector<OpenStretch> stretches_;
  std::vector<int> ends_;         ///< of each stretch, its session's end
  std::vector<int> open_;         ///< of each minute, open ones before it
  std::vector<std::uint32_t> at_; ///< of each minute
};

} // namespace columna
