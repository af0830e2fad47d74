// Named, undoable changes. A project is plain values, so a step is the project before it; no step is ever
// merged with one of another name, and a run of changes of the same thing (a drag) is one step.
#pragma once

#include "project/project.h"

#include <string>
#include <vector>

namespace columna {

class History {
public:
  explicit History(Project project) : now_(std::move(project)) {}

  [[nodiscard]] const Project& now() const { return now_; }

  /// Takes a changed project. Changes with the same non-empty `run` that follow each other undo as one.
  void change(std::string name, Project project, const std::string& run = {});
  /// Ends a run: the next change is a step of its own.
  void endRun() { run_.clear(); }

  [[nodiscard]] bool canUndo() const { return !past_.empty(); }
  [[nodiscard]] bool canRedo() const { return !future_.empty(); }
  [[nodiscard]] std::string undoName() const { return past_.empty() ? std::string() : past_.back().name; }
  [[nodiscard]] std::string redoName() const { return future_.empty() ? std::string() : future_.back().name; }
  void undo();
  void redo();

  /// Whether anything changed since markSaved().
  [[nodiscard]] bool changed() const { return version_ != saved_; }
  void markSaved() { saved_ = version_; }
  /// Nothing on the disk is like any of it.
  void markUnsaved() { saved_ = -1; }

private:
  struct Step {
    std::string name;
    Project project;
    int version;
  };
  static constexpr size_t kDepth = 500;

  Project now_;
  std::vector<Step> past_, future_;
  std::string run_;
  int version_ = 0, saved_ = 0, next_ = 1;
};

} // namespace columna
