#include "steps/session_events.h"

#include "make/calendar_file.h"
#include "make/local_time.h"
#include "words/render.h"

#include <fmt/format.h>

namespace columna {

std::string sessionCalendar(const StepPlan& plan, const std::vector<PlannedSession>& sessions,
                            const std::string& name, const std::string& pattern, const Date& first,
                            std::int64_t written) {
  const auto words = [&](const PlannedSession::Work& w) {
    return render(plan.steps[static_cast<size_t>(w.step)].words);
  };
  std::vector<CalendarEvent> events;
  for (const PlannedSession& s : sessions) {
    CalendarEvent e{s.from, s.to, name + ": " + words(s.work.front()), {}};
    if (s.work.size() > 1) e.summary += ", " + words(s.work[1]);
    for (const PlannedSession::Work& w : s.work)
      e.description += fmt::format("{}{} {} min", e.description.empty() ? "" : "\n", words(w), w.minutes);
    events.push_back(std::move(e));
  }
  const std::string project = fmt::format("{:016x}", seedOf({name, pattern}));
  return calendarFile(project, first, events, 1, universalText(written));
}

} // namespace columna
