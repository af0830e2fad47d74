#include "sheet/face_pages.h"

#include "anatomy/outline.h"
#include "anatomy/plane.h"
#include "face/flat_pattern.h"
#include "face/skin.h"
#include "sheet/tiles.h"

#include <algorithm>

namespace columna {
namespace {

constexpr double kHead = 8;     ///< mm over a drawing for its words
constexpr double kCaption = 34; ///< mm that an ear's words take
constexpr double kSole = 24;    ///< mm that a sole's do
constexpr double kRow = 6.4;    ///< mm a line of a table
constexpr int kMostTiles = 30;  ///< sheets: more are not glued together
const Rgb kWool{240, 233, 220};

std::string letterOf(size_t index) { return std::string(1, static_cast<char>('A' + index % 26)); }

class FacePages {
public:
  FacePages(Filler& pages, const Plan& plan, const FaceSums& sums, const Catalog& catalog, Paper paper)
      : pages_(pages), plan_(plan), sums_(sums), rules_(catalog.face), drying_(catalog.drying),
        paper_(paper) {}

  std::vector<Page> run() {
    map();
    pins();
    ears();
    skins();
    soles();
    steps();
    bodyPads();
    drying();
    return std::move(large_);
  }

private:
  void say_(const Said& said, const Point& at, double size = 3.2, bool bold = false,
            TextAlign align = TextAlign::Left) {
    pages_.marks().push_back(text(at, pages_.words(said), size, bold, align));
  }

  /// A drawing under its title, with a line below it; over sheets of its own where it is larger than the
  /// paper.
  void put(Drawn drawn, double least, const Said& title, const Said& below = Said()) {
    const double more = kHead + (below.empty() ? 0 : 6);
    if (drawn.wide <= pages_.clear() && drawn.high + more <= pages_.tallest()) {
      const Point at = pages_.place(std::max(drawn.wide, least), drawn.high + more);
      say_(title, at + Point(0, 3), 3, true);
      if (!below.empty()) say_(below, at + Point(0, kHead + drawn.high + 3), 2.8);
      for (Mark& m : drawn.marks) {
        for (Point& p : m.points) p += at + Point(0, kHead);
        pages_.marks().push_back(std::move(m));
      }
      return;
    }
    const int sheets = tilesOf(drawn, paper_);
    pages_.room(kRow);
    say_(sheets > kMostTiles
             ? say("{} is larger than the paper many times over: have it drawn by columna-cli flat or "
                   "outline.",
                   title)
             : say("{} is larger than the paper: it comes last, on {} sheets.", title, sheets),
         {kMargin, pages_.y()}, 3);
    pages_.y() += kRow;
    if (sheets > kMostTiles) return;
    for (Page& page : tiled(drawn, say("{} at true size.", title), below, paper_, pages_.manner()))
      large_.push_back(std::move(page));
  }

  static void shape(std::vector<Mark>& out, const std::vector<Vec2>& outline, const Point& origin,
                    double flip, double width, bool fill, std::vector<double> dash = {}) {
    Mark m;
    for (const Vec2& p : outline) m.points.emplace_back(origin.x() + flip * p.x(), origin.y() - p.y());
    m.closed = true;
    m.width = width;
    m.filled = fill;
    m.fill = kWool;
    m.stroke = kInk;
    m.dash = std::move(dash);
    out.push_back(std::move(m));
  }

