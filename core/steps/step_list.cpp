#include "steps/step_list.h"

#include <algorithm>
#include <cassert>
#include <queue>

namespace columna {

int StepList::add(Step step) {
  const std::string wanted = step.id;
  for (int k = 2; places_.contains(step.id); ++k) step.id = wanted + "/" + std::to_string(k);
  const int place = static_cast<int>(plan_.steps.size());
  places_.emplace(step.id, place);
  plan_.steps.push_back(std::move(step));
  return place;
}

std::optional<int> StepList::find(const std::string& id) const {
  const auto found = places_.find(id);
  return found == places_.end() ? std::nullopt : std::optional(found->second);
}

void StepList::after(int step, int before, const Said& why) {
  if (step < 0 || before < 0 || step == before || !edges_.insert({before, step}).second) return;
  plan_.edges.push_back({before, step, why});
}

StepPlan StepList::take() {
  const size_t count = plan_.steps.size();
  std::vector<std::vector<int>> out(count);
  std::vector<int> waits(count, 0);
  for (const StepEdge& e : plan_.edges) {
    out[static_cast<size_t>(e.before)].push_back(e.after);
    ++waits[static_cast<size_t>(e.after)];
  }
  std::priority_queue<int, std::vector<int>, std::greater<>> ready;
  for (size_t i = 0; i < count; ++i)
    if (waits[i] == 0) ready.push(static_cast<int>(i));
  std::vector<int> place(count, -1);
  std::vector<Step> steps;
  while (!ready.empty()) {
    const auto next = static_cast<size_t>(ready.top());
    ready.pop();
    place[next] = static_cast<int>(steps.size());
    steps.push_back(std::move(plan_.steps[next]));
    for (const int to : out[next])
      if (--waits[static_cast<size_t>(to)] == 0) ready.push(to);
  }
  assert(steps.size() == count && "a ring of steps");
  plan_.steps = std::move(steps);
  for (StepEdge& e : plan_.edges) {
    e.before = place[static_cast<size_t>(e.before)];
    e.after = place[static_cast<size_t>(e.after)];
  }
  return std::move(plan_);
}

} // namespace columna
