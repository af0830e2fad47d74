#include "wire/piece.h"

#include "measure/quantity.h"
#include "wire/layer.h"

#include <fmt/format.h>

#include <algorithm>
#include <cmath>
#include <limits>
#include <set>

namespace columna {
namespace {

std::string lowerFirst(std::string text) {
  if (!text.empty() && text[0] >= 'A' && text[0] <= 'Z') text[0] = static_cast<char>(text[0] - 'A' + 'a');
  return text;
}

bool isFoot(LimbKind kind) { return kind == LimbKind::Leg || kind == LimbKind::Arm; }

/// Numbers of a piece but for where it runs.
void copyNumbers(Piece& to, const Piece& from) {
  to.bones = from.bones;
  to.cut = from.cut;
  to.mass = from.mass;
  to.routeAt = from.routeAt;
  to.features = from.features;
  to.twists = from.twists;
  const std::vector<Bend> own = to.bends;
  to.bends = from.bends;
  for (size_t i = 0; i < to.bends.size() && i < own.size(); ++i) {
    to.bends[i].point = own[i].point;
    to.bends[i].roll = -from.bends[i].roll; // the mirror image turns the other way
  }
}

class Laying {
public:
  Laying(const Figure& figure, const WireSkeleton& skeleton, const std::vector<WireGroup>& groups,
         const std::vector<WireSection>& sections, const std::vector<double>& longest,
         const WireSection& fine, const PieceRules& rules)
      : figure_(figure), skeleton_(skeleton), groups_(groups), sections_(sections), longest_(longest),
        fine_(fine), rules_(rules) {
    for (size_t i = 0; i < skeleton.points.size(); ++i) byId_[skeleton.points[i].id] = static_cast<int>(i);
  }

  PiecePlan run() {
    for (size_t g = 0; g < groups_.size(); ++g)
      if (!groups_[g].digits) routed(g);
    alike();
    lashings();
    for (size_t g = 0; g < groups_.size(); ++g)
      if (groups_[g].digits) digits(g);
    wished();
    for (size_t i = 0; i < out_.pieces.size(); ++i) {
      Piece& piece = out_.pieces[i];
      piece.tag = std::string(1, static_cast<char>('A' + i % 26));
      if (i >= 26) piece.tag += std::to_string(i / 26 + 1);
    }
    return std::move(out_);
  }

private:
  [[nodiscard]] const FigureLimb& limb(int l) const { return figure_.limbs[static_cast<size_t>(l)]; }
  [[nodiscard]] const Allowances& allowOf(const std::string& piece) const {
    const auto own = rules_.own.find(piece);
    return own == rules_.own.end() ? rules_.allow : own->second;
  }

  /// A group's stretches as the router sees them; local node numbers.
  struct Local {
    RouteGraph graph;
    std::vector<int> point;  ///< skeleton point of each node
    std::vector<int> limbAt; ///< limb whose tip a node is, -1
    std::map<std::pair<int, int>, StrandSegment> segment;
  };

