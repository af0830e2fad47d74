#include "wool/build_up.h"

#include "solid/round.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace columna {
namespace {

/// Turn of a limb in winding: bare wire is easy to hold for toes; the trunk carries the rest.
int windTurn(LimbKind kind) {
  switch (kind) {
  case LimbKind::Digits:
    return 0;
  case LimbKind::Trunk:
    return 1;
  case LimbKind::Neck:
    return 2;
  case LimbKind::Head:
    return 3;
  case LimbKind::Leg:
  case LimbKind::Arm:
  case LimbKind::Wing:
    return 4;
  case LimbKind::Tail:
    return 5;
  case LimbKind::Part:
    break;
  }
  return 6;
}

/// Turn in coating: from the tail to the head.
int coatTurn(LimbKind kind) {
  switch (kind) {
  case LimbKind::Digits:
    return 0;
  case LimbKind::Tail:
    return 1;
  case LimbKind::Leg:
  case LimbKind::Arm:
  case LimbKind::Wing:
    return 2;
  case LimbKind::Trunk:
    return 3;
  case LimbKind::Neck:
    return 4;
  case LimbKind::Part:
    return 5;
  case LimbKind::Head:
    break;
  }
  return 6;
}

template <class Turn>
std::vector<size_t> inOrder(const Figure& figure, Turn turn) {
  std::vector<size_t> order(figure.limbs.size());
  for (size_t l = 0; l < order.size(); ++l) order[l] = l;
  std::stable_sort(order.begin(), order.end(), [&](size_t a, size_t b) {
    return turn(figure.limbs[a].kind) < turn(figure.limbs[b].kind);
  });
  return order;
}

double lerp(double a, double b, double s) { return a + s * (b - a); }

/// Half axes and centre of a section at a moment.
struct Section {
  Vec2 centre{0, 0};
  double ru = 0, rv = 0;
};

Section sectionAt(const Ring& ring, const Vec2& line, double round, double bundle, double coat, bool allCoat,
                  const LimbMoment& m) {
  const double bare = std::max(0.15, bundle / 2);
  if (allCoat) {
    // Wound in coat wool: it grows about the wire until it is the section.
    const double s = std::sqrt(m.wound);
    return {line * (1 - m.wound), lerp(bare, ring.ru, s), lerp(bare, ring.rv, s)};
  }
  const double grown = std::sqrt(bare * bare + m.wound * std::max(0.0, round * round - bare * bare));
  const double coreU = std::max(bare, ring.ru - coat);
  const double coreV = std::max(bare, ring.rv - coat);
  // Pads and skin fill the round out to the core's section.
  const double filled = std::min(1.0, 0.9 * m.padded + 0.1 * m.skin);
  Section out{line * (1 - filled), lerp(grown, coreU, filled), lerp(grown, coreV, filled)};
  out.ru = lerp(out.ru, std::max(out.ru, ring.ru), m.coat);
  out.rv = lerp(out.rv, std::max(out.rv, ring.rv), m.coat);
  return out;
}

} // namespace

