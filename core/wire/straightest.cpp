#include "wire/straightest.h"

#include <algorithm>
#include <functional>
#include <map>
#include <tuple>

namespace columna {

std::vector<int> straightestPairing(PointKind kind, const std::vector<StrandEnd>& ends,
                                    const std::vector<Vec3>& towards, const std::vector<int>& image) {
  std::vector<int> mates(ends.size(), -1);
  std::vector<std::vector<int>> left(towards.size()); // ends not yet paired, of each edge
  for (size_t i = ends.size(); i-- > 0;)
    left[static_cast<size_t>(ends[i].edge)].push_back(static_cast<int>(i));
  std::map<int, int> joined; // path to path, so that none closes to a ring
  const std::function<int(int)> find = [&](int p) { return joined.contains(p) ? find(joined[p]) : p; };
  const auto pathOf = [&](int end) {
    const int path = ends[static_cast<size_t>(end)].path;
    return path < 0 ? -1 - end : find(path); // what goes out is open
  };
  const auto pair = [&](size_t a, size_t b) {
    if (left[a].empty() || left[b].size() < (a == b ? 2U : 1U)) return false;
    const int i = left[a].back();
    left[a].pop_back();
    const int j = left[b].back();
    const int pathA = pathOf(i);
    const int pathB = pathOf(j);
    if (pathA == pathB) {
      left[a].push_back(i);
      return false;
    }
    left[b].pop_back();
    if (pathA >= 0 && pathB >= 0) joined[pathB] = pathA;
    mates[static_cast<size_t>(i)] = j;
    mates[static_cast<size_t>(j)] = i;
    return true;
  };
  const auto mirror = [&](size_t e) { return image.empty() ? e : static_cast<size_t>(image[e]); };
  struct Way {
    double cost;
    size_t a, b;
  };
  std::vector<Way> ways;
  for (size_t a = 0; a < towards.size(); ++a)
    for (size_t b = a; b < towards.size(); ++b)
      ways.push_back({a == b ? foldCost(kind) : bendAngle(-towards[a], towards[b]), a, b});
  std::stable_sort(ways.begin(), ways.end(),
                   [](const Way& x, const Way& y) { return x.cost < y.cost - 1e-9; });
  for (const Way& way : ways) {
    if (way.a == way.b && way.cost > kPieceCost + 2 * endCost(kind)) continue;
    const size_t ma = mirror(way.a);
    const size_t mb = mirror(way.b);
    const bool itself = (ma == way.a && mb == way.b) || (ma == way.b && mb == way.a);
    for (;;) {
      const auto before = std::tuple(mates, left, joined);
      if (pair(way.a, way.b) && (itself || pair(ma, mb))) continue;
      std::tie(mates, left, joined) = before;
      break;
    }
  }
  for (size_t i = 0; i < mates.size(); ++i)
    if (mates[i] < 0) mates[i] = static_cast<int>(i);
  return mates;
}

} // namespace columna
