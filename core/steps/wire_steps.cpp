// Pieces cut and bent, joined and laid on the drawing; what is set into the felted body later.
#include "steps/making.h"
#include "steps/steps_of.h"

#include <fmt/format.h>

#include <algorithm>

namespace columna {
namespace {

class WireSteps {
public:
  explicit WireSteps(Making& m) : m_(m), pace_(m.catalog.pace) {}

  void run() {
    if (!m_.plan.pieces->empty()) {
      cuts();
      shapes();
      skeleton();
    }
    stays();
    grips();
  }

private:
  void cuts() {
    for (const Piece& p : *m_.plan.pieces) {
      const std::string id = cutStepId(p);
      auto step = m_.list.find(id);
      if (!step) {
        Step s;
        s.id = id;
        const Material* material = m_.catalog.material(p.material);
        s.words = say("cut the {} wire, {}", Name(material ? material->name : p.material),
                      Length(p.diameter, Quantity::kShort));
        s.bench = Bench::Wire;
        s.pace = PaceKind::Wire;
        s.fetch.push_back({Fetch::What::Tool, 0, say("cutters, goggles and steel rule")});
        s.cautions.push_back(Caution::WireEnds);
        step = m_.list.add(std::move(s));
        m_.list.after(*step, m_.list.find("print/sheet"), say("lengths are laid on the printed sheet"));
      }
      Step& s = m_.list.at(*step);
      s.planned += m_.book().cutShare * pace_.wirePiece;
      s.fetch.push_back({Fetch::What::Piece, 1, say("{}, {}", Name(p.name), Length(p.cut, 0))});
      s.goals.push_back({Goal::What::Long, p.cut, m_.book().withinLength, 0, Name(p.name)});
      cutOf_.push_back(*step);
    }
  }

  void shapes() {
    const auto& pieces = *m_.plan.pieces;
    for (size_t i = 0; i < pieces.size(); ++i) {
      const Piece& p = pieces[i];
      const bool lashing = p.group < 0;
      Step s;
      s.id = (lashing ? "lash/" : "shape/") + slug(p.name);
      s.words = lashing ? say("lash with the {}", Name(p.name)) : say("bend the {}", Name(p.name));
      s.bench = Bench::Wire;
      s.pace = PaceKind::Wire;
      s.planned = (1 - m_.book().cutShare) * pace_.wirePiece;
      for (const Bend& bend : p.bends)
        if (!bend.fold) s.planned += pace_.wireBend;
      s.limb = p.limbs.empty() ? -1 : p.limbs.front();
      s.piece = static_cast<int>(i);
      s.batch = p.mirrorOf >= 0 ? "shape/" + slug(pieces[static_cast<size_t>(p.mirrorOf)].name)
                                : "shape/" + slug(p.name);
      s.fetch.push_back(
          {Fetch::What::Tool, 0, lashing ? say("pliers") : say("round-nose pliers and the bend table")});
      s.cautions.push_back(Caution::WireEnds);
      const int step = m_.list.add(std::move(s));
      m_.list.after(step, cutOf_[i], say("what is not cut cannot be bent"));
      shapeOf_.push_back(step);
    }
    for (size_t i = 0; i < pieces.size(); ++i)
      if (pieces[i].group < 0)
        for (size_t k = 0; k < pieces.size(); ++k)
          if (pieces[k].group >= 0 && shares(pieces[i], pieces[k]))
            m_.list.after(shapeOf_[i], shapeOf_[k], say("a lashing holds what is bent before"));
    for (const Join& join : m_.plan.joins)
      if (join.kind == "mutual-twist") twist(join);
  }

  static bool shares(const Piece& a, const Piece& b) {
    return std::any_of(a.limbs.begin(), a.limbs.end(),
                       [&](int l) { return std::find(b.limbs.begin(), b.limbs.end(), l) != b.limbs.end(); });
  }

  void twist(const Join& join) {
    Step s;
    s.id = "twist/" + (join.limbs.empty() ? std::string("wires") : m_.limb(join.limbs.front()).id);
    s.words = say("twist the wires together");
    s.advice = join.text;
    s.bench = Bench::Wire;
    s.planned = m_.book().makeJoint;
    s.limb = join.limbs.empty() ? -1 : join.limbs.front();
    s.cautions.push_back(Caution::WireEnds);
    const int step = m_.list.add(std::move(s));
    for (size_t k = 0; k < shapeOf_.size(); ++k)
      for (const int l : (*m_.plan.pieces)[k].limbs)
        if (std::find(join.limbs.begin(), join.limbs.end(), l) != join.limbs.end())
          m_.list.after(step, shapeOf_[k], say("both wires are bent first"));
    twists_.push_back(step);
  }

  void skeleton() {
    Step s;
    s.id = "lay/skeleton";
    s.words = say("lay the skeleton on the drawing");
    s.advice = say("every length on its line, left as right");
    s.bench = Bench::Look;
    s.planned = m_.book().laySkeleton;
    s.fetch.push_back({Fetch::What::Tool, 0, say("the printed sheet")});
    for (int l = 0; l < m_.limbs(); ++l)
      if (m_.inSkeleton(l) && m_.limb(l).twin >= 0 && m_.limb(l).length > 0)
        s.goals.push_back(
            {Goal::What::Long, m_.limb(l).length, m_.book().withinLength, 0, Name(m_.limb(l).name)});
    const int step = m_.list.add(std::move(s));
    for (const int each : shapeOf_) m_.list.after(step, each, say("all wire lies on the drawing together"));
    for (const int each : twists_) m_.list.after(step, each, say("all wire lies on the drawing together"));
  }

  void stays() {
    std::optional<int> stay;
    for (const Join& join : m_.plan.joins) {
      if (join.kind != "glue-stay") continue;
      if (!stay) {
        Step s;
        s.id = "stay/hips";
        s.words = say("glue the hips");
        s.advice = join.text;
        s.bench = Bench::Glue;
        s.planned = m_.book().glueStay;
        s.pausable = false;
        m_.dries(s, m_.glue(m_.project.face.partGlue));
        s.fetch.push_back({Fetch::What::Tool, 0, say("glue, and a rest to hold it")});
        s.cautions.push_back(Caution::Glue);
        stay = m_.list.add(std::move(s));
        m_.list.after(*stay, m_.list.find("lay/skeleton"), say("once glued the legs do not turn any more"));
      }
    }
  }

  void grips() {
    if (m_.project.wool.grip == WireGrip::None) return;
    for (int l = 0; l < m_.limbs(); ++l) {
      if (!m_.wired(l)) continue;
      Step s = m_.onLimb("grip", l, say("put the grip on the wire of the {}", lowerName(m_.limb(l).name)),
                         Bench::Wire);
      s.planned = m_.book().gripLimb;
      s.fetch.push_back({Fetch::What::Tool, 0, Name(word(m_.project.wool.grip))});
      const int step = m_.list.add(std::move(s));
      m_.list.after(step, m_.list.find("lay/skeleton"), say("bends are checked on bare wire"));
    }
  }

  Making& m_;
  const Pace& pace_;
  std::vector<int> cutOf_, shapeOf_, twists_; ///< the first two of each piece
};

} // namespace

std::string cutStepId(const Piece& piece) {
  return fmt::format("cut/{}-{:g}", piece.material, piece.diameter);
}

void wireSteps(Making& m) { WireSteps(m).run(); }

} // namespace columna
