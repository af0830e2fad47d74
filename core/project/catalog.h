// What a plan can be made from: patterns and wire materials, read from the data folder and the maker's own.
#pragma once

#include "anatomy/pattern.h"
#include "face/drying.h"
#include "face/eye.h"
#include "face/small_anatomy.h"
#include "head/head_pattern.h"
#include "hold/pose_rules.h"
#include "make/hand_prior.h"
#include "make/step_book.h"
#include "make/work_time.h"
#include "wire/bench_rules.h"
#include "wire/material.h"
#include "wool/wool_rules.h"

#include <filesystem>
#include <map>
#include <memory>
#include <string_view>
#include <vector>

namespace columna {

struct Catalog {
  std::vector<Pattern> patterns;                                   ///< by name, wearing their heads
  std::map<std::string, std::shared_ptr<const HeadPattern>> heads; ///< by pattern
  /// By pattern and variant: what each is once its changes are made.
  std::map<std::pair<std::string, std::string>, std::shared_ptr<const HeadPattern>> headVariants;
  std::vector<Material> materials; ///< in the order of the data folder's names
  Pace pace;                       ///< how long kinds of work take
  StepBook steps;                  ///< what stands round the work
  HandPrior hand;                  ///< what is thought of a hand before anything is recorded
  PoseRules pose;                  ///< what poses are judged by
  WoolRules wool;                  ///< densities, strips, pads, fur
  BenchRules bench;                ///< skewers, pins, bounds of the advice
  FaceRules face;                  ///< eyes that are sold, what holds and what does not
  DryingTimes drying;              ///< of glues, clay and the like
  SmallAnatomy anatomy;            ///< pads that may be laid on
  std::vector<Problem> problems;   ///< files that could not be read; the rest is there all the same

  [[nodiscard]] const Pattern* pattern(std::string_view id) const;
  [[nodiscard]] const Material* material(std::string_view id) const;
  /// The head of a pattern; none where nobody has made one yet.
  [[nodiscard]] const HeadPattern* head(std::string_view pattern) const;
};

/// Reads `data`/patterns and `data`/materials, then the patterns in `own` (which may not exist): a maker's
/// pattern takes the place of one with the same id. Heads likewise, from the folder beside it: every pattern
/// that has one wears it. Error: the data folder is not there or has no pattern or
/// no material. With `only`, a pattern's id, of the data folder's patterns the file of that name alone is
/// read (all where there is none): one plan needs one, and reading thirty takes longer than planning.
[[nodiscard]] Result<Catalog> loadCatalog(const std::filesystem::path& data,
                                          const std::filesystem::path& own = {}, std::string_view only = {});

/// The data folder: $COLUMNA_DATA, beside the program (../share/columna), or the source tree's.
[[nodiscard]] std::filesystem::path dataFolder();

/// Where makers keep their own patterns: $XDG_DATA_HOME/columna/patterns.
[[nodiscard]] std::filesystem::path ownPatternsFolder();

} // namespace columna
