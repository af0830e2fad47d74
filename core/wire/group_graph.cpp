#include "wire/group_graph.h"

#include "wire/piece_parts.h"

#include <algorithm>

namespace columna {
namespace {

/// The limb of the group that ends at a point, -1.
int tipOf(const WireSkeleton& skeleton, const WireGroup& group, int point) {
  for (const int l : group.limbs)
    for (const WireRun& run : skeleton.limbs[static_cast<size_t>(l)])
      if (!run.empty() && run.points.back() == point) return l;
  // The hind end of a trunk without a tail.
  if (!skeleton.spine.empty() && skeleton.spine.points.front() == point) {
    const int l = skeleton.spine.segmentLimb.front();
    if (std::find(group.limbs.begin(), group.limbs.end(), l) != group.limbs.end()) return l;
  }
  return -1;
}

} // namespace

bool isRootOf(const WireSkeleton& skeleton, const WireGroup& group, int point) {
  return std::any_of(group.limbs.begin(), group.limbs.end(), [&](int l) {
    return !onSpine(skeleton, l) && skeleton.rootPoint[static_cast<size_t>(l)] == point;
  });
}

std::vector<int> mirroredPoints(const WireSkeleton& skeleton) {
  std::map<std::string, int> byId;
  for (size_t i = 0; i < skeleton.points.size(); ++i) byId[skeleton.points[i].id] = static_cast<int>(i);
  std::vector<int> out;
  for (size_t i = 0; i < skeleton.points.size(); ++i) {
    const std::string& id = skeleton.points[i].id;
    std::string other = id;
    if (id.starts_with("left-"))
      other = "right-" + id.substr(5);
    else if (id.starts_with("right-"))
      other = "left-" + id.substr(6);
    const auto found = byId.find(other);
    out.push_back(found == byId.end() ? static_cast<int>(i) : found->second);
  }
  return out;
}

GroupGraph groupGraph(const Figure& figure, const WireSkeleton& skeleton, const WireGroup& group,
                      const WireSection& wire, const Allowances& allow) {
  GroupGraph local;
  const std::vector<int> mirror = mirroredPoints(skeleton);
  std::map<int, int> node;
  std::map<int, int> degree;
  const auto nodeOf = [&](int point) {
    const auto [it, fresh] = node.emplace(point, static_cast<int>(local.point.size()));
    if (fresh) {
      local.point.push_back(point);
      local.limbAt.push_back(-1);
      local.graph.nodes.push_back({skeleton.points[static_cast<size_t>(point)].at, PointKind::Joint, 0, 0});
    }
    return it->second;
  };
  for (const StrandSegment& s : group.segments) {
    WireSection section = wire;
    section.lay = allow.lay;
    section.wires = s.wires;
    const double length =
        (skeleton.points[static_cast<size_t>(s.b)].at - skeleton.points[static_cast<size_t>(s.a)].at).norm();
    const int a = nodeOf(s.a);
    const int b = nodeOf(s.b);
    if (a == b || local.segment.contains(std::minmax(a, b))) continue;
    local.segment[std::minmax(a, b)] = s;
    local.graph.edges.push_back({a, b, s.wires, length * section.lengthFactor()});
    ++degree[a];
    ++degree[b];
  }
  // Only a symmetric figure's wires are routed as mirrors.
  if (figure.symmetric) {
    for (const int point : local.point) {
      const auto image = node.find(mirror[static_cast<size_t>(point)]);
      local.graph.mirror.push_back(image == node.end() ? -1 : image->second);
    }
    if (std::find(local.graph.mirror.begin(), local.graph.mirror.end(), -1) != local.graph.mirror.end())
      local.graph.mirror.clear();
  }
  const double d = wire.wireDiameter();
  for (size_t n = 0; n < local.point.size(); ++n) {
    RouteNode& here = local.graph.nodes[n];
    const int tip = tipOf(skeleton, group, local.point[n]);
    if (degree[static_cast<int>(n)] == 1 && tip >= 0) {
      local.limbAt[n] = tip;
      here.kind = isFoot(figure.limbs[static_cast<size_t>(tip)].kind)             ? PointKind::Foot
                  : figure.limbs[static_cast<size_t>(tip)].kind == LimbKind::Head ? PointKind::Head
                                                                                  : PointKind::Tip;
    } else if (degree[static_cast<int>(n)] == 1 || isRootOf(skeleton, group, local.point[n])) {
      here.kind = PointKind::Root;
    }
    const bool foot = here.kind == PointKind::Foot;
    const double loop = loopLength(allow.loopInside, d);
    here.foldTakes = foot ? loop : foldLength(d);
    here.endTakes = foot ? loop + closingTurnsLength(d)
                    : here.kind == PointKind::Root || here.kind == PointKind::Joint
                        ? allow.lap
                        : turnBackLength(d, allow.turnBack);
  }
  return local;
}

} // namespace columna
