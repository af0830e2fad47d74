#include "hold/loads.h"

#include "hold/standing.h"
#include "measure/quantity.h"

#include <algorithm>
#include <cmath>
#include <functional>

namespace columna {
namespace {

constexpr double kSteadies = 0.5; ///< of an even share: what a leg is reckoned with at least

class Loading {
public:
  Loading(const Figure& figure, const WireSkeleton& skeleton, const Footing& footing,
          const std::vector<BoneMass>& masses, Use use)
      : figure_(figure), skeleton_(skeleton), footing_(footing), masses_(masses) {
    double total = 0;
    for (const BoneMass& m : masses) {
      total += m.grams;
      out_.centre += m.grams * m.centre;
    }
    if (total > 0) out_.centre /= total;
    out_.centre.y() = 0; // twins are equal, so the middle is the middle; rounding must not move it
    out_.weight = total * kGravity / 1000;
    out_.nudge = nudgeForce(out_.weight, use);
    out_.limbs.resize(figure.limbs.size());
    hang();
  }

  Loads run() {
    for (size_t i = 0; i < figure_.limbs.size(); ++i)
      if (footing_.stands[i]) ++out_.legs;
    out_.shares = legShares(figure_, footing_.soles, out_.centre);
    spine();
    for (size_t i = 0; i < figure_.limbs.size(); ++i) {
      const int l = static_cast<int>(i);
      if (skeleton_.limbs[i].empty() || onTheSpine(l)) continue;
      freeLimb(l);
      if (footing_.stands[static_cast<size_t>(l)]) standingLeg(l);
    }
    return std::move(out_);
  }

private:
  [[nodiscard]] bool onTheSpine(int l) const {
    const auto& of = skeleton_.spine.segmentLimb;
    return std::find(of.begin(), of.end(), l) != of.end();
  }

  /// Which limb carries which, and all that hangs on each limb's own run: (mm from its root, grams).
  void hang() {
    const size_t count = figure_.limbs.size();
    own_.resize(count);
    reach_.assign(count, 0);
    for (size_t i = 0; i < count; ++i)
      for (const WireRun& run : skeleton_.limbs[i]) reach_[i] = std::max(reach_[i], skeleton_.length(run));
    std::vector<bool> done(count, false);
    const std::function<void(size_t)> fill = [&](size_t i) {
      if (done[i]) return;
      done[i] = true;
      for (const WireRun& run : skeleton_.limbs[i]) {
        double at = 0;
        for (size_t s = 0; s + 1 < run.points.size(); ++s) {
          const double length = skeleton_.segmentLength(run, s);
          const int b = run.segmentBone[s];
          if (b >= 0) {
            const FigureBone& bone = figure_.bones[static_cast<size_t>(b)];
            const BoneMass& m = masses_[static_cast<size_t>(b)];
            // A bone cut by a root is two segments; each takes its part of the bone's weight.
            own_[i].push_back(
                {m.grams * length / bone.length, at + length * (length < bone.length * 0.999 ? 0.5 : m.at)});
          }
          at += length;
        }
      }
      // Bones without wire (a shoulder blade) hang at the limb's root.
      for (const int b : figure_.limbs[i].bones)
        if (!figure_.bones[static_cast<size_t>(b)].wire)
          own_[i].push_back({masses_[static_cast<size_t>(b)].grams, 0});
    };
    for (size_t i = 0; i < count; ++i) fill(i);
    // What hangs off a limb away from the spine (toes, fingers) is added where it leaves that limb.
    for (size_t i = 0; i < count; ++i) {
      const int root = skeleton_.rootPoint[i];
      if (root < 0 || onTheSpine(static_cast<int>(i)) || skeleton_.alongSpine(root) >= 0) continue;
      for (size_t c = 0; c < count; ++c) {
        if (c == i || skeleton_.limbs[c].empty()) continue;
        const WireRun& run = skeleton_.limbs[c].front();
        const auto found = std::find(run.points.begin() + 1, run.points.end(), root);
        if (found == run.points.end()) continue;
        double at = 0;
        for (auto it = run.points.begin(); it != found; ++it)
          at += skeleton_.segmentLength(run, static_cast<size_t>(it - run.points.begin()));
        for (const Hung& h : own_[i]) own_[c].push_back({h.grams, at + h.mm});
        carried_.push_back(static_cast<int>(i));
        break;
      }
    }
  }

  [[nodiscard]] double gramsOf(size_t limb) const {
    double total = 0;
    for (const Hung& h : own_[limb]) total += h.grams;
    return total;
  }

  void demand(int limb, Demand d) {
    for (const WirePoint& p : skeleton_.points)
      if (p.id == d.joint) d.place = p.name;
    out_.limbs[static_cast<size_t>(limb)].push_back(std::move(d));
  }

