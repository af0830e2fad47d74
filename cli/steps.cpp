#include "commands.h"
#include "open.h"
#include "painter.h"

#include "built/as_built.h"
#include "file/hand_store.h"
#include "file/record_file.h"
#include "make/local_time.h"
#include "measure/disk.h"
#include "measure/json_text.h"
#include "measure/quantity.h"
#include "report/steps_json.h"
#include "steps/pace_of.h"
#include "steps/pinned_jobs.h"
#include "steps/session_events.h"
#include "steps/steps_of.h"

#include <fmt/format.h>

#include <algorithm>
#include <charconv>
#include <iostream>
#include <set>

namespace columna::cli {
namespace {

/// A file's steps, and how far they are by its record.
struct Making {
  Opened opened;
  StepPlan steps;
  Record record;
  Progress progress;
  std::int64_t now = 0; ///< seconds since 1970
};

Result<Making> makingOf(const std::string& file, const std::string& at) {
  auto opened = openAndPlan(file);
  if (!opened) return opened.problem();
  Making out{std::move(opened).value(), {}, {}, {}, {}};
  const auto now = at.empty() ? std::optional(secondsNow()) : secondsOf(at);
  if (!now)
    return Problem{say("“{}” is no time", AsIs(at)), "--at",
                   say("write it as {}", AsIs("2026-12-01T20:00:00+01:00"))};
  out.now = *now;
  const auto face = faceSums(out.opened.file.project, out.opened.shelf, out.opened.plan);
  out.steps = stepsOf(out.opened.file.project, out.opened.shelf, out.opened.plan, face.get());
  out.record = recordOf(file, out.opened.file);
  for (const Said& message : out.record.messages) std::cerr << oneLine(render(message)) << '\n';
  takeTwinGoals(out.steps, out.record.entries);
  out.progress = progressOf(out.steps, out.record.entries, out.now);
  return out;
}

/// What is left, from a moment of a calendar that begins on `first`, at the maker's own pace.
StepJobs jobs(const Making& m, const Date& first, int now) {
  const KeptHand kept = handAt(makersHandFile());
  const MakersPace pace = paceOf(m.steps, m.progress, m.record.entries, m.opened.shelf.hand,
                                 counting(kept.hand, m.record.project));
  return jobsOf(
      m.steps, m.progress, m.opened.shelf.steps, now,
      [&](std::int64_t seconds) { return std::max(0, localMinute(seconds, first)); },
      [&](const Step& s) { return pace.minutes(s); }, pace.layOut);
}

/// A value as it is written at the bench: "3.8 g", "71 mm", "4".
Result<double> valueOf(EntryKind kind, const std::string& text) {
  const std::string_view unit = unitOf(kind);
  if (unit == "g") return parseMass(text);
  if (unit == "mm") return parseLength(text);
  double out = 0;
  const auto [end, error] = std::from_chars(text.data(), text.data() + text.size(), out);
  if (error != std::errc() || end != text.data() + text.size() || !(out >= 0) || out > 1e6)
    return Problem{say("“{}” is no number", AsIs(text)), "", say("give one from nought on")};
  return out;
}

void printStep(const Step& s, const StepPlan& plan, size_t at, StepState state) {
  std::cout << fmt::format(
      "{:28} {:>6.0f} min  {}{}\n", s.id, s.planned, render(s.words),
      state == StepState::Later || state == StepState::Ready ? "" : fmt::format("  [{}]", id(state)));
  for (const Fetch& f : s.fetch)
    if (f.what == Fetch::What::Core || f.what == Fetch::What::Coat || f.what == Fetch::What::Ready)
      std::cout << fmt::format("{:41} {}, {:.2f} g\n", "", render(f.words), f.amount);
    else
      std::cout << fmt::format("{:41} {}\n", "", render(f.words));
  if (s.wait > 0) std::cout << fmt::format("{:41} then wait {:.0f} to {:.0f} min\n", "", s.waitLow, s.wait);
  for (const StepEdge& e : plan.edges)
    if (e.after == static_cast<int>(at))
      std::cout << fmt::format("{:41} after {}: {}\n", "", plan.steps[static_cast<size_t>(e.before)].id,
                               render(e.why));
}

} // namespace

int steps(const std::string& file, const StepOptions& options) {
  const auto m = makingOf(file, options.at);
  if (!m) return complain(m.problem().sentence());
  const StepPlan& plan = m->steps;
  if (options.fits) {
    constexpr int most = 24 * 60;
    if (*options.fits < 1 || *options.fits > most)
      return complain(fmt::format("--fits {}: give minutes, 1 to {}", *options.fits, most));
    const Date today = localDay(m->now);
    const Fitting fits = fitting(plan, jobs(*m, today, localMinute(m->now, today)), *options.fits);
    for (const Fitting::Piece& p : fits.pieces) {
      const Step& s = plan.steps[static_cast<size_t>(p.step)];
      std::cout << fmt::format("{:>4} {:>4} min  {:28} {}{}\n", p.begin, p.minutes, s.id, render(s.words),
                               p.whole ? "" : fmt::format(" (of {:.0f} min)", s.planned));
    }
    std::cout << fmt::format("{} min to lay out, {} min left\n", fits.layMinutes, fits.left);
    return kGood;
  }
  if (options.json) {
    std::cout << writeJson(stepsJson(plan, m->opened.plan.figure, m->progress)) << '\n';
    return kGood;
  }
  for (size_t i = 0; i < plan.steps.size(); ++i)
    if (!options.ready || m->progress.steps[i].state == StepState::Ready)
      printStep(plan.steps[i], plan, i, m->progress.steps[i].state);
  if (!options.ready)
    std::cout << fmt::format("\n{} steps, {:.0f} min, and {:.0f} min round them\n", plan.steps.size(),
                             plan.planned(), plan.around());
  return kGood;
}

int sessions(const std::string& file, const SessionOptions& options) {
  const auto m = makingOf(file, options.at);
  if (!m) return complain(m.problem().sentence());
  // What is said here goes before what the project says, and that before a usual week.
  MakeWish wish = m->opened.file.project.make;
  if (options.calendar)
    wish.week = *options.calendar;
  else if (wish.week.empty())
    wish.week = kUsualWeek;
  const auto week = weekOf(wish);
  if (!week) return complain("--calendar " + week.problem().sentence());
  if (const auto none = weekProblem(*week)) return complain("--calendar " + none->sentence());
  const auto first = options.from.empty() ? std::optional(localDay(m->now)) : dateOf(options.from);
  if (!first) return complain("--from \"" + options.from + "\": write a day as 2026-12-01");
  // What is planned begins on its first day, or now where that is later and the day was not named.
  const int begin = options.from.empty() ? localMinute(m->now, *first) : 0;
  StepJobs work = jobs(*m, *first, begin);
  if (work.list.jobs.empty()) {
    std::cout << "everything is done\n";
    return kGood;
  }
  const OpenTime time(*week, *first);
  letGoOfCalls(work.list, time);
  const auto pins = readPins(m->opened.file.project.make.pins);
  const auto pinned = pinJobs(work, pins ? *pins : std::vector<StepPin>(), m->steps, time, *first);
  std::vector<std::string> ids;
  for (const Step& s : m->steps.steps) ids.push_back(s.id);
  const SearchedPlan found = searchedPlan(work.list, time, {seedOf(ids), -1, {}, nullptr});
  if (found.plan.finish == OpenTime::kNever)
    return complain(fmt::format(
        "these sessions do not hold the work within {} weeks; add some, or longer ones", OpenTime::kWeeks));
  const std::vector<PlannedSession> planned = plannedSessions(work, found, time);
  for (const int step : notHeld(pinned, found.plan))
    std::cerr << fmt::format("{} cannot be kept to the session you chose\n",
                             m->steps.steps[static_cast<size_t>(step)].id);
  const auto words = [&](const PlannedSession::Work& w) {
    return render(m->steps.steps[static_cast<size_t>(w.step)].words);
  };
  if (!options.ics.empty()) {
    const Project& project = m->opened.file.project;
    const std::string text =
        sessionCalendar(m->steps, planned, project.name, project.pattern, *first, secondsNow());
    if (const auto problem = writeAtomically(options.ics, text)) return complain(problem->sentence());
  }
  if (options.json) {
    std::cout << writeJson(sessionsJson(m->steps, work, found, time, *first)) << '\n';
    return kGood;
  }
  for (const PlannedSession& s : planned) {
    std::cout << fmt::format("{} to {}\n", momentText(*first, s.from), momentText(*first, s.to).substr(11));
    for (const PlannedSession::Work& w : s.work)
      std::cout << fmt::format("  {} {:>4} min  {}{}\n", momentText(*first, w.from).substr(11), w.minutes,
                               words(w),
                               w.minutes == w.all ? "" : fmt::format(" ({} of {} min)", w.done, w.all));
  }
  std::cout << fmt::format("\nends {}; no order ends before {}\n{} times laid out, {} min\n",
                           momentText(*first, found.plan.finish), momentText(*first, found.bound.finish),
                           found.plan.layOuts, found.plan.layMinutes);
  return kGood;
}

int log(const std::string& file, const LogOptions& options) {
  const auto opened = openProject(file);
  if (!opened) return complain(opened.problem().sentence());
  Record record = recordOf(file, *opened);
  for (const Said& message : record.messages) std::cerr << oneLine(render(message)) << '\n';
  if (!options.at.empty() && !secondsOf(options.at))
    return complain("--at \"" + options.at + "\": write a time as 2026-12-01T20:00:00+01:00");
  if (!options.add.empty() || !options.withdraw.empty()) {
    Entry entry;
    entry.at = options.at.empty() ? zonedText(secondsNow()) : options.at;
    entry.text = options.text;
    if (!options.withdraw.empty()) {
      entry.kind = EntryKind::Withdraw;
      entry.of = options.withdraw;
      if (std::none_of(record.entries.begin(), record.entries.end(),
                       [&](const Entry& e) { return e.id == options.withdraw; }))
        return complain("--withdraw \"" + options.withdraw +
                        "\": there is no such entry; `log` lists them with their ids");
    } else {
      entry.step = options.add.front();
      const auto kind = options.add.size() > 1 ? entryKind(options.add[1]) : std::nullopt;
      if (!kind || *kind == EntryKind::Withdraw || options.add.size() > 3)
        return complain(
            "--add: give a step, what of it (begin, pause, resume, done, leave-out, weight, length, girth, "
            "count, note), and a value where there is one");
      entry.kind = *kind;
      if (options.add.size() == 3) {
        const auto value = valueOf(*kind, options.add[2]);
        if (!value) return complain("--add " + options.add[1] + ": " + value.problem().sentence());
        entry.value = *value;
      }
      if (!options.along.empty()) {
        const auto along = parseLength(options.along);
        if (!along) return complain("--along: " + along.problem().sentence());
        entry.along = *along;
      }
    }
    const auto kept = keepEntry(file, record, entry);
    if (!kept) return complain(kept.problem().sentence());
    std::cout << kept->id << '\n';
    return kGood;
  }
  if (!options.story.empty())
    return paint({file, "--story", options.story}, "--csv gives the record as a table");
  if (!options.csv.empty()) {
    if (const auto problem = writeAtomically(options.csv, journalTable(record.entries)))
      return complain(problem->sentence());
    return kGood;
  }
  const std::set<std::string> gone = withdrawn(record.entries);
  for (const Entry& e : record.entries)
    std::cout << fmt::format("{} {} {:28} {:10} {:>10}  {}{}\n", e.id, e.at, e.step, word(e.kind),
                             e.value ? fmt::format("{:g} {}", *e.value, unitOf(e.kind)) : "", oneLine(e.text),
                             gone.contains(e.id) ? "  [withdrawn]" : "");
  return kGood;
}

} // namespace columna::cli