  Local localOf(const WireGroup& group, const WireSection& wire) const {
    Local local;
    std::map<int, int> node;
    std::map<int, int> degree;
    const auto nodeOf = [&](int point) {
      const auto [it, fresh] = node.emplace(point, static_cast<int>(local.point.size()));
      if (fresh) {
        local.point.push_back(point);
        local.limbAt.push_back(-1);
        local.graph.nodes.push_back(
            {skeleton_.points[static_cast<size_t>(point)].at, PointKind::Joint, 0, 0});
      }
      return it->second;
    };
    for (const StrandSegment& s : group.segments) {
      WireSection section = wire;
      section.lay = rules_.allow.lay;
      section.wires = s.wires;
      const double length =
          (skeleton_.points[static_cast<size_t>(s.b)].at - skeleton_.points[static_cast<size_t>(s.a)].at)
              .norm();
      const int a = nodeOf(s.a);
      const int b = nodeOf(s.b);
      if (a == b || local.segment.contains(std::minmax(a, b))) continue;
      local.segment[std::minmax(a, b)] = s;
      local.graph.edges.push_back({a, b, s.wires, length * section.lengthFactor()});
      ++degree[a];
      ++degree[b];
    }
    // Only a symmetric figure's wires are routed as mirrors.
    if (figure_.symmetric) {
      for (const int point : local.point) {
        const auto image = node.find(mirrored(point));
        local.graph.mirror.push_back(image == node.end() ? -1 : image->second);
      }
      if (std::find(local.graph.mirror.begin(), local.graph.mirror.end(), -1) != local.graph.mirror.end())
        local.graph.mirror.clear();
    }
    const double d = wire.wireDiameter();
    for (size_t n = 0; n < local.point.size(); ++n) {
      RouteNode& here = local.graph.nodes[n];
      const int tip = tipOf(group, local.point[n]);
      if (degree[static_cast<int>(n)] == 1 && tip >= 0) {
        local.limbAt[n] = tip;
        here.kind = isFoot(limb(tip).kind)             ? PointKind::Foot
                    : limb(tip).kind == LimbKind::Head ? PointKind::Head
                                                       : PointKind::Tip;
      } else if (degree[static_cast<int>(n)] == 1 || isRoot(group, local.point[n])) {
        here.kind = PointKind::Root;
      }
      const bool foot = here.kind == PointKind::Foot;
      const double loop = loopLength(rules_.allow.loopInside, d);
      here.foldTakes = foot ? loop : foldLength(d);
      here.endTakes = foot ? loop + closingTurnsLength(d)
                      : here.kind == PointKind::Root || here.kind == PointKind::Joint
                          ? rules_.allow.lap
                          : turnBackLength(d, rules_.allow.turnBack);
    }
    return local;
  }

  /// The limb of the group that ends at a point, -1.
  [[nodiscard]] int tipOf(const WireGroup& group, int point) const {
    for (const int l : group.limbs)
      for (const WireRun& run : skeleton_.limbs[static_cast<size_t>(l)])
        if (!run.empty() && run.points.back() == point) return l;
    // The hind end of a trunk without a tail.
    if (!skeleton_.spine.empty() && skeleton_.spine.points.front() == point) {
      const int l = skeleton_.spine.segmentLimb.front();
      if (std::find(group.limbs.begin(), group.limbs.end(), l) != group.limbs.end()) return l;
    }
    return -1;
  }

  [[nodiscard]] bool isRoot(const WireGroup& group, int point) const {
    return std::any_of(group.limbs.begin(), group.limbs.end(), [&](int l) {
      return !onSpine(skeleton_, l) && skeleton_.rootPoint[static_cast<size_t>(l)] == point;
    });
  }

  [[nodiscard]] int mirrored(int point) const {
    const std::string& id = skeleton_.points[static_cast<size_t>(point)].id;
    std::string other = id;
    if (id.starts_with("left-"))
      other = "right-" + id.substr(5);
    else if (id.starts_with("right-"))
      other = "left-" + id.substr(6);
    const auto found = byId_.find(other);
    return found == byId_.end() ? point : found->second;
  }

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
      for (const int p : walk) image.push_back(mirrored(p));
      const auto found = all.find(canonical(image));
      if (found == all.end()) return false;
      all.erase(found);
    }
    return true;
  }

  [[nodiscard]] std::vector<std::vector<int>> inPoints(const Local& local,
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
    Local local = localOf(group, wire);
    const double cutLimit = std::min(rules_.handling, longest_[g]);
    const double limit =
        std::max(1.0, (cutLimit - rules_.allow.wasteLength) / (1 + rules_.allow.wasteShare / 100));
    std::vector<Routing> ways = bestRoutings(local.graph, limit);
    // Twins are routed as mirrors wherever that costs no more.
    std::stable_sort(ways.begin(), ways.end(), [&](const Routing& a, const Routing& b) {
      if (std::abs(a.cost - b.cost) > 1e-6) return a.cost < b.cost;
      return symmetric(inPoints(local, a.pieces)) && !symmetric(inPoints(local, b.pieces));
    });
    RouteChoice choice;
    choice.group = group.name;
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
    out_.choices.push_back(std::move(choice));
  }

