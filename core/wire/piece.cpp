#include "wire/piece.h"

#include "measure/quantity.h"
#include "wire/group_graph.h"
#include "wire/layer.h"
#include "wire/piece_parts.h"

#include <fmt/format.h>

#include <algorithm>
#include <cmath>
#include <limits>
#include <set>

namespace columna {
namespace {

constexpr int kRoutedAgain = 8;

class Laying {
public:
  Laying(const Figure& figure, const WireSkeleton& skeleton, const std::vector<WireGroup>& groups,
         const std::vector<WireSection>& sections, const std::vector<double>& longest,
         const WireSection& fine, const PieceRules& rules)
      : figure_(figure), skeleton_(skeleton), groups_(groups), sections_(sections), longest_(longest),
        fine_(fine), rules_(rules), image_(mirroredPoints(skeleton)) {
    for (size_t i = 0; i < skeleton.points.size(); ++i) byId_[skeleton.points[i].id] = static_cast<int>(i);
  }

  PiecePlan run() {
    for (size_t g = 0; g < groups_.size(); ++g)
      if (!groups_[g].digits) routed(g);
    alike();
    for (auto& [piece, join] :
         lashingPieces(figure_, skeleton_, groups_, sections_, lashed_, fine_, rules_)) {
      out_.pieces.push_back(std::move(piece));
      out_.joins.push_back(std::move(join));
    }
    for (size_t g = 0; g < groups_.size(); ++g)
      if (groups_[g].digits)
        for (Piece& piece : digitPieces(figure_, skeleton_, groups_[g], sections_[g], rules_)) {
          piece.group = static_cast<int>(g);
          splice(piece, longest_[g], sections_[g]);
          add(std::move(piece));
        }
    for (Piece& piece : wishedDigits(figure_, skeleton_, fine_, rules_))
      out_.pieces.push_back(std::move(piece));
    for (size_t i = 0; i < out_.pieces.size(); ++i) {
      Piece& piece = out_.pieces[i];
      piece.tag = std::string(1, static_cast<char>('A' + i % 26));
      if (i >= 26) piece.tag += std::to_string(i / 26 + 1);
    }
    return std::move(out_);
  }

private:
  [[nodiscard]] const FigureLimb& limb(int l) const { return figure_.limbs[static_cast<size_t>(l)]; }
  [[nodiscard]] const Allowances& allowOf(const std::string& piece) const { return allowFor(rules_, piece); }

  /// Whether the pieces as a whole are their own mirror image.
  [[nodiscard]] bool symmetric(const std::vector<std::vector<int>>& walks) const {
    std::multiset<std::vector<int>> all;
    const auto canonical = [](std::vector<int> walk) {
      std::vector<int> back(walk.rbegin(), walk.rend());
      return std::min(walk, back);
    };
    for (const auto& walk : walks) all.insert(canonical(walk));
    for (const auto& walk : walks) {
      std::vector<int> image;
      image.reserve(walk.size());
      for (const int p : walk) image.push_back(image_[static_cast<size_t>(p)]);
      const auto found = all.find(canonical(image));
      if (found == all.end()) return false;
      all.erase(found);
    }
    return true;
  }

  [[nodiscard]] std::vector<std::vector<int>> inPoints(const GroupGraph& local,
                                                       const std::vector<Walk>& walks) const {
    std::vector<std::vector<int>> out;
    for (const Walk& walk : walks) {
      std::vector<int> points;
      for (const int n : walk) points.push_back(local.point[static_cast<size_t>(n)]);
      out.push_back(std::move(points));
    }
    return out;
  }

  void routed(size_t g) {
    const WireGroup& group = groups_[g];
    if (group.segments.empty()) return;
    const WireSection& wire = sections_[g];
    const GroupGraph local = groupGraph(figure_, skeleton_, group, wire, rules_.allow);
    const double cutLimit = std::min(rules_.handling, longest_[g]);
    double limit = std::max(1.0, (cutLimit - rules_.allow.wasteLength) / (1 + rules_.allow.wasteShare / 100));
    // Routing knows nothing of corners and of turns round other wires; where a piece comes out too long for
    // them, it is routed again with that much less to spend.
    const size_t pieces = out_.pieces.size();
    const size_t joins = out_.joins.size();
    for (int attempt = 0;; ++attempt) {
      std::set<int> lashed = lashed_;
      RouteChoice choice = routedWithin(g, local, limit);
      double most = 0;
      for (size_t i = pieces; i < out_.pieces.size(); ++i)
        if (out_.pieces[i].route.size() > 2) most = std::max(most, out_.pieces[i].cut);
      if (most <= cutLimit || choice.own || attempt == kRoutedAgain || limit <= 1) {
        out_.choices.push_back(std::move(choice));
        return;
      }
      limit = std::max(1.0, limit - (most - cutLimit) - 0.1);
      out_.pieces.erase(out_.pieces.begin() + static_cast<std::ptrdiff_t>(pieces), out_.pieces.end());
      out_.joins.erase(out_.joins.begin() + static_cast<std::ptrdiff_t>(joins), out_.joins.end());
      lashed_ = std::move(lashed);
    }
  }

