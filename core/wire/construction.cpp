#include "wire/construction.h"

#include <algorithm>
#include <map>
#include <utility>

namespace columna {
namespace {

struct Words {
  Construction construction;
  std::string_view id, name, built, givesUp;
};

constexpr std::array<Words, 8> kWords{{
    {Construction::FoldedPair, "folded-pair", named("folded pair"),
     named("two long wires, each folded in half: one is head, neck and front legs, the other back and hind "
           "legs"),
     named("strength in large figures")},
    {Construction::TwistedLimbs, "twisted-limbs", named("twisted limbs"),
     named("every limb a doubled, twisted wire on a doubled spine, lashed on with a short extra piece"),
     named("slim limbs")},
    {Construction::SpineAndCrosspieces, "spine-and-crosspieces", named("spine and crosspieces"),
     named("one strong spine and one wire across through each pair of limbs"),
     named("speed: there are many lashings")},
    {Construction::LegsAndTail, "legs-and-tail", named("legs and tail only"),
     named("a felted body; wire in legs and tail alone, glued into awl holes"), named("body poses")},
    {Construction::ThroughPegs, "through-pegs", named("through-body pegs"),
     named("short equal wires pushed straight through a firm body and bent down at each side"),
     named("load")},
    {Construction::ThreadJoints, "thread-joints", named("thread joints"),
     named("felted parts strung through the body on strong thread, so that limbs swing"),
     named("standing poses")},
    {Construction::NoWire, "no-wire", named("no wire"),
     named("parts wound on a wooden skewer, slid off and felted hard"), named("any pose")},
    {Construction::PartWired, "part-wired", "part-wired",
     named("wire in legs, neck and tail; the trunk is felt that they are set into"), named("body poses")},
}};

const Words& words(Construction construction) {
  return *std::find_if(kWords.begin(), kWords.end(),
                       [construction](const Words& w) { return w.construction == construction; });
}

bool isPair(const FigureLimb& limb) {
  return limb.side > 0 &&
         (limb.kind == LimbKind::Leg || limb.kind == LimbKind::Arm || limb.kind == LimbKind::Wing);
}

class Grouping {
public:
  Grouping(const Figure& figure, const WireSkeleton& skeleton, const WiresWanted& wanted)
      : figure_(figure), skeleton_(skeleton), wanted_(wanted), taken_(figure.limbs.size(), false),
        pairs_(spinePairs(figure, skeleton)) {}

  std::vector<WireGroup> make(Construction construction) {
    switch (construction) {
    case Construction::TwistedLimbs:
      spine(2);
      rest(2);
      break;
    case Construction::FoldedPair:
      foldedPair();
      rest(1);
      break;
    case Construction::SpineAndCrosspieces:
      spine(1);
      for (const int left : pairs_) across(left, RootHold::Lashed, 1);
      rest(1);
      break;
    case Construction::ThroughPegs:
      for (const int left : pairs_) across(left, RootHold::Through, 1);
      break;
    case Construction::LegsAndTail:
    case Construction::PartWired:
      for (size_t i = 0; i < figure_.limbs.size(); ++i)
        if (carries(construction, figure_.limbs[i]) && figure_.limbs[i].kind != LimbKind::Digits)
          set(static_cast<int>(i), construction == Construction::PartWired ? 2 : 1);
      rest(1, true);
      break;
    case Construction::ThreadJoints:
    case Construction::NoWire:
      break;
    }
    asked();
    for (size_t l = 0; l < wanted_.size(); ++l)
      if (wanted_[l].held) leave(static_cast<int>(l));
    for (WireGroup& group : groups_) drop(group);
    for (size_t l = 0; l < wanted_.size(); ++l)
      if (wanted_[l].held) heldApart(static_cast<int>(l), *wanted_[l].held);
    if (!apart_.empty()) loseDigits();
    std::erase_if(groups_, [](const WireGroup& g) { return g.limbs.empty(); });
    return std::move(groups_);
  }

private:
  [[nodiscard]] const FigureLimb& limb(int l) const { return figure_.limbs[static_cast<size_t>(l)]; }
  [[nodiscard]] bool has(int l) const { return l >= 0 && !skeleton_.limbs[static_cast<size_t>(l)].empty(); }
  [[nodiscard]] int wiresOf(int l, int usual) const {
    return wanted_.empty() ? usual : wanted_[static_cast<size_t>(l)].wires.value_or(usual);
  }

