// One thing to do: what it is called, how long it takes, what to fetch, what it should come to, and what has
// to be done before it. Ids are built of words that a changed plan keeps: "wind/left-foreleg".
#pragma once

#include "make/step_book.h"
#include "words/said.h"

#include <optional>
#include <string>
#include <vector>

namespace columna {

/// What a maker's pace is learnt by. Around is what stands round the work: no sum of the plan counts it.
enum class PaceKind { Wire, CoreFirm, CoreMedium, CoreSoft, Coat, Digits, Face, Around };
inline constexpr int kPaceKinds = 8;
[[nodiscard]] std::string_view id(PaceKind kind);
/// "firm core".
[[nodiscard]] std::string_view name(PaceKind kind);

/// What is needed for a step. Of wool, pieces, flats, eyes and ready cores each is fetched once in all.
struct Fetch {
  enum class What {
    Core,  ///< g of core wool
    Coat,  ///< g of coat wool, fur, hair and markings
    Piece, ///< wires to cut, counted
    Flat,  ///< flat parts, counted
    Eye,   ///< counted
    Ready, ///< a core that was there already
    Tool   ///< all else: needles, the sheet, what was weighed before
  };
  What what = What::Tool;
  double amount = 0; ///< g, or a count; 0 of a tool
  Said words;
};

/// "3.8 g core wool", "2 × eyes", "needle 36 triangle".
[[nodiscard]] Said fetchWords(const Fetch& fetch);

/// What a reading should come to.
struct Goal {
  enum class What { Weight, Long, Round, Count };
  What what = What::Weight;
  double value = 0, within = 0; ///< g, mm or a count; either way
  double along = 0;             ///< mm from the limb's root, of a girth
  Said words;
  double pair = 0; ///< so far from its twin's it may be; 0: as far as from what it should come to
};

/// "3.8 g", "73 mm round", "160 mm long", "5".
[[nodiscard]] Said goalFigure(const Goal& goal);

enum class Caution { Needle, WireEnds, Glue, Clay, Wax, Blades, SmallParts, Hands };
/// One or two sentences; the packet, local rules and trained people go before them.
[[nodiscard]] Said cautionText(Caution caution);

struct Step {
  std::string id;
  Said words;  ///< "wind the left foreleg"
  Said advice; ///< how; may be empty
  Bench bench = Bench::Look;
  PaceKind pace = PaceKind::Around;
  int limb = -1;        ///< of the figure
  int build = -1;       ///< of buildSteps(): what goes on in it
  int piece = -1;       ///< of the plan: the wire that is bent in it
  double planned = 0;   ///< minutes at the usual pace
  bool pausable = true; ///< may be broken off
  double wait = 0;      ///< minutes of the wall clock until what follows may begin: it dries
  double waitLow = 0;   ///< as few as it may be
  std::string drying;   ///< id of what dries
  /// The step that has to be gone back to in the same session when that is over, so many minutes after it at
  /// most: what is in the oven. Empty of most.
  std::string calls;
  double callWithin = 0;
  std::string batch; ///< steps of one batch are done one after the other
  std::vector<Fetch> fetch;
  std::vector<Goal> goals;
  std::vector<Caution> cautions;
};

/// What has to be done before.
struct StepEdge {
  int before = 0, after = 0; ///< steps
  Said why;
};

struct StepPlan {
  std::vector<Step> steps; ///< in an order that holds all edges
  std::vector<StepEdge> edges;
  std::array<double, kBenches> layOut{}; ///< the usual minutes to lay the bench out for a station

  [[nodiscard]] std::optional<int> find(std::string_view id) const;
  /// Minutes of all steps but those round the work: the plan's own.
  [[nodiscard]] double planned() const;
  [[nodiscard]] double around() const;
};

} // namespace columna
