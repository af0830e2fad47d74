// Wool, limb by limb: toes while the wire is bare, wound, firmed, padded, skinned; what is set into the
// felted body; then the coat from the tail to the head.
#include "steps/making.h"

#include "wool/build_up.h"

#include <algorithm>
#include <map>

namespace columna {
namespace {

class WoolSteps {
public:
  explicit WoolSteps(Making& m)
      : m_(m), book_(m.book()), builds_(buildSteps(m.plan.figure, m.plan.wool)),
        parts_(static_cast<size_t>(m.limbs())) {
    for (int l = 0; l < m.limbs(); ++l) parts_[static_cast<size_t>(l)] = limbMinutes(m, l);
  }

  void run() {
    weigh();
    for (int l = 0; l < m_.limbs(); ++l) digits(l);
    for (size_t b = 0; b < builds_.size(); ++b)
      if (builds_[b].kind == BuildStep::Kind::Wind) wind(static_cast<int>(b));
    for (int l = 0; l < m_.limbs(); ++l) ready(l);
    for (size_t b = 0; b < builds_.size(); ++b) pad(static_cast<int>(b));
    for (size_t b = 0; b < builds_.size(); ++b) skin(static_cast<int>(b));
    for (int l = 0; l < m_.limbs(); ++l) held(l);
    windEdges();
    standBare();
  }

private:
  [[nodiscard]] PaceKind paceOf(int l) const {
    switch (m_.wool(l).firmness) {
    case Firmness::Soft:
      return PaceKind::CoreSoft;
    case Firmness::Medium:
      return PaceKind::CoreMedium;
    case Firmness::Firm:
      break;
    }
    return PaceKind::CoreFirm;
  }

  [[nodiscard]] Fetch::What woolOf(int l) const {
    return m_.wool(l).allCoat ? Fetch::What::Coat : Fetch::What::Core;
  }

  [[nodiscard]] Bench benchOf(int l) const { return m_.wool(l).allCoat ? Bench::CoatWool : Bench::CoreWool; }

  void weigh() {
    Step s;
    s.id = "weigh/heaps";
    s.words = say("weigh the heaps");
    s.advice = say("one for each step, in bowls; a pair within a tenth of a gram");
    s.bench = Bench::Paper;
    s.planned = book_.weighHeaps + book_.weighHeap * static_cast<double>(builds_.size());
    s.fetch.push_back({Fetch::What::Tool, 0, say("scale and bowls")});
    weigh_ = m_.list.add(std::move(s));
  }

  void digits(int l) {
    const double minutes = parts_[static_cast<size_t>(l)].time.digits;
    if (minutes <= 0) return;
    Step s = m_.onLimb("digits", l, say("wrap the toes or fingers of the {}", lowerName(m_.limb(l).name)),
                       Bench::CoatWool, PaceKind::Digits);
    s.planned = minutes;
    s.fetch.push_back({Fetch::What::Tool, 0, say("wisps of the heap, and tweezers")});
    s.goals.push_back(
        {Goal::What::Count, static_cast<double>(m_.limb(l).digits), 0, 0, say("toes or fingers")});
    const int step = m_.list.add(std::move(s));
    if (m_.inSkeleton(l))
      m_.list.after(step, m_.list.find("lay/skeleton"), say("they are wrapped on bare wire that is right"));
    m_.list.after(step, m_.of("grip", l), say("the grip goes on bare wire"));
    tips(l, step);
  }

  void tips(int l, int wrapped) {
    Step s = m_.onLimb("tips", l, say("fix the tips on the {}", lowerName(m_.limb(l).name)), Bench::Wax);
    s.advice = say("tips dipped in wax, or a drop of glue on each: a thin wrap slips off bare wire");
    s.planned = book_.waxTips + book_.waxTip * m_.limb(l).digits;
    s.pausable = false;
    m_.dries(s, "wax");
    s.fetch.push_back({Fetch::What::Tool, 0, say("wax in a water bath, or glue; tweezers")});
    s.cautions.push_back(Caution::Wax);
    const int step = m_.list.add(std::move(s));
    m_.list.after(step, wrapped, say("the wrap is on before its tip is fixed"));
  }