  /// The maker's own routes as walks; a sentence when they do not cover the strands.
  std::optional<std::string> ownWalks(const Local& local, const std::vector<std::vector<std::string>>& routes,
                                      std::vector<Walk>& out) const {
    for (const auto& route : routes) {
      Walk walk;
      for (const std::string& id : route) {
        const auto point = byId_.find(id);
        const auto node = point == byId_.end()
                              ? local.point.end()
                              : std::find(local.point.begin(), local.point.end(), point->second);
        if (node == local.point.end()) return fmt::format("\"{}\" is no point of these wires", id);
        walk.push_back(static_cast<int>(node - local.point.begin()));
      }
      out.push_back(std::move(walk));
    }
    auto problem = routingProblem(local.graph, out);
    if (!problem) return std::nullopt;
    // Points in the maker's words.
    for (size_t e = 0; e < local.graph.edges.size(); ++e) {
      const RouteEdge& edge = local.graph.edges[e];
      int runs = 0;
      for (const Walk& walk : out)
        for (size_t i = 0; i + 1 < walk.size(); ++i)
          runs += std::minmax(walk[i], walk[i + 1]) == std::minmax(edge.a, edge.b) ? 1 : 0;
      if (runs != edge.strands)
        return fmt::format("{} to {} carries {} of its {} strands",
                           skeleton_.points[static_cast<size_t>(local.point[static_cast<size_t>(edge.a)])].id,
                           skeleton_.points[static_cast<size_t>(local.point[static_cast<size_t>(edge.b)])].id,
                           runs, edge.strands);
    }
    return problem;
  }

