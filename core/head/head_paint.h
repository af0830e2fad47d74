// What colour a head is where: ground, patches, coloured features, nose leather, nostrils, the mouth's
// thread, its ears' linings, horns and eyes.
#pragma once

#include "anatomy/figure.h"
#include "head/head_field.h"

#include <cstdint>

namespace columna {

/// Red, green and blue, 0xRRGGBB.
using Colour = std::uint32_t;

/// The two mixed, `share` of the second, 0..1.
[[nodiscard]] Colour mixed(Colour a, Colour b, double share);

/// A colour of a head's palette; of a name that it has not, its ground.
[[nodiscard]] Colour paletteColour(const HeadPattern& head, const std::string& name);

/// Most of the animal's: its coat's where the head says that the face has another.
[[nodiscard]] Colour bodyColour(const HeadPattern& head);

/// A ball that stands for an eye, mm in the head's axes; the left one of a pair.
struct EyeBall {
  Vec3 centre{0, 0, 0}, axis{1, 0, 0};
  double radius = 0;
  bool twin = true;
  size_t index = 0; ///< in the head's list
};

class HeadPaint {
public:
  /// A head so many mm long under the dials. Colours a head does not name are its ground's.
  HeadPaint(const HeadPattern& head, const HeadDials& dials, double length);

  [[nodiscard]] Colour ground() const { return ground_; }
  /// Of the skin at a place on it, mm in the head's axes; `normal` points outwards. Where it has no colour of
  /// its own it is `ground`, the coat's.
  [[nodiscard]] Colour skin(const Vec3& p, const Vec3& normal, Colour ground) const;
  /// Of the horn, antler or bill nearest to a place.
  [[nodiscard]] Colour hard(const Vec3& p) const;
  /// Of a flat part at a place of it: its face (the side of its hollow), its back or its edge. What is of the
  /// head's ground is `ground`.
  enum class Side { Face, Back, Edge };
  [[nodiscard]] Colour flat(const std::string& id, const Vec3& p, Side side, Colour ground) const;
  /// How far a place is from the skin, mm, below zero inside.
  [[nodiscard]] double away(const Vec3& p) const { return field_.distance(eased(p)); }
  [[nodiscard]] const std::vector<EyeBall>& eyes() const { return eyes_; }
  /// Of an eye where it looks that way (a unit vector): pupil, iris or rim.
  [[nodiscard]] Colour eye(const EyeBall& ball, const Vec3& way) const;
  /// Of the palette, by its name.
  [[nodiscard]] Colour named(const std::string& colour) const;
  /// As it is under the dials, and its surface.
  [[nodiscard]] const HeadPattern& head() const { return head_; }
  [[nodiscard]] const HeadField& field() const { return field_; }

private:
  [[nodiscard]] Vec3 eased(const Vec3& p) const { return {p.x(), p.y() / wide_, p.z() / high_}; }
  /// How much of a patch is at a place, 0..1; places in head modules.
  [[nodiscard]] double shareOf(size_t patch, const Vec3& p, const Vec3& normal) const;
  HeadPattern head_;
  HeadField field_;
  double wide_, high_, length_;
  Colour ground_ = 0;
  std::vector<Colour> patches_, features_;                                 ///< one a patch, one a feature
  std::vector<std::pair<const HeadFlat*, std::pair<Vec3, double>>> flats_; ///< with its base and height, mm
  std::vector<EyeBall> eyes_;
  std::map<size_t, FeatureShape> ovals_; ///< of the patches that are one
  std::vector<FeatureShape> nostrils_;
};

/// Which side of a rolled flat part a place of its surface is on: by the triangle of its sheet that is
/// nearest.
[[nodiscard]] HeadPaint::Side sideOf(const FigureFlat& flat, const Vec3& at, const Vec3& normal);

} // namespace columna
