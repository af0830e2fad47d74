// A figure: a pattern at a size. Everything in mm; left and right are exact mirrors of each other.
#pragma once

#include "anatomy/pattern.h"
#include "anatomy/tube.h"

#include <optional>
#include <string>
#include <vector>

namespace columna {

/// Which of the figure's lengths the maker has settled.
enum class SizeBy { OverallHeight, ShoulderHeight, BodyLength };

/// The smallest and largest figure the sums are made for, for any of the three measures, in mm. The wire and
/// wool rules were checked for figures of 60 to 400 mm; beyond that they are extrapolated, and findings say
/// so.
inline constexpr double kSmallestMm = 20;
inline constexpr double kLargestMm = 2000;

struct Sizing {
  SizeBy by = SizeBy::OverallHeight;
  double mm = 160;
};

struct FigureBone {
  std::string id;          ///< "left-forearm"
  std::string patternBone; ///< "forearm"
  int limb = 0;            ///< index into limbs
  int parent = -1;         ///< index into bones, -1 for the first
  int twin = -1;           ///< index of the mirrored bone
  std::string from, to;    ///< joint ids: "left-elbow"
  Vec3 begin, end;         ///< mm
  double length = 0;       ///< mm
  bool wire = true;
  std::vector<Station> stations; ///< across, deep, lift in mm
};

struct FigureLimb {
  std::string id;     ///< "left-foreleg"
  std::string name;   ///< "Left foreleg"
  std::string family; ///< the pattern's id for the pair: "foreleg"
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
};

struct Figure {
  std::string patternId, patternName;
  double scale = 1;      ///< mm per module
  bool symmetric = true; ///< left and right are mirror images to the last bit
  double overallHeight = 0, shoulderHeight = 0, bodyLength = 0;
  double totalLength = 0; ///< along x, foremost to hindmost point
  double coatThickness = 0;
  std::string shoulderMeans, bodyMeans;
  std::vector<FigureLimb> limbs; ///< body order, left before right
  std::vector<FigureBone> bones;
  std::vector<Tube> tubes; ///< the body's surface, coat included
  std::vector<FigureFlat> flats;
  std::vector<Vec3> eyes;
  double eyeDiameter = 0;

  /// Index of the limb of that id, or nothing.
  [[nodiscard]] std::optional<int> limb(std::string_view id) const;
};

/// The figure of a pattern at a size. Errors: a size that is not finite, not above 0, or outside
/// kSmallestMm..kLargestMm.
[[nodiscard]] Result<Figure> makeFigure(const Pattern& pattern, const Sizing& sizing);

/// A pattern's figure with 1 mm a module, for measuring the pattern itself.
[[nodiscard]] Figure inModules(const Pattern& pattern);

/// z of the figure's lowest point, mm.
[[nodiscard]] double lowestPoint(const Figure& figure);

/// How many modules the measure is of that pattern.
[[nodiscard]] double modulesOf(const Pattern& pattern, SizeBy by);

/// "height", "shoulder height" or "body length".
[[nodiscard]] std::string_view word(SizeBy by);

/// Refuses a size that no figure can have, in one sentence.
[[nodiscard]] std::optional<Problem> sizeProblem(SizeBy by, double mm);

} // namespace columna
