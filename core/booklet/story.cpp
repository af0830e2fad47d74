#include "booklet/story.h"

#include "booklet/flow_pages.h"
#include "built/entry_words.h"
#include "steps/at_bench.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace columna {
namespace {

constexpr double kMinutes = 60;    ///< of an hour
constexpr size_t kDayFigures = 10; ///< of "2026-12-01T20:00:00+01:00"
constexpr size_t kTimeFigures = 5;

/// A value of a goal's kind.
Said valueOf(const Goal& goal, double value) {
  Goal of = goal;
  of.value = value;
  return goalFigure(of);
}

class Story {
public:
  Story(const StoryAsk& ask, Paper paper)
      : ask_(ask), manner_{ask.project.units, ask.language}, gone_(withdrawn(ask.entries)), flow_(paper) {}

  std::vector<Page> make() {
    flow_.newPage();
    flow_.y() += 6;
    flow_.tell({{ask_.project.name, 8, true}, {words(summary()), 3.6, false, kFaint}});
    readings();
    hours();
    days();
    next();
    std::vector<Page> pages = flow_.take();
    numberPages(pages, ask_.project.name, manner_);
    return pages;
  }

private:
  [[nodiscard]] std::string words(const Said& said) const { return render(said, manner_); }
  [[nodiscard]] bool counts(const Entry& e) const {
    return e.kind != EntryKind::Withdraw && !gone_.contains(e.id);
  }

  [[nodiscard]] Said summary() const {
    std::string first;
    std::string last;
    for (const Entry& e : ask_.entries)
      if (counts(e)) {
        if (first.empty()) first = e.at.substr(0, kDayFigures);
        last = e.at.substr(0, kDayFigures);
      }
    if (first.empty())
      return say("{}; nothing of its making is written down yet", Name(ask_.figure.patternName));
    double spent = 0;
    long done = 0;
    for (const StepProgress& p : ask_.progress.steps) {
      spent += p.spent;
      if (p.state == StepState::Done || p.state == StepState::Drying) ++done;
    }
    return say("{}, {} high; {} to {}, {} of {} steps, {} h at the bench", Name(ask_.figure.patternName),
               Length(ask_.figure.overallHeight), AsIs(first), AsIs(last), done, ask_.steps.steps.size(),
               Number(spent / kMinutes, 1));
  }

  /// Cells at their places, the last ones to the right.
  void row(const std::array<std::string, 4>& cells, bool bold) {
    constexpr double high = 5;
    flow_.room(high);
    flow_.y() += high;
    const double y = flow_.y();
    const double right = kMargin + flow_.clear();
    const std::array<double, 4> at{kMargin, right - 60, right - 30, right};
    for (size_t c = 0; c < cells.size(); ++c)
      flow_.marks().push_back(
          text({at[c], y}, cells[c], 3.2, bold, c == 0 ? TextAlign::Left : TextAlign::Right));
  }

  void readings() {
    const auto all = storyReadings(ask_.steps, ask_.entries);
    if (all.empty()) return;
    flow_.heading(words(say("Planned, and what it came to")));
    row({std::string(), words(say("planned")), words(say("read")), words(say("difference"))}, true);
    const auto most = static_cast<size_t>((flow_.clear() - 85) / 1.6);
    for (const StoryReading& r : all) {
      const Step& s = ask_.steps.steps[static_cast<size_t>(r.step)];
      const auto lines = wrap(words(say("{}: {}", s.words, r.goal.words)), most);
      const std::string planned = words(goalFigure(r.goal));
      const std::string read = words(valueOf(r.goal, r.read));
      const double off = r.read - r.goal.value;
      // What reads the same is the same.
      row({lines.front() + (lines.size() > 1 ? " …" : ""), planned, read,
           planned == read ? std::string("–")
                           : (off < 0 ? "−" : "+") + words(valueOf(r.goal, std::abs(off)))},
          false);
    }
  }

  void hours() {
    const auto all = storyHours(ask_.steps, ask_.progress);
    if (all.empty()) return;
    flow_.heading(words(say("Hours by kind of work")));
    row({std::string(), words(say("steps")), words(say("usual h")), words(say("yours, h"))}, true);
    for (const StoryHours& h : all)
      row({words(Name(name(h.kind), Name::First::Upper)), std::to_string(h.steps),
           words(Number(h.usual / kMinutes, 1)), words(Number(h.spent / kMinutes, 1))},
          false);
  }

  void days() {
    std::string day;
    for (const Entry& e : ask_.entries) {
      if (!counts(e) || e.kind == EntryKind::NextTime) continue;
      if (const std::string on = e.at.substr(0, kDayFigures); on != day) {
        day = on;
        flow_.heading(day);
      }
      const auto at = ask_.steps.find(e.step);
      const Step* step = at ? &ask_.steps.steps[static_cast<size_t>(*at)] : nullptr;
      const std::string time = e.at.size() > kDayFigures + kTimeFigures
                                   ? e.at.substr(kDayFigures + 1, kTimeFigures)
                                   : std::string();
      flow_.tell({{time + "  " + words(entryWords(e, step, &ask_.figure)), 3.2, e.kind == EntryKind::Note}});
      if (e.kind == EntryKind::Photo && !e.photo.empty()) flow_.pictures({e.photo}, 10);
    }
  }

  void next() {
    bool begun = false;
    for (const Entry& e : ask_.entries) {
      if (!counts(e) || e.kind != EntryKind::NextTime) continue;
      if (!begun) flow_.heading(words(say("Next time")));
      begun = true;
      flow_.tell({{e.text, 3.6}});
    }
  }

  const StoryAsk& ask_;
  Manner manner_;
  std::set<std::string> gone_;
  FlowPages flow_;
};

} // namespace

std::vector<StoryReading> storyReadings(const StepPlan& steps, const std::vector<Entry>& entries) {
  const Readings readings(entries);
  std::vector<StoryReading> out;
  for (size_t i = 0; i < steps.steps.size(); ++i)
    for (const Goal& g : steps.steps[i].goals)
      if (const Entry* read = readings.of(steps.steps[i], g); read && read->by != EntryBy::StandIn)
        out.push_back({static_cast<int>(i), g, *read->value});
  return out;
}

std::vector<StoryHours> storyHours(const StepPlan& steps, const Progress& progress) {
  std::vector<StoryHours> out;
  for (int k = 0; k < kPaceKinds; ++k) {
    StoryHours kind;
    kind.kind = static_cast<PaceKind>(k);
    for (size_t i = 0; i < steps.steps.size(); ++i) {
      const StepProgress& p = progress.steps[i];
      const bool done = p.state == StepState::Done || p.state == StepState::Drying;
      if (steps.steps[i].pace != kind.kind || !done || p.spent <= 0) continue;
      ++kind.steps;
      kind.usual += steps.steps[i].planned;
      kind.spent += p.spent;
    }
    if (kind.steps > 0) out.push_back(kind);
  }
  return out;
}

std::vector<Page> storyPages(const StoryAsk& ask, Paper paper) { return Story(ask, paper).make(); }

} // namespace columna
