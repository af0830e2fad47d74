#include "sheet/wool_pages.h"

#include "measure/quantity.h"
#include "sheet/filler.h"
#include "sheet/marks.h"
#include "wool/build_up.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace columna {
namespace {

constexpr double kTapeHigh = 12; ///< mm, a tape's width
constexpr double kTapeBlock = 29;
constexpr double kPadGap = 6;     ///< mm between a pad's outline and its side
constexpr double kTapeLeast = 82; ///< mm, what the line under a tape takes
constexpr double kLine = 5.4;

void tick(std::vector<Mark>& out, double x, double y) {
  Mark box;
  box.points = {{x, y - 3}, {x + 3.4, y - 3}, {x + 3.4, y + 0.4}, {x, y + 0.4}};
  box.closed = true;
  box.stroke = kInk;
  out.push_back(std::move(box));
}

void tell(Filler& pages, const Said& said, double indent = 0, bool bold = false) {
  const auto fit = static_cast<size_t>((pages.clear() - indent) / 1.75);
  for (const std::string& each : wrap(pages.words(said), fit)) {
    pages.room(kLine).push_back(text({kMargin + indent, pages.y()}, each, 3.3, bold));
    pages.y() += 4.6;
  }
}

/// One of a pair stands for both.
bool shownOf(const Figure& figure, size_t limb) { return figure.limbs[limb].side >= 0 || !figure.symmetric; }

/// "each foreleg", "trunk".
Said eachOf(const FigureLimb& limb) {
  return limb.side > 0 ? say("each {}", Name(limb.part)) : Said(Name(limb.name));
}

} // namespace

Said portionWords(const Plan& plan, const BuildStep& step) {
  const LimbWool& w = plan.wool->limbs[static_cast<size_t>(step.limb)];
  switch (step.kind) {
  case BuildStep::Kind::Wind: {
    const Winding& wind = w.winding;
    if (wind.strips == 0) return {};
    const Length of(wind.length, 0);
    const Length wide(wind.width, 0);
    const Name draft(draftWords(wind.draft));
    return w.allCoat ? counted(many("{} strips of {}, {} wide, {}, coat wool",
                                    "{} strip of {}, {} wide, {}, coat wool"),
                               wind.strips, of, wide, draft)
                     : counted(many("{} strips of {}, {} wide, {}", "{} strip of {}, {} wide, {}"),
                               wind.strips, of, wide, draft);
  }
  case BuildStep::Kind::Pad: {
    const Pad& pad = w.pads[static_cast<size_t>(step.pad)];
    const Length by(pad.length, 0);
    const Length wide(pad.width, 0);
    const Length thick(pad.loose, 0);
    return pad.count == 2 ? say("two, each {} by {}, {} thick as rolled", by, wide, thick)
                          : say("{} by {}, {} thick as rolled", by, wide, thick);
  }
  case BuildStep::Kind::Skin:
    return say("thin, all over, needled down");
  case BuildStep::Kind::Coat:
    return w.furRows.tufts > 0
               ? say("{} tufts cut {}, rows {} apart, {}", w.furRows.tufts, Length(w.furRows.cut, 0),
                     Length(w.furRows.spacing, 0), Name(w.furRows.way))
               : say("thin layers until no core shows");
  case BuildStep::Kind::Mark:
    return say("drawn on the core first, laid in place of coat wool");
  case BuildStep::Kind::Hair:
    return hairWords(plan.wool->hair[static_cast<size_t>(step.pad)]);
  }
  return {};
}

Said windingWords(const Plan& plan, size_t limb) {
  const LimbWool& w = plan.wool->limbs[limb];
  Said words;
  const auto more = [&words](const Said& said) { words = together(words, said); };
  if (w.winding.startLength > 0)
    more(say("Begin {} long; rolling makes it about {}, felting its ends {}.",
             Length(w.winding.startLength, 0), Length(w.winding.rolledLength, 0),
             Length(plan.figure->limbs[limb].length, 0)));
  if (w.looseEnd > 0)
    more(say("Leave {} at the root loose, {} of its wool: firm it when the limb is joined.",
             Length(w.looseEnd, 0), Mass(w.loose)));
  if (!w.needles.stages.empty())
    more(say("Needle no deeper than {}.", Length(w.needles.stages.front().depth, 0)));
  if (!w.needles.carefulAlong.empty())
    more(say("Careful {} from the root: wire is near.", Length(w.needles.carefulAlong.front(), 0)));
  if (w.someCoat && !w.coatReason.empty())
    more(w.allCoat ? say("All coat wool: {}.", w.coatReason)
                   : say("Its thin bones are all coat wool: {}.", w.coatReason));
  return words;
}

