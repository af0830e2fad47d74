// What the parts of a plan were made of: a part is taken over where these are the same.
#pragma once

#include "plan/plan.h"

namespace columna {

/// Of pattern, figure, animal, made parts, skeleton and footing.
struct FigureKey {
  const Pattern* animal = nullptr; ///< as the catalog holds it, which never changes
  Shape shape;
  Sizing size;
  std::vector<MadePart> made;
  FaceWish face;              ///< without what was measured
  double touch = 0, give = 0; ///< of the soles

  [[nodiscard]] bool operator==(const FigureKey&) const = default;
};

/// Of the wool, besides figure and solid.
struct WoolKey {
  WoolInput input;
  WoolRules rules;
  std::vector<LimbWool> alone; ///< each limb before flats and markings: of use where only others changed

  /// Whether what is common to all limbs is the same.
  [[nodiscard]] bool alike(const WoolKey& other) const {
    return input.coat == other.input.coat && input.laid == other.input.laid &&
           input.wish == other.input.wish && input.ready == other.input.ready && rules == other.rules;
  }
};

/// Of the pieces, besides figure and skeleton.
struct PieceKey {
  std::vector<WireGroup> groups;
  std::vector<WireSection> sections;
  std::vector<double> longest;
  WireSection fine;
  PieceRules rules;
  std::vector<Join> joins; ///< those of the pieces alone

  [[nodiscard]] bool alike(const PieceKey& other) const {
    return groups == other.groups && sections == other.sections && longest == other.longest &&
           fine == other.fine && rules == other.rules;
  }
};

/// Of what the pieces are cut from, besides them.
struct StockKey {
  std::vector<OwnWire> drawer;
  bool drawerOnly = false;
  std::vector<FlatWire> flats;
  [[nodiscard]] bool operator==(const StockKey&) const = default;
};

struct PlanKeys {
  bool whole = false; ///< all parts are of this figure; false while it is under the hand and the rest is not
  FigureKey figure;
  WoolKey wool;
  PieceKey pieces;
  StockKey stock;
};

} // namespace columna