  /// A piece begins at its left foot, at its root, or farther back; pieces in body order.
  void ordered(const Local& local, std::vector<Walk>& walks) const {
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

  [[nodiscard]] int firstLimb(const Local& local, const Walk& walk) const {
    int least = std::numeric_limits<int>::max();
    for (size_t i = 0; i + 1 < walk.size(); ++i)
      least = std::min(least, local.segment.at(std::minmax(walk[i], walk[i + 1])).limb);
    return least;
  }

  void lay(size_t g, const Local& local, const Walk& walk, size_t ofGroup) {
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
    end(layer, group, local, walk.front(), true, wire, allowOf(called));
    bool met = false;
    for (size_t i = 0; i + 1 < walk.size(); ++i) {
      if (i > 0 && walk[i - 1] == walk[i + 1]) {
        const bool meets = local.point[static_cast<size_t>(walk[i])] == group.meets;
        if (meets && !met) meet(layer, g, local.point[static_cast<size_t>(walk[i])], allowOf(called));
        met = met || meets;
        fold(layer, local, walk[i], wire, allowOf(called));
      }
      const StrandSegment& s = local.segment.at(std::minmax(walk[i], walk[i + 1]));
      layer.step(local.point[static_cast<size_t>(walk[i])], local.point[static_cast<size_t>(walk[i + 1])],
                 s.limb, s.wires);
    }
    end(layer, group, local, walk.back(), false, wire, allowOf(called));
    Piece piece = layer.finish();
    piece.group = static_cast<int>(g);
    splices(piece, g);
    add(std::move(piece));
  }

  void meet(Layer& layer, size_t g, int point, const Allowances& allow) {
    layer.feature("mutual-twist", mutualTwistLength(allow.mutualTurns, sections_[g].wireDiameter()),
                  fmt::format("{:g} full turns with the front wire", allow.mutualTurns));
    out_.joins.push_back({"mutual-twist", point, groups_[g].limbs, 0, 0,
                          fmt::format("Twist the back wire {:g} full turns round the front wire where they "
                                      "meet.",
                                      allow.mutualTurns)});
  }

  void fold(Layer& layer, const Local& local, int node, const WireSection& wire,
            const Allowances& allow) const {
    const int l = local.limbAt[static_cast<size_t>(node)];
    if (l >= 0 && isFoot(limb(l).kind))
      layer.fold("loop", loopLength(allow.loopInside, wire.wireDiameter()),
                 fmt::format("loop of {:g} mm at the {}", allow.loopInside,
                             limb(l).kind == LimbKind::Leg ? "foot" : "palm"));
    else
      layer.fold("fold", foldLength(wire.wireDiameter()),
                 l < 0                            ? "fold where it turns back"
                 : limb(l).kind == LimbKind::Head ? "fold at the nose"
                                                  : "fold at the tip");
  }

  void end(Layer& layer, const WireGroup& group, const Local& local, int node, bool first,
           const WireSection& wire, const Allowances& allow) const {
    const double d = wire.wireDiameter();
    const int l = local.limbAt[static_cast<size_t>(node)];
    const PointKind kind = local.graph.nodes[static_cast<size_t>(node)].kind;
    if (kind == PointKind::Foot) {
      const auto close = [&] {
        layer.feature("turn-back", closingTurnsLength(d), "1.5 turns round the shank to close the loop");
      };
      const auto loop = [&] {
        layer.feature("loop", loopLength(allow.loopInside, d),
                      fmt::format("loop of {:g} mm at the {}", allow.loopInside,
                                  limb(l).kind == LimbKind::Leg ? "foot" : "palm"));
      };
      if (first) {
        close();
        loop();
      } else {
        loop();
        close();
      }
    } else if (kind == PointKind::Root || kind == PointKind::Joint) {
      if (group.stem && group.root == RootHold::Lashed)
        layer.feature("lashing", lashingLength(allow.mutualTurns, 2 * d, d),
                      fmt::format("{:g} turns round the wires it meets", allow.mutualTurns));
      else if (group.root == RootHold::Glued)
        layer.feature("lap", allow.lap, "end set into the awl hole");
      else
        layer.feature("lap", allow.lap, "end along the wire it meets, under the lashing");
    } else {
      layer.feature("turn-back", turnBackLength(d, allow.turnBack), "end turned back");
    }
  }

  /// A piece longer than the longest wire to be had is spliced, away from its bends.
  void splices(Piece& piece, size_t g) const {
    const double longest = longest_[g];
    if (!(piece.cut > longest)) return;
    const WireSection& wire = sections_[g];
    const double overlap = spliceOverlap(wire.wireDiameter(), wire.material.coverRadial > 0);
    const double step = longest - overlap;
    if (step < 2 * overlap) return; // refused: the finding says so
    double done = 0;
    double added = 0;
    std::vector<Feature> splice;
    while (piece.cut + added - done > longest + 1e-9) {
      double at = done + step;
      // Back from a bend by the overlap.
      for (int tries = 0; tries < 40; ++tries) {
        const bool near = std::any_of(piece.bends.begin(), piece.bends.end(), [&](const Bend& b) {
          return std::abs(b.at + b.arc / 2 - at) < overlap / 2 + 2 && b.angle > 0.15;
        });
        if (!near || at - overlap / 4 <= done + overlap) break;
        at -= overlap / 4;
      }
      splice.push_back(
          {"splice", std::min(at, piece.cut), overlap,
           fmt::format("splice: {} mm side by side, 5 full turns, ends turned in", printNumber(overlap, 0))});
      added += overlap;
      done = at;
    }
    for (Feature& f : splice) piece.features.push_back(std::move(f));
    std::stable_sort(piece.features.begin(), piece.features.end(),
                     [](const Feature& a, const Feature& b) { return a.at < b.at; });
    piece.cut += added;
    piece.mass += added * wire.linearMass();
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
          image = image && mirrored(other.route[k]) == piece.route[k];
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
      piece.features.push_back({"alike", piece.cut, more, "cut as long as the others, bent in at the feet"});
      piece.cut = most;
    }
  }