std::vector<BuildStep> buildSteps(const Figure& figure, const WoolPlan& wool) {
  std::vector<BuildStep> out;
  double on = 0;
  const auto add = [&](BuildStep::Kind kind, size_t limb, int pad, double grams, Said words) {
    if (!(grams > 0)) return;
    out.push_back({kind, static_cast<int>(limb), pad, grams, on, std::move(words)});
    on += grams;
  };
  for (const size_t l : inOrder(figure, windTurn)) {
    const LimbWool& w = wool.limbs[l];
    const Name name = lowerName(figure.limbs[l].name);
    if (w.allCoat)
      add(BuildStep::Kind::Wind, l, -1, w.coat, say("wind the {} in coat wool", name));
    else
      add(BuildStep::Kind::Wind, l, -1, w.wound, say("wind the {}", name));
  }
  struct Entry {
    int rank;
    size_t limb;
    int pad;
  };
  std::vector<Entry> pads;
  for (size_t l = 0; l < wool.limbs.size(); ++l)
    for (size_t k = 0; k < wool.limbs[l].pads.size(); ++k)
      pads.push_back({wool.limbs[l].pads[k].rank, l, static_cast<int>(k)});
  std::stable_sort(pads.begin(), pads.end(), [](const Entry& a, const Entry& b) { return a.rank < b.rank; });
  for (const Entry& e : pads) {
    const Pad& pad = wool.limbs[e.limb].pads[static_cast<size_t>(e.pad)];
    const FigureLimb& limb = figure.limbs[e.limb];
    add(BuildStep::Kind::Pad, e.limb, e.pad, pad.grams * pad.count,
        limb.side == 0  ? say("pad the {}", Name(pad.place))
        : limb.side > 0 ? say("pad the left {}", Name(pad.place))
                        : say("pad the right {}", Name(pad.place)));
  }
  for (const size_t l : inOrder(figure, windTurn))
    add(BuildStep::Kind::Skin, l, -1, wool.limbs[l].skin,
        say("skin over the {}", lowerName(figure.limbs[l].name)));
  for (const size_t l : inOrder(figure, coatTurn)) {
    const LimbWool& w = wool.limbs[l];
    add(BuildStep::Kind::Coat, l, -1, (w.allCoat ? 0 : w.coat) + w.flats + w.fur,
        say("coat the {}", lowerName(figure.limbs[l].name)));
  }
  for (size_t m = 0; m < wool.markings.size(); ++m) {
    const MarkedArea& area = wool.markings[m];
    const auto most = std::max_element(area.byLimb.begin(), area.byLimb.end());
    if (most == area.byLimb.end()) continue;
    add(BuildStep::Kind::Mark, static_cast<size_t>(most - area.byLimb.begin()), static_cast<int>(m),
        area.grams, say("lay the marking {}, {} wool", AsIs(area.name), Name(word(area.tone))));
  }
  for (size_t r = 0; r < wool.hair.size() && figure.head; ++r) {
    const auto limb = static_cast<size_t>(figure.bones[static_cast<size_t>(figure.head->bone)].limb);
    add(BuildStep::Kind::Hair, limb, static_cast<int>(r), wool.hair[r].grams,
        say("lay the {}", Name(wool.hair[r].name)));
  }
  return out;
}

double buildTotal(const std::vector<BuildStep>& steps) {
  return steps.empty() ? 0 : steps.back().from + steps.back().grams;
}

int stepAt(const std::vector<BuildStep>& steps, double grams) {
  for (size_t i = 0; i < steps.size(); ++i)
    if (grams < steps[i].from + steps[i].grams - 1e-9) return static_cast<int>(i);
  return -1;
}

namespace {

/// `share` of each step is done.
template <class Share>
std::vector<LimbMoment> momentBy(const std::vector<BuildStep>& steps, size_t limbs, Share share) {
  std::vector<LimbMoment> out(limbs);
  std::vector<double> padTotal(limbs, 0);
  constexpr size_t kinds = 5;
  std::vector<char> has(limbs * kinds, 0);
  for (const BuildStep& step : steps) {
    has[static_cast<size_t>(step.limb) * kinds + static_cast<size_t>(step.kind)] = 1;
    if (step.kind == BuildStep::Kind::Pad) padTotal[static_cast<size_t>(step.limb)] += step.grams;
  }
  for (size_t s = 0; s < steps.size(); ++s) {
    const BuildStep& step = steps[s];
    LimbMoment& m = out[static_cast<size_t>(step.limb)];
    const double of = share(s);
    switch (step.kind) {
    case BuildStep::Kind::Wind:
      m.wound = of;
      break;
    case BuildStep::Kind::Pad:
      m.padded += of * step.grams / padTotal[static_cast<size_t>(step.limb)];
      break;
    case BuildStep::Kind::Skin:
      m.skin = of;
      break;
    case BuildStep::Kind::Coat:
      m.coat = of;
      break;
    case BuildStep::Kind::Mark:
    case BuildStep::Kind::Hair:
      break;
    }
  }
  // What a limb has none of is done when what comes before it is.
  for (size_t l = 0; l < limbs; ++l) {
    LimbMoment& m = out[l];
    m.padded = std::min(1.0, m.padded);
    if (!has[l * kinds]) m.wound = 1;
    if (!has[l * kinds + 1]) m.padded = m.wound >= 1 ? 1 : m.wound;
    if (!has[l * kinds + 2]) m.skin = m.padded >= 1 ? 1 : 0;
    if (!has[l * kinds + 3]) m.coat = m.skin >= 1 ? 1 : 0;
  }
  return out;
}

} // namespace

