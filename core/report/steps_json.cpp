#include "report/steps_json.h"

#include "words/render.h"

#include <nlohmann/json.hpp>

#include <array>

namespace columna {
namespace {

using Json = nlohmann::json;

std::string_view wordOf(Fetch::What what) {
  constexpr std::array<std::string_view, 7> words{"core-wool", "coat-wool",  "piece", "flat",
                                                  "eye",       "ready-core", "tool"};
  return words[static_cast<size_t>(what)];
}

std::string_view wordOf(Goal::What what) {
  constexpr std::array<std::string_view, 4> words{"weight", "length", "girth", "count"};
  return words[static_cast<size_t>(what)];
}

} // namespace

Json stepsJson(const StepPlan& plan, const Figure& figure, const Progress& progress) {
  Json out{{"steps", Json::array()},
           {"edges", Json::array()},
           {"minutes", plan.planned()},
           {"around_minutes", plan.around()},
           {"no_longer_in_the_plan", progress.gone}};
  for (size_t i = 0; i < plan.steps.size(); ++i) {
    const Step& s = plan.steps[i];
    Json step{{"id", s.id},
              {"words", render(s.words)},
              {"bench", std::string(id(s.bench))},
              {"pace", std::string(id(s.pace))},
              {"limb", s.limb < 0 ? Json(nullptr) : Json(figure.limbs[static_cast<size_t>(s.limb)].id)},
              {"minutes", s.planned},
              {"pausable", s.pausable},
              {"wait_min", s.wait},
              {"wait_low_min", s.waitLow},
              {"batch", s.batch},
              {"state", std::string(id(progress.steps[i].state))},
              {"spent_min", progress.steps[i].spent},
              {"fetch", Json::array()},
              {"goals", Json::array()},
              {"cautions", Json::array()}};
    if (!s.advice.empty()) step["advice"] = render(s.advice);
    for (const Fetch& f : s.fetch)
      step["fetch"].push_back(
          {{"what", std::string(wordOf(f.what))}, {"amount", f.amount}, {"words", render(f.words)}});
    for (const Goal& g : s.goals)
      step["goals"].push_back({{"what", std::string(wordOf(g.what))},
                               {"value", g.value},
                               {"within", g.within},
                               {"along_mm", g.along},
                               {"words", render(g.words)}});
    if (!s.calls.empty()) step["calls"] = {{"step", s.calls}, {"within_min", s.callWithin}};
    for (const Caution c : s.cautions) step["cautions"].push_back(render(cautionText(c)));
    out["steps"].push_back(std::move(step));
  }
  for (const StepEdge& e : plan.edges)
    out["edges"].push_back({{"before", plan.steps[static_cast<size_t>(e.before)].id},
                            {"after", plan.steps[static_cast<size_t>(e.after)].id},
                            {"wait_min", plan.steps[static_cast<size_t>(e.before)].wait},
                            {"why", render(e.why)}});
  return out;
}

Json sessionsJson(const StepPlan& plan, const StepJobs& jobs, const SearchedPlan& found, const OpenTime& time,
                  const Date& first) {
  Json out{{"sessions", Json::array()},
           {"finish", momentText(first, found.plan.finish)},
           {"bound", momentText(first, found.bound.finish)},
           {"lay_outs", found.plan.layOuts},
           {"lay_out_min", found.plan.layMinutes},
           {"open_min", time.between(jobs.list.now, found.plan.finish)}};
  for (const PlannedSession& session : plannedSessions(jobs, found, time)) {
    Json one{{"from", momentText(first, session.from)},
             {"to", momentText(first, session.to)},
             {"steps", Json::array()}};
    for (const PlannedSession::Work& w : session.work)
      one["steps"].push_back({{"id", plan.steps[static_cast<size_t>(w.step)].id},
                              {"from", momentText(first, w.from)},
                              {"to", momentText(first, w.to)},
                              {"minutes", w.minutes},
                              {"done_min", w.done},
                              {"of_min", w.all}});
    out["sessions"].push_back(std::move(one));
  }
  return out;
}

} // namespace columna
