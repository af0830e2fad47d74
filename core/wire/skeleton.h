// The ways wire can take through a figure: points joined limb by limb.
//
// Points are the figure's joints and the *roots*, where a limb that hangs beside the spine (a leg, a wing)
// reaches it: the nearest place on the wired bones that carry it.
#pragma once

#include "anatomy/figure.h"

#include <string>
#include <vector>

namespace columna {

struct WirePoint {
  std::string id;   ///< joint id ("left-elbow") or root ("foreleg-root")
  Vec3 at;          ///< mm
  std::string name; ///< in the maker's words: "left elbow", "root of the foreleg"
};

/// A run of points; segment i joins points i and i+1.
struct WireRun {
  std::vector<int> points; ///< indices into the skeleton's points
  std::vector<int>
      segmentBone; ///< bone of each segment, -1 for the link from a root to the limb's first joint
  std::vector<int> segmentLimb; ///< limb of each segment

  [[nodiscard]] bool empty() const { return points.size() < 2; }
};

struct WireSkeleton {
  std::vector<WirePoint> points;
  std::vector<std::vector<WireRun>>
      limbs;                  ///< runs of each limb, root to tip; several for digits, none without wire
  WireRun spine;              ///< tail tip (or rump) to nose
  std::vector<int> rootPoint; ///< of each limb: where it leaves its carrier, -1 without wire

  [[nodiscard]] double segmentLength(const WireRun& run, size_t segment) const;
  [[nodiscard]] double length(const WireRun& run) const;
  /// How far along the spine a point of it lies, from its hind end; -1 if it is not on the spine.
  [[nodiscard]] double alongSpine(int point) const;
};

[[nodiscard]] WireSkeleton makeSkeleton(const Figure& figure);

/// The same run from tip to root.
[[nodiscard]] WireRun reversed(const WireRun& run);

/// The stretch between two of the run's points, in that direction; empty if either is not on it.
[[nodiscard]] WireRun stretch(const WireRun& run, int fromPoint, int toPoint);

/// Two runs after each other; the shared point is kept once.
[[nodiscard]] WireRun joined(const WireRun& first, const WireRun& second);

} // namespace columna
