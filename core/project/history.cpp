#include "project/history.h"

namespace columna {

void History::change(std::string name, Project project, const std::string& run) {
  if (run.empty() || run != run_ || past_.empty()) {
    past_.push_back({std::move(name), std::move(now_), version_});
    if (past_.size() > kDepth) past_.erase(past_.begin());
  }
  run_ = run;
  future_.clear();
  now_ = std::move(project);
  version_ = next_++;
}

void History::undo() {
  if (past_.empty()) return;
  Step step = std::move(past_.back());
  past_.pop_back();
  future_.push_back({step.name, std::move(now_), version_});
  now_ = std::move(step.project);
  version_ = step.version;
  run_.clear();
}

void History::redo() {
  if (future_.empty()) return;
  Step step = std::move(future_.back());
  future_.pop_back();
  past_.push_back({step.name, std::move(now_), version_});
  now_ = std::move(step.project);
  version_ = step.version;
  run_.clear();
}

} // namespace columna