void portions(Filler& pages, const Plan& plan) {
  pages.section(say("Wool to weigh, in the order of the work"));
  const std::vector<BuildStep> steps = buildSteps(plan.figure, plan.wool);
  int number = 0;
  for (const BuildStep& step : steps) {
    std::vector<Mark>& out = pages.room(number == 0 ? 4 * kLine : kLine + 4); // no heading with one row
    tick(out, kMargin, pages.y());
    out.push_back(text({kMargin + 6, pages.y()}, pages.words(say("{}  {}", ++number, step.words)), 3.4));
    out.push_back(
        text({kMargin + 90, pages.y()}, pages.words(Mass(step.grams)), 3.5, true, TextAlign::Right));
    out.push_back(text({kMargin + 94, pages.y()}, pages.words(portionWords(plan, step)), 3.0, false,
                       TextAlign::Left, kFaint));
    pages.y() += kLine;
  }
  pages.y() += 3;
  tell(pages, say("How to wind"), 0, true);
  for (size_t l = 0; l < plan.wool->limbs.size(); ++l) {
    const LimbWool& w = plan.wool->limbs[l];
    if (!shownOf(plan.figure, l) || w.winding.strips == 0) continue;
    const FigureLimb& limb = plan.figure->limbs[l];
    Said words = limb.side > 0 ? say("Each {}: begin {}; wind {}; end {}.", Name(limb.part),
                                     Name(w.winding.start), Name(w.winding.way), Name(w.winding.finish))
                               : say("{}: begin {}; wind {}; end {}.", Name(limb.name), Name(w.winding.start),
                                     Name(w.winding.way), Name(w.winding.finish));
    words = together(words, windingWords(plan, l));
    tell(pages, words, 4);
  }
  pages.y() += 2;
  tell(pages, say("Take care"), 0, true);
  tell(pages,
       say("Needles pierce fingers and snap on wire: slow, straight, beside the wire, eyes covered; tetanus "
           "up to "
           "date. Wear "
           "a mask with dusty or dyed wool, and rest your hands. Labels, local rules and trained people come "
           "first."),
       4);
  tell(pages,
       plan.wool->handFactor == 1
           ? say("Weights are estimates: felt and weigh a ball of your own to settle them. It is easy to add "
                 "wool and "
                 "nearly impossible to take it off: stop a little early and put the tape round.")
           : say("Weights are estimates by your own test ball. It is easy to add wool and nearly impossible "
                 "to take it "
                 "off: stop a little early and put the tape round."),
       4);
}

void tapes(Filler& pages, const Plan& plan) {
  pages.section(
      say("Paper tapes at true size: cut out, lay round, the end meets the notch when it is enough"));
  const double clear = pages.clear();
  for (size_t l = 0; l < plan.wool->limbs.size(); ++l) {
    const LimbWool& w = plan.wool->limbs[l];
    if (!shownOf(plan.figure, l) || w.girths.empty()) continue;
    const FigureLimb& limb = plan.figure->limbs[l];
    const double whole = w.girthMax + 6;
    const double step = clear - kTapeOverlap;
    const int rows = whole <= clear ? 1 : 1 + static_cast<int>(std::ceil((whole - clear) / step));
    for (int r = 0; r < rows; ++r) {
      const double from = r * step;
      const double to = std::min(whole, from + clear);
      const Point origin = pages.place(std::min(clear, std::max(to - from, kTapeLeast)), kTapeBlock);
      std::vector<Mark>& out = pages.marks();
      const double left = origin.x();
      out.push_back(text(origin,
                         pages.words(rows <= 1 ? eachOf(limb)
                                     : r > 0   ? say("{}, part {} of {}; glue its left end over the tick",
                                                     eachOf(limb), r + 1, rows)
                                               : say("{}, part {} of {}", eachOf(limb), r + 1, rows)),
                         3.4, true));
      const double top = origin.y() + 3;
      Mark tape;
      tape.points = {
          {left, top}, {left + to - from, top}, {left + to - from, top + kTapeHigh}, {left, top + kTapeHigh}};
      tape.closed = true;
      tape.stroke = kInk;
      tape.width = 0.3;
      out.push_back(std::move(tape));
      if (r == 0)
        out.push_back(
            text({left + 1.5, top + 7.4}, pages.words(say("end")), 2.9, false, TextAlign::Left, kFaint));
      if (r + 1 < rows)
        out.push_back(line({left + to - from - kTapeOverlap, top},
                           {left + to - from - kTapeOverlap, top + kTapeHigh}, 0.2, kRule));
      // Felted notches cut into the upper edge, coated ones into the lower; where it is from the root beside
      // it.
      double lastUpper = -1e9;
      double lastLower = -1e9;
      const auto notch = [&](double at, double along, bool felted, double& last) {
        if (at < from || at > to || at <= 0) return;
        const double x = left + at - from;
        const double y = felted ? top : top + kTapeHigh;
        const double in = felted ? 2.6 : -2.6;
        Mark cut;
        cut.points = {{x - 1.3, y}, {x, y + in}, {x + 1.3, y}};
        cut.closed = true;
        cut.filled = felted;
        cut.fill = kInk;
        cut.stroke = kInk;
        out.push_back(std::move(cut));
        if (x - last < 7) return;
        last = x;
        out.push_back(text({x, felted ? y + 5.6 : y - 3.4}, pages.words(Length(along, 0).figure()), 2.4,
                           false, TextAlign::Centre));
      };
      std::vector<Girth> sorted = w.girths;
      std::sort(sorted.begin(), sorted.end(),
                [](const Girth& a, const Girth& b) { return a.finished < b.finished; });
      for (const Girth& g : sorted) {
        notch(g.felted, g.along, true, lastUpper);
        notch(g.finished, g.along, false, lastLower);
      }
      out.push_back(text({left, top + kTapeHigh + 4.4},
                         pages.words(say("filled: felted, open: coat on; figures are {} from the root",
                                         AsIs(lengthUnit(pages.manner().units)))),
                         2.6, false, TextAlign::Left, kFaint));
    }
  }
}

