#include "plan/body_joins.h"

#include "measure/quantity.h"

#include <algorithm>

namespace columna {
namespace {

double halfDeep(const Figure& figure, int limb) {
  double most = 0;
  for (const int b : figure.limbs[static_cast<size_t>(limb)].bones)
    for (const Station& s : figure.bones[static_cast<size_t>(b)].stations)
      most = std::max({most, s.across / 2, s.deep / 2});
  return most;
}

class Joins {
public:
  Joins(const Project& project, Plan& plan) : project_(project), plan_(plan), f_(plan.figure) {}

  void make() {
    for (size_t i = 0; i < f_.limbs.size(); ++i) thread(static_cast<int>(i));
    for (size_t i = 0; i < f_.limbs.size(); ++i) skewer(static_cast<int>(i));
    pin();
    stays();
    tailFoot();
  }

private:
  void add(Join join) { plan_.joins.push_back(std::move(join)); }
  [[nodiscard]] const FigureLimb& limb(int l) const { return f_.limbs[static_cast<size_t>(l)]; }
  [[nodiscard]] bool wired(int l) const { return l >= 0 && plan_.limbs[static_cast<size_t>(l)].wired; }
  [[nodiscard]] int rootOf(int l) const { return plan_.skeleton->rootPoint[static_cast<size_t>(l)]; }
  [[nodiscard]] bool is(Construction construction) const { return project_.construction == construction; }
  [[nodiscard]] std::optional<RootHold> heldOf(int l) const {
    const auto found = project_.limbs.find(limb(l).id);
    return found == project_.limbs.end() ? std::nullopt : found->second.held;
  }
  [[nodiscard]] int midline(LimbKind kind) const {
    for (size_t i = 0; i < f_.limbs.size(); ++i)
      if (f_.limbs[i].kind == kind && f_.limbs[i].side == 0) return static_cast<int>(i);
    return -1;
  }

  /// Both limbs of a pair, strung through the body.
  void thread(int l) {
    const auto held = heldOf(l);
    if (held ? *held != RootHold::Thread : !is(Construction::ThreadJoints)) return;
    if (wired(l) || limb(l).side <= 0 || limb(l).twin < 0 || limb(l).kind == LimbKind::Digits ||
        rootOf(l) < 0)
      return;
    const int trunk = midline(LimbKind::Trunk);
    // There and back through both limbs and the body, and ends to tie with.
    const double through = 2 * halfDeep(f_, trunk < 0 ? l : trunk) + 4 * halfDeep(f_, l);
    const double length = 2 * through + plan_.bench.threadTies;
    add({"thread",
         rootOf(l),
         {l, limb(l).twin},
         length,
         0,
         say("String both {} on {} of strong thread through the body, there and back, pull it tight and knot "
             "it.",
             Name(limb(l).plural), Length(length, 0))});
  }

  void skewer(int l) {
    const auto held = heldOf(l);
    const bool usual = is(Construction::NoWire) || is(Construction::ThreadJoints);
    if (held ? *held != RootHold::Skewer && *held != RootHold::Thread : !usual) return;
    if (limb(l).bones.empty() || limb(l).kind == LimbKind::Trunk || limb(l).kind == LimbKind::Digits ||
        wired(l))
      return;
    double thinnest = 1e9;
    double length = 0;
    for (const int b : limb(l).bones) {
      length += f_.bones[static_cast<size_t>(b)].length;
      for (const Station& s : f_.bones[static_cast<size_t>(b)].stations)
        if (s.at <= 0.8) thinnest = std::min({thinnest, s.across, s.deep});
    }
    const double thick = plan_.bench.skewerFor(thinnest);
    const bool flat = limb(l).kind == LimbKind::Leg || limb(l).kind == LimbKind::Arm;
    const double begun = length * (flat ? plan_.bench.longLimb : plan_.bench.longOther);
    add({"skewer",
         -1,
         {l},
         begun,
         thick,
         say("Wind the {} on a {} skewer, {} long to begin with; slid off and felted it comes to {}.",
             lowerName(limb(l).name), Length(thick, Quantity::kShort), Length(begun, 0), Length(length, 0))});
  }

  void pin() {
    const int head = midline(LimbKind::Head);
    if (head < 0 || wired(head) || rootOf(head) < 0 || is(Construction::NoWire)) return;
    const double length = plan_.bench.pinFor(limb(head).length);
    add({"spine-pin",
         rootOf(head),
         {head},
         length,
         0,
         say("A pin of {}, half in the head and half in the body, keeps the head from turning.",
             Length(length, 0))});
  }

  /// Where legs hang from one wire through the body, or from folded pairs.
  void stays() {
    for (size_t i = 0; i < f_.limbs.size(); ++i) {
      const int l = static_cast<int>(i);
      if (limb(l).side <= 0 || limb(l).kind != LimbKind::Leg || !wired(l) || rootOf(l) < 0) continue;
      const RootHold root = plan_.groups[static_cast<size_t>(plan_.limbs[i].group)].root;
      if (root == RootHold::Through || (is(Construction::FoldedPair) && !heldOf(l)))
        add({"glue-stay",
             rootOf(l),
             {l, limb(l).twin},
             0,
             0,
             say("A blob of glue where the {} meet keeps them from turning.", Name(limb(l).plural))});
    }
  }

  void tailFoot() {
    const int tail = midline(LimbKind::Tail);
    if (plan_.loads.legs != 2 || !wired(tail)) return;
    add({"tail-foot",
         plan_.skeleton->limbs[static_cast<size_t>(tail)].front().points.back(),
         {tail},
         0,
         0,
         say("Bent down to the ground the tail makes a third foot.")});
  }

  const Project& project_;
  Plan& plan_;
  const Figure& f_;
};

} // namespace

void bodyJoins(const Project& project, Plan& plan) { Joins(project, plan).make(); }

} // namespace columna