  RouteChoice routedWithin(size_t g, const GroupGraph& local, double limit) {
    const WireGroup& group = groups_[g];
    std::vector<Routing> ways = bestRoutings(local.graph, limit);
    // Twins are routed as mirrors wherever that costs no more.
    std::stable_sort(ways.begin(), ways.end(), [&](const Routing& a, const Routing& b) {
      if (std::abs(a.cost - b.cost) > 1e-6) return a.cost < b.cost;
      return symmetric(inPoints(local, a.pieces)) && !symmetric(inPoints(local, b.pieces));
    });
    RouteChoice choice;
    choice.group = group.name;
    choice.proven = ways.front().proven;
    for (const Routing& way : ways) {
      if (way.cost > ways.front().cost + 1e-6) break;
      std::vector<std::vector<std::string>> ids;
      for (const auto& walk : inPoints(local, way.pieces)) {
        ids.emplace_back();
        for (const int p : walk) ids.back().push_back(skeleton_.points[static_cast<size_t>(p)].id);
      }
      choice.ways.push_back(std::move(ids));
    }
    std::vector<Walk> walks = ways.front().pieces;
    if (const auto own = rules_.routes.find(group.name); own != rules_.routes.end()) {
      std::vector<Walk> wanted;
      if (const auto problem = ownWalks(local, own->second, wanted)) {
        choice.problem = *problem;
      } else {
        choice.own = true;
        walks = std::move(wanted);
      }
    }
    ordered(local, walks);
    for (const Walk& walk : walks) lay(g, local, walk, walks.size());
    ties(g, local, walks);
    return choice;
  }

  /// The maker's own routes as walks; a sentence when they do not cover the strands.
  std::optional<Said> ownWalks(const GroupGraph& local, const std::vector<std::vector<std::string>>& routes,
                               std::vector<Walk>& out) const {
    for (const auto& route : routes) {
      Walk walk;
      for (const std::string& id : route) {
        const auto point = byId_.find(id);
        const auto node = point == byId_.end()
                              ? local.point.end()
                              : std::find(local.point.begin(), local.point.end(), point->second);
        if (node == local.point.end()) return say("\"{}\" is no point of these wires", AsIs(id));
        walk.push_back(static_cast<int>(node - local.point.begin()));
      }
      out.push_back(std::move(walk));
    }
    auto problem = routingProblem(local.graph, out);
    if (!problem) return std::nullopt;
    // Points in the maker's words.
    const auto pointName = [&](int node) {
      return Name(skeleton_.points[static_cast<size_t>(local.point[static_cast<size_t>(node)])].name);
    };
    for (size_t e = 0; e < local.graph.edges.size(); ++e) {
      const RouteEdge& edge = local.graph.edges[e];
      int runs = 0;
      for (const Walk& walk : out)
        for (size_t i = 0; i + 1 < walk.size(); ++i)
          runs += std::minmax(walk[i], walk[i + 1]) == std::minmax(edge.a, edge.b) ? 1 : 0;
      if (runs != edge.strands)
        return say("{} to {} carries {} of its {} strands", pointName(edge.a), pointName(edge.b), runs,
                   edge.strands);
    }
    return problem;
  }

  /// A piece begins at its left foot, at its root, or farther back; pieces in body order.
  void ordered(const GroupGraph& local, std::vector<Walk>& walks) const {
    const auto key = [&](int n) {
      const int l = local.limbAt[static_cast<size_t>(n)];
      const RouteNode& node = local.graph.nodes[static_cast<size_t>(n)];
      // Roots first, then left tips, then the hind end.
      return std::make_tuple(node.kind == PointKind::Root ? 0 : 1, l >= 0 ? -limb(l).side : 0, node.at.x());
    };
    for (Walk& walk : walks)
      if (key(walk.back()) < key(walk.front())) std::reverse(walk.begin(), walk.end());
    std::stable_sort(walks.begin(), walks.end(),
                     [&](const Walk& a, const Walk& b) { return firstLimb(local, a) < firstLimb(local, b); });
  }

