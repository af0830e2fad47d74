// Lays one wire along the skeleton from its left end, noting what each feature takes and every bend.
#pragma once

#include "wire/bend_path.h"
#include "wire/piece.h"

#include <deque>
#include <map>
#include <optional>

namespace columna {

class Layer {
public:
  Layer(const WireSkeleton& skeleton, const WireSection& wire, std::string name, const Allowances& allow);

  /// Something that takes wire without going on along the limb.
  void feature(std::string kind, double takes, Said note);
  /// On to the next point as one of `wires` twisted together; bends at the point it leaves.
  void step(int from, int to, int limb, int wires);
  /// Folds back at the point it has come to; `takes` and `kind` as for a feature.
  void fold(std::string kind, double takes, Said note);
  /// Where everything lies on the wire follows from all of it together.
  [[nodiscard]] Piece finish();

private:
  struct Noted {
    std::string kind;
    double takes = 0;
    Said note;
  };
  struct Step {
    int from = 0, to = 0, wires = 1;
  };
  /// A stretch between ends and folds, whose bends depend on each other; with what is made at its points.
  struct Run {
    std::vector<Step> steps;
    std::map<size_t, std::vector<Noted>> made; ///< before step i; at its end under the number of its steps
    std::optional<Noted> fold;                 ///< that ends it
    bool hairpin = false;                      ///< it goes straight back on itself without a fold of its own
  };
  /// A stretch of leg of as many wires all along.
  struct Stretch {
    double path = 0; ///< mm along the limb
    int wires = 1;
    int point = -1; ///< of the skeleton, passed at its end; -1 for none
  };

  [[nodiscard]] const Vec3& place(int point) const { return skeleton_.points[static_cast<size_t>(point)].at; }
  [[nodiscard]] WireSection sectionOf(int wires) const;
  [[nodiscard]] double lengthOf(const Step& step) const { return (place(step.to) - place(step.from)).norm(); }
  [[nodiscard]] PathPoint pathPoint(const Run& run, size_t k) const;
  void lay(const Run& run);
  void layLegs(const Run& run, const BentPath& path);
  void noteCrowded(const Run& run, const BentPath& path);
  void put(const Noted& noted);
  void putAll(const Run& run, size_t at);
  void foldHere(const Run& run);
  void pass(int point);
  void walk(std::deque<Stretch>& leg, double path);
  void zone(double from, double to, int wires, double factor, double along);
  void bend(const PathBend& bend, int point, double factorBefore, double factorAfter, double takes);

  const WireSkeleton& skeleton_;
  WireSection wire_;
  Allowances allow_;
  Piece piece_;
  std::vector<Run> runs_;
  std::optional<Vec3> arrives_; ///< direction in which the wire leaves the last fold
  Vec3 normal_{0, 0, 0};        ///< of the last bend's plane
  size_t lastBend_ = 0;         ///< its feature
  double at_ = 0;
};

/// Tool angle for a bend that is to stay at `angle`: theta/K, K = 1 - 3.3953 x + 6.79 x^3, x = sigma Rn/(E d)
/// with the flow stress at 10 % strain, since bending hardens the wire; good for x < 0.25 (larger is held
/// there).
[[nodiscard]] double toolAngle(double angle, double neutralRadius, const Material& material, double d);

/// Springback factor K of a stress in MPa.
[[nodiscard]] double springback(double sigma, double elastic, double neutralRadius, double d);

} // namespace columna