  /// Head, neck, trunk and tail: beyond the legs they stick out; between them they bridge.
  void spine() {
    const WireRun& run = skeleton_.spine;
    if (run.empty()) return;
    std::vector<Hung> parts; // along the spine
    double at = 0;
    std::vector<double> place{0};
    for (size_t s = 0; s + 1 < run.points.size(); ++s) {
      const double length = skeleton_.segmentLength(run, s);
      if (const int b = run.segmentBone[s]; b >= 0)
        parts.push_back(
            {masses_[static_cast<size_t>(b)].grams * length / figure_.bones[static_cast<size_t>(b)].length,
             at + length / 2});
      at += length;
      place.push_back(at);
    }
    const double end = at;
    double rear = 1e18;
    double front = -1;
    for (size_t i = 0; i < figure_.limbs.size(); ++i) {
      const int l = static_cast<int>(i);
      if (onTheSpine(l) || std::find(carried_.begin(), carried_.end(), l) != carried_.end()) continue;
      const double root = skeleton_.rootPoint[i] < 0 ? -1 : skeleton_.alongSpine(skeleton_.rootPoint[i]);
      if (root < 0) continue;
      const bool foot = footing_.stands[static_cast<size_t>(l)];
      if (foot) {
        rear = std::min(rear, root);
        front = std::max(front, root);
      } else {
        parts.push_back({gramsOf(i), root});
      }
    }
    if (front < 0)
      rear = front = nearestTo(out_.centre, run, place); // nothing to stand on: held at its middle

    // The link between a part's root and its first joint lies in its carrier's wool: it asks of the carrier.
    const auto limbOf = [&](size_t segment) {
      const int l = run.segmentLimb[segment];
      if (run.segmentBone[segment] >= 0) return l;
      const FigureBone& first =
          figure_.bones[static_cast<size_t>(figure_.limbs[static_cast<size_t>(l)].bones.front())];
      return first.parent < 0 ? l : figure_.bones[static_cast<size_t>(first.parent)].limb;
    };
    const auto overhang = [&](double from, bool forward) {
      std::vector<Hung> beyond;
      for (const Hung& p : parts)
        if (forward ? p.mm > from : p.mm < from) beyond.push_back({p.grams, std::abs(p.mm - from)});
      return beyond;
    };
    for (size_t i = 0; i < run.points.size(); ++i) {
      const double s = place[i];
      const std::string joint = skeleton_.points[static_cast<size_t>(run.points[i])].id;
      if (s >= front && i + 1 < run.points.size())
        demand(limbOf(i), cantilever(joint, overhang(s, true), end - s, say("all in front held level")));
      if (s <= rear && i > 0)
        demand(limbOf(i - 1), cantilever(joint, overhang(s, false), s, say("all behind held level")));
    }
    if (front <= rear) return;
    // What overhangs at either end bends the back too, as far as the legs do not take it.
    for (size_t i = 0; i + 1 < run.points.size(); ++i) {
      const auto name = [&](size_t point) {
        return skeleton_.points[static_cast<size_t>(run.points[point])].id;
      };
      if (place[i] == rear)
        demand(limbOf(i), cantilever(name(i), overhang(rear, false), rear, say("all behind held level")));
      if (place[i + 1] == front)
        demand(limbOf(i),
               cantilever(name(i + 1), overhang(front, true), end - front, say("all in front held level")));
    }
    bridge(run, place, parts, rear, front);
  }

  void bridge(const WireRun& run, const std::vector<double>& place, const std::vector<Hung>& parts,
              double rear, double front) {
    double grams = 0;
    for (const Hung& p : parts)
      if (p.mm > rear && p.mm < front) grams += p.grams;
    const double span = front - rear;
    const double moment = grams * kGravity / 1000 * span / 8;
    for (size_t i = 0; i + 1 < run.points.size(); ++i) {
      if (place[i] < rear || place[i] >= front) continue;
      demand(run.segmentLimb[i], {skeleton_.points[static_cast<size_t>(run.points[i])].id, moment, 0,
                                  say("the back between the legs"),
                                  say("{} × {} ÷ 8", Force(grams * kGravity / 1000, 3), Length(span, 0))});
    }
  }

  [[nodiscard]] static Demand cantilever(const std::string& joint, const std::vector<Hung>& parts,
                                         double lever, Said words) {
    Demand d{joint, levelMoment(parts), lever, std::move(words), {}};
    double grams = 0;
    for (const Hung& p : parts) grams += p.grams;
    const double arm = grams > 0 ? d.gravity / (grams * kGravity / 1000) : 0;
    d.sum = say("{} × {}", Force(grams * kGravity / 1000, 3), Length(arm, 0));
    return d;
  }

