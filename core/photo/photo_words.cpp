#include "photo/photo_words.h"

#include "anatomy/plane.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <set>

namespace columna {
namespace {

constexpr double kLongFur = 1.5; ///< mm from ground to wool: what lies under is not seen
constexpr double kSharp = 5;     ///< px that a lens and a small picture make of any edge

} // namespace

Name sideOf(PhotoView view, const Vec2& out) {
  constexpr std::string_view front = named("in front");
  constexpr std::string_view behind = named("behind");
  constexpr std::string_view left = named("at its left");
  constexpr std::string_view right = named("at its right");
  const int quarter = quarterOf(out); // 0 right, 1 up, 2 left, 3 down
  if (view == PhotoView::Above)
    return Name(std::array{front, left, behind, right}[static_cast<size_t>(quarter)]);
  if (quarter == 1) return Name(named("on top"));
  if (quarter == 3) return Name(named("underneath"));
  const bool first = quarter == 0;
  switch (view) {
  case PhotoView::Right:
    return Name(first ? front : behind);
  case PhotoView::Left:
    return Name(first ? behind : front);
  case PhotoView::Front:
    return Name(first ? left : right);
  default:
    return Name(first ? right : left);
  }
}

std::vector<PhotoFinding> photoFindings(const PhotoCheck& check, const Figure& figure) {
  std::vector<PhotoFinding> out;
  std::set<int> spoken;
  const auto part = [&](int limb) { return upperName(figure.limbs[static_cast<size_t>(limb)].name); };
  const auto range = [](double value, double error) {
    return std::pair(std::max(0.0, std::abs(value) - kPhotoSure * error),
                     std::abs(value) + kPhotoSure * error);
  };
  const auto shown = [&](int limb) {
    for (const PhotoPlace& p : check.places)
      if (p.limb == limb) return p.at;
    const EdgeMatch* any = nullptr;
    for (const EdgeMatch& m : check.fit.matches)
      if (m.limb == limb) any = &m;
    return any ? any->at : Vec2(0, 0);
  };
  for (const PhotoPair& p : check.pairs) {
    if (!p.told()) continue;
    const auto [low, high] = range(p.more, p.error);
    PhotoFinding f;
    const bool leftMore = p.more > 0;
    f.limb = leftMore ? p.left : p.right;
    f.off = std::abs(p.more);
    f.pair = true;
    f.at = shown(f.limb);
    if (p.left == p.right)
      f.text = leftMore ? say("{}: {} fuller at its left than at its right (could be {} to {})", part(p.left),
                              Length(f.off, 1), Length(low, 1), Length(high, 1))
                        : say("{}: {} fuller at its right than at its left (could be {} to {})", part(p.left),
                              Length(f.off, 1), Length(low, 1), Length(high, 1));
    else
      f.text = say("{}: {} fuller than the {} (could be {} to {})", part(f.limb), Length(f.off, 1),
                   lowerName(figure.limbs[static_cast<size_t>(leftMore ? p.right : p.left)].name),
                   Length(low, 1), Length(high, 1));
    out.push_back(std::move(f));
    spoken.insert({p.left, p.right});
  }
  for (const PhotoTurn& t : check.turns) {
    if (!t.told() || spoken.contains(t.limb)) continue;
    const auto [low, high] = range(t.turn, t.error);
    const FigureLimb& limb = figure.limbs[static_cast<size_t>(t.limb)];
    PhotoFinding f;
    f.limb = t.limb;
    f.at = shown(t.limb);
    f.off = std::abs(t.turn) * limb.length;
    f.text = t.turn > 0 ? say("{}: turned {} anticlockwise in the picture (could be {} to {})", part(t.limb),
                              Angle(t.turn, 0), Angle(low, 0), Angle(high, 0))
                        : say("{}: turned {} clockwise in the picture (could be {} to {})", part(t.limb),
                              Angle(-t.turn, 0), Angle(low, 0), Angle(high, 0));
    out.push_back(std::move(f));
    spoken.insert(t.limb);
  }
  for (const PhotoPlace& p : check.places) {
    if (!p.told() || spoken.contains(p.limb)) continue;
    const auto [low, high] = range(p.off, p.error);
    PhotoFinding f;
    f.limb = p.limb;
    f.off = std::abs(p.off);
    f.at = p.at;
    f.text = p.off > 0 ? say("{}: {} fuller than planned {} (could be {} to {})", part(p.limb),
                             Length(f.off, 1), sideOf(check.view, p.out), Length(low, 1), Length(high, 1))
                       : say("{}: {} thinner than planned {} (could be {} to {})", part(p.limb),
                             Length(f.off, 1), sideOf(check.view, p.out), Length(low, 1), Length(high, 1));
    out.push_back(std::move(f));
    spoken.insert(p.limb); // its worst place
  }
  return out;
}

Said photoTaken(const PhotoCheck& check) {
  const PhotoCamera& c = check.fit.camera;
  const double turn = check.view == PhotoView::Above ? c.roll : c.yaw;
  return check.mat ? say("{}, on the mat: turned {}, known to {}", upperName(word(check.view)),
                         Angle(std::abs(turn), 1), Angle(check.turnError, 1))
                   : say("{}: turned {}, known to {}", upperName(word(check.view)), Angle(std::abs(turn), 1),
                         Angle(check.turnError, 1));
}

std::vector<Said> photoLimits(const PhotoCheck& check, const Figure& figure) {
  std::vector<Said> out;
  const bool side = check.view == PhotoView::Right || check.view == PhotoView::Left;
  if (side)
    out.push_back(say("From the side left hides right: take one from before it for left against right."));
  else if (!check.pairs.empty())
    out.push_back(say("Left against right is told from {} on at best, of some parts from {}.",
                      Length(check.least().first, 1), Length(check.least().second, 1)));
  if (!check.mat)
    out.push_back(
        say("No mat in the picture: on the printed mat, first once from above, it sees more closely."));
  if (check.rough)
    out.push_back(say("Cut out roughly, by the box: before one sheet of paper its edge is surer."));
  if (check.soft > kLongFur && check.soft * check.fit.camera.scale > kSharp)
    out.push_back(say("Its edge is soft, {} from wool to ground: what lies under long fur is not seen.",
                      Length(check.soft, 1)));
  if (!check.hidden.empty()) {
    Said names;
    for (const int l : check.hidden) {
      const Said name = lowerName(figure.limbs[static_cast<size_t>(l)].name);
      names = names.empty() ? name : say("{}, {}", names, name);
    }
    out.push_back(say("No edge of these shows: {}.", names));
  }
  out.push_back(
      check.view == PhotoView::Above
          ? say("What lies towards the camera or away from it, back and belly, does not show in an outline.")
          : say("What lies towards the camera or away from it, and the inside of legs that touch, does "
                "not show in an outline."));
  return out;
}

std::vector<Vec2> mirroredEdge(const PhotoCheck& check) {
  std::vector<Vec2> out;
  const PhotoEye eye(check.fit.camera);
  for (const EdgeMatch& m : check.fit.matches) {
    if (m.limb < 0) continue;
    // Where on the figure it would be: in the picture's plane at the depth of what it was matched with.
    const Vec3 there = eye.place(m.at, eye.depth(m.place));
    out.push_back(eye.at(mirrored(there)));
  }
  return out;
}

} // namespace columna
