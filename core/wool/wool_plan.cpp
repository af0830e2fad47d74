#include "wool/wool_plan.h"

#include "wool/bone_wool.h"

#include <Eigen/Geometry>

#include <algorithm>
#include <cmath>
#include <numbers>

namespace columna {
namespace {

bool ball(LimbKind kind) {
  return kind == LimbKind::Head || kind == LimbKind::Trunk || kind == LimbKind::Part;
}

class Planner {
public:
  Planner(const Figure& figure, const KnownSolid& solid, const WoolInput& in, const WoolRules& rules)
      : figure_(figure), solid_(solid), in_(in), rules_(rules) {
    out_.coatThickness = in.coat;
    out_.coatLaid = in.laid;
    out_.readyFits = in.ready;
    out_.volumeError = solid.solid.error;
    out_.guessed = !solid.exact;
    out_.volume = solid.solid.core + solid.solid.coat;
    if (in.wish.ball) out_.handFactor = handFactor(*in.wish.ball);
  }

  std::vector<LimbWool> alone(const LimbsBefore* before) {
    std::vector<LimbWool> out;
    for (size_t l = 0; l < figure_.limbs.size(); ++l)
      out.push_back(before && before->input.limbs[l] == in_.limbs[l] ? before->alone[l] : limb(l));
    return out;
  }

  WoolPlan run(std::vector<LimbWool> alone) {
    out_.limbs = std::move(alone);
    out_.hair = hairOn(figure_, rules_);
    flats();
    for (const Marking& marking : in_.wish.markings) {
      MarkedArea area =
          markedArea(marking, figure_, solid_, in_.laid, in_.wish.core.tone, rules_.coatDensity, rules_);
      // Its wool is laid in place of the coat's own.
      for (size_t l = 0; l < out_.limbs.size(); ++l)
        out_.limbs[l].coat -= std::min(out_.limbs[l].coat, area.byLimb[l] * in_.laid * rules_.coatDensity);
      out_.markings.push_back(std::move(area));
    }
    for (const LimbWool& w : out_.limbs) {
      out_.core += w.core;
      out_.hard += w.hard;
      out_.coat += w.coat + w.flats + w.fur + w.hair;
      out_.ready += w.ready;
      out_.saved += w.saved;
    }
    for (const MarkedArea& area : out_.markings) out_.coat += area.grams;
    return std::move(out_);
  }

private:
  LimbWool limb(size_t l) {
    const FigureLimb& part = figure_.limbs[l];
    const LimbWoolInput& in = in_.limbs[l];
    const double bundle = bundleOf(in, in_.wish);
    LimbWool w;
    w.firmness = in.firmness;
    w.density = densityOf(in, out_.handFactor);
    w.ownDensity = in.density.has_value() || in_.wish.ball.has_value();
    std::vector<bool> skip(figure_.bones.size(), true);
    bool anyCore = false;
    bool anyWool = false;
    bool shines = false;
    double layer = 0; // mm3 of coat over a core
    for (const int b : part.bones) {
      const auto i = static_cast<size_t>(b);
      const FigureBone& bone = figure_.bones[i];
      if (bone.hard > 0) {
        const BoneShare& share = solid_.solid.bones[i];
        w.hardVolume += share.core + share.coat;
        w.hard += (share.core + share.coat) * bone.hard;
        continue;
      }
      anyWool = anyWool || solid_.solid.bones[i].core + solid_.solid.bones[i].coat > 0;
      const bool all = boneAllCoat(bone, in, in_.laid, in_.wish, rules_);
      shines = shines || (all && meanThickness(bone) >= rules_.allCoatBelow);
      const double ready = readyIn(in_, i);
      const Cleared c = cleared(bone, solid_.solid.bones[i], all, bundle, ready);
      w.woundVolume += c.wound;
      w.padVolume += c.pads;
      w.skinVolume += c.skin;
      w.coatVolume += c.coat;
      w.wireVolume += c.wire;
      w.readyVolume += c.ready;
      w.area += solid_.area[i];
      if (all) {
        w.someCoat = true;
      } else {
        layer += c.coat;
        skip[i] = false;
        anyCore = anyCore || c.wound + c.pads + c.skin + c.ready > 0;
      }
    }
    w.coreVolume = w.woundVolume + w.padVolume + w.skinVolume;
    w.allCoat = !anyCore && anyWool;
    if (figure_.head && figure_.bones[static_cast<size_t>(figure_.head->bone)].limb == static_cast<int>(l)) {
      w.hard += figure_.eyeGrams();
      w.hair = hairGrams(figure_, rules_);
    }
    // What is coat wool right through is felted like any part of its firmness; over a core it is laid.
    w.coat = layer * rules_.coatDensity + (w.coatVolume - layer) * w.density;
    w.core = w.coreVolume * w.density;
    w.skin = w.skinVolume * w.density;
    w.pads = padsOf(figure_, static_cast<int>(l), solid_.solid, w.density, w.core, rules_, skip);
    pads(w);
    readyCores(w, static_cast<int>(l));
    if (w.someCoat)
      w.coatReason =
          in.way == CoatWay::AllCoat ? say("as you chose")
          : shines ? say("a {} core would shine through {} of {} wool", Name(word(in_.wish.core.shown())),
                         trimmed(in_.laid), Name(word(in_.wish.coat.shown())))
                   : say("thinner than {}", trimmed(rules_.allCoatBelow));
    if (in_.laid > 0 && !w.allCoat)
      w.hides = in_.laid * rules_.coatDensity / hidingMass(in_.wish.core.tone, in_.wish.coat.tone, rules_);
    range(w, in);
    looseEnd(w, part, in, bundle);
    girths(w, part, in, bundle);
    offCentre(w, part, bundle);
    wind(w, part, bundle);
    w.needles = needlesFor(w.girths, in_.coat, w.firmness, rules_);
    rows(w, part, layer);
    return w;
  }

