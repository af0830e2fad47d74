#include "wire/route_edit.h"

#include <algorithm>
#include <map>
#include <set>

namespace columna {
namespace {

using Way = std::vector<int>;
using Edge = std::pair<int, int>;

Edge edge(int a, int b) { return std::minmax(a, b); }

class Moving {
public:
  Moving(const WireSkeleton& skeleton, const WireGroup& group) : skeleton_(skeleton) {
    for (const StrandSegment& s : group.segments) {
      strands_[edge(s.a, s.b)] = s.wires;
      next_[s.a].insert(s.b);
      next_[s.b].insert(s.a);
    }
  }

  Result<Routes> run(const Routes& routes, size_t piece, bool atEnd, int to) {
    for (const auto& route : routes) {
      ways_.emplace_back();
      for (const std::string& id : route) {
        const int point = pointOf(id);
        if (point < 0)
          return Problem{say("\"{}\" is no point of this wire", AsIs(id)), Name(named("route")),
                         say("lay it anew")};
        ways_.back().push_back(point);
      }
    }
    if (piece >= ways_.size() || ways_[piece].size() < 2 || !next_.contains(to))
      return Problem{say("its wire does not run there"), Name(named("route")),
                     say("choose a joint of the same wires")};
    Way& way = ways_[piece];
    if (!atEnd) std::reverse(way.begin(), way.end());
    for (const int step : path(way.back(), to)) {
      if (way.size() > 1 && way[way.size() - 2] == step)
        way.pop_back();
      else
        way.push_back(step);
    }
    if (!atEnd) std::reverse(way.begin(), way.end());
    if (auto problem = drawBack(piece)) return *problem;
    fill();
    Routes out;
    for (const Way& each : ways_) {
      if (each.size() < 2) continue;
      out.emplace_back();
      for (const int p : each) out.back().push_back(skeleton_.points[static_cast<size_t>(p)].id);
    }
    return out;
  }

private:
  [[nodiscard]] int pointOf(const std::string& id) const {
    for (const auto& [point, others] : next_)
      if (skeleton_.points[static_cast<size_t>(point)].id == id) return point;
    return -1;
  }

  /// The points from one to another, the first left out.
  [[nodiscard]] Way path(int from, int to) const {
    std::map<int, int> before{{from, from}};
    std::vector<int> open{from};
    for (size_t i = 0; i < open.size(); ++i)
      for (const int n : next_.at(open[i]))
        if (before.emplace(n, open[i]).second) open.push_back(n);
    Way out;
    if (!before.contains(to)) return out;
    for (int at = to; at != from; at = before[at]) out.insert(out.begin(), at);
    return out;
  }

  [[nodiscard]] std::map<Edge, int> missing() const {
    std::map<Edge, int> out = strands_;
    for (const Way& way : ways_)
      for (size_t i = 0; i + 1 < way.size(); ++i) --out[edge(way[i], way[i + 1])];
    return out;
  }

  /// Other pieces that end on a stretch that has too many now draw back from it.
  std::optional<Problem> drawBack(size_t moved) {
    for (;;) {
      const auto lack = missing();
      const auto over = std::find_if(lack.begin(), lack.end(), [](const auto& e) { return e.second < 0; });
      if (over == lack.end()) return std::nullopt;
      bool done = false;
      for (size_t w = 0; w < ways_.size() && !done; ++w) {
        Way& way = ways_[w];
        if (w == moved || way.size() < 2) continue;
        if (edge(way[way.size() - 2], way.back()) == over->first) {
          way.pop_back();
          done = true;
        } else if (edge(way[0], way[1]) == over->first) {
          way.erase(way.begin());
          done = true;
        }
      }
      if (!done)
        return Problem{say("{} to {} has its {} strands already",
                           Name(skeleton_.points[static_cast<size_t>(over->first.first)].name),
                           Name(skeleton_.points[static_cast<size_t>(over->first.second)].name),
                           strands_.at(over->first)),
                       Name(named("route")), say("end the piece before it")};
    }
  }

  /// What no piece runs along any more becomes pieces of its own, as long as they can be.
  void fill() {
    for (;;) {
      auto lack = missing();
      const auto first = std::find_if(lack.begin(), lack.end(), [](const auto& e) { return e.second > 0; });
      if (first == lack.end()) return;
      Way way{first->first.first, first->first.second};
      --first->second;
      for (int side = 0; side < 2; ++side) {
        for (bool grown = true; grown;) {
          grown = false;
          for (const int n : next_.at(way.back()))
            if (int& left = lack[edge(way.back(), n)];
                left > 0 && (way.size() < 2 || n != way[way.size() - 2])) {
              --left;
              way.push_back(n);
              grown = true;
              break;
            }
        }
        std::reverse(way.begin(), way.end());
      }
      ways_.push_back(std::move(way));
    }
  }

  const WireSkeleton& skeleton_;
  std::map<Edge, int> strands_;
  std::map<int, std::set<int>> next_;
  std::vector<Way> ways_;
};

} // namespace

Result<Routes> withEndMoved(const WireSkeleton& skeleton, const WireGroup& group, const Routes& routes,
                            size_t piece, bool atEnd, int to) {
  return Moving(skeleton, group).run(routes, piece, atEnd, to);
}

} // namespace columna