  void take(WireGroup& group, int l, int wires) {
    if (!has(l) || taken_[static_cast<size_t>(l)]) return;
    taken_[static_cast<size_t>(l)] = true;
    group.limbs.push_back(l);
    group.wires.push_back(wiresOf(l, wires));
  }

  [[nodiscard]] int midline(LimbKind kind) const {
    for (size_t i = 0; i < figure_.limbs.size(); ++i)
      if (figure_.limbs[i].kind == kind && figure_.limbs[i].side == 0 &&
          onSpine(skeleton_, static_cast<int>(i)))
        return static_cast<int>(i);
    return -1;
  }

  /// A stretch of run; the wires are those of the limb each part of it belongs to.
  void along(WireGroup& group, const WireRun& run, int wires) const {
    for (size_t s = 0; s + 1 < run.points.size(); ++s)
      group.segments.push_back({run.points[s], run.points[s + 1], run.segmentLimb[s], run.segmentBone[s],
                                wiresOf(run.segmentLimb[s], wires)});
  }
  void ownRun(WireGroup& group, int l, int wires) const {
    for (const WireRun& run : skeleton_.limbs[static_cast<size_t>(l)]) along(group, run, wires);
  }

  void spine(int wires) {
    WireGroup group;
    group.name = "spine";
    for (const LimbKind kind : {LimbKind::Head, LimbKind::Neck, LimbKind::Trunk, LimbKind::Tail})
      take(group, midline(kind), wires);
    if (group.limbs.empty()) return;
    along(group, skeleton_.spine, wires);
    groups_.push_back(std::move(group));
  }

  /// One wire through both limbs of a pair.
  void across(int left, RootHold root, int wires) {
    WireGroup group;
    group.name = limb(left).family + "s";
    for (const int l : {left, limb(left).twin}) {
      if (!has(l) || taken_[static_cast<size_t>(l)]) continue;
      take(group, l, wires);
      ownRun(group, l, wires);
    }
    group.root = root;
    group.equal = root == RootHold::Through;
    if (!group.limbs.empty()) groups_.push_back(std::move(group));
  }

  /// A limb with wire of its own.
  void set(int l, int wires) {
    if (!has(l) || taken_[static_cast<size_t>(l)]) return;
    WireGroup group;
    group.name = limb(l).id;
    group.root = RootHold::Glued;
    take(group, l, wires);
    group.stem = limb(l).kind == LimbKind::Tail && wires == 1;
    ownRun(group, l, wires);
    groups_.push_back(std::move(group));
  }

  void foldedPair() {
    const WireRun& run = skeleton_.spine;
    if (run.points.empty()) return;
    const int nose = run.points.back();
    const int end = run.points.front();
    const auto root = [&](int l) { return skeleton_.rootPoint[static_cast<size_t>(l)]; };
    const int tail = midline(LimbKind::Tail);
    const int front = pairs_.empty() ? end : root(pairs_.front());
    WireGroup head;
    head.name = "head and front";
    take(head, midline(LimbKind::Head), 2);
    take(head, midline(LimbKind::Neck), 2);
    if (pairs_.empty()) { // nothing to run out into: one wire from nose to tail
      take(head, midline(LimbKind::Trunk), 2);
      take(head, tail, 2);
      along(head, run, 2);
      groups_.push_back(std::move(head));
      return;
    }
    along(head, stretch(run, front, nose), 2);
    addPair(head, pairs_.front());
    if (!head.limbs.empty()) groups_.push_back(std::move(head));
    WireGroup back;
    back.name = "back";
    back.meets = front;
    take(back, midline(LimbKind::Trunk), 2);
    const bool legs = pairs_.size() > 1;
    const int rear = legs ? root(pairs_.back()) : end;
    if (!legs) take(back, tail, 2);
    // Behind the hind legs the tail's own wire runs; without a tail the back's does.
    along(back, stretch(run, legs && tail >= 0 ? rear : end, front), 2);
    if (legs) addPair(back, pairs_.back());
    if (!back.limbs.empty()) groups_.push_back(std::move(back));
    if (legs && tail >= 0) {
      WireGroup stem;
      stem.name = "tail";
      stem.stem = true;
      take(stem, tail, 1);
      if (wiresOf(tail, 1) > 0)
        for (const WireRun& part : {stretch(run, end, rear)})
          for (size_t s = 0; s + 1 < part.points.size(); ++s)
            stem.segments.push_back({part.points[s], part.points[s + 1], part.segmentLimb[s],
                                     part.segmentBone[s], wiresOf(tail, 1)});
      groups_.push_back(std::move(stem));
    }
    for (size_t i = 1; i + 1 < pairs_.size(); ++i) across(pairs_[i], RootHold::Lashed, 1);
  }

