// A list of steps while it is made: ids are kept apart, and what comes before what is noted by name.
#pragma once

#include "steps/step.h"

#include <map>
#include <set>

namespace columna {

class StepList {
public:
  /// Its place; an id that is taken gets "/2", "/3".
  int add(Step step);
  [[nodiscard]] Step& at(int step) { return plan_.steps[static_cast<size_t>(step)]; }
  [[nodiscard]] std::optional<int> find(const std::string& id) const;
  /// Nothing where either is not there (-1), or it is said already.
  void after(int step, int before, const Said& why);
  void after(int step, std::optional<int> before, const Said& why) { after(step, before.value_or(-1), why); }
  [[nodiscard]] size_t size() const { return plan_.steps.size(); }
  /// In an order that holds all edges, otherwise as they were added. There is no ring: what is added asks
  /// only for what is done before it in every figure.
  [[nodiscard]] StepPlan take();

private:
  StepPlan plan_;
  std::map<std::string, int> places_;
  std::set<std::pair<int, int>> edges_;
};

} // namespace columna
