// Pictures of what is no limb on the figure: pads, bars of wire, heaps, the head.
#include "booklet/step_picture.h"

#include "steps/steps_of.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <numbers>

namespace columna {

/// A pad as it is torn and rolled, at true size where it fits.
void StepPictures::padShape(Drawn& out, const Pad& pad, double wide, double high) const {
  const double length = std::max(pad.length, pad.width);
  const double width = std::min(pad.length, pad.width);
  constexpr double words_ = 34;
  const double scale =
      std::min({1.0, (wide - words_) / std::max(length, 1e-6), (high - 4) / std::max(width, 1e-6)});
  Mark m;
  m.closed = true;
  m.filled = true;
  m.fill = kPictureCore;
  m.stroke = kInk;
  m.width = 0.3;
  const Point c(1 + scale * length / 2, out.high + 2 + scale * width / 2);
  for (int k = 0; k < 48; ++k) {
    const double a = 2 * std::numbers::pi * k / 48;
    m.points.emplace_back(c.x() + scale * length / 2 * std::cos(a), c.y() + scale * width / 2 * std::sin(a));
  }
  out.marks.push_back(std::move(m));
  const double x = 4 + scale * length;
  out.marks.push_back(
      text({x, c.y()}, words(say("{} × {}", Length(pad.length, 0), Length(pad.width, 0))), 3.2, true));
  out.marks.push_back(text({x, c.y() + 4.2}, words(scale < 1 ? say("drawn smaller") : say("at true size")),
                           2.8, false, TextAlign::Left, kFaint));
  out.high += high;
}

/// The pieces of a cut as bars, the longest as wide as there is room.
Drawn StepPictures::bars(size_t step, double wide) const {
  Drawn out;
  double longest = 0;
  std::vector<const Piece*> cut;
  for (const Piece& p : *plan_.pieces)
    if (steps_.steps[step].id == cutStepId(p)) {
      cut.push_back(&p);
      longest = std::max(longest, p.cut);
    }
  constexpr double row = 5.4;
  double y = 4;
  for (const Piece* p : cut) {
    const double end = (wide - 22) * p->cut / std::max(longest, 1e-6);
    out.marks.push_back(text({0, y}, p->tag, 3.4, true));
    out.marks.push_back(line({6, y - 1.1}, {6 + end, y - 1.1}, 1.2, kPictureLitEdge));
    out.marks.push_back(text({7.5 + end, y}, words(Length(p->cut, 0)), 3.2));
    y += row;
  }
  out.wide = wide;
  out.high = cut.empty() ? 0 : y - row + 2;
  return out;
}

/// Every heap with its weight, in the order of the work.
Drawn StepPictures::heaps(double wide) const {
  Drawn out;
  if (builds_.empty()) return out;
  constexpr double row = 4.6;
  constexpr size_t few = 80; // in two columns of a page
  const size_t columns = builds_.size() > few ? 3 : 2;
  const size_t each = (builds_.size() + columns - 1) / columns;
  const double step = wide / static_cast<double>(columns);
  for (size_t b = 0; b < builds_.size(); ++b) {
    const double x = step * static_cast<double>(b / each);
    const double y = 4 + row * static_cast<double>(b % each);
    out.marks.push_back(line({x, y + 1.1}, {x + step - 6, y + 1.1}, 0.1, kRule));
    const auto most = static_cast<size_t>((step - 28) / 1.55);
    const auto lines = wrap(words(builds_[b].words), most);
    out.marks.push_back(text({x, y}, lines.front() + (lines.size() > 1 ? " …" : ""), 3));
    out.marks.push_back(text({x + step - 6, y}, words(Mass(builds_[b].grams)), 3.1, true, TextAlign::Right));
  }
  out.wide = wide;
  out.high = row * static_cast<double>(each) + 2;
  return out;
}

/// A limb's flat parts beside each other, each from the side it is seen largest; at true size where they fit.
Drawn StepPictures::flats(int limb, double wide, double high) const {
  Drawn out;
  struct Part {
    std::vector<Vec2> outline;
    Bounds2 box;
  };
  std::vector<Part> parts;
  constexpr double gap = 4;
  double widest = 0;
  double highest = 0;
  for (const FigureFlat& flat : plan_.figure->flats) {
    if (plan_.figure->bones[static_cast<size_t>(flat.bone)].limb != limb || flat.outline.size() < 3) continue;
    Part best;
    for (const View view : {View::Side, View::Front, View::Above}) {
      std::vector<Vec2> seen;
      for (const Vec3& p : flat.outline) seen.push_back(project(p, view));
      if (best.outline.empty() || areaOf(seen) > areaOf(best.outline)) best.outline = std::move(seen);
    }
    best.box.take(best.outline);
    widest += best.box.size().x();
    highest = std::max(highest, best.box.size().y());
    parts.push_back(std::move(best));
  }
  if (parts.empty()) return out;
  const double room = wide - gap * static_cast<double>(parts.size() - 1) - 2 * kPictureRoom;
  const double scale =
      std::min({1.0, room / std::max(widest, 1e-6), (high - 6 - 2 * kPictureRoom) / std::max(highest, 1e-6)});
  double x = kPictureRoom;
  for (const Part& part : parts) {
    Mark m;
    m.closed = true;
    m.filled = true;
    m.fill = kPictureLit;
    m.width = 0.5;
    m.stroke = kPictureLitEdge;
    for (const Vec2& p : part.outline)
      m.points.emplace_back(x + scale * (p.x() - part.box.low.x()),
                            kPictureRoom + scale * (part.box.high.y() - p.y()));
    out.marks.push_back(std::move(m));
    x += scale * part.box.size().x() + gap;
  }
  out.wide = wide;
  out.high = 2 * kPictureRoom + scale * highest + 6;
  out.marks.push_back(text({kPictureRoom, out.high - 1.5},
                           words(scale < 1 ? say("drawn smaller") : say("at true size")), 2.8, false,
                           TextAlign::Left, kFaint));
  return out;
}

/// The head from the side and the front.
Drawn StepPictures::head(size_t step, double wide, double high) const {
  const Figure alone = headAlone(plan_.figure);
  std::vector<int> limbs;
  for (size_t l = 0; l < alone.limbs.size(); ++l) limbs.push_back(static_cast<int>(l));
  Drawn out;
  if (limbs.empty()) return out;
  const auto ears = steps_.find("face/ears");
  const bool eared = !face_ || (ears && static_cast<size_t>(*ears) <= step);
  const auto eyes = steps_.find("face/eyes");
  const bool eyed = !eyes || static_cast<size_t>(*eyes) <= step;
  const auto outlines = [&](View view) {
    std::vector<Polygon> all = outline(alone, limbs, view, 0, 40);
    for (const FigureFlat& flat : alone.flats)
      for (Polygon& p : flatOutline(flat, view, alone.scale)) all.push_back(std::move(p));
    return all;
  };
  std::array<Bounds2, 2> boxes;
  const std::array<View, 2> views{View::Side, View::Front};
  for (size_t v = 0; v < 2; ++v)
    for (const Polygon& polygon : outlines(views[v])) boxes[v].take(polygon);
  constexpr double gap = 6;
  const double scale =
      std::min((wide - gap - 2 * kPictureRoom) / (boxes[0].size().x() + boxes[1].size().x()),
               (high - 2 * kPictureRoom) / std::max(boxes[0].size().y(), boxes[1].size().y()));
  double x = kPictureRoom;
  for (size_t v = 0; v < 2; ++v) {
    PictureScene scene;
    scene.view = views[v];
    scene.scale = scale;
    scene.box = boxes[v];
    scene.origin = Point(x, kPictureRoom);
    scene.fill(out, outline(alone, limbs, views[v], 0, 40), kPictureLit, 0.4, kPictureLitEdge);
    for (const FigureFlat& flat : alone.flats)
      for (const Polygon& polygon : flatOutline(flat, views[v], alone.scale)) {
        Mark m = scene.shape(polygon, 0.3, kFaint);
        m.filled = eared;
        m.fill = kPictureCoat;
        if (!eared) m.dash = {1.4, 1.1};
        out.marks.push_back(std::move(m));
      }
    if (face_)
      for (const FacePin& pin : face_->report.pins)
        for (const double side : {1.0, -1.0}) {
          Vec3 local = pin.at;
          if (side < 0 && (local.y() < 0.05 || views[v] == View::Side)) continue;
          local.y() *= views[v] == View::Side ? -1 : side; // from its right its right side is seen
          const Point on = scene.at(plan_.figure->head->toFigure(local));
          out.marks.push_back(line(on - Point(0.8, 0), on + Point(0.8, 0), 0.2));
          out.marks.push_back(line(on - Point(0, 0.8), on + Point(0, 0.8), 0.2));
        }
    for (const Vec3& eye : plan_.figure->eyes) {
      if (views[v] == View::Side && eye.y() > 1e-9) continue;
      Mark m;
      m.kind = Mark::Kind::Disc;
      m.points = {scene.at(eye)};
      m.size = std::max(0.5, plan_.figure->eyeDiameter / 2 * scale);
      m.filled = eyed;
      m.fill = kInk;
      m.stroke = kInk;
      out.marks.push_back(std::move(m));
    }
    x += gap + scale * boxes[v].size().x();
  }
  out.wide = wide;
  out.high = 2 * kPictureRoom + scale * std::max(boxes[0].size().y(), boxes[1].size().y());
  return out;
}

/// The piece straight, with a tick at each bend; as wide as there is room.
void StepPictures::strip(Drawn& out, int piece, double wide) const {
  const Piece& p = (*plan_.pieces)[static_cast<size_t>(piece)];
  const double scale = (wide - 2) / std::max(p.cut, 1e-6);
  const double y = out.high + 7;
  out.marks.push_back(line({1, y}, {1 + scale * p.cut, y}, 1.2, kPictureLitEdge));
  double edge = -1e9;
  for (const Bend& b : p.bends) {
    const double x = 1 + scale * b.at;
    out.marks.push_back(line({x, y - 2.2}, {x, y + 2.2}, 0.25));
    const std::string at = words(Length(b.at, 0).figure());
    if (x < edge) continue; // all of them are in the words beside
    out.marks.push_back(text({x, y - 3}, at, 2.6, false, TextAlign::Centre));
    edge = x + 1.6 * static_cast<double>(letters(at)) + 1.6;
  }
  out.marks.push_back(text({1 + scale * p.cut, y + 5}, words(Length(p.cut, 0)), 3, true, TextAlign::Right));
  out.high = y + 7;
}

} // namespace columna