  Step woolStep(const char* verb, int b, Fetch::What what, double grams) {
    const BuildStep& build = builds_[static_cast<size_t>(b)];
    Step s = m_.onLimb(verb, build.limb, build.words,
                       what == Fetch::What::Core ? Bench::CoreWool : Bench::CoatWool, paceOf(build.limb));
    s.build = b;
    if (grams > 0) {
      s.fetch.push_back({what, grams, what == Fetch::What::Core ? say("core wool") : say("coat wool")});
      s.goals.push_back(m_.weightGoal(grams));
    }
    return s;
  }

  void wind(int b) {
    const int l = builds_[static_cast<size_t>(b)].limb;
    const LimbMinutes& p = parts_[static_cast<size_t>(l)];
    Step s = woolStep("wind", b, woolOf(l), builds_[static_cast<size_t>(b)].grams);
    s.planned = book_.windShare * p.wound + p.time.part / 2;
    const Girth* at = thickest(m_.wool(l));
    if (at && at->wound > 0) s.goals.push_back(m_.girthGoal(at->wound, at->along, say("wound")));
    for (const Join& join : m_.plan.joins)
      if (join.kind == "skewer" && !join.limbs.empty() && join.limbs.front() == l) {
        s.advice = join.text;
        s.fetch.push_back(
            {Fetch::What::Tool, 0, say("a skewer of {}", Length(join.thickness, Quantity::kShort))});
      }
    const int step = m_.list.add(std::move(s));
    m_.list.after(step, weigh_, say("what is weighed before comes out alike left and right"));
    firm(l, (1 - book_.windShare) * p.wound);
  }

  /// With so many minutes, and those of a skin that has no heap of its own.
  void firm(int l, double minutes) {
    const LimbMinutes& p = parts_[static_cast<size_t>(l)];
    const LimbWool& w = m_.wool(l);
    Step s = m_.onLimb("firm", l, say("firm the {}", lowerName(m_.limb(l).name)), benchOf(l), paceOf(l));
    s.planned = minutes + (w.skin > 0 ? 0 : p.time.part / 2 + p.skin);
    for (const NeedleStage& stage : w.needles.stages)
      if (stage.stage == "firm")
        s.fetch.push_back(
            {Fetch::What::Tool, 0, say("needle {}, mat and finger guards", AsIs(stage.needle))});
    felted(s);
    s.cautions = {Caution::Needle, Caution::Hands};
    const int step = m_.list.add(std::move(s));
    m_.list.after(step, m_.of("wind", l), say("what is not wound cannot be firmed"));
  }

  void ready(int l) {
    for (size_t i = 0; i < m_.plan.wool->readyFits.size(); ++i) {
      const ReadyFit& fit = m_.plan.wool->readyFits[i];
      if (fit.limb != l || fit.placed <= 0) continue;
      auto into = m_.of("wind", l);
      if (!into) {
        Step s =
            m_.onLimb("wind", l, say("set the core that is there into the {}", lowerName(m_.limb(l).name)),
                      Bench::CoreWool, paceOf(l));
        into = m_.list.add(std::move(s));
      }
      m_.list.at(*into).fetch.push_back({Fetch::What::Ready, fit.grams, say("the core that is there")});
    }
    // Felting that no heap of its own stands for goes with what there is of the limb.
    const LimbMinutes& p = parts_[static_cast<size_t>(l)];
    if (!m_.of("firm", l) && p.time.felting + p.time.part > 0) firm(l, p.wound + p.time.part / 2);
  }

  /// What a tape reads when it is firm.
  void felted(Step& s) const {
    const Girth* at = thickest(m_.wool(s.limb));
    if (at && at->felted > 0) s.goals.push_back(m_.girthGoal(at->felted, at->along, say("felted")));
  }

  void pad(int b) {
    const BuildStep& build = builds_[static_cast<size_t>(b)];
    if (build.kind != BuildStep::Kind::Pad) return;
    const int l = build.limb;
    const LimbMinutes& p = parts_[static_cast<size_t>(l)];
    const Pad& pad = m_.wool(l).pads[static_cast<size_t>(build.pad)];
    Step s = woolStep("pad", b, woolOf(l), build.grams);
    s.id += "/" + slug(pad.place);
    s.batch += "/" + slug(pad.place);
    s.planned = p.padVolume > 0 ? p.pads * pad.volume * pad.count / p.padVolume : 0;
    s.cautions.push_back(Caution::Needle);
    const int step = m_.list.add(std::move(s));
    m_.list.after(step, m_.of("firm", l), say("a pad is needled on to what is firm"));
    m_.list.after(step, m_.of("firm", m_.first(LimbKind::Trunk)),
                  say("pads are judged against the trunk as it is"));
    if (const auto before = lastPad_.find(l); before != lastPad_.end())
      m_.list.after(step, before->second, say("large pads first: the next lies against them"));
    lastPad_[l] = step;
    pads_.push_back(step);
  }

