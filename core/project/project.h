// A project: what the maker decided, as plain values. It knows no screen and no sums; plan() makes everything
// from it.
#pragma once

#include "anatomy/made_parts.h"
#include "anatomy/sizing.h"
#include "anatomy/trace.h"
#include "head/head_wish.h"
#include "hold/loads.h"
#include "make/finish.h"
#include "make/make_wish.h"
#include "measure/quantity.h"
#include "project/stance.h"
#include "wire/material.h"
#include "wire/piece.h"
#include "wool/wool_wish.h"

#include <nlohmann/json_fwd.hpp>

#include <map>
#include <memory>
#include <optional>
#include <set>
#include <string>

namespace columna {

/// What the maker settled for one limb beyond what the sums propose.
struct LimbChoice {
  std::optional<std::string> material; ///< id
  std::optional<double> diameter;      ///< mm
  std::optional<Firmness> firmness;
  std::optional<double> density; ///< g/mm3 of felt, the maker's own
  CoatWay coatWay = CoatWay::Advised;
  std::optional<int> wires;                 ///< 0 none, 1, 2 or 4; as the construction has it when not set
  std::optional<RootHold> held;             ///< its own way, whatever the figure's construction
  std::optional<PieceRules::Digits> digits; ///< toes or fingers of fine wire

  [[nodiscard]] bool empty() const {
    return !material && !diameter && !firmness && !density && coatWay == CoatWay::Advised && !wires &&
           !held && !digits;
  }
  [[nodiscard]] bool operator==(const LimbChoice&) const = default;
};

/// A wire the maker has.
struct OwnWire {
  std::string name;              ///< in the maker's words
  std::string material;          ///< id
  double diameter = 1;           ///< mm, measured; of a stem its strands
  double cover = 0;              ///< mm of paper or cloth all round, 0 for bare
  double length = 0;             ///< mm of each straight length, 0 for a coil
  int count = 1;                 ///< how many straight lengths
  std::optional<Estimate> yield; ///< N/mm2, from the hanging test

  [[nodiscard]] bool operator==(const OwnWire&) const = default;
};

inline constexpr int kUsualWires = 3;          ///< different wires that a maker likes to buy for one figure
inline constexpr double kUsualHandling = 2000; ///< mm: a longer wire is awkward on the bench

inline constexpr size_t kMostPhotos = 3;

struct Project {
  // Out of line: what it takes to copy all of it would be compiled anew in every file that holds one.
  Project();
  Project(const Project& other);
  Project(Project&& other) noexcept;
  Project& operator=(const Project& other);
  Project& operator=(Project&& other) noexcept;
  ~Project();

  std::string name = "Untitled";
  std::string pattern = "river_otter";
  Sizing size;
  Construction construction = Construction::TwistedLimbs;
  std::string material = "aluminium-annealed";
  Use use = Use::Shelf;
  UnitSystem units = UnitSystem::Metric;
  Shape shape;                             ///< what is changed of the animal's proportions
  std::vector<MadePart> made;              ///< parts that are made, as measured
  std::vector<Photo> photos;               ///< up to kMostPhotos, one a view
  std::optional<double> coat;              ///< mm felted down; what hides the core when not set
  Finish finish = Finish::Good;            ///< how finely it is made: for the hours
  std::map<std::string, LimbChoice> limbs; ///< by figure limb id
  int mostWires = kUsualWires;             ///< different wires to buy at most
  bool drawerOnly = false;                 ///< nothing is bought
  double handling = kUsualHandling;        ///< mm, the longest piece to work with
  std::vector<OwnWire> drawer;
  Allowances allow;                                                    ///< for the figure
  std::map<std::string, Allowances> pieceAllow;                        ///< by a piece's name, instead
  std::map<std::string, std::vector<std::vector<std::string>>> routes; ///< by a group's name: settled routes
  WoolWish wool;                                 ///< wool at hand, test ball, markings, what was measured
  FaceWish face;                                 ///< pads, eyes and ears of its own, and pins measured
  MakeWish make;                                 ///< when it is worked on
  Stances stances;                               ///< poses, how it is held up, and who bends it
  std::set<std::string> untied;                  ///< pairs ("foreleg") whose sides the maker changes apart
  std::shared_ptr<const nlohmann::json> unknown; ///< the file as read, if any, so that keys of others survive

  /// All that was decided is the same; the file it was read from may be another.
  [[nodiscard]] bool operator==(const Project& other) const;

  /// Changes a limb's choice, and its twin's with it unless the pair is untied.
  template <class Change>
  void change(const Figure& figure, int limb, Change&& change) {
    const FigureLimb& l = figure.limbs[static_cast<size_t>(limb)];
    const auto apply = [&](const std::string& limbId) {
      LimbChoice& choice = limbs[limbId];
      change(choice);
      if (choice.empty()) limbs.erase(limbId);
    };
    apply(l.id);
    if (l.twin >= 0 && !untied.contains(l.family)) apply(figure.limbs[static_cast<size_t>(l.twin)].id);
  }
};

/// Whether the plans of two projects are the same: nothing of them follows from the name, the units, the
/// stances, the pictures, from when it is worked on, or from which pairs change apart.
[[nodiscard]] bool samePlan(const Project& a, const Project& b);

} // namespace columna