  /// Pads as listed never weigh more than there is core for them: what is too little to weigh is evened out
  /// by winding.
  void pads(LimbWool& w) const {
    w.skin = std::min(w.skin, w.core);
    for (const Pad& pad : w.pads) w.padded += pad.grams * pad.count;
    const double room = std::min(w.padVolume * w.density, w.core - w.skin);
    if (w.padded > room) {
      const double share = room / w.padded;
      for (Pad& pad : w.pads) {
        pad.grams *= share;
        pad.volume *= share;
        pad.thickness *= share;
      }
      w.padded = room;
    }
    w.wound = std::max(0.0, w.core - w.padded - w.skin);
  }

  void readyCores(LimbWool& w, int limb) const {
    w.saved = w.readyVolume * w.density;
    for (const ReadyFit& fit : in_.ready)
      if (fit.limb == limb) w.ready += fit.grams;
  }

  /// Fur, feathers and yarn: their own wool takes room at the roots that the coat would have had.
  void rows(LimbWool& w, const FigureLimb& part, double layer) const {
    if (!in_.wish.furShown || part.length <= 0 || part.kind == LimbKind::Digits) return;
    double mean = 0;
    for (const Girth& g : w.girths) mean += g.finished;
    if (!w.girths.empty()) mean /= static_cast<double>(w.girths.size());
    w.furRows = furOn(part, in_.wish.finish, part.length, mean, *in_.wish.furShown,
                      in_.wish.coat.staple.value_or(rules_.staple), rules_);
    w.fur = w.furRows.grams;
    const double wanted = w.fur / rules_.coatDensity;
    const double ofLayer = std::min(wanted, layer);
    const double ofPart = std::min(wanted - ofLayer, w.coatVolume - layer);
    w.furVolume = ofLayer + ofPart;
    w.coatVolume -= w.furVolume;
    const double before = w.coat;
    w.coat = std::max(0.0, w.coat - ofLayer * rules_.coatDensity - ofPart * w.density);
    w.rowsOver = w.fur - (before - w.coat);
  }

  static Length trimmed(double mm) { return Length(std::round(mm * 10) / 10, Quantity::kShort); }

  void range(LimbWool& w, const LimbWoolInput& in) const {
    DensityRange range = feltDensityRange(w.firmness);
    if (in.density)
      range = {*in.density * 0.9, *in.density * 1.1};
    else if (in_.wish.ball) {
      const double share = ballError(*in_.wish.ball);
      range = {w.density * (1 - share), w.density * (1 + share)};
    }
    w.coreLow = w.coreVolume * range.low * (1 - out_.volumeError);
    w.coreHigh = w.coreVolume * range.high * (1 + out_.volumeError);
  }

  /// The end at the root that is left loose for joining. It begins where the limb's own wool comes out of
  /// what it grows from: what its tube holds more than its share is buried there.
  void looseEnd(LimbWool& w, const FigureLimb& part, const LimbWoolInput& in, double bundle) const {
    if (part.kind == LimbKind::Trunk || part.kind == LimbKind::Digits) return;
    w.looseEnd = std::min(rules_.looseEnd, part.length / 4);
    double left = w.looseEnd;
    double along = 0;
    for (const int b : part.bones) {
      const auto i = static_cast<size_t>(b);
      const FigureBone& bone = figure_.bones[i];
      const BoneShare& share = solid_.solid.bones[i];
      if (!bone.wire || bone.length <= 0) continue;
      if (left <= 0) break;
      const double own = std::min(share.core + share.coat, solid_.tubes[i].body);
      const double buried =
          left < w.looseEnd || solid_.tubes[i].body <= 0 ? 0 : 1 - own / solid_.tubes[i].body;
      const bool all = boneAllCoat(bone, in, in_.laid, in_.wish, rules_);
      const Cleared c = cleared(bone, share, all, bundle, readyIn(in_, i));
      const double wool = c.wound + c.pads + c.skin + (all ? c.coat : 0);
      constexpr int steps = 40;
      double whole = 0;
      for (int k = 0; k < steps; ++k) whole += sectionArea(bone, (k + 0.5) / steps);
      double sum = 0;
      for (int k = 0; k < steps && left > 0; ++k) {
        const double area = sectionArea(bone, (k + 0.5) / steps);
        sum += area;
        const double out = std::clamp((sum - buried * whole) / area, 0.0, 1.0); // of this step
        if (out <= 0) continue;
        const double step = bone.length / steps;
        if (left == w.looseEnd) w.looseFrom = along + (k + 1 - out) * step;
        const double taken = std::min(left, out * step);
        w.looseVolume += wool * area * taken / step / (whole * (1 - buried));
        left -= taken;
      }
      along += bone.length;
    }
    w.loose = w.looseVolume * w.density;
  }

