// A figure: a pattern at a size. Everything in mm; left and right are exact mirrors of each other.
#pragma once

#include "anatomy/pattern.h"
#include "anatomy/tube.h"
#include "anatomy/worn_head.h"

#include <array>
#include <cstdint>
#include <map>
#include <optional>
#include <string>
#include <vector>

namespace columna {

struct FigureBone {
  std::string id;          ///< "left-forearm"
  std::string patternBone; ///< "forearm"
  std::string name;        ///< in the maker's words, without its side
  int limb = 0;            ///< index into limbs
  int parent = -1;         ///< index into bones, -1 for the first
  int twin = -1;           ///< index of the mirrored bone
  std::string from, to;    ///< joint ids: "left-elbow"
  Vec3 begin, end;         ///< mm
  double length = 0;       ///< mm
  Vec3 deepAxis{0, 0, 1};  ///< unit: the way `deep` and `lift` of its stations are meant
  bool wire = true;
  double hard = 0;               ///< g/mm3 of a horn or a bill; 0: it is wool
  std::vector<Station> stations; ///< across, deep, lift in mm
};

/// A bone's section at 0..1 of it, between its stations, mm.
[[nodiscard]] Station stationAt(const FigureBone& bone, double at);

struct FigureLimb {
  std::string id;     ///< "left-foreleg"
  std::string name;   ///< "Left foreleg"
  std::string family; ///< the pattern's id for the pair: "foreleg"
  std::string part;   ///< what it is called without its side: "foreleg", "wing case"
  std::string plural; ///< what both of the pair are called: "forelegs"
  LimbKind kind = LimbKind::Part;
  Firmness firmness = Firmness::Medium;
  int twin = -1;          ///< index of the twin limb
  int side = 0;           ///< +1 left, -1 right, 0 on the midline
  int digits = 0;         ///< toes or fingers: its own chains, or what the pattern says of the foot
  std::vector<int> bones; ///< indices into bones, root outwards
  double length = 0;      ///< mm: its wired bones end to end; of digits the longest one
};

struct FigureFlat {
  std::string id;
  int bone = 0;
  std::vector<Vec3> outline; ///< mm
  double thickness = 0;      ///< mm
  /// Of one rolled to a cup: its middle surface, each triangle turned so that it looks the way the hollow
  /// does. Without any it is the fan of its outline.
  std::vector<Vec3> sheet; ///< mm
  std::vector<std::array<int, 3>> triangles;
};

struct Figure {
  std::string patternId, patternName;
  double scale = 1;           ///< mm per module
  std::uint64_t shapeKey = 0; ///< the same for figures of the same proportions, whatever their size
  bool symmetric = true;      ///< left and right are mirror images to the last bit
  double overallHeight = 0, shoulderHeight = 0, bodyLength = 0;
  double totalLength = 0; ///< along x, foremost to hindmost point
  double coatThickness = 0;
  std::string shoulderMeans, bodyMeans;
  std::vector<FigureLimb> limbs; ///< body order, left before right
  std::vector<FigureBone> bones;
  std::map<std::string, std::string> jointNames; ///< by joint id, in the maker's words: "left elbow"
  std::vector<Tube> tubes;                       ///< the body's surface, coat included
  std::vector<Tube> hollows;                     ///< pressed into it, as the ovals that press
  std::vector<LaidPad> pads;                     ///< which of the tubes and hollows the maker laid on
  std::vector<FigureFlat> flats;
  std::vector<Vec3> eyes;
  double eyeDiameter = 0;
  std::optional<WornHead> head; ///< where the animal has one of its own

  /// g of all eyes that are no wool; they are on the head's bone.
  [[nodiscard]] double eyeGrams() const;
  /// Index of the limb of that id, or nothing.
  [[nodiscard]] std::optional<int> limb(std::string_view id) const;
};

/// "Left foreleg" as it reads within a sentence.
[[nodiscard]] std::string lowerFirst(std::string text);

/// A pattern's figure at so many mm a module, above 0.
[[nodiscard]] Figure figureAtScale(const Pattern& pattern, double scale);

/// A pattern's figure with 1 mm a module, for measuring the pattern itself.
[[nodiscard]] Figure inModules(const Pattern& pattern);

/// A figure of inModules() at so many mm a module.
[[nodiscard]] Figure scaledTo(Figure unit, double scale);

/// z of the figure's lowest point, mm.
[[nodiscard]] double lowestPoint(const Figure& figure);

} // namespace columna
