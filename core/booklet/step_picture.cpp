#include "booklet/step_picture.h"

#include "anatomy/limb_place.h"
#include "anatomy/plane.h"
#include "steps/steps_of.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <functional>
#include <numbers>

namespace columna {
namespace {

constexpr int kCorners = 20;       ///< a round section is drawn with: the picture is small
constexpr double kLitEdge = 0.7;   ///< of the part that is lit: it is told by this, too, without colours
constexpr double kGround = 3;      ///< mm of ground line beyond the figure
constexpr double kBeside = 24;     ///< mm beside the figure for what its girths are
constexpr double kWireThick = 0.5; ///< mm of wire in the picture, and twice that where it is lit
constexpr double kStripHigh = 14;  ///< mm under it for a piece of wire
constexpr double kPadHigh = 20;    ///< mm under the figure for a pad's outline

std::vector<int> limbsWhere(const Figure& figure, const std::function<bool(size_t)>& wanted) {
  std::vector<int> out;
  for (size_t l = 0; l < figure.limbs.size(); ++l)
    if (!figure.limbs[l].bones.empty() && wanted(l)) out.push_back(static_cast<int>(l));
  return out;
}

} // namespace

StepPictures::StepPictures(const Plan& plan, const FaceSums* face, const StepPlan& steps,
                           const Manner& manner)
    : plan_(plan), face_(face), steps_(steps), manner_(manner), builds_(buildSteps(plan.figure, plan.wool)),
      bundles_(bundlesOf(plan)) {}

bool StepPictures::begins(size_t step, const char* verb) const {
  return steps_.steps[step].id.starts_with(std::string(verb) + "/");
}

const std::vector<Polygon>& StepPictures::whole(View view) const {
  std::vector<Polygon>& kept = whole_[static_cast<size_t>(view)];
  if (kept.empty()) kept = silhouette(plan_.figure, view);
  return kept;
}

PictureScene StepPictures::sceneFor(View view, bool mirrored, double wide, double high) const {
  PictureScene scene;
  scene.view = view;
  scene.mirrored = mirrored;
  for (const Polygon& polygon : whole(view))
    for (const Vec2& p : polygon) scene.box.take(Vec2(mirrored ? -p.x() : p.x(), p.y()));
  for (const WirePoint& point : plan_.skeleton->points) { // wire may stand out of it
    const Vec2 p = project(point.at, view);
    scene.box.take(Vec2(mirrored ? -p.x() : p.x(), p.y()));
  }
  if (view != View::Above) scene.box.take(Vec2(scene.box.low.x(), 0)); // the ground it stands on
  const Vec2 size = scene.box.size().cwiseMax(Vec2(1e-6, 1e-6));
  scene.scale = std::min((wide - 2 * kPictureRoom) / size.x(), (high - 2 * kPictureRoom) / size.y());
  scene.origin = Point(kPictureRoom, kPictureRoom);
  return scene;
}

std::vector<LimbMoment> StepPictures::momentAfter(size_t step) const {
  std::vector<bool> done(builds_.size(), false);
  for (size_t i = 0; i <= step; ++i)
    if (steps_.steps[i].build >= 0) done[static_cast<size_t>(steps_.steps[i].build)] = true;
  return momentOf(builds_, plan_.figure->limbs.size(), done);
}

Figure StepPictures::figureAfter(size_t step) const {
  return figureAtMoment(plan_.figure, plan_.wool, momentAfter(step), bundles_);
}

/// What is made of it by then: the finished outline in dashes, wire, wool, and the part that is lit.
void StepPictures::body(Drawn& out, const PictureScene& scene, size_t step, int lit) const {
  for (const Polygon& polygon : whole(scene.view)) {
    Mark m = scene.shape(polygon, kPictureEdge, kFaint);
    m.dash = {1.4, 1.1};
    out.marks.push_back(std::move(m));
  }
  if (scene.view != View::Above) {
    const double y = scene.at(Vec2(0, 0)).y();
    out.marks.push_back(
        line({0, y}, {scene.origin.x() + scene.scale * scene.box.size().x() + kGround, y}, 0.2, kRule));
  }
  wire(out, scene, step, lit);
  const std::vector<LimbMoment> moment = momentAfter(step);
  const Figure now = figureAfter(step);
  const int nearSide = scene.mirrored ? 1 : -1;
  const auto on = [&](size_t l) { return moment[l].wound > 0; };
  const auto coated = [&](size_t l) { return moment[l].coat > 0; };
  const auto far = [&](size_t l) {
    return scene.view == View::Side && now.limbs[l].side != 0 && now.limbs[l].side != nearSide;
  };
  const auto wool = [&](bool behind, bool coat) {
    const auto limbs =
        limbsWhere(now, [&](size_t l) { return on(l) && far(l) == behind && coated(l) == coat; });
    if (!limbs.empty())
      scene.fill(out, outline(now, limbs, scene.view, 0, kCorners),
                 behind ? kPictureFar
                 : coat ? kPictureCoat
                        : kPictureCore);
  };
  wool(true, false);
  wool(true, true);
  wool(false, false);
  wool(false, true);
  // Flat parts once they are joined.
  for (const FigureFlat& flat : plan_.figure->flats) {
    const int limb = plan_.figure->bones[static_cast<size_t>(flat.bone)].limb;
    const bool face = face_ && plan_.figure->limbs[static_cast<size_t>(limb)].kind == LimbKind::Head;
    const std::string joined =
        face ? "face/ears" : "flats-on/" + plan_.figure->limbs[static_cast<size_t>(limb)].id;
    const auto place = steps_.find(joined);
    if (place && static_cast<size_t>(*place) <= step)
      scene.fill(out, flatOutline(flat, scene.view, plan_.figure->scale), kPictureCoat);
  }
  if (lit >= 0 && on(static_cast<size_t>(lit)) && !now.limbs[static_cast<size_t>(lit)].bones.empty())
    scene.fill(out, outline(now, {lit}, scene.view, 0, kCorners), kPictureLit, kLitEdge, kPictureLitEdge);
}

/// The wires that are bent by then, where they lie; those in hand over the others.
void StepPictures::wire(Drawn& out, const PictureScene& scene, size_t step, int lit) const {
  std::vector<char> bent(plan_.pieces->size(), 0);
  for (size_t i = 0; i <= step; ++i)
    if (steps_.steps[i].piece >= 0) bent[static_cast<size_t>(steps_.steps[i].piece)] = 1;
  const int own = steps_.steps[step].piece;
  const auto inHand = [&](size_t p) {
    const std::vector<int>& limbs = (*plan_.pieces)[p].limbs;
    return own >= 0 ? own == static_cast<int>(p)
                    : lit >= 0 && limbs.size() == 1 && limbs.front() == lit; // the spine is of several
  };
  for (const bool mine : {false, true})
    for (size_t p = 0; p < bent.size(); ++p) {
      const Piece& piece = (*plan_.pieces)[p];
      if (!bent[p] || piece.route.empty() || inHand(p) != mine) continue;
      Mark m;
      m.width = mine ? 2 * kWireThick : kWireThick;
      m.stroke = mine ? kPictureLitEdge : kFaint;
      for (const int point : piece.route)
        m.points.push_back(scene.at(plan_.skeleton->points[static_cast<size_t>(point)].at));
      if (piece.group < 0 && mine) { // a lashing goes round at a place
        Mark at;
        at.kind = Mark::Kind::Disc;
        at.points = {m.points.front()};
        at.size = 2;
        at.width = 0.7;
        at.stroke = kPictureLitEdge;
        out.marks.push_back(std::move(at));
      }
      if (m.points.size() > 1) out.marks.push_back(std::move(m));
    }
}

/// A ring where each girth is taken, and beside the figure what it comes to.
void StepPictures::girths(Drawn& out, const PictureScene& scene, const Figure& now, size_t step) const {
  const Step& s = steps_.steps[step];
  if (s.limb < 0 || now.limbs[static_cast<size_t>(s.limb)].bones.empty()) return;
  double lowest = -1e9; // of the words before, so that two do not lie on each other
  for (const Goal& g : s.goals) {
    if (g.what != Goal::What::Round) continue;
    const LimbPlace place = limbPlace(now, s.limb, g.along);
    const Point c = scene.at(place.at);
    const Point d = scene.at(Vec3(place.at + place.way)) - c;
    const double turn = std::atan2(d.y(), d.x());
    const double r = g.value / (2 * std::numbers::pi) * scene.scale;
    const Point along(std::cos(turn), std::sin(turn));
    const Point across(-along.y(), along.x());
    Mark ring;
    ring.closed = true;
    ring.width = 0.4;
    ring.stroke = kPictureLitEdge;
    for (int k = 0; k < 32; ++k) {
      const double a = 2 * std::numbers::pi * k / 32;
      ring.points.emplace_back(c + std::max(0.4, 0.22 * r) * std::cos(a) * along + r * std::sin(a) * across);
    }
    out.marks.push_back(std::move(ring));
    const double x = scene.origin.x() + scene.scale * scene.box.size().x() + 4;
    const double y = std::max(c.y(), lowest + 6);
    lowest = y;
    out.marks.push_back(line(c + 0.22 * r * along, {x, y}, 0.25, kInk));
    out.marks.push_back(text({x + 1, y + 1.4}, words(Length(g.value, 0)), 4.2, true));
  }
}

Drawn StepPictures::figureOf(size_t step, int limb, double wide, double high) const {
  const Step& s = steps_.steps[step];
  const bool round =
      std::any_of(s.goals.begin(), s.goals.end(), [](const Goal& g) { return g.what == Goal::What::Round; });
  const Pad* pad = nullptr;
  if (s.build >= 0 && builds_[static_cast<size_t>(s.build)].kind == BuildStep::Kind::Pad) {
    const BuildStep& build = builds_[static_cast<size_t>(s.build)];
    pad = &plan_.wool->limbs[static_cast<size_t>(build.limb)].pads[static_cast<size_t>(build.pad)];
  }
  const bool left = limb >= 0 && plan_.figure->limbs[static_cast<size_t>(limb)].side > 0;
  const PictureScene scene =
      sceneFor(View::Side, left, wide - (round ? kBeside : kGround), high - (pad ? kPadHigh : 0));
  Drawn out;
  body(out, scene, step, limb);
  if (round) girths(out, scene, figureAfter(step), step);
  out.wide = wide;
  out.high = 2 * kPictureRoom + scene.scale * scene.box.size().y();
  if (pad) {
    Mark at;
    at.kind = Mark::Kind::Disc;
    at.points = {scene.at(pad->centre)};
    at.size = 1.6;
    at.filled = true;
    at.fill = kPictureLitEdge;
    at.stroke = Rgb{255, 255, 255};
    at.width = 0.4;
    out.marks.push_back(std::move(at));
    padShape(out, *pad, wide, kPadHigh);
  }
  return out;
}

Drawn StepPictures::of(size_t step, double wide, double high) const {
  const Step& s = steps_.steps[step];
  if (begins(step, "weigh")) return heaps(2 * wide);
  if (begins(step, "cut")) return bars(step, wide);
  if (begins(step, "print")) return {};
  if (begins(step, "face") && plan_.figure->head) return head(step, wide, high);
  if (begins(step, "flats"))
    if (Drawn out = flats(s.limb, wide, high); !out.marks.empty()) return out;
  if (s.piece >= 0) {
    Drawn out = figureOf(step, s.limb, wide, high - kStripHigh);
    strip(out, s.piece, wide);
    return out;
  }
  if (begins(step, "record")) return finished(wide, high);
  return figureOf(step, s.limb, wide, high);
}

std::vector<Said> bendWords(const Piece& piece) {
  std::vector<Said> out;
  for (const Bend& b : piece.bends)
    out.push_back(b.fold ? say("{}: fold", Length(b.at, 0))
                         : say("{}: {}", Length(b.at, 0), Angle(b.tool, 0)));
  return out;
}

Drawn StepPictures::finished(double wide, double high) const {
  const PictureScene scene = sceneFor(View::Side, false, wide - kGround, high);
  Drawn out;
  body(out, scene, steps_.steps.size() - 1, -1);
  out.wide = wide;
  out.high = 2 * kPictureRoom + scene.scale * scene.box.size().y();
  return out;
}

} // namespace columna
