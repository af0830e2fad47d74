// Lays one wire along the skeleton from its left end, noting what each feature takes and every bend.
#pragma once

#include "wire/piece.h"

namespace columna {

class Layer {
public:
  Layer(const WireSkeleton& skeleton, const WireSection& wire, std::string name, const Allowances& allow);

  /// Something that takes wire without going on along the limb.
  void feature(std::string kind, double takes, std::string note);
  /// On to the next point as one of `wires` twisted together; bends at the point it leaves.
  void step(int from, int to, int limb, int wires);
  /// Folds back at the point it has come to; `takes` and `kind` as for a feature.
  void fold(std::string kind, double takes, std::string note);
  [[nodiscard]] Piece finish();

private:
  [[nodiscard]] const Vec3& place(int point) const { return skeleton_.points[static_cast<size_t>(point)].at; }
  void pass(int point);
  void zone(double from, double to, int wires, double factor, double along);
  void bend(const Vec3& next, double factor, const WireSection& section);

  const WireSkeleton& skeleton_;
  WireSection wire_;
  Allowances allow_;
  Piece piece_;
  Vec3 direction_{0, 0, 0}; ///< of the last step, its length
  Vec3 normal_{0, 0, 0};    ///< of the last bend's plane
  double factor_ = 1;       ///< of the last step
  bool sharp_ = false;      ///< something was made here, and the bend after it has no room to be round
  double at_ = 0;
};

/// Tool angle for a bend that is to stay at `angle`: theta/K, K = 1 - 3.3953 x + 6.79 x^3, x = sigma Rn/(E d)
/// with the flow stress at 10 % strain, since bending hardens the wire; good for x < 0.25 (larger is held
/// there).
[[nodiscard]] double toolAngle(double angle, double neutralRadius, const Material& material, double d);

/// Springback factor K of a stress in MPa.
[[nodiscard]] double springback(double sigma, double elastic, double neutralRadius, double d);

} // namespace columna