  [[nodiscard]] double nearestTo(const Vec3& centre, const WireRun& run,
                                 const std::vector<double>& place) const {
    double best = 0;
    double least = 1e18;
    for (size_t i = 0; i < run.points.size(); ++i) {
      const double away = (skeleton_.points[static_cast<size_t>(run.points[i])].at - centre).norm();
      if (away < least) {
        least = away;
        best = place[i];
      }
    }
    return best;
  }

  void freeLimb(int l) {
    const auto i = static_cast<size_t>(l);
    const FigureLimb& limb = figure_.limbs[i];
    if (limb.kind == LimbKind::Digits) {
      demand(l, cantilever(skeleton_.points[static_cast<size_t>(skeleton_.rootPoint[i])].id, own_[i], 0,
                           say("held level")));
      return;
    }
    const WireRun& run = skeleton_.limbs[i].front();
    double at = 0;
    for (size_t s = 0; s + 1 < run.points.size(); ++s) {
      std::vector<Hung> beyond;
      for (const Hung& h : own_[i])
        if (h.mm >= at) beyond.push_back({h.grams, h.mm - at});
      // A standing leg is not knocked at its foot; the figure above it is (standingLeg).
      const double lever = footing_.stands[static_cast<size_t>(l)] ? 0 : std::max(0.0, reach_[i] - at);
      demand(l, cantilever(skeleton_.points[static_cast<size_t>(run.points[s])].id, beyond, lever,
                           say("held level")));
      at += skeleton_.segmentLength(run, s);
    }
  }

  void standingLeg(int l) {
    const double height = out_.centre.z();
    // What the balance leaves to this leg; a leg that only touches still steadies the figure.
    const double part = std::max(out_.shares[static_cast<size_t>(l)], kSteadies / out_.legs);
    const Said share = say("{} %", Number(100 * part, 0));
    const WireRun& run = skeleton_.limbs[static_cast<size_t>(l)].front();
    Demand d;
    d.joint = skeleton_.points[static_cast<size_t>(run.points.front())].id;
    d.gravity = kLean * out_.weight * height * part;
    d.lever = figure_.overallHeight * part;
    d.words = say("standing, leaning 15 %, with {} of the weight", share);
    d.sum = say("0.15 × {} × {} × {}", Force(out_.weight, 2), Length(height, 0), share);
    demand(l, d);
    // A leg is no straight post: its share of the weight passes beside its bent joints, straight over the
    // toe.
    const Vec3 foot = skeleton_.points[static_cast<size_t>(run.points.back())].at;
    const double bears = out_.weight * part;
    Demand bent;
    for (size_t s = 0; s + 1 < run.points.size(); ++s) {
      const WirePoint& p = skeleton_.points[static_cast<size_t>(run.points[s])];
      const double beside = std::hypot(p.at.x() - foot.x(), p.at.y() - foot.y());
      if (bears * beside <= bent.gravity) continue;
      bent.joint = p.id;
      bent.gravity = bears * beside;
      bent.sum = say("{} × {} × {} beside the foot", Force(out_.weight, 2), share, Length(beside, 0));
    }
    bent.words = say("standing on a bent leg");
    if (bent.gravity > 0) demand(l, bent);
  }

  const Figure& figure_;
  const WireSkeleton& skeleton_;
  const Footing& footing_;
  const std::vector<BoneMass>& masses_;
  Loads out_;
  std::vector<std::vector<Hung>> own_;
  std::vector<double> reach_;
  std::vector<int> carried_;
};

} // namespace

std::string_view id(Use use) {
  switch (use) {
  case Use::Display:
    return "display";
  case Use::Shelf:
    return "shelf";
  case Use::Handled:
    return "handled";
  }
  return "shelf";
}

std::optional<Use> use(std::string_view id) {
  if (id == "display") return Use::Display;
  if (id == "shelf") return Use::Shelf;
  if (id == "handled") return Use::Handled;
  return std::nullopt;
}

double nudgeLevel(Use use) {
  switch (use) {
  case Use::Display:
    return 0.5;
  case Use::Shelf:
    return 1;
  case Use::Handled:
    return 2;
  }
  return 1;
}

double nudgeForce(double weight, Use use) { return std::clamp(0.5 * weight, 0.10, 0.50) * nudgeLevel(use); }

double levelMoment(const std::vector<Hung>& parts) {
  double moment = 0;
  for (const Hung& p : parts) moment += p.grams * kGravity / 1000 * p.mm;
  return moment;
}

Loads figureLoads(const Figure& figure, const WireSkeleton& skeleton, const Footing& footing,
                  const std::vector<BoneMass>& masses, Use use) {
  return Loading(figure, skeleton, footing, masses, use).run();
}

} // namespace columna
