// The coat from the tail to the head, rows of fur, markings, and flat parts cut and joined.
#include "face/face_report.h"
#include "steps/making.h"
#include "wool/build_up.h"

#include <algorithm>
#include <array>
#include <map>

namespace columna {
namespace {

constexpr double kRowMeasured = 100; ///< mm of row that the minutes are told for

/// From the tail to the head, so that it lies like roof tiles.
int coatGroup(LimbKind kind) {
  switch (kind) {
  case LimbKind::Tail:
    return 0;
  case LimbKind::Trunk:
    return 2;
  case LimbKind::Neck:
    return 3;
  case LimbKind::Head:
    return 4;
  default:
    return 1;
  }
}

class CoatSteps {
public:
  explicit CoatSteps(Making& m)
      : m_(m), book_(m.book()), builds_(buildSteps(m.plan.figure, m.plan.wool)),
        look_(m.list.find("look/core")) {
    for (int l = 0; l < m.limbs(); ++l) parts_.push_back(limbMinutes(m, l));
  }

  void run() {
    draw();
    flatsCut();
    coats();
    markings();
    flatsJoined();
  }

private:
  void draw() {
    if (m_.project.wool.markings.empty()) return;
    Step draw;
    draw.id = "draw/markings";
    draw.words = say("draw the markings");
    draw.bench = Bench::CoatWool;
    draw.planned =
        book_.drawMarkings + book_.drawMarking * static_cast<double>(m_.project.wool.markings.size());
    draw.fetch.push_back({Fetch::What::Tool, 0, say("chalk, and the drawing of the markings")});
    drawn_ = m_.list.add(std::move(draw));
    m_.list.after(*drawn_, look_, say("lines are drawn on the form as it stays"));
  }

  [[nodiscard]] std::map<int, int> flatsOf() const {
    std::map<int, int> out; // by limb
    for (const FigureFlat& flat : m_.figure().flats)
      ++out[m_.figure().bones[static_cast<size_t>(flat.bone)].limb];
    return out;
  }

  void flatsCut() {
    for (const auto& [l, count] : flatsOf()) {
      Step s =
          m_.onLimb("flats", l, say("lay, felt and cut the flat parts of the {}", lowerName(m_.limb(l).name)),
                    Bench::FlatFelt);
      s.advice = say("a pair alike by weight");
      s.planned = book_.cutFlat * count;
      s.fetch.push_back({Fetch::What::Flat, static_cast<double>(count), say("the patterns from the sheet")});
      if (const double grams = m_.wool(l).flats; grams > 0) {
        s.fetch.push_back({Fetch::What::Coat, grams, say("coat wool")});
        s.goals.push_back(m_.weightGoal(grams));
      }
      s.cautions = {Caution::Needle, Caution::Blades};
      const int step = m_.list.add(std::move(s));
      m_.list.after(step, m_.list.find("print/sheet"), say("it is cut by its paper pattern"));
      if (l == m_.first(LimbKind::Head)) flatsWired(l, step);
    }
  }

  /// What stiffens an ear is bent to its pattern before the wool is laid about it. No minutes of the plan's.
  void flatsWired(int head, int flats) {
    for (const FlatWire& wire : m_.plan.flatWires) {
      if (!wire.take) continue;
      Step s;
      s.id = "flat-wire/" + wire.flat;
      const Name called(pinName(wire.flat));
      s.words = say("cut and bend the wire for the {}", called);
      s.advice =
          say("round its paper pattern, {} inside the edge; {} of each end is left to go into the head",
              Length(wire.inset, 0), Length(wire.into, 0));
      s.bench = Bench::Wire;
      s.limb = head;
      s.planned = m_.catalog.pace.wirePiece * wire.count;
      s.fetch.push_back({Fetch::What::Piece, static_cast<double>(wire.count),
                         say("{} wire, {}", Length(*wire.take, Quantity::kShort), Length(wire.cut, 0))});
      s.fetch.push_back({Fetch::What::Tool, 0, say("cutters, round-nose pliers and goggles")});
      s.goals.push_back({Goal::What::Long, wire.cut, m_.book().withinLength, 0, called});
      s.cautions.push_back(Caution::WireEnds);
      const int step = m_.list.add(std::move(s));
      m_.list.after(step, m_.list.find("print/sheet"), say("it is bent round its paper pattern"));
      m_.list.after(flats, step, say("its wire lies inside it"));
    }
  }