  void addPair(WireGroup& group, int left) {
    for (const int l : {left, limb(left).twin}) {
      if (!has(l) || taken_[static_cast<size_t>(l)]) continue;
      take(group, l, 1);
      ownRun(group, l, 1);
    }
  }

  /// What is left: digits of fine wire, anything else a group of its own. `only`: digits of wired limbs
  /// alone.
  void rest(int wires, bool only = false) {
    for (size_t i = 0; i < figure_.limbs.size(); ++i) {
      const int l = static_cast<int>(i);
      if (taken_[i] || !has(l)) continue;
      WireGroup group;
      group.digits = limb(l).kind == LimbKind::Digits;
      if (only && !(group.digits && onWired(l))) continue;
      group.name = limb(l).id;
      const int usual = group.digits ? 2 : wires;
      take(group, l, usual);
      ownRun(group, l, usual);
      groups_.push_back(std::move(group));
    }
  }

  [[nodiscard]] bool onWired(int digits) const {
    const int root = skeleton_.rootPoint[static_cast<size_t>(digits)];
    for (const WireGroup& group : groups_)
      for (const StrandSegment& s : group.segments)
        if (!group.digits && (s.a == root || s.b == root)) return true;
    return false;
  }

  /// Limbs the construction leaves bare but the maker wants wire in.
  void asked() {
    if (wanted_.empty()) return;
    for (size_t i = 0; i < figure_.limbs.size(); ++i)
      if (!taken_[i] && wanted_[i].wires.value_or(0) > 0) set(static_cast<int>(i), *wanted_[i].wires);
  }

  /// A limb held its own way leaves the group the construction put it in, with its stretches; `apart_` keeps
  /// how many wires it had.
  void leave(int l) {
    int had = 1;
    for (WireGroup& group : groups_)
      for (size_t m = group.limbs.size(); m-- > 0;)
        if (group.limbs[m] == l) {
          had = std::max(1, group.wires[m]);
          group.limbs.erase(group.limbs.begin() + static_cast<std::ptrdiff_t>(m));
          group.wires.erase(group.wires.begin() + static_cast<std::ptrdiff_t>(m));
          std::erase_if(group.segments, [l](const StrandSegment& s) { return s.limb == l; });
        }
    apart_[l] = had;
    taken_[static_cast<size_t>(l)] = false;
  }

  void heldApart(int l, RootHold held) {
    if (held == RootHold::Thread || held == RootHold::Skewer || wiresOf(l, 1) <= 0) return;
    const int twin = limb(l).twin;
    if (held == RootHold::Through) {
      // With its twin if that is pushed through too; the left one brings it.
      const bool both = twin >= 0 && wanted_[static_cast<size_t>(twin)].held == RootHold::Through;
      if (both && limb(l).side < 0) return;
      WireGroup group;
      group.name = both ? limb(l).family + "s" : limb(l).id;
      group.root = held;
      group.equal = true;
      for (const int each : {l, both ? twin : -1})
        if (has(each) && !taken_[static_cast<size_t>(each)]) {
          take(group, each, apart_[l]);
          ownRun(group, each, apart_[l]);
        }
      if (!group.limbs.empty()) groups_.push_back(std::move(group));
      return;
    }
    const int root = skeleton_.rootPoint[static_cast<size_t>(l)];
    const bool passed = std::any_of(groups_.begin(), groups_.end(), [&](const WireGroup& g) {
      return std::any_of(g.segments.begin(), g.segments.end(),
                         [root](const StrandSegment& s) { return s.a == root || s.b == root; });
    });
    const size_t before = groups_.size();
    set(l, apart_[l]);
    if (groups_.size() > before && held == RootHold::Lashed && passed) groups_.back().root = held;
  }