  void skin(int b) {
    const BuildStep& build = builds_[static_cast<size_t>(b)];
    if (build.kind != BuildStep::Kind::Skin) return;
    const int l = build.limb;
    const LimbMinutes& p = parts_[static_cast<size_t>(l)];
    Step s = woolStep("skin", b, woolOf(l), build.grams);
    s.planned = p.skin + p.time.part / 2;
    felted(s);
    s.cautions.push_back(Caution::Needle);
    const int step = m_.list.add(std::move(s));
    m_.list.after(step, m_.of("firm", l), say("a skin closes what is firm"));
    for (const int each : pads_) {
      const int of = m_.list.at(each).limb;
      // A part that is set into the felted body comes after that body's skin.
      const bool later = m_.wired(of) && !m_.inSkeleton(of);
      if (of == l || (m_.limb(l).kind == LimbKind::Trunk && !later))
        m_.list.after(step, each, say("a skin goes over the pads"));
    }
  }

  /// A limb that is set into the body once that is felted, strung on it, or felted on.
  void held(int l) {
    const int trunk = m_.first(LimbKind::Trunk);
    if (trunk < 0 || l == trunk) return;
    const auto body = m_.cored(trunk);
    const auto put = [&](const char* verb, Said words, const std::string& glue) {
      Step s = m_.onLimb(verb, l, std::move(words), glue.empty() ? Bench::Wire : Bench::Glue);
      s.planned = book_.makeJoint;
      s.pausable = glue.empty();
      for (const Join& join : m_.plan.joins)
        if (join.kind != "skewer" && std::find(join.limbs.begin(), join.limbs.end(), l) != join.limbs.end())
          s.advice = join.text;
      if (!glue.empty()) {
        m_.dries(s, glue);
        s.cautions.push_back(Caution::Glue);
      }
      return m_.list.add(std::move(s));
    };
    if (m_.wired(l) && (m_.rootOf(l) == RootHold::Glued || m_.rootOf(l) == RootHold::Through)) {
      const bool glued = m_.rootOf(l) == RootHold::Glued;
      const int step =
          put("set",
              glued ? say("glue the wire of the {} into the body", lowerName(m_.limb(l).name))
                    : say("push the wire of the {} through the body", lowerName(m_.limb(l).name)),
              glued ? m_.glue(m_.project.face.partGlue) : std::string());
      m_.list.after(step, body, say("a hole holds in felted wool alone"));
      m_.list.after(step, m_.list.find("lay/skeleton"), say("its wire is bent first"));
      m_.list.after(m_.of("wind", l).value_or(-1), step, say("its wool goes on the wire that stands"));
      m_.list.after(m_.of("firm", l).value_or(-1), step, say("its wool goes on the wire that stands"));
      m_.list.after(m_.list.find("stay/hips").value_or(-1), step,
                    say("both legs stand before they are glued"));
      return;
    }
    if (m_.wired(l) || m_.limb(l).kind == LimbKind::Digits || !m_.of("firm", l)) return;
    const bool thread = std::any_of(m_.plan.joins.begin(), m_.plan.joins.end(), [&](const Join& join) {
      return join.kind == "thread" && std::find(join.limbs.begin(), join.limbs.end(), l) != join.limbs.end();
    });
    const int step = put("join",
                         thread ? say("string the {}", lowerName(m_.limb(l).name))
                                : say("felt the {} on", lowerName(m_.limb(l).name)),
                         {});
    m_.list.after(step, m_.cored(l), say("a part is joined when it is firm"));
    m_.list.after(step, body, say("a part is joined to what is firm"));
    joins_.push_back(step);
  }

