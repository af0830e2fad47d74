#include "hold/frame_deck.h"

#include <fmt/format.h>

#include <algorithm>
#include <iterator>
#include <map>

namespace columna {
namespace {

/// Torsion constant over second moment of the outside solver's square beam: one element across, which does
/// not warp, so its polar second moment (a cantilever twisted in CalculiX 2.20 gives 2.0).
constexpr double kSquareTwist = 2;
constexpr double kSlender = 25; ///< length over thickness

} // namespace

std::string calculixDeck(const Frame& frame, const std::string& title, int parts) {
  parts = std::clamp(parts, 1, 64);
  const auto count = static_cast<size_t>(parts);
  std::string out = fmt::format("*HEADING\n{} (N, mm, MPa)\n*NODE,NSET=NALL\n", title);
  const auto put = std::back_inserter(out);
  const auto node = [&](size_t number, const Vec3& at) {
    fmt::format_to(put, "{},{:.9f},{:.9f},{:.9f}\n", number, at.x(), at.y(), at.z());
  };
  size_t next = frame.nodes.size();
  for (size_t n = 0; n < frame.nodes.size(); ++n) node(n + 1, frame.nodes[n].at);
  struct Run {
    std::vector<size_t> nodes; // 2 parts + 1
  };
  std::vector<Run> runs;
  for (size_t m = 0; m < frame.members.size(); ++m) {
    const FrameMember& each = frame.members[m];
    const Vec3& a = frame.nodes[static_cast<size_t>(each.i)].at;
    const Vec3& b = frame.nodes[static_cast<size_t>(each.j)].at;
    Run run{{static_cast<size_t>(each.i) + 1}};
    for (int k = 1; k < 2 * parts; ++k) {
      run.nodes.push_back(++next);
      node(next, a + (b - a) * (static_cast<double>(k) / (2 * parts)));
    }
    run.nodes.push_back(static_cast<size_t>(each.j) + 1);
    runs.push_back(std::move(run));
  }
  size_t element = 0;
  for (size_t m = 0; m < frame.members.size(); ++m) {
    fmt::format_to(put, "*ELEMENT,TYPE=B32R,ELSET=E{}\n", m + 1);
    for (size_t k = 0; k < count; ++k)
      fmt::format_to(put, "{},{},{},{}\n", ++element, runs[m].nodes[2 * k], runs[m].nodes[2 * k + 1],
                     runs[m].nodes[2 * k + 2]);
  }
  for (size_t m = 0; m < frame.members.size(); ++m) {
    const FrameMember& each = frame.members[m];
    // Slender enough that the outside beam's shear, which these sums leave out, does not count.
    const double side =
        std::min(std::pow(12 * each.inertia, 0.25), memberLength(frame, static_cast<int>(m)) / kSlender);
    const double elastic = each.elastic * each.inertia * 12 / std::pow(side, 4);
    const double shear = each.shear * each.torsion / (kSquareTwist * each.inertia);
    const double poisson = std::clamp(each.elastic / (2 * shear) - 1, -0.9, 0.49);
    fmt::format_to(put, "*MATERIAL,NAME=M{}\n*ELASTIC\n{:.9e},{:.6f}\n", m + 1, elastic, poisson);
    // The direction of the section's first side: the member's own y.
    // The direction of the section's first side: the member's own y.
    const Eigen::RowVector3d y = memberAxes(frame, static_cast<int>(m)).row(1);
    fmt::format_to(put,
                   "*BEAM SECTION,ELSET=E{},MATERIAL=M{},SECTION=RECT\n{:.9f},{:.9f}\n{:.9f},{:.9f},{:.9f}\n",
                   m + 1, m + 1, side, side, y.x(), y.y(), y.z());
  }
  out += "*BOUNDARY\n";
  for (size_t n = 0; n < frame.nodes.size(); ++n)
    for (size_t k = 0; k < 6; ++k)
      if (frame.nodes[n].fixed[k]) fmt::format_to(put, "{},{}\n", n + 1, k + 1);
  std::map<size_t, Vec6> loads;
  const auto add = [&](size_t number, const Vec3& force, const Vec3& moment) {
    auto [it, fresh] = loads.emplace(number, Vec6::Zero());
    it->second.head<3>() += force;
    it->second.tail<3>() += moment;
  };
  for (const FrameLoad& load : frame.loads) add(static_cast<size_t>(load.node) + 1, load.force, load.moment);
  for (size_t m = 0; m < frame.members.size(); ++m) {
    const Vec3 each =
        frame.members[m].weight * memberLength(frame, static_cast<int>(m)) / static_cast<double>(parts);
    for (size_t k = 0; k < count; ++k) // a quadratic element's share: a sixth, two thirds, a sixth
      for (size_t c = 0; c < 3; ++c)
        add(runs[m].nodes[2 * k + c], each * (c == 1 ? 2.0 / 3 : 1.0 / 6), Vec3::Zero());
  }
  out += "*STEP\n*STATIC\n*CLOAD\n";
  for (const auto& [number, load] : loads)
    for (Eigen::Index k = 0; k < 6; ++k) {
      // A load on what is held goes straight into the support, and the solver trips over it.
      if (number <= frame.nodes.size() && frame.nodes[number - 1].fixed[static_cast<size_t>(k)]) continue;
      if (std::abs(load[k]) > 1e-15) fmt::format_to(put, "{},{},{:.12e}\n", number, k + 1, load[k]);
    }
  out += "*NSET,NSET=JOINTS,GENERATE\n";
  fmt::format_to(put, "1,{}\n", frame.nodes.size());
  out += "*NODE PRINT,NSET=JOINTS\nU\n*NODE PRINT,NSET=JOINTS,TOTALS=YES\nRF\n*END STEP\n";
  return out;
}

} // namespace columna