  /// Toes of a limb whose wire was taken out have nothing to be wound on.
  void loseDigits() {
    std::vector<WireGroup> keep;
    for (const WireGroup& group : groups_) {
      const bool bare = group.digits && std::none_of(group.limbs.begin(), group.limbs.end(), [&](int l) {
                          return onWired(l) || wanted_[static_cast<size_t>(l)].wires.value_or(0) > 0;
                        });
      if (!bare) keep.push_back(group);
    }
    groups_ = std::move(keep);
  }

  /// Limbs that are to have none leave the group with their stretches.
  static void drop(WireGroup& group) {
    for (size_t m = group.limbs.size(); m-- > 0;)
      if (group.wires[m] <= 0) {
        group.limbs.erase(group.limbs.begin() + static_cast<std::ptrdiff_t>(m));
        group.wires.erase(group.wires.begin() + static_cast<std::ptrdiff_t>(m));
      }
    std::erase_if(group.segments, [](const StrandSegment& s) { return s.wires <= 0; });
  }

  const Figure& figure_;
  const WireSkeleton& skeleton_;
  const WiresWanted& wanted_;
  std::vector<bool> taken_;
  std::vector<int> pairs_;
  std::vector<WireGroup> groups_;
  std::map<int, int> apart_; ///< limbs held their own way: the wires they had
};

} // namespace

std::string_view id(Construction construction) { return words(construction).id; }
std::string_view name(Construction construction) { return words(construction).name; }
std::string_view built(Construction construction) { return words(construction).built; }
std::string_view givesUp(Construction construction) { return words(construction).givesUp; }

std::optional<Construction> construction(std::string_view id) {
  for (const Words& w : kWords)
    if (w.id == id) return w.construction;
  return std::nullopt;
}

bool onSpine(const WireSkeleton& skeleton, int limb) {
  const auto& of = skeleton.spine.segmentLimb;
  return std::find(of.begin(), of.end(), limb) != of.end();
}

bool carries(Construction construction, const FigureLimb& limb) {
  const bool swings = limb.kind == LimbKind::Leg || limb.kind == LimbKind::Arm ||
                      limb.kind == LimbKind::Wing || limb.kind == LimbKind::Digits;
  switch (construction) {
  case Construction::LegsAndTail:
    return swings || limb.kind == LimbKind::Tail;
  case Construction::PartWired:
    return swings || limb.kind == LimbKind::Tail || limb.kind == LimbKind::Neck;
  case Construction::ThroughPegs:
    return swings && limb.kind != LimbKind::Digits;
  case Construction::ThreadJoints:
  case Construction::NoWire:
    return false;
  default:
    return true;
  }
}

std::vector<int> spinePairs(const Figure& figure, const WireSkeleton& skeleton) {
  std::vector<int> pairs;
  for (size_t i = 0; i < figure.limbs.size(); ++i)
    if (isPair(figure.limbs[i]) && skeleton.rootPoint[i] >= 0 &&
        skeleton.alongSpine(skeleton.rootPoint[i]) >= 0)
      pairs.push_back(static_cast<int>(i));
  std::stable_sort(pairs.begin(), pairs.end(), [&](int a, int b) {
    return skeleton.alongSpine(skeleton.rootPoint[static_cast<size_t>(a)]) >
           skeleton.alongSpine(skeleton.rootPoint[static_cast<size_t>(b)]);
  });
  return pairs;
}

std::vector<WireGroup> wireGroups(const Figure& figure, const WireSkeleton& skeleton,
                                  Construction construction, const WiresWanted& wanted) {
  return Grouping(figure, skeleton, wanted).make(construction);
}

} // namespace columna