  void windEdges() {
    const int trunk = m_.first(LimbKind::Trunk);
    bool through = false; // then hips are glued in the felted body
    for (int l = 0; l < m_.limbs(); ++l)
      through = through || (m_.wired(l) && m_.rootOf(l) == RootHold::Through);
    for (int l = 0; l < m_.limbs(); ++l) {
      const auto wound = m_.of("wind", l);
      const int step = wound.value_or(m_.of("firm", l).value_or(-1));
      if (step < 0) continue;
      const FigureLimb& limb = m_.limb(l);
      if (m_.inSkeleton(l)) {
        m_.list.after(step, m_.list.find("lay/skeleton"),
                      say("wool hides the wire: it is checked while it is bare"));
        if (limb.kind == LimbKind::Trunk || limb.kind == LimbKind::Leg)
          if (m_.rootOf(l) != RootHold::Through && !through)
            m_.list.after(step, m_.list.find("stay/hips"), say("glue takes hold of wire, not of wool"));
      }
      m_.list.after(step, m_.of("grip", l), say("the grip goes on bare wire"));
      m_.list.after(step, m_.of("digits", l), say("toes are wrapped while the wire can be held"));
      m_.list.after(step, m_.of("tips", l), say("a tip is fixed before wool is wound up to it"));
      if (l == trunk || limb.kind == LimbKind::Digits) continue;
      if (m_.wired(l)) m_.list.after(step, m_.of("wind", trunk), say("the trunk carries the others"));
      for (int d = 0; d < m_.limbs(); ++d)
        if (m_.limb(d).kind == LimbKind::Digits && m_.limb(d).side == limb.side && grows(d, l))
          m_.list.after(step, m_.of("firm", d), say("toes are wrapped while the wire can be held"));
    }
  }

  [[nodiscard]] bool grows(int digits, int l) const {
    const auto& bones = m_.limb(digits).bones;
    if (bones.empty()) return false;
    const int parent = m_.figure().bones[static_cast<size_t>(bones.front())].parent;
    return parent >= 0 && m_.figure().bones[static_cast<size_t>(parent)].limb == l;
  }

  /// What has to be done before any coat.
  void standBare() {
    Step s;
    s.words = say("look at it from all sides");
    s.id = "look/core";
    s.advice = say("from the front, from above and on a photo: what is wrong now can still be filled");
    s.bench = Bench::Look;
    s.planned = book_.photo;
    if (m_.plan.loads.legs > 0) {
      s.words = say("stand it and look at it from all sides");
      s.planned += book_.stand;
      s.fetch.push_back({Fetch::What::Tool, 0, say("a flat plate")});
    }
    const int look = m_.list.add(std::move(s));
    for (int l = 0; l < m_.limbs(); ++l)
      m_.list.after(look, m_.cored(l), say("every part has its core by then"));
    for (const int each : pads_) m_.list.after(look, each, say("every part has its core by then"));
    for (const int each : joins_) m_.list.after(look, each, say("every part is on by then"));
    m_.list.after(look, m_.list.find("stay/hips"), say("every part is on by then"));
  }

  Making& m_;
  const StepBook& book_;
  std::vector<BuildStep> builds_;
  std::vector<LimbMinutes> parts_;
  std::map<int, int> lastPad_;
  std::vector<int> pads_, joins_;
  int weigh_ = -1;
};

} // namespace

LimbMinutes limbMinutes(const Making& m, int l) {
  const LimbWool& w = m.wool(l);
  LimbMinutes p;
  p.time = limbTime(m.limb(l), w, m.catalog.pace, m.project.finish);
  p.area = p.time.coat;
  const double all = w.coreVolume + w.coatVolume + w.furVolume;
  if (all <= 0) return p;
  for (const Pad& pad : w.pads) p.padVolume += pad.volume * pad.count;
  const double coat = (w.allCoat ? 0 : w.coatVolume) + w.furVolume;
  const double core = all - coat;
  // What the parts leave of the core is in the winding: the loose end, rounded bits.
  const double skin = std::min(w.skinVolume, core);
  const double pads = std::min(p.padVolume, core - skin);
  const double each = p.time.felting / all;
  p.coat = each * coat;
  p.skin = each * skin;
  p.pads = each * pads;
  // The parts may add up to a rounding more than the whole.
  p.wound = std::max(0.0, p.time.felting - p.coat - p.skin - p.pads);
  return p;
}

const Girth* thickest(const LimbWool& wool) {
  const Girth* best = nullptr;
  for (const Girth& g : wool.girths)
    if (!g.loose && (!best || g.finished > best->finished)) best = &g;
  return best;
}

void woolSteps(Making& m) { WoolSteps(m).run(); }

} // namespace columna
