#include "anatomy/pattern_check.h"

#include "anatomy/figure.h"
#include "anatomy/plane.h"

#include <algorithm>
#include <cmath>

namespace columna {
namespace {

constexpr double kJump = 1.34;      ///< ratio of girths at a shared joint
constexpr double kOffGround = 0.03; ///< of the height
constexpr double kMeet = 0.004;     ///< modules: middles this near each other cross

double radius(const PatternBone& b) {
  double most = 0;
  for (const Station& s : b.stations) most = std::max({most, s.across / 2, s.deep / 2 + std::abs(s.lift)});
  return most;
}

class Checker {
public:
  explicit Checker(const Pattern& p) : p_(p) {}

  std::vector<Problem> run() {
    hangsFree();
    crossings();
    jumps();
    ground();
    ratios();
    return std::move(out_);
  }

private:
  [[nodiscard]] Segment segment(const PatternBone& b) const {
    return {p_.joints.at(b.from), p_.joints.at(b.to)};
  }

  void add(const std::string& where, const Said& what, const Said& remedy) {
    out_.push_back({what, where, remedy});
  }

  void hangsFree() {
    for (const PatternBone& b : p_.bones)
      if (const PatternBone* parent = p_.bone(b.parent)) {
        const double gap =
            nearest({p_.joints.at(b.from), p_.joints.at(b.from) + Vec3(1e-9, 0, 0)}, segment(*parent))
                .distance;
        if (gap > radius(*parent) + radius(b))
          add("bones." + b.id,
              say("begins {} modules from {}, which carries it", Number(gap, 2), AsIs(parent->id)),
              say("bring its first joint nearer, or name another parent"));
      }
    for (const PatternFlat& f : p_.flats) {
      double gap = 1e9;
      for (size_t i = 0; i < f.outline.size(); ++i) {
        const PatternBone* bone = p_.bone(f.follow.empty() ? f.bone : f.follow[i]);
        gap =
            std::min(gap, nearest({f.outline[i], f.outline[i] + Vec3(1e-9, 0, 0)}, segment(*bone)).distance -
                              radius(*bone));
      }
      if (gap > 0.02)
        add("flats." + f.id, say("touches nothing: it lies {} modules off", Number(gap, 2)),
            say("bring its root to the bone that carries it"));
    }
  }

  void crossings() {
    for (const PatternBone& b : p_.bones)
      if (b.twin)
        for (const std::string& joint : {b.from, b.to})
          if (p_.joints.at(joint).y() < -1e-9) {
            add("joints." + joint, say("lies on the right, so its chain crosses its twin's"),
                say("give it y of 0 or more"));
            break;
          }
    for (size_t i = 0; i < p_.bones.size(); ++i)
      for (size_t k = i + 1; k < p_.bones.size(); ++k) {
        const PatternBone& a = p_.bones[i];
        const PatternBone& b = p_.bones[k];
        if (!a.wire || !b.wire || a.parent == b.id || b.parent == a.id ||
            (a.parent == b.parent && !a.parent.empty()))
          continue;
        if (a.from == b.from || a.from == b.to || a.to == b.from || a.to == b.to) continue;
        const Nearest n = nearest(segment(a), segment(b));
        if (n.distance < kMeet && n.s > 0.02 && n.s < 0.98 && n.t > 0.02 && n.t < 0.98)
          add("bones." + a.id, say("crosses {} where no joint is", AsIs(b.id)),
              say("move one of their joints"));
      }
  }

  void jumps() {
    for (const PatternLimb& limb : p_.limbs)
      for (size_t i = 0; i + 1 < limb.bones.size(); ++i) {
        const PatternBone* a = p_.bone(limb.bones[i]);
        const PatternBone* b = p_.bone(limb.bones[i + 1]);
        if (a->to != b->from || b->parent != a->id || !a->wire || !b->wire) continue;
        // A joint that splits (a cloven hoof) gives each half its own girth.
        if (std::count_if(p_.bones.begin(), p_.bones.end(),
                          [&](const PatternBone& x) { return x.from == b->from; }) > 1)
          continue;
        const Station& end = a->stations.back();
        const Station& begin = b->stations.front();
        const double ratio = std::max({end.across / begin.across, begin.across / end.across,
                                       end.deep / begin.deep, begin.deep / end.deep});
        if (ratio > kJump)
          add("bones." + b->id,
              say("is {} % off the girth of {} at the joint they share", Number((ratio - 1) * 100, 0),
                  AsIs(a->id)),
              say("give both the same girth there"));
      }
  }