  /// Where a group's own wires, or its wires and another's, are tied together.
  void ties(size_t g, const Local& local, const std::vector<Walk>& walks) {
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
      const bool own = isRoot(group, point);
      if (!own) {
        // A stretch of the trunk that begins where other wires run: tied unless twisted round them.
        if (point != group.meets && ends && !group.stem) lash(point, g);
        continue;
      }
      if (group.meets == point || mainline(point, g)) continue;
      hold(group, g, point);
    }
  }

  /// Whether the group's own wire goes on through the point along the spine, so that nothing is to be tied.
  [[nodiscard]] bool mainline(int point, size_t g) const {
    return std::any_of(groups_[g].segments.begin(), groups_[g].segments.end(), [&](const StrandSegment& s) {
      return (s.a == point || s.b == point) && onSpine(skeleton_, s.limb);
    });
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
      out_.joins.push_back(
          {"through", point, here, 0, 0,
           fmt::format("Push the {} straight through the firm body at {}, and bend it down "
                       "at each side.",
                       here.size() > 1 ? limb(here.front()).family + " wire" : who + "'s wire",
                       skeleton_.points[static_cast<size_t>(point)].id)});
      return;
    }
    // From the surface to where the wire ends: the link inside the body and the lap.
    double depth = rules_.allow.lap;
    for (const int l : here)
      if (const WireRun& run = skeleton_.limbs[static_cast<size_t>(l)].front();
          !run.empty() && run.segmentBone.front() < 0)
        depth += skeleton_.segmentLength(run, 0);
    out_.joins.push_back(
        {"awl-hole", point, here, depth, 0,
         fmt::format("Pierce the firm body for the {} with an awl, {} mm deep, put glue in and "
                     "set the wire; let it dry.",
                     who, printNumber(depth, 0))});
  }

  void lash(int point, size_t g) { lashed_[point].insert(g); }

  void lashings() {
    std::vector<std::pair<double, int>> order;
    for (const auto& [point, who] : lashed_) order.emplace_back(-skeleton_.alongSpine(point), point);
    std::sort(order.begin(), order.end());
    const double d = fine_.wireDiameter();
    for (const auto& [along, point] : order) {
      double area = 0;
      std::string called;
      std::vector<int> limbs;
      for (size_t g = 0; g < groups_.size(); ++g) {
        if (groups_[g].digits) continue;
        const double w = sections_[g].wireDiameter();
        int strands = 0;
        for (const StrandSegment& s : groups_[g].segments)
          if (s.a == point || s.b == point) strands = std::max(strands, s.wires);
        int roots = 0;
        for (const int l : groups_[g].limbs)
          if (!onSpine(skeleton_, l) && skeleton_.rootPoint[static_cast<size_t>(l)] == point) {
            ++roots;
            limbs.push_back(l);
            if (called.empty()) called = limb(l).family;
          }
        area += std::max(1, roots) * strands * w * w;
      }
      if (called.empty()) called = skeleton_.points[static_cast<size_t>(point)].id;
      const double core = std::sqrt(area / 0.78); // strands fill 0.78 of the bundle
      const std::string full = called + " lashing";
      const Allowances& allow = allowOf(full);
      Layer layer(skeleton_, fine_, full, allow);
      layer.feature("tail", allow.lashTail, "end to hold");
      layer.feature("lashing", lashingLength(allow.lashTurns, core, d),
                    fmt::format("{:g} turns round a bundle of {} mm", allow.lashTurns, printNumber(core, 1)));
      layer.feature("tail", allow.lashTail, "end to hold");
      Piece piece = layer.finish();
      piece.route = {point};
      piece.routeAt = {0};
      out_.pieces.push_back(std::move(piece));
      out_.joins.push_back({"lashing", point, limbs, 0, 0,
                            fmt::format("Lash {} with {:g} close turns of the fine wire, ends tucked in.",
                                        called, allow.lashTurns)});
    }
  }

  void digits(size_t g) {
    for (const int l : groups_[g].limbs) {
      const WireSection& wire = sections_[g];
      const double d = wire.wireDiameter();
      const std::string called = lowerFirst(limb(l).name);
      const Allowances& allow = allowOf(called);
      Layer layer(skeleton_, wire, called, allow);
      layer.feature("tail", allow.gripTail, "end to hold while twisting");
      const int wires = groups_[g].wires.front();
      for (const WireRun& run : skeleton_.limbs[static_cast<size_t>(l)]) {
        for (size_t s = 0; s + 1 < run.points.size(); ++s)
          layer.step(run.points[s], run.points[s + 1], run.segmentLimb[s], wires);
        layer.fold("fold", foldLength(d), "fold at the tip");
        for (size_t s = run.points.size() - 1; s > 0; --s)
          layer.step(run.points[s], run.points[s - 1], run.segmentLimb[s - 1], wires);
        layer.feature("digit", 2 * d, "crossing to the next");
      }
      layer.feature("tail", allow.gripTail, "end to hold while twisting");
      Piece piece = layer.finish();
      piece.group = static_cast<int>(g);
      splices(piece, g);
      add(std::move(piece));
    }
  }

  /// Toes and fingers the maker asked for: of fine wire, woven through the loop of the foot or palm.
  void wished() {
    for (const auto& [l, wish] : rules_.digits) {
      if (wish.count <= 0 || skeleton_.limbs[static_cast<size_t>(l)].empty()) continue;
      WireSection wire = fine_;
      wire.wires = 2;
      const double d = wire.wireDiameter();
      const std::string called =
          lowerFirst(limb(l).name) + (limb(l).kind == LimbKind::Arm ? " fingers" : " toes");
      const Allowances& allow = allowOf(called);
      const int point = skeleton_.limbs[static_cast<size_t>(l)].front().points.back();
      const int each = wish.pegs ? 1 : wish.count;
      for (int made = 0; made < (wish.pegs ? wish.count : 1); ++made) {
        Layer layer(skeleton_, wire, wish.pegs ? fmt::format("{} {}", called, made + 1) : called, allow);
        layer.feature("tail", allow.gripTail, "end to hold while twisting");
        for (int i = 0; i < each; ++i)
          layer.feature("digit", digitLength(wish.length, d, allow.lay),
                        fmt::format("{} mm, out, folded and back, twisted", printNumber(wish.length, 1)));
        layer.feature("tail", allow.gripTail, "end to hold while twisting");
        Piece piece = layer.finish();
        piece.route = {point};
        piece.routeAt = {0};
        piece.limbs = {l};
        out_.pieces.push_back(std::move(piece));
      }
    }
  }

  const Figure& figure_;
  const WireSkeleton& skeleton_;
  const std::vector<WireGroup>& groups_;
  const std::vector<WireSection>& sections_;
  const std::vector<double>& longest_;
  const WireSection& fine_;
  const PieceRules& rules_;
  std::map<std::string, int> byId_;
  std::map<int, std::set<size_t>> lashed_;
  PiecePlan out_;
};

} // namespace

PiecePlan makePieces(const Figure& figure, const WireSkeleton& skeleton, const std::vector<WireGroup>& groups,
                     const std::vector<WireSection>& sections, const std::vector<double>& longest,
                     const WireSection& fine, const PieceRules& rules) {
  return Laying(figure, skeleton, groups, sections, longest, fine, rules).run();
}

} // namespace columna