  [[nodiscard]] int firstLimb(const GroupGraph& local, const Walk& walk) const {
    int least = std::numeric_limits<int>::max();
    for (size_t i = 0; i + 1 < walk.size(); ++i)
      least = std::min(least, local.segment.at(std::minmax(walk[i], walk[i + 1])).limb);
    return least;
  }

  void lay(size_t g, const GroupGraph& local, const Walk& walk, size_t ofGroup) {
    const WireGroup& group = groups_[g];
    const WireSection& wire = sections_[g];
    std::set<int> limbs;
    for (size_t i = 0; i + 1 < walk.size(); ++i)
      limbs.insert(local.segment.at(std::minmax(walk[i], walk[i + 1])).limb);
    std::string called = limbs.size() == 1 && !(ofGroup == 1 && group.name == "spine")
                             ? lowerFirst(limb(*limbs.begin()).name)
                         : limbs.size() == 2 && limb(*limbs.begin()).twin == *limbs.rbegin()
                             ? limb(*limbs.begin()).family + " crosspiece"
                             : group.name;
    int same = 1;
    for (const Piece& piece : out_.pieces)
      if (piece.name == called || piece.name.starts_with(called + " "))
        same += piece.group == static_cast<int>(g) ? 1 : 0;
    if (same > 1) called += fmt::format(" {}", same);
    Layer layer(skeleton_, wire, called, allowOf(called));
    const auto lastOf = [&](int node, bool first) {
      layEnd(layer, figure_, group, local.graph.nodes[static_cast<size_t>(node)].kind,
             local.limbAt[static_cast<size_t>(node)], first, wire.wireDiameter(), allowOf(called));
    };
    lastOf(walk.front(), true);
    bool met = false;
    for (size_t i = 0; i + 1 < walk.size(); ++i) {
      if (i > 0 && walk[i - 1] == walk[i + 1]) {
        const bool meets = local.point[static_cast<size_t>(walk[i])] == group.meets;
        if (meets && !met) meet(layer, g, local.point[static_cast<size_t>(walk[i])], allowOf(called));
        met = met || meets;
        layFold(layer, figure_, local.limbAt[static_cast<size_t>(walk[i])], wire.wireDiameter(),
                allowOf(called));
      }
      const StrandSegment& s = local.segment.at(std::minmax(walk[i], walk[i + 1]));
      layer.step(local.point[static_cast<size_t>(walk[i])], local.point[static_cast<size_t>(walk[i + 1])],
                 s.limb, s.wires);
    }
    lastOf(walk.back(), false);
    Piece piece = layer.finish();
    piece.group = static_cast<int>(g);
    splice(piece, longest_[g], wire);
    add(std::move(piece));
  }

  void meet(Layer& layer, size_t g, int point, const Allowances& allow) {
    layer.feature("mutual-twist", mutualTwistLength(allow.mutualTurns, sections_[g].wireDiameter()),
                  say("{} full turns with the front wire", Number(allow.mutualTurns, Quantity::kShort)));
    out_.joins.push_back({"mutual-twist", point, groups_[g].limbs, 0, 0,
                          say("Twist the back wire {} full turns round the front wire where they meet.",
                              Number(allow.mutualTurns, Quantity::kShort))});
  }

  /// A piece that mirrors one before it takes over its numbers.
  void add(Piece piece) {
    if (figure_.symmetric)
      for (size_t i = 0; i < out_.pieces.size(); ++i) {
        const Piece& other = out_.pieces[i];
        if (other.mirrorOf >= 0 || other.route.size() != piece.route.size() || piece.route.size() < 2 ||
            other.diameter != piece.diameter || other.material != piece.material ||
            other.features.size() != piece.features.size() || other.bends.size() != piece.bends.size())
          continue;
        bool image = true;
        for (size_t k = 0; k < piece.route.size(); ++k)
          image = image && image_[static_cast<size_t>(other.route[k])] == piece.route[k];
        if (!image || other.route == piece.route) continue;
        piece.mirrorOf = static_cast<int>(i);
        copyNumbers(piece, other);
        break;
      }
    out_.pieces.push_back(std::move(piece));
  }

  /// Pegs are cut alike, to the longest.
  void alike() {
    double most = 0;
    for (const Piece& piece : out_.pieces)
      if (piece.group >= 0 && groups_[static_cast<size_t>(piece.group)].equal)
        most = std::max(most, piece.cut);
    for (Piece& piece : out_.pieces) {
      if (piece.group < 0 || !groups_[static_cast<size_t>(piece.group)].equal || piece.cut >= most) continue;
      const double more = most - piece.cut;
      piece.mass *= most / piece.cut;
      piece.features.push_back(
          {"alike", piece.cut, more, say("cut as long as the others, bent in at the feet")});
      piece.cut = most;
    }
  }

