// What a maker's records have shown of their hand, figure by figure: evidence, from which the hand is learnt
// anew each time. One file in the maker's own folder; nothing of it leaves the machine.
#pragma once

#include "measure/result.h"
#include "words/said.h"

#include <map>
#include <string>
#include <string_view>
#include <vector>

namespace columna {

/// What readings may show beside the pace: how long wire is cut, parts come out, how dense felt is, how far
/// it shrinks as it is felted, what share of the wool is lost, and how long the bench takes to lay out.
enum class FactorKind { WireCut, LimbLength, FeltDensity, WoundShare, WoolLost, LayOut };
inline constexpr int kFactorKinds = 6;
[[nodiscard]] std::string_view id(FactorKind kind);

/// A step that was done and timed.
struct TimedStep {
  std::string kind;   ///< of work, by its id
  double ratio = 0;   ///< ln(minutes / planned)
  double planned = 0; ///< minutes
  [[nodiscard]] bool operator==(const TimedStep&) const = default;
};

/// What to do otherwise when such a figure is made again.
struct NextNote {
  std::string text;  ///< at most kEntryText characters
  bool away = false; ///< the maker has put it away
  [[nodiscard]] bool operator==(const NextNote&) const = default;
};

struct HandFigure {
  std::string project; ///< the id of its record
  std::string name, pattern;
  std::string date; ///< of its first entry: figures are in the order they were begun
  std::vector<TimedStep> paces;
  std::map<std::string, std::vector<double>> factors; ///< by a factor's id, as it is reckoned
  std::vector<NextNote> next;                         ///< in the order they were written
  bool struck = false;                                ///< the maker's word: it does not count
  [[nodiscard]] bool operator==(const HandFigure&) const = default;
};

struct HandEvidence {
  std::vector<HandFigure> figures; ///< by their dates
  bool off = false;                ///< the maker's word: the usual hand is taken
};

/// Errors: not a hand file, a newer one, a ratio or a number out of all reason.
[[nodiscard]] Result<HandEvidence> readHandEvidence(std::string_view json, const std::string& file);
[[nodiscard]] std::string handEvidenceText(const HandEvidence& hand);

/// What is wrong with one of a newer program.
[[nodiscard]] Said newerHand();

/// Puts a figure in the place of what was known of it; struck out it stays struck out, and what was put away
/// stays away.
void takeIn(HandEvidence& hand, HandFigure figure);

/// What was written for the next figure of an animal, and is not put away; of all figures but that one, the
/// newest first. It is shown whether the hand is learnt or not.
struct LastTime {
  std::string project, name; ///< the figure it was written at
  std::string text;
};
[[nodiscard]] std::vector<LastTime> lastTime(const HandEvidence& hand, const std::string& pattern,
                                             const std::string& but);
/// Puts a note away.
void putAway(HandEvidence& hand, const std::string& project, const std::string& text);

/// Those that count besides a project's own, oldest first.
[[nodiscard]] std::vector<const HandFigure*> counting(const HandEvidence& hand, const std::string& but);

} // namespace columna