  /// The head from three sides at true size, each pin with its letter, and the halving lines.
  void map() {
    pages_.section(say("Head map at true size"));
    const Figure head = headAlone(plan_.figure);
    std::vector<int> limbs;
    for (size_t l = 0; l < head.limbs.size(); ++l) limbs.push_back(static_cast<int>(l));
    for (const View view : {View::Front, View::Side, View::Above}) {
      std::vector<Polygon> outlines = outline(head, limbs, view, 0, 48);
      for (const FigureFlat& flat : head.flats)
        for (Polygon& p : flatOutline(flat, view, head.scale)) outlines.push_back(std::move(p));
      Bounds2 box;
      for (const Polygon& polygon : outlines) box.take(polygon);
      Drawn drawn{{}, box.size().x(), box.size().y()};
      const Point origin(-box.low.x(), box.high.y());
      for (const Polygon& polygon : outlines) shape(drawn.marks, polygon, origin, 1, 0.25, true);
      for (size_t i = 0; i < sums_.report.pins.size(); ++i)
        for (const double side : {1.0, -1.0}) {
          Vec3 local = sums_.report.pins[i].at;
          if (side < 0 && (local.y() < 0.05 || view == View::Side)) continue;
          // From the figure's right its right side is seen.
          local.y() *= view == View::Side ? -1 : side;
          const Vec2 p = project(plan_.figure->head->toFigure(local), view);
          const Point on(origin.x() + p.x(), origin.y() - p.y());
          drawn.marks.push_back(line(on - Point(1, 0), on + Point(1, 0), 0.25));
          drawn.marks.push_back(line(on - Point(0, 1), on + Point(0, 1), 0.25));
          if (side > 0) drawn.marks.push_back(text(on + Point(1.2, -0.8), letterOf(i), 2.6, true));
        }
      put(std::move(drawn), 0, Name(viewName(view)));
    }
  }

  static std::string_view viewName(View view) {
    return view == View::Front   ? named("Head from the front")
           : view == View::Above ? named("Head from above")
                                 : named("Head from the right");
  }

  void pins() {
    pages_.section(say("Pins: by the tape from A, the nose tip"));
    const std::vector<double> columns{0, 8, 62, 88, 114, 140, 164};
    const auto row = [&](const std::vector<Said>& cells, bool bold) {
      pages_.room(kRow);
      const double y = pages_.y();
      for (size_t c = 0; c < cells.size(); ++c)
        if (!cells[c].empty())
          say_(cells[c], {kMargin + columns[c] + (c > 1 ? 20 : 0), y}, 3.2, bold,
               c > 1 ? TextAlign::Right : TextAlign::Left);
      pages_.y() += kRow;
    };
    row({Said(), say("pin"), say("tape"), say("callipers"), say("from middle"), say("left"), say("right")},
        true);
    for (size_t i = 0; i < sums_.report.pins.size(); ++i) {
      const FacePin& pin = sums_.report.pins[i];
      row({AsIs(letterOf(i)), Name(pinName(pin.id)), pin.tape ? Said(Length(*pin.tape, 1)) : say("none"),
           Length(pin.straight, 1), pin.aside > 0.05 ? Said(Length(pin.aside, 1)) : say("middle")},
          false);
      if (i == 0) continue;
      // Room to write in what was measured.
      for (const double x : {columns[5], columns[6]}) {
        const double y = pages_.y() - kRow + 1;
        pages_.marks().push_back(line({kMargin + x + 4, y}, {kMargin + x + 20, y}, 0.2, kRule));
      }
    }
  }

  void ears() {
    if (sums_.report.flats.empty()) return;
    pages_.section(say("Ears and flat parts at true size: finished, cut, and dashed what loose wool covers"));
    for (const FaceFlat& flat : sums_.report.flats) {
      const FlatPattern pattern = flatPattern(*flat.flat, sums_.report.length, sums_.density, true, rules_);
      Bounds2 box;
      box.take(pattern.lay);
      for (const double flip : {1.0, -1.0}) {
        if (flip < 0 && !flat.flat->twin) continue;
        Drawn drawn{{}, box.size().x(), box.size().y()};
        const Point origin(flip > 0 ? -box.low.x() : box.high.x(), box.high.y());
        shape(drawn.marks, pattern.finished, origin, flip, 0.35, true);
        shape(drawn.marks, pattern.cut, origin, flip, 0.2, false);
        shape(drawn.marks, pattern.lay, origin, flip, 0.2, false, {2, 1.5});
        const FlatWire* wire = sums_.wireOf(flat.flat->id);
        put(std::move(drawn), kCaption,
            say("{} {}", Name(pinName(flat.flat->id)), flip > 0 ? say("left") : say("right")),
            wire && wire->take ? say("{} thick, {}, wire {} by {}", Length(pattern.thickness, 1),
                                     Mass(pattern.grams), Length(*wire->take, 2), Length(wire->cut, 0))
                               : say("{} thick, {}", Length(pattern.thickness, 1), Mass(pattern.grams)));
      }
    }
  }

