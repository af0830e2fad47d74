#include "make/open_time.h"

#include <fmt/format.h>

#include <algorithm>
#include <array>
#include <charconv>

namespace columna {
namespace {

constexpr std::array<std::string_view, 7> kDays{"mon", "tue", "wed", "thu", "fri", "sat", "sun"};
constexpr int kLongestHours = 12;
constexpr int kLongestSession = kLongestHours * 60;

std::optional<int> wholeOf(std::string_view text) {
  int out = 0;
  const auto [end, error] = std::from_chars(text.data(), text.data() + text.size(), out);
  if (error != std::errc() || end != text.data() + text.size() || text.empty() || text[0] == '-')
    return std::nullopt;
  return out;
}

/// "20:00", "10": minutes of the day.
std::optional<int> clockOf(std::string_view text) {
  text = withoutSpace(text);
  const size_t colon = text.find(':');
  const auto hour = wholeOf(text.substr(0, colon));
  const auto minute = colon == std::string_view::npos ? std::optional(0) : wholeOf(text.substr(colon + 1));
  if (!hour || !minute || *hour > 24 || *minute > 59 || (*hour == 24 && *minute > 0)) return std::nullopt;
  return 60 * *hour + *minute;
}

std::string clockText(int minutes) { return fmt::format("{:02}:{:02}", minutes / 60 % 24, minutes % 60); }

std::optional<Problem> sessionsProblem(std::vector<DaySession> sessions, const Where& where) {
  std::sort(sessions.begin(), sessions.end(),
            [](const DaySession& a, const DaySession& b) { return a.from < b.from; });
  for (size_t i = 0; i < sessions.size(); ++i) {
    const DaySession& s = sessions[i];
    if (s.from < 0 || s.from >= kDay || s.to <= s.from || s.to > 2 * kDay)
      return Problem{say("a session ends before it begins"), where,
                     say("say when it begins and when it ends")};
    if (s.to - s.from > kLongestSession)
      return Problem{say("a session is longer than {} hours", Number(kLongestHours, 0)), where,
                     say("make two of it")};
    if (i > 0 && s.from < sessions[i - 1].to)
      return Problem{say("two sessions overlap"), where, say("make one of them")};
  }
  return std::nullopt;
}

} // namespace

std::string_view withoutSpace(std::string_view text) {
  while (!text.empty() && (text.front() == ' ' || text.front() == '\t')) text.remove_prefix(1);
  while (!text.empty() && (text.back() == ' ' || text.back() == '\t')) text.remove_suffix(1);
  return text;
}

std::optional<Date> dateOf(std::string_view text) {
  if (text.size() != 10 || text[4] != '-' || text[7] != '-') return std::nullopt;
  const auto year = wholeOf(text.substr(0, 4));
  const auto month = wholeOf(text.substr(5, 2));
  const auto day = wholeOf(text.substr(8, 2));
  if (!year || !month || !day) return std::nullopt;
  const Date out{std::chrono::year(*year), std::chrono::month(static_cast<unsigned>(*month)),
                 std::chrono::day(static_cast<unsigned>(*day))};
  return out.ok() ? std::optional(out) : std::nullopt;
}

std::string dateText(const Date& date) {
  return fmt::format("{:04}-{:02}-{:02}", static_cast<int>(date.year()), static_cast<unsigned>(date.month()),
                     static_cast<unsigned>(date.day()));
}

std::string momentText(const Date& first, int moment) {
  const Date day(std::chrono::sys_days(first) + std::chrono::days(moment / kDay));
  return fmt::format("{}T{:02}:{:02}", dateText(day), moment % kDay / 60, moment % 60);
}

std::optional<DaySession> readDaySession(std::string_view text) {
  const size_t dash = text.find('-');
  if (dash == std::string_view::npos) return std::nullopt;
  const auto from = clockOf(text.substr(0, dash));
  const auto to = clockOf(text.substr(dash + 1));
  if (!from || !to || *from >= kDay) return std::nullopt;
  return DaySession{*from, *to};
}

std::string daySessionText(const DaySession& session) {
  return clockText(session.from) + "-" + (session.to == kDay ? "24:00" : clockText(session.to));
}

Result<std::vector<WeeklySession>> readWeek(std::string_view text) {
  std::vector<WeeklySession> out;
  const Said remedy = say("write it as {}", AsIs("tue 20:00-21:30, sat 10-12"));
  while (!withoutSpace(text).empty()) {
    const size_t comma = text.find(',');
    const std::string_view one = withoutSpace(text.substr(0, comma));
    text = comma == std::string_view::npos ? std::string_view() : text.substr(comma + 1);
    const Problem bad{say("“{}” is no day and time", AsIs(std::string(one))), "", remedy};
    const size_t space = one.find(' ');
    if (space == std::string_view::npos) return bad;
    const auto day = std::find(kDays.begin(), kDays.end(), one.substr(0, space));
    const auto session = readDaySession(one.substr(space + 1));
    if (day == kDays.end() || !session) return bad;
    out.push_back({static_cast<int>(day - kDays.begin()), *session});
  }
  if (auto wrong = weekProblem({out, {}})) return *wrong;
  return out;
}

std::string weekText(const std::vector<WeeklySession>& week) {
  std::string out;
  for (const WeeklySession& s : week)
    out += fmt::format("{}{} {}", out.empty() ? "" : ", ", kDays[static_cast<size_t>(s.day)],
                       daySessionText(s.time));
  return out;
}

std::optional<Problem> weekProblem(const WorkWeek& week) {
  if (week.week.empty())
    return Problem{say("there is no session in the week"), "",
                   say("say when you work: {}", AsIs("tue 20:00-21:30"))};
  if (week.stretch < 5 || week.stretch > kLongestSession || week.rest < 0 || week.rest > kLongestSession)
    return Problem{say("breaks cannot be kept so"), "",
                   say("work for {} minutes or more, and rest for {} or less", Number(5, 0),
                       Number(kLongestSession, 0))};
  for (size_t day = 0; day < kDays.size(); ++day) {
    std::vector<DaySession> sessions;
    for (const WeeklySession& s : week.week) {
      if (s.day == static_cast<int>(day)) sessions.push_back(s.time);
      if (s.day < 0 || s.day > 6)
        return Problem{say("a session is on no day of the week"), "", say("give a day")};
    }
    if (auto wrong = sessionsProblem(sessions, Where(std::string(kDays[day])))) return wrong;
  }
  for (const OtherDay& other : week.others)
    if (auto wrong = sessionsProblem(other.sessions, Where(dateText(other.date)))) return wrong;
  return std::nullopt;
}

OpenTime::OpenTime(const WorkWeek& week, const Date& first, int weeks) {
  using namespace std::chrono;
  const sys_days start(first);
  struct Session {
    int from, to;
  };
  std::vector<Session> all;
  for (int d = 0; d < 7 * weeks; ++d) {
    const sys_days day = start + days(d);
    const auto other = std::find_if(week.others.begin(), week.others.end(),
                                    [&](const OtherDay& o) { return sys_days(o.date) == day; });
    const auto take = [&](const DaySession& s) { all.push_back({d * kDay + s.from, d * kDay + s.to}); };
    if (other != week.others.end()) {
      for (const DaySession& s : other->sessions) take(s);
      continue;
    }
    const int weekday_ = static_cast<int>(weekday(day).iso_encoding()) - 1;
    for (const WeeklySession& s : week.week)
      if (s.day == weekday_) take(s.time);
  }
  std::sort(all.begin(), all.end(), [](const Session& a, const Session& b) { return a.from < b.from; });
  int number = 0;
  int last = 0; // one past midnight may reach into the next day's
  for (const Session& s : all) {
    const int from = std::max(s.from, last);
    if (from >= s.to) continue;
    for (int t = from; t < s.to; t += week.stretch + week.rest)
      stretches_.push_back({t, std::min(t + week.stretch, s.to), number});
    last = s.to;
    ++number;
  }
  index();
}

OpenTime OpenTime::only(int from, int minutes, const WorkWeek& breaks) {
  OpenTime out;
  const int to = from + std::max(0, minutes);
  for (int t = from; t < to; t += breaks.stretch + breaks.rest)
    out.stretches_.push_back({t, std::min(t + breaks.stretch, to), 0});
  out.index();
  return out;
}

void OpenTime::index() {
  const size_t count = stretches_.size();
  ends_.resize(count);
  for (size_t k = count; k-- > 0;)
    ends_[k] =
        k + 1 < count && stretches_[k + 1].session == stretches_[k].session ? ends_[k + 1] : stretches_[k].to;
  const int last = count > 0 ? stretches_.back().to : 0;
  open_.assign(static_cast<size_t>(last) + 1, 0);
  at_.assign(static_cast<size_t>(last) + 1, 0);
  size_t k = 0;
  int open = 0;
  for (int t = 0; t <= last; ++t) {
    while (k < count && t >= stretches_[k].to) ++k;
    at_[static_cast<size_t>(t)] = static_cast<std::uint32_t>(k);
    open_[static_cast<size_t>(t)] = open;
    if (k < count && t >= stretches_[k].from) ++open;
  }
}

size_t OpenTime::at(int moment) const {
  if (stretches_.empty() || moment >= stretches_.back().to) return stretches_.size();
  return at_[static_cast<size_t>(std::max(0, moment))];
}

int OpenTime::before(int moment) const {
  return open_[static_cast<size_t>(std::clamp(moment, 0, static_cast<int>(open_.size()) - 1))];
}

int OpenTime::sessionsBefore(int moment) const {
  int last = -1;
  int count = 0;
  for (const OpenStretch& s : stretches_) {
    if (s.from >= moment) break;
    if (s.session != last) ++count;
    last = s.session;
  }
  return count;
}

int OpenTime::longestSession() const {
  int longest = 0;
  int from = 0;
  for (size_t k = 0; k < stretches_.size(); ++k) {
    if (k == 0 || stretches_[k].session != stretches_[k - 1].session) from = stretches_[k].from;
    longest = std::max(longest, stretches_[k].to - from);
  }
  return longest;
}

int OpenTime::align(int moment) const {
  const size_t k = at(moment);
  return k < stretches_.size() ? std::max(moment, stretches_[k].from) : kNever;
}

int OpenTime::forward(int moment, int minutes, bool pausable) const {
  for (size_t k = at(moment); k < stretches_.size(); ++k) {
    const int from = std::max(moment, stretches_[k].from);
    const int room = stretches_[k].to - from;
    if (room >= minutes) return from + minutes;
    if (pausable) minutes -= room;
  }
  return kNever;
}

int OpenTime::back(int moment, int minutes, bool pausable) const {
  auto k = std::upper_bound(stretches_.begin(), stretches_.end(), moment,
                            [](int t, const OpenStretch& s) { return t <= s.from; });
  while (k != stretches_.begin()) {
    --k;
    const int to = std::min(moment, k->to);
    const int room = to - k->from;
    if (room <= 0) continue;
    if (room >= minutes) return to - minutes;
    if (pausable) minutes -= room;
  }
  return -kNever;
}

} // namespace columna