  void ground() {
    const Figure f = inModules(p_);
    const double height = f.overallHeight;
    const double low = lowestPoint(f);
    if (std::abs(low) > kOffGround * height)
      add("joints",
          low > 0 ? say("its lowest place is {} modules above the ground", Number(low, 2))
                  : say("its lowest place is {} modules under the ground", Number(-low, 2)),
          say("let it stand at z = 0"));
    bool any = false;
    std::vector<std::pair<std::string, double>> legs;
    for (size_t l = 0; l < f.limbs.size(); ++l) {
      const FigureLimb& limb = f.limbs[l];
      if (limb.kind != LimbKind::Leg || limb.side < 0) continue;
      double least = 1e9;
      for (const Tube& tube : f.tubes)
        for (size_t i = 0; i < tube.slabBone.size(); ++i) {
          const FigureBone& b = f.bones[static_cast<size_t>(tube.slabBone[i])];
          // Toes belong to the leg that carries them.
          const bool carried =
              b.limb == static_cast<int>(l) ||
              (b.parent >= 0 && f.bones[static_cast<size_t>(b.parent)].limb == static_cast<int>(l));
          if (!carried) continue;
          const Ring& r = tube.rings[i + 1];
          least = std::min(least, r.centre.z() - std::hypot(r.ru * r.u.z(), r.rv * r.v.z()));
        }
      any = any || least < kOffGround * height;
      legs.emplace_back(limb.family, least);
    }
    for (const auto& [family, least] : legs)
      if (any && least > kOffGround * height)
        add("limbs." + family, say("its foot is {} modules off the ground", Number(least, 2)),
            say("bring the foot to z = 0"));
  }

  void ratios() {
    const Figure f = inModules(p_);
    double trunk = 0;
    double thick = 0;
    for (const FigureLimb& limb : f.limbs)
      if (limb.kind == LimbKind::Trunk) {
        trunk = limb.length;
        for (const int b : limb.bones)
          for (const Station& s : f.bones[static_cast<size_t>(b)].stations)
            thick = std::max(thick, std::min(s.across, s.deep));
      }
    if (!(trunk > 0)) {
      add("limbs", say("there is no trunk with wire in it"), say("name one limb of kind trunk"));
      return;
    }
    struct Bounds {
      LimbKind kind;
      double low, high;
    };
    for (const FigureLimb& limb : f.limbs) {
      if (limb.side < 0) continue;
      for (const Bounds& b :
           {Bounds{LimbKind::Head, 0.06, 1.5}, Bounds{LimbKind::Neck, 0.03, 3}, Bounds{LimbKind::Leg, 0.1, 4},
            Bounds{LimbKind::Arm, 0.2, 3}, Bounds{LimbKind::Tail, 0.03, 4}})
        if (limb.kind == b.kind && (limb.length < b.low * trunk || limb.length > b.high * trunk))
          add("limbs." + limb.family,
              say("its length is {} of the trunk's, which no creature here has",
                  Number(limb.length / trunk, 2)),
              say("check the joints"));
    }
    if (p_.coatThickness > thick / 2)
      add("coat.thickness", say("is more than the trunk's radius"), say("give it in modules"));
    if (p_.eyeDiameter > 0.6 * thick)
      add("eyes.diameter", say("is more than half the trunk"), say("give it in modules"));
  }

  const Pattern& p_;
  std::vector<Problem> out_;
};

} // namespace

std::vector<Problem> checkPattern(const Pattern& pattern) { return Checker(pattern).run(); }

} // namespace columna