  void skins() {
    const std::vector<SkinPattern> all = skinsOf(plan_.figure, rules_);
    if (all.empty()) return;
    pages_.section(say("Skins, fins and other flat parts at true size, laid flat"));
    for (SkinPattern skin : all) {
      const auto bounds = [&skin] {
        Bounds2 out;
        out.take(skin.finished);
        out.take(skin.cut);
        return out;
      };
      // Which way round it lies is all one: upright where it is too wide.
      if (bounds().size().x() > pages_.clear())
        for (auto* outline : {&skin.finished, &skin.cut})
          for (Vec2& p : *outline) p = Vec2(-p.y(), p.x());
      const Bounds2 box = bounds();
      for (const double flip : {1.0, -1.0}) {
        if (flip < 0 && !skin.twin) continue;
        Drawn drawn{{}, box.size().x(), box.size().y()};
        const Point origin(flip > 0 ? -box.low.x() : box.high.x(), box.high.y());
        shape(drawn.marks, skin.finished, origin, flip, 0.35, true);
        shape(drawn.marks, skin.cut, origin, flip, 0.2, false);
        put(std::move(drawn), kCaption,
            skin.twin ? say("{} {}", Name(skin.id), flip > 0 ? say("left") : say("right"))
                      : Said(Name(skin.id)),
            skin.stretches ? say("{}; it stretches by up to {} %: cut a dart", Mass(skin.grams),
                                 Number(100 * std::max(1 - skin.least, skin.most - 1), 0))
                           : say("{} thick, {}", Length(skin.thickness, 1), Mass(skin.grams)));
      }
    }
  }

  void soles() {
    if (sums_.soles.empty()) return;
    pages_.section(say("Soles at true size"));
    for (const Sole& sole : sums_.soles)
      for (const double side : {1.0, -1.0}) {
        Bounds2 box;
        const auto all = [&](auto&& each) {
          each(sole.outline);
          for (const auto& toe : sole.toes) each(toe);
          for (const auto& web : sole.webs) each(web);
          for (const SolePad& pad : sole.pads) each(pad.outline);
          for (const SoleClaw& claw : sole.claws) each(claw.outline);
        };
        // Heel down, toes up; v is to the outer side.
        const auto turned = [](const std::vector<Vec2>& outline) {
          std::vector<Vec2> out(outline.size());
          std::transform(outline.begin(), outline.end(), out.begin(),
                         [](const Vec2& p) { return Vec2(p.y(), p.x()); });
          return out;
        };
        all([&](const std::vector<Vec2>& outline) {
          for (const Vec2& p : turned(outline)) box.take(Vec2(-side * p.x(), p.y()));
        });
        if (box.high.x() < box.low.x()) continue;
        Drawn drawn{{}, box.size().x(), box.size().y()};
        const Point origin(-box.low.x(), box.high.y());
        bool first = !sole.outline.empty();
        all([&](const std::vector<Vec2>& outline) {
          if (!outline.empty()) shape(drawn.marks, turned(outline), origin, -side, 0.25, first);
          first = false;
        });
        put(std::move(drawn), kSole, say("{} {}", Name(sole.which), side > 0 ? say("left") : say("right")));
      }
  }

  /// Every step, and under it its pads and rows of hair, each with what it takes.
  void steps() {
    pages_.section(say("The face in the order of work"));
    for (size_t i = 0; i < sums_.steps.size(); ++i) {
      const FaceStep& step = sums_.steps[i];
      pages_.room(kRow);
      box(pages_.y());
      say_(say("{} {}", i + 1, Name(workName(step.work))), {kMargin + 7, pages_.y()}, 3.4, true);
      const Said advice = workAdvice(step.work);
      if (!advice.empty()) say_(advice, {kMargin + 68, pages_.y()}, 3);
      pages_.y() += kRow;
      for (const std::string& part : step.parts) {
        for (const FacePad& pad : sums_.report.pads)
          if (pad.feature->id == part && workOf(pad.feature->kind) == step.work) padRow(pad);
        for (const HairRow& row : plan_.wool->hair)
          if (row.id == part && (step.work == FaceWork::Hair || step.work == FaceWork::Singles)) hairRow(row);
      }
      for (const std::string& id : step.drying)
        if (const Drying* found = drying_.find(id)) row(Name(found->name), Said(), dryingWords(*found));
      const Said caution = workCaution(step.work);
      if (caution.empty()) continue;
      pages_.room(kRow);
      say_(caution, {kMargin + 12, pages_.y()}, 3);
      pages_.y() += kRow;
    }
  }

