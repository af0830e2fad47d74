// How much wool the body holds: volumes of core and coat bone by bone, and of the core what is wound, what is
// skin and what is padded on, from samples of the wool's field.
//
// Cubic cells are asked once each; a cell on a surface counts by the share of it that lies inside, cut by the
// plane of the field there, moved by the field's mean curvature in the cell. Thin parts have cells a third as
// large. A place belongs to the bone in which it lies deepest by share of its section, so that bones buried
// in others keep what is theirs; the shares add up to the whole by construction. Figures alike on both sides
// are sampled on one side, and their twins are equal to the last bit.
#pragma once

#include "anatomy/figure.h"

#include <array>
#include <atomic>
#include <vector>

namespace columna {

/// On which side of the bone's centre line a pad lies: along the bone's deep axis, against it, to the
/// animal's left of it or to the right. Bones without wire have all theirs on Up.
enum class PadSide { Up, Down, Left, Right };
inline constexpr size_t kPadSides = 4;

/// What is padded on one side of one bone.
struct PadShare {
  double volume = 0;       ///< mm3 felted
  double at = 0.5;         ///< 0..1, where along the bone its middle lies
  double alongSpread = 0;  ///< mm, standard deviation along the bone
  double acrossSpread = 0; ///< mm, the same round about it
  Vec3 centre{0, 0, 0};    ///< mm
};

struct BoneShare {
  double core = 0;            ///< mm3, felted, with the wire in it
  double coat = 0;            ///< mm3
  double wound = 0, skin = 0; ///< mm3, of the core; the rest of it is pads
  std::array<PadShare, kPadSides> pads;
  double coreAt = 0.5;   ///< where along the bone the middle of the whole share lies, 0..1
  Vec3 centre{0, 0, 0};  ///< centre of the whole share, mm
  double lineInBody = 0; ///< share of the bone's centre line that lies in the body
  double lineInCore = 0; ///< and in the core
};

/// A small piece of the wool's surface.
struct SurfacePatch {
  Eigen::Vector3f centre{0, 0, 0}; ///< mm
  Eigen::Vector3f normal{0, 0, 1}; ///< outwards
  float area = 0;                  ///< mm2
  int bone = 0;
};

struct BodySolid {
  std::vector<BoneShare> bones;      ///< as in the figure
  std::vector<SurfacePatch> surface; ///< where each cell's plane cuts it
  double core = 0, coat = 0;         ///< mm3
  double cell = 1;                   ///< mm
  double error = 0;                  ///< estimated error of core + coat as a share of it
};

struct SolidWish {
  double cell = 1;  ///< mm, above 0
  double coat = 0;  ///< mm, 0 or more; a part thinner than twice that has no core
  double blend = 0; ///< mm of fillet where limbs join
  double skin = 0;  ///< mm of felted skin over winding and pads
  int threads = 0;  ///< 0: as many as there are cores
  const std::atomic<bool>* stop =
      nullptr; ///< set from elsewhere: the work ends early, and its result is worth nothing
  std::atomic<int>* progress = nullptr; ///< counts up to 1000
};

/// The cell a figure is worked with while it is edited: 1 mm at 160 mm of height, in proportion (so that a
/// figure twice as large has exactly eight times the wool).
[[nodiscard]] double workingCell(const Figure& figure);

[[nodiscard]] BodySolid bodySolid(const Figure& figure, const SolidWish& wish);

} // namespace columna
