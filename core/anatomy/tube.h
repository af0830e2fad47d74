// The body's surface as swept tubes: a chain of bones is one tube of elliptic rings.
//
// Rings at a joint shared by two bones lie on the bisecting plane and belong to both, so a bend has neither
// notch nor lump. Sections are interpolated monotonically (PCHIP) between stations. A bend sharper than 75
// degrees ends the tube, since its rings would cross.
#pragma once

#include <Eigen/Core>

#include <vector>

namespace columna {

using Vec3 = Eigen::Vector3d;

/// One elliptic section of a tube.
struct Ring {
  Vec3 centre;           ///< centre of the section, lift included
  Vec3 u, v;             ///< unit vectors of `across` and `deep`, square to normal
  Vec3 normal;           ///< along the tube
  double ru = 0, rv = 0; ///< half of across and of deep
};

/// Rings from the root outwards; slab i lies between rings i and i+1. There is a ring at every station of a
/// bone, and between them about six a bone.
struct Tube {
  std::vector<Ring> rings;
  std::vector<int> slabBone;    ///< which bone slab i belongs to (index into the figure's bones)
  std::vector<double> slabFrom; ///< where on that bone slab i begins, 0..1; of a rounded end 0 or 1
  std::vector<double> slabTo;   ///< and where it ends
  double capBegin = 0;          ///< depth of the rounded end at the root, mm; 0 for a flat one
  double capEnd = 0;            ///< the same at the other end
  int capSlabs = 0;             ///< how many slabs stand for a rounded end
  bool pad = false; ///< laid on another: seen and in the way, but nothing is wound to its sections

  /// Where on its bone the middle of slab i lies, 0..1.
  [[nodiscard]] double slabAt(size_t i) const { return (slabFrom[i] + slabTo[i]) / 2; }
};

/// A bone as the sweep needs it.
struct SweepBone {
  int bone = 0;
  Vec3 begin, end, up;
  bool smooth = false; ///< the centre line is curved through the joints (back, neck, tail) rather than kinked
  bool flatBegin = false, flatEnd = false;    ///< no rounded cap at a free end
  std::vector<double> at, across, deep, lift; ///< stations; `at` rising from 0 to 1
};

/// One tube from bones that follow each other, end to begin. At least one bone.
[[nodiscard]] Tube sweep(const std::vector<SweepBone>& chain);

/// What is left of a tube without the slabs of some bones, each stretch with a rounded end where it is cut:
/// its sections are those of the whole. `without`: one a bone, not 0 for those left out.
[[nodiscard]] std::vector<Tube> withoutBones(const Tube& tube, const std::vector<char>& without);

/// The mirror image in y = 0, with the bones renumbered by `boneOf`.
[[nodiscard]] Tube mirrored(const Tube& tube, const std::vector<int>& boneOf);

/// The angle in radians between two directions.
[[nodiscard]] double bendAngle(const Vec3& a, const Vec3& b);

/// The largest bend that a tube goes round, radians (75 degrees).
inline constexpr double kSharpestBend = 1.3089969389957472;

/// Monotone cubic interpolation (Fritsch and Carlson, 1980) of y over rising x, at `at`; held constant
/// outside.
[[nodiscard]] double pchip(const std::vector<double>& x, const std::vector<double>& y, double at);

/// Perimeter of an ellipse of half axes a and b (Ramanujan's second formula, error under 1e-4 up to 5:1).
[[nodiscard]] double ellipsePerimeter(double a, double b);

} // namespace columna