  /// A line under a step: what, how much, and how.
  void row(const Said& what, const Said& takes, const Said& how) {
    pages_.room(kRow);
    const double y = pages_.y();
    say_(what, {kMargin + 12, y}, 3.2);
    if (!takes.empty()) say_(takes, {kMargin + 84, y}, 3.2, false, TextAlign::Right);
    say_(how, {kMargin + 90, y}, 3.2);
    pages_.y() += kRow;
  }

  void padRow(const FacePad& pad) {
    const Said takes = pad.feature->mode == FeatureMode::Press ? say("press it in")
                       : pad.tooSmall                          ? say("lay it as a wisp")
                                                               : Said(Mass(pad.grams));
    row(Name(pinName(pad.feature->id)), takes,
        pad.feature->twin ? say("{} by {}, left and right", Length(pad.length, 1), Length(pad.width, 1))
                          : say("{} by {}", Length(pad.length, 1), Length(pad.width, 1)));
  }

  void hairRow(const HairRow& hair) {
    row(Name(hair.name), hair.grams > 0 ? Said(Mass(hair.grams)) : Said(), hairWords(hair));
  }

  void bodyPads() {
    const auto laid = [](const OfferedPad& pad) { return pad.on && !pad.head; };
    if (std::none_of(sums_.offered.begin(), sums_.offered.end(), laid)) return;
    pages_.section(say("Pads laid on the body"));
    for (const OfferedPad& pad : sums_.offered) {
      if (!laid(pad)) continue;
      pages_.room(kRow);
      box(pages_.y());
      row(upperName(pad.name),
          pad.hollow     ? say("press it in")
          : pad.tooSmall ? say("lay it as a wisp")
                         : Said(Mass(pad.grams)),
          say("{} of {} by {}, {} high", pad.count, Length(pad.length, 1), Length(pad.width, 1),
              Length(pad.height, 1)));
    }
  }

  /// Each once, with its caution.
  void drying() {
    std::vector<const Drying*> all;
    for (const FaceStep& step : sums_.steps)
      for (const std::string& id : step.drying)
        if (const Drying* found = drying_.find(id);
            found && std::find(all.begin(), all.end(), found) == all.end())
          all.push_back(found);
    if (all.empty()) return;
    pages_.section(say("What must dry: the label on the product goes before these hours"));
    for (const Drying* each : all) {
      pages_.room(2 * kRow);
      say_(upperName(each->name), {kMargin, pages_.y()}, 3.4, true);
      say_(dryingWords(*each), {kMargin + 90, pages_.y()}, 3.2);
      pages_.y() += kRow;
      if (each->caution.empty()) continue;
      say_(Name(each->caution), {kMargin + 7, pages_.y()}, 3);
      pages_.y() += kRow;
    }
  }

  /// To tick off.
  void box(double y) {
    Mark tick;
    tick.points = {{kMargin, y - 3}, {kMargin + 3.4, y - 3}, {kMargin + 3.4, y + 0.4}, {kMargin, y + 0.4}};
    tick.closed = true;
    tick.stroke = kInk;
    pages_.marks().push_back(tick);
  }

  Filler& pages_;
  const Plan& plan_;
  const FaceSums& sums_;
  const FaceRules& rules_;
  const DryingTimes& drying_;
  Paper paper_;
  std::vector<Page> large_; ///< what is larger than the paper, over sheets of its own
};

} // namespace

std::vector<Page> facePages(Filler& pages, const Project& project, const Plan& plan, const Catalog& catalog,
                            Paper paper) {
  const auto sums = faceSums(project, catalog, plan);
  return sums ? FacePages(pages, plan, *sums, catalog, paper).run() : std::vector<Page>();
}

} // namespace columna