  static double sectionArea(const FigureBone& bone, double at) {
    const Station s = stationAt(bone, at);
    return s.across * s.deep;
  }

  void girths(LimbWool& w, const FigureLimb& part, const LimbWoolInput& in, double bundle) const {
    double along = 0;
    int last = -1;
    for (const int b : part.bones) {
      const FigureBone& bone = figure_.bones[static_cast<size_t>(b)];
      if (!bone.wire) continue;
      if (part.kind == LimbKind::Digits && bone.parent != last) along = 0;
      LayerInput layers{in_.coat,  bundle,          rules_.wrapped,
                        w.density, ball(part.kind), boneAllCoat(bone, in, in_.laid, in_.wish, rules_)};
      // Two girths a bone: its beginning third and its end third, where a tape can go round.
      for (size_t k = 0; k < kTapeAt.size(); ++k) {
        Girth g = layersAt(bone, kTapeAt[k], layers,
                           solid_.tapes.empty() ? TapeShare() : solid_.tapes[static_cast<size_t>(b)][k]);
        g.bone = b;
        g.along = along + g.at * bone.length;
        g.loose = w.looseEnd > 0 && g.along < w.looseFrom + w.looseEnd;
        w.girths.push_back(g);
      }
      along += bone.length;
      last = b;
    }
    for (const Girth& g : w.girths) w.girthMax = std::max(w.girthMax, g.finished);
  }

  /// What it would save if the wire lay in the middle: the largest round would be the smaller half axis.
  void offCentre(LimbWool& w, const FigureLimb& part, double bundle) const {
    double volume = 0;
    for (const Girth& g : w.girths) {
      if (g.allCoat || g.felted <= 0) continue;
      const double best = std::min(g.coreAcross, g.coreDeep) / 2;
      const double now = std::max(g.round, bundle) / 2;
      const double by = best - now;
      const FigureBone& bone = figure_.bones[static_cast<size_t>(g.bone)];
      volume += std::max(0.0, std::numbers::pi * (best * best - now * now)) * bone.length / 2;
      if (by > w.offCentreBy) {
        w.offCentreBy = by;
        w.offCentreAlong = g.along;
      }
    }
    w.offCentre = std::min(volume, w.padVolume) * w.density;
    if (part.kind == LimbKind::Digits) w.offCentre = 0;
  }

  void wind(LimbWool& w, const FigureLimb& part, double bundle) const {
    double wound = 0;
    double count = 0;
    for (const Girth& g : w.girths) {
      const double diameter = g.wound > 0 ? g.wound / std::numbers::pi : std::min(g.across, g.deep);
      wound += diameter;
      count += 1;
    }
    const bool coatWool = w.allCoat;
    WindingInput in;
    in.grams = coatWool ? w.coat : w.wound;
    in.length = part.length;
    in.bundle = bundle;
    in.wound = count > 0 ? wound / count : std::cbrt(std::max(1.0, w.coreVolume + w.coatVolume));
    in.wrapped = rules_.wrapped;
    in.wire = bundle > 0;
    w.winding = windingOf(part, in, sliverOf(coatWool ? in_.wish.coat : in_.wish.core, rules_), rules_);
  }

  void flats() {
    for (const FigureFlat& flat : figure_.flats) {
      const auto limb = static_cast<size_t>(figure_.bones[static_cast<size_t>(flat.bone)].limb);
      // Flat felt is firm, both sides of it coat wool.
      out_.limbs[limb].flatFaces += 2 * flatArea(flat);
      out_.limbs[limb].flats +=
          flatArea(flat) * flat.thickness * feltDensity(Firmness::Firm) * out_.handFactor;
    }
  }

  const Figure& figure_;
  const KnownSolid& solid_;
  const WoolInput& in_;
  const WoolRules& rules_;
  WoolPlan out_;
};

} // namespace

std::vector<LimbWool> limbsAlone(const Figure& figure, const KnownSolid& solid, const WoolInput& in,
                                 const WoolRules& rules, const LimbsBefore* before) {
  return Planner(figure, solid, in, rules).alone(before);
}

WoolPlan planWool(const Figure& figure, const KnownSolid& solid, const WoolInput& in, const WoolRules& rules,
                  std::vector<LimbWool> alone) {
  return Planner(figure, solid, in, rules).run(std::move(alone));
}

WoolPlan planWool(const Figure& figure, const KnownSolid& solid, const WoolInput& in,
                  const WoolRules& rules) {
  return planWool(figure, solid, in, rules, limbsAlone(figure, solid, in, rules));
}

} // namespace columna
