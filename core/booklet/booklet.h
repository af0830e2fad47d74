// The booklet of a figure's making, for oneself, a class or a kit: what is needed, the drawings at true size,
// then every step with its picture at that moment, its numbers and its cautions. Already in the maker's
// words: what lays it out only places it.
#pragma once

#include "booklet/step_picture.h"
#include "make/journal.h"
#include "sheet/true_size_sheet.h"

#include <atomic>
#include <string>
#include <vector>

namespace columna {

struct BookletWish {
  Paper paper = Paper::A4;
  bool grey = false; ///< to be read without colours
  bool guide = true; ///< the drawings at true size
  bool own = true;   ///< what the maker noted and photographed at the steps
};

struct BookletStep {
  std::string id;
  std::string title;                 ///< "Wind the trunk"
  std::string time;                  ///< "71 min, core wool"
  std::vector<std::string> reach;    ///< what it comes to: "198 mm round, wound"
  std::vector<std::string> fetch;    ///< "42.3 g core wool"
  std::vector<std::string> how;      ///< whole sentences
  std::vector<std::string> cautions; ///< whole sentences
  std::vector<std::string> own;      ///< the maker's notes of it
  std::vector<std::string> photos;   ///< the maker's of it, by their names in the project's file
  Drawn picture;                     ///< without marks where there is nothing to be seen
  bool wide = false;                 ///< the picture takes the whole width
};

struct BookletPart {
  std::string title;
  std::vector<std::string> lines;
};

struct Booklet {
  std::string name;                 ///< of the figure
  std::string animal;               ///< "Otter, 158 mm high; twisted limbs"
  std::vector<std::string> facts;   ///< hours, weights
  Drawn finished;                   ///< the finished figure
  std::vector<BookletPart> needs;   ///< wire, wool, tools
  BookletPart care;                 ///< cautions
  std::string firstWords, ownWords; ///< over the steps; before a note
  std::string guideWords;           ///< over the drawings at true size
  std::string nextWords;            ///< over the room for notes
  std::vector<BookletStep> steps;
  std::vector<Page> guide; ///< at true size, without a foot
};

/// All that it is made of; all of it outlives the call.
struct BookletAsk {
  const Project& project;
  const Catalog& catalog;
  const Plan& plan;
  const FaceSums* face = nullptr; ///< may be null
  const StepPlan& steps;
  const std::vector<Entry>& entries;       ///< the record of its making; may be empty
  const Language* language = nullptr;      ///< English when null
  const std::atomic<bool>* stop = nullptr; ///< set from elsewhere: the booklet is worth nothing
  std::atomic<int>* progress = nullptr;    ///< thousandths
  [[nodiscard]] Manner manner() const { return {project.units, language}; }
};

/// How wide and high a step's picture may be on the page, mm.
inline constexpr double kStepPictureWide = 84, kStepPictureHigh = 56;

/// Takes some seconds for a large figure. Its minutes are the usual ones, whoever's hand it is for.
[[nodiscard]] Booklet bookletOf(const BookletAsk& ask, const BookletWish& wish);

} // namespace columna
