#include "plan/joint_wire.h"

namespace columna {
namespace {

/// Which bone ends nearest to each point of the skeleton.
std::vector<size_t> bonesAt(const Plan& plan) {
  const Figure& figure = plan.figure;
  std::vector<size_t> out;
  for (const WirePoint& p : plan.skeleton->points) {
    size_t best = 0;
    double least = 1e18;
    for (size_t b = 0; b < figure.bones.size(); ++b) {
      const FigureBone& bone = figure.bones[b];
      const bool ends = (bone.end - p.at).norm() < 1e-6;
      if (const double away = ends ? -1 : ((bone.begin + bone.end) / 2 - p.at).norm(); away < least) {
        least = away;
        best = b;
      }
    }
    out.push_back(best);
  }
  return out;
}

} // namespace

void addWeight(BoneMass& mass, double grams, const Vec3& at) {
  const double all = mass.grams + grams;
  if (all <= 0) return;
  mass.centre = (mass.grams * mass.centre + grams * at) / all;
  mass.grams = all;
}

std::vector<BoneMass> wireAtJoints(const Plan& plan) {
  std::vector<BoneMass> out(plan.figure->bones.size());
  const std::vector<size_t> boneAt = bonesAt(plan);
  for (const Piece& piece : plan.pieces) {
    if (piece.route.empty() || piece.cut <= 0) continue;
    for (const Feature& f : piece.features) {
      if (f.kind == "twist" || f.kind == "waste") continue;
      size_t at = 0;
      while (at + 1 < piece.route.size() && piece.routeAt[at + 1] <= f.at + 1e-6) ++at;
      const auto point = static_cast<size_t>(piece.route[at]);
      addWeight(out[boneAt[point]], piece.mass * f.takes / piece.cut, plan.skeleton->points[point].at);
    }
  }
  return out;
}

} // namespace columna
