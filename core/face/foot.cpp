#include "face/foot.h"

#include "anatomy/plane.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace columna {
namespace {

constexpr int kCorners = 48;

std::vector<Vec2> scaled(const std::vector<Vec2>& outline, double by) {
  std::vector<Vec2> out;
  out.reserve(outline.size());
  for (const Vec2& p : outline) out.push_back(by * p);
  return out;
}

/// How far an outline reaches along and across a direction.
Vec2 extentOf(const std::vector<Vec2>& outline, double direction) {
  const Vec2 along(std::cos(direction), std::sin(direction));
  const Vec2 across(-along.y(), along.x());
  Vec2 low(1e9, 1e9);
  Vec2 high(-1e9, -1e9);
  for (const Vec2& p : outline) {
    const Vec2 at(along.dot(p), across.dot(p));
    low = low.cwiseMin(at);
    high = high.cwiseMax(at);
  }
  return high - low;
}

/// A tapered strip with a round tip.
std::vector<Vec2> strip(const Vec2& from, const Vec2& to, double root, double tip) {
  const Vec2 along = to - from;
  const Vec2 aside = along.norm() > 0 ? Vec2(Vec2(-along.y(), along.x()) / along.norm()) : Vec2(0, 1);
  std::vector<Vec2> out{from + root / 2 * aside};
  const double begin = std::atan2(aside.y(), aside.x());
  for (int i = 0; i <= 8; ++i) {
    const double a = begin - std::numbers::pi * i / 8;
    out.push_back(to + tip / 2 * Vec2(std::cos(a), std::sin(a)));
  }
  out.push_back(from - root / 2 * aside);
  return out;
}

Sole soleOf(const char* which, const FootPattern& foot, double scale, double firm, const FaceRules& rules) {
  Sole out;
  out.which = which;
  out.foot = &foot;
  out.length = scale * foot.length;
  out.width = scale * foot.width;
  out.height = scale * foot.height;
  out.colourUp = foot.colourStarts * out.length;
  out.stab = rules.padStab * out.height;
  out.outline = scaled(foot.outline, out.length);
  for (const FootToe& toe : foot.toes) {
    out.toes.push_back(scaled(strip(toe.from, toe.to, toe.width.x(), toe.width.y()), out.length));
    const double length = out.length * (toe.to - toe.from).norm();
    const double width = out.length * (toe.width.x() + toe.width.y()) / 2;
    out.toesApart = out.toesApart && length >= rules.toeLong && width >= rules.toeWide;
  }
  for (const auto& web : foot.webs) out.webs.push_back(scaled(web, out.length));
  for (const FootPad& pad : foot.pads) {
    SolePad laid;
    laid.pad = &pad;
    if (pad.shape == FootPadShape::Outline) {
      laid.outline = scaled(pad.outline, out.length);
    } else {
      const double c = std::cos(pad.turn);
      const double s = std::sin(pad.turn);
      for (const Vec2& p : padShape(pad.shape, pad.radii))
        laid.outline.push_back(out.length * (pad.at + Vec2(c * p.x() - s * p.y(), s * p.x() + c * p.y())));
    }
    const Vec2 size = extentOf(laid.outline, pad.shape == FootPadShape::Outline ? 0 : pad.turn);
    laid.length = size.maxCoeff();
    laid.width = size.minCoeff();
    laid.thickness =
        std::min(std::max(rules.padThick * laid.width, rules.padThickLeast), rules.padThickMost * out.height);
    laid.grams = firm * areaOf(laid.outline) * laid.thickness / 2;
    laid.wisp = laid.grams < rules.padLeast;
    if (pad.kind == FootPadKind::Toe && foot.toes.empty())
      out.toesApart = out.toesApart && laid.width >= rules.toeWide;
    out.pads.push_back(std::move(laid));
  }
  for (const FootClaw& claw : foot.claws) {
    const double length = out.length * (claw.to - claw.from).norm();
    out.claws.push_back({&claw, scaled(strip(claw.from, claw.to, claw.width, 0), out.length), length,
                         length < rules.clawLeast});
  }
  return out;
}

} // namespace

double footScale(const HeadPattern& head, const Pattern& pattern, double mmPerModule) {
  return head.module.lifeMm * pattern.lifeModules / pattern.lifeMm * mmPerModule;
}

std::vector<Sole> solesOf(const HeadPattern& head, double scale, double firm, const FaceRules& rules) {
  std::vector<Sole> out;
  for (const auto& [which, foot] : {std::pair("fore", &head.feet.fore), std::pair("mid", &head.feet.mid),
                                    std::pair("hind", &head.feet.hind)})
    if (*foot) out.push_back(soleOf(which, **foot, scale, firm, rules));
  return out;
}

std::vector<Vec2> padShape(FootPadShape shape, const Vec2& radii) {
  std::vector<Vec2> out;
  for (int i = 0; i < kCorners; ++i) {
    const double t = 2 * std::numbers::pi * i / kCorners;
    double u = std::cos(t);
    double v = std::sin(t);
    switch (shape) {
    case FootPadShape::Heart: // two lobes behind
      if (u < 0) u *= 1 - 0.45 * std::exp(-v * v / 0.2);
      break;
    case FootPadShape::Drop: // narrower in front
      v *= 1 - 0.22 * u;
      break;
    case FootPadShape::Crescent: // hollow behind
      if (u < 0) u *= -0.35;
      break;
    case FootPadShape::Ellipse:
    case FootPadShape::Outline:
      break;
    }
    out.emplace_back(radii.x() * u, radii.y() * v);
  }
  return out;
}

} // namespace columna