void padOutlines(Filler& pages, const Plan& plan) {
  pages.section(say("Pads at true size: tear to the outline, thick in the middle, thin at the ends"));
  struct Shown {
    const Pad* pad;
    std::string name;
    int count;
  };
  std::vector<Shown> all;
  for (size_t l = 0; l < plan.wool->limbs.size(); ++l) {
    if (!shownOf(plan.figure, l)) continue;
    const FigureLimb& limb = plan.figure->limbs[l];
    for (const Pad& pad : plan.wool->limbs[l].pads)
      all.push_back({&pad, pad.place, limb.side > 0 && plan.figure->symmetric ? 2 : pad.count});
  }
  std::stable_sort(all.begin(), all.end(),
                   [](const Shown& a, const Shown& b) { return a.pad->rank < b.pad->rank; });
  for (const Shown& shown : all) {
    const Pad& pad = *shown.pad;
    // Larger than the paper: drawn to a half, a third and so on.
    int smaller = 1;
    while (std::max(pad.length, pad.width) / smaller > pages.clear() - 4 ||
           (std::min(pad.length, pad.width) + pad.loose) / smaller + 20 > pages.tallest())
      ++smaller;
    const double scale = 1.0 / smaller;
    const double length = std::max(pad.length, pad.width) * scale;
    const double width = std::min(pad.length, pad.width) * scale;
    const double thick = pad.loose * scale;
    const std::string head =
        pages.words(shown.count == 2 ? say("2 × {}: {}", Name(shown.name), Mass(pad.grams))
                                     : say("{}: {}", Name(shown.name), Mass(pad.grams)));
    const Said rolled = say("{} by {}, {} thick as rolled", Length(pad.length, 0), Length(pad.width, 0),
                            Length(pad.loose, 0));
    const std::string sizes = pages.words(smaller > 1 ? say("{}, drawn 1 : {}", rolled, smaller) : rolled);
    const double words =
        std::max(1.8 * static_cast<double>(letters(head)), 1.6 * static_cast<double>(letters(sizes)));
    // Seen from the side beside it where two such still lie abreast, else under it.
    const double both = 2 * length + kPadGap + 4;
    const bool beside = both <= (pages.clear() - kPadGap) / 2;
    Point origin = pages.place(std::min(pages.clear(), std::max(beside ? both : length + 4, words)),
                               beside ? std::max(width, thick) + 16 : width + thick + 20);
    std::vector<Mark>& out = pages.marks();
    out.push_back(text(origin, head, 3.4, true));
    origin.y() += 4.4;
    out.push_back(text(origin, sizes, 3.0, false, TextAlign::Left, kFaint));
    const Point middle(origin.x() + length / 2 + 1, origin.y() + 4 + width / 2);
    Mark outline;
    for (int k = 0; k < 60; ++k) {
      const double a = 2 * std::numbers::pi * k / 60;
      outline.points.emplace_back(middle.x() + length / 2 * std::cos(a),
                                  middle.y() + width / 2 * std::sin(a));
    }
    outline.closed = true;
    outline.filled = true;
    outline.fill = Rgb{245, 240, 230};
    outline.stroke = kInk;
    out.push_back(std::move(outline));
    Mark side;
    const double left = origin.x() + 1 + (beside ? length + kPadGap : 0);
    const double base = origin.y() + (beside ? 4 + std::max(width, thick) : 6 + width + thick);
    for (int k = 0; k <= 40; ++k) {
      const double t = k / 40.0;
      side.points.emplace_back(left + t * length, base - thick * padThicknessShare(t));
    }
    side.closed = true;
    side.stroke = kFaint;
    out.push_back(std::move(side));
  }
}

} // namespace columna
