// The bench's rules of thumb: skewers, pins, thread, and up to where a construction is advised.
#pragma once

#include "measure/result.h"

#include <string>
#include <string_view>

namespace columna {

/// From data/work/joins.json, where each number has its source; most are estimates [E].
struct BenchRules {
  double skewerShare = 0;                     ///< of the part's thinnest place
  double skewerLeast = 0, skewerMost = 0;     ///< mm
  double skewerStep = 1;                      ///< mm
  double longLimb = 1, longOther = 1;         ///< a skewered part is begun so many times its finished length
  double pinShare = 0;                        ///< of the head's length
  double pinHeadMost = 0;                     ///< mm of head that count
  double pinInBody = 0;                       ///< mm
  double threadTies = 0;                      ///< mm for both knots
  double foldedHeightMost = 0;                ///< mm: a folded pair is for small figures
  double foldedMassMost = 0, pegMassMost = 0; ///< g
  double stoutMost = 0;                       ///< length of a trunk over its depth
  double slimLeg = 0;                         ///< mm: thinner legs hardly hide a doubled wire
  double digitLeast = 0;                      ///< mm: a shorter digit can hardly be wrapped
  double digitsMost = 0;                      ///< on one limb

  /// The skewer for a part whose thinnest place is so many mm across.
  [[nodiscard]] double skewerFor(double thinnest) const;
  /// A pin between body and a head of that length, mm.
  [[nodiscard]] double pinFor(double head) const;
};

/// Errors name the file and the key: one missing, not a number, below zero, or without a source.
[[nodiscard]] Result<BenchRules> readBenchRules(std::string_view json, const std::string& file);

} // namespace columna