  /// Where a group's own wires, or its wires and another's, are tied together.
  void ties(size_t g, const GroupGraph& local, const std::vector<Walk>& walks) {
    const WireGroup& group = groups_[g];
    for (size_t n = 0; n < local.point.size(); ++n) {
      const int point = local.point[n];
      bool ends = false;
      bool passes = false;
      for (const Walk& walk : walks)
        for (size_t i = 0; i < walk.size(); ++i)
          if (walk[i] == static_cast<int>(n)) {
            const bool end = i == 0 || i + 1 == walk.size();
            ends = ends || end;
            passes = passes || !end;
          }
      const PointKind kind = local.graph.nodes[n].kind;
      if (kind == PointKind::Joint && ends) lash(point, g);
      if (kind != PointKind::Root || !(ends || passes)) continue;
      // A tail or a neck with wire of its own is set in like any limb.
      const bool alone = group.limbs.size() == 1 && onSpine(skeleton_, group.limbs.front()) &&
                         skeleton_.rootPoint[static_cast<size_t>(group.limbs.front())] == point;
      const bool own = isRootOf(skeleton_, group, point) || (alone && group.root != RootHold::Lashed);
      if (!own) {
        // A stretch of the trunk that begins where other wires run: tied unless twisted round them.
        if (point != group.meets && ends && (!group.stem || alone)) lash(point, g);
        continue;
      }
      if (group.meets == point || mainline(point, g)) continue;
      hold(group, g, point);
    }
  }

  /// Whether the group's own wire goes on through the point along the spine, so that nothing is to be tied.
  [[nodiscard]] bool mainline(int point, size_t g) const {
    int touching = 0;
    bool spine = false;
    bool trunk = false;
    for (const StrandSegment& s : groups_[g].segments)
      if (s.a == point || s.b == point) {
        ++touching;
        spine = spine || onSpine(skeleton_, s.limb);
        trunk = trunk || limb(s.limb).kind == LimbKind::Trunk;
      }
    // A tail or a neck alone begins here and has to be held like any limb.
    return spine && (touching > 1 || trunk);
  }

  void hold(const WireGroup& group, size_t g, int point) {
    if (group.root == RootHold::Lashed) {
      lash(point, g);
      return;
    }
    std::vector<int> here;
    for (const int l : group.limbs)
      if (skeleton_.rootPoint[static_cast<size_t>(l)] == point) here.push_back(l);
    std::string who = here.empty() ? group.name : lowerFirst(limb(here.front()).name);
    if (group.root == RootHold::Through) {
      const Name at(skeleton_.points[static_cast<size_t>(point)].name);
      out_.joins.push_back({"through", point, here, 0, 0,
                            here.size() > 1 ? say("Push the {} wire straight through the firm body at the "
                                                  "{}, and bend it down at each side.",
                                                  Name(limb(here.front()).part), at)
                                            : say("Push the {}'s wire straight through the firm body at the "
                                                  "{}, and bend it down at each side.",
                                                  Name(who), at)});
      return;
    }
    // From the surface to where the wire ends: the link inside the body and the lap.
    double depth = rules_.allow.lap;
    for (const int l : here)
      if (const WireRun& run = skeleton_.limbs[static_cast<size_t>(l)].front();
          !run.empty() && run.segmentBone.front() < 0)
        depth += skeleton_.segmentLength(run, 0);
    out_.joins.push_back({"awl-hole", point, here, depth, 0,
                          say("Pierce the firm body for the {} with an awl, {} deep, put glue in and set the "
                              "wire; let it dry.",
                              Name(who), Length(depth, 0))});
  }

  void lash(int point, size_t /*group*/) { lashed_.insert(point); }

  const Figure& figure_;
  const WireSkeleton& skeleton_;
  const std::vector<WireGroup>& groups_;
  const std::vector<WireSection>& sections_;
  const std::vector<double>& longest_;
  const WireSection& fine_;
  const PieceRules& rules_;
  std::vector<int> image_; ///< of each point its mirror image
  std::map<std::string, int> byId_;
  std::set<int> lashed_;
  PiecePlan out_;
};

} // namespace

PiecePlan makePieces(const Figure& figure, const WireSkeleton& skeleton, const std::vector<WireGroup>& groups,
                     const std::vector<WireSection>& sections, const std::vector<double>& longest,
                     const WireSection& fine, const PieceRules& rules) {
  return Laying(figure, skeleton, groups, sections, longest, fine, rules).run();
}

} // namespace columna