  void coats() {
    std::array<std::vector<int>, 5> groups;
    // A marking's surface is its own step's.
    for (const MarkedArea& area : m_.plan.wool->markings)
      for (size_t l = 0; l < area.byLimb.size() && l < parts_.size(); ++l) {
        const double minutes = std::min(parts_[l].area, area.byLimb[l] / 100 * surfacePace());
        parts_[l].area -= minutes;
        marked_[area.name] += minutes;
      }
    for (int l = 0; l < m_.limbs(); ++l) {
      const LimbMinutes& p = parts_[static_cast<size_t>(l)];
      const LimbWool& w = m_.wool(l);
      int build = -1;
      for (size_t b = 0; b < builds_.size(); ++b)
        if (builds_[b].kind == BuildStep::Kind::Coat && builds_[b].limb == l) build = static_cast<int>(b);
      const double grams = w.allCoat ? 0 : w.coat;
      auto& group = groups[static_cast<size_t>(coatGroup(m_.limb(l).kind))];
      if (grams > 0 || p.area + p.coat > 0) {
        Step s = m_.onLimb("coat", l,
                           grams > 0 ? say("coat the {}", lowerName(m_.limb(l).name))
                                     : say("smooth the {}", lowerName(m_.limb(l).name)),
                           Bench::CoatWool, PaceKind::Coat);
        s.build = build;
        s.planned = p.area + p.coat;
        if (grams > 0) {
          s.fetch.push_back({Fetch::What::Coat, grams, say("coat wool")});
          s.goals.push_back(m_.weightGoal(grams));
        }
        const Girth* at = thickest(m_.wool(l));
        if (at && at->finished > 0) s.goals.push_back(m_.girthGoal(at->finished, at->along, say("finished")));
        s.cautions.push_back(Caution::Needle);
        group.push_back(m_.list.add(std::move(s)));
        m_.list.after(group.back(), look_, say("a fault of form is not hidden by a coat"));
        m_.list.after(group.back(), drawn_, say("markings are drawn before the coat goes round them"));
      }
      if (w.fur > 0) fur(l, build, group);
    }
    const std::vector<int>* before = nullptr;
    for (const auto& group : groups) {
      if (group.empty()) continue;
      if (before)
        for (const int step : group)
          for (const int each : *before)
            m_.list.after(step, each, say("from the tail to the head, so that it lies like roof tiles"));
      before = &group;
    }
  }

  [[nodiscard]] double surfacePace() const {
    return m_.catalog.pace.surface[static_cast<size_t>(m_.project.finish)];
  }

  void fur(int l, int build, std::vector<int>& group) {
    const LimbWool& w = m_.wool(l);
    Step s = m_.onLimb("fur", l, say("lay the rows on the {}", lowerName(m_.limb(l).name)), Bench::CoatWool);
    s.build = build;
    s.planned = book_.furRow * w.furRows.rows * w.girthMax / kRowMeasured;
    s.fetch.push_back({Fetch::What::Coat, w.fur, say("fur, feathers or yarn")});
    s.goals.push_back(m_.weightGoal(w.fur));
    s.goals.push_back({Goal::What::Count, static_cast<double>(w.furRows.rows), 0, 0, say("rows")});
    const auto coat = m_.of("coat", l);
    const int step = m_.list.add(std::move(s));
    m_.list.after(step, coat, say("rows are rooted in the coat"));
    m_.list.after(step, look_, say("a fault of form is not hidden by a coat"));
    group.push_back(step);
  }

  void markings() {
    for (size_t b = 0; b < builds_.size(); ++b) {
      const BuildStep& build = builds_[b];
      if (build.kind != BuildStep::Kind::Mark) continue;
      const MarkedArea& area = m_.plan.wool->markings[static_cast<size_t>(build.pad)];
      Step s;
      s.id = "mark/" + slug(area.name);
      s.words = build.words;
      s.bench = Bench::CoatWool;
      s.pace = PaceKind::Coat;
      s.limb = build.limb;
      s.build = static_cast<int>(b);
      s.planned = marked_[area.name];
      marked_[area.name] = 0;
      s.fetch.push_back({Fetch::What::Coat, build.grams, say("wool of its colour")});
      s.goals.push_back(m_.weightGoal(build.grams));
      const int step = m_.list.add(std::move(s));
      m_.list.after(step, drawn_, say("it is laid inside its drawn line"));
      for (size_t l = 0; l < area.byLimb.size(); ++l)
        if (area.byLimb[l] > 0)
          m_.list.after(step, m_.of("coat", static_cast<int>(l)), say("it is laid into the coat"));
    }
    // One too small to be laid leaves its minutes to the coat round it.
    for (const auto& [name, minutes] : marked_)
      for (int l = 0; minutes > 0 && l < m_.limbs(); ++l)
        if (const auto coat = m_.of("coat", l)) {
          m_.list.at(*coat).planned += minutes;
          break;
        }
  }

  void flatsJoined() {
    const int head = m_.first(LimbKind::Head);
    for (const auto& [l, count] : flatsOf()) {
      if (l == head && m_.face) continue; // with the ears, at the face
      Step s = m_.onLimb("flats-on", l, say("join the flat parts to the {}", lowerName(m_.limb(l).name)),
                         Bench::CoatWool);
      s.planned = book_.joinFlat * count;
      s.cautions.push_back(Caution::Needle);
      const int step = m_.list.add(std::move(s));
      m_.list.after(step, m_.of("flats", l), say("what is not cut cannot be joined"));
      m_.list.after(step, m_.of("coat", l), say("its base goes on to the coat"));
      m_.list.after(step, look_, say("its base goes on to the finished form"));
    }
  }

  Making& m_;
  const StepBook& book_;
  std::vector<BuildStep> builds_;
  std::vector<LimbMinutes> parts_;
  std::map<std::string, double> marked_; ///< minutes by marking
  std::optional<int> look_, drawn_;
};

} // namespace

void coatSteps(Making& m) { CoatSteps(m).run(); }

} // namespace columna