std::vector<LimbMoment> momentAt(const std::vector<BuildStep>& steps, size_t limbs, double grams) {
  const bool all = grams >= buildTotal(steps) - 1e-9;
  return momentBy(steps, limbs, [&](size_t s) {
    return all ? 1 : std::clamp((grams - steps[s].from) / steps[s].grams, 0.0, 1.0);
  });
}

std::vector<LimbMoment> momentOf(const std::vector<BuildStep>& steps, size_t limbs,
                                 const std::vector<bool>& done) {
  return momentBy(steps, limbs, [&](size_t s) { return done[s] ? 1.0 : 0.0; });
}

double leftOf(const std::vector<BuildStep>& steps, int limb, double grams) {
  double left = 0;
  for (const BuildStep& s : steps)
    if (s.limb == limb) left += s.grams - std::clamp(grams - s.from, 0.0, s.grams);
  return left;
}

double girthAtMoment(const Girth& girth, const LimbMoment& moment) {
  Ring ring;
  ring.ru = girth.across / 2;
  ring.rv = girth.deep / 2;
  const double coat = girth.felted > 0 ? (girth.across - girth.coreAcross) / 2 : 0;
  const Section s = sectionAt(ring, Vec2(0, 0), girth.round / 2, girth.wire / std::numbers::pi, coat,
                              girth.allCoat, moment);
  // As it fills out to its section a tape reads what that section's cut gives, not its oval.
  const auto over = [](double tape, double a, double b) {
    const double oval = a > 0 && b > 0 ? ellipsePerimeter(a, b) : 0;
    return tape > 0 && oval > 0 ? tape / oval : 1;
  };
  const double finished = over(girth.finished, ring.ru, ring.rv);
  const double filled = girth.allCoat ? moment.wound : std::min(1.0, 0.9 * moment.padded + 0.1 * moment.skin);
  const double tape = girth.allCoat
                          ? finished
                          : lerp(over(girth.felted, ring.ru - coat, ring.rv - coat), finished, moment.coat);
  return ellipsePerimeter(s.ru, s.rv) * (1 + filled * (tape - 1));
}

Figure figureAtMoment(const Figure& figure, const WoolPlan& wool, const std::vector<LimbMoment>& moment,
                      const std::vector<double>& bundles) {
  Figure out = figure;
  out.head.reset(); // half wound it is tubes like all else
  const std::vector<BoneRound> rounds = largestRounds(figure, wool.coatThickness);
  std::vector<char> allCoat(figure.bones.size(), 0);
  for (size_t l = 0; l < wool.limbs.size(); ++l) {
    if (wool.limbs[l].allCoat)
      for (const int b : figure.limbs[l].bones) allCoat[static_cast<size_t>(b)] = 1;
    for (const Girth& g : wool.limbs[l].girths)
      if (g.allCoat) allCoat[static_cast<size_t>(g.bone)] = 1;
  }
  for (Tube& tube : out.tubes)
    for (size_t i = 0; i < tube.rings.size(); ++i) {
      Ring& ring = tube.rings[i];
      const size_t slab = std::min(i, tube.slabBone.size() - 1);
      const auto b = static_cast<size_t>(tube.slabBone[slab]);
      const FigureBone& bone = figure.bones[b];
      const auto l = static_cast<size_t>(bone.limb);
      // A part without wire lies on its carrier: it grows about its own middle.
      const Vec2 line = bone.wire ? lineInRing(bone, ring) : Vec2(0, 0);
      const double round = rounds[b].empty() ? 0 : rounds[b].radiusAt(tube.slabAt(slab));
      const double bundle = bone.wire ? bundles[l] : 0.3;
      const double most = std::max(ring.ru, ring.rv);
      const Vec2 held = line.norm() > most ? Vec2(line * (most / line.norm())) : line;
      Section s = sectionAt(ring, held, std::min(round, std::min(ring.ru, ring.rv)),
                            std::min(bundle, 2 * std::min(ring.ru, ring.rv)), wool.coatThickness,
                            allCoat[b] != 0, moment[l]);
      ring.centre += s.centre.x() * ring.u + s.centre.y() * ring.v;
      ring.ru = std::min(s.ru, std::max(ring.ru, 0.15));
      ring.rv = std::min(s.rv, std::max(ring.rv, 0.15));
    }
  // Flat parts go on with the coat.
  std::erase_if(out.flats, [&](const FigureFlat& flat) {
    return moment[static_cast<size_t>(figure.bones[static_cast<size_t>(flat.bone)].limb)].coat < 0.5;
  });
  return out;
}

} // namespace columna
