#include "face/face_report.h"

#include "anatomy/plane.h"
#include "face/tape.h"
#include "head/wearing.h"

#include <Eigen/Geometry>

#include <algorithm>
#include <cmath>
#include <numbers>

namespace columna {
namespace {

constexpr double kCells = 72;  ///< along the head
constexpr double kCrown = 0.4; ///< of the head, from the occiput
constexpr int kStemRounds = 4;
constexpr double kChin = 0.85; ///< where a head without a chin pad is measured

/// Where the eye meets the surface, its socket pressed; where it lies, should its axis pass the head by.
Vec3 eyePlace(const HeadField& field, const HeadEye& e) {
  const Vec3 at = field.length() * e.at;
  return field.hit(at, opticalAxis(e)).value_or(field.onto(at));
}

/// The outline's width at a height.
double widthOf(const HeadFlat& f, double height) {
  double left = 1e9;
  double right = -1e9;
  for (size_t i = 0; i < f.outline.size(); ++i) {
    const Vec2& p = f.outline[i];
    const Vec2& q = f.outline[(i + 1) % f.outline.size()];
    if ((p.y() - height) * (q.y() - height) > 0 || p.y() == q.y()) continue;
    const double x = p.x() + (q.x() - p.x()) * (height - p.y()) / (q.y() - p.y());
    left = std::min(left, x);
    right = std::max(right, x);
  }
  return std::max(right - left, 1e-3);
}

class Reporting {
public:
  Reporting(const HeadPattern& head, double length, double density, const FaceRules& rules,
            std::optional<double> eye, const std::vector<HeadWire>& wires)
      : h_(head), l_(length), density_(density), rules_(rules), eye_(eye), wires_(wires),
        field_(head, length) {}

  FaceReport run() {
    out_.length = l_;
    out_.volumes = field_.volumes(l_ / kCells);
    out_.bodyGrams = density_ * out_.volumes.body;
    pads();
    eyes();
    pins();
    out_.flats = faceFlats(h_, l_, density_, rules_);
    return std::move(out_);
  }

private:
  void pads() {
    for (size_t i = 0; i < h_.features.size(); ++i) {
      const HeadFeature& f = h_.features[i];
      FacePad pad;
      pad.feature = &f;
      pad.volume = out_.volumes.features[i];
      pad.grams = std::max(pad.volume, 0.0) * density_;
      const double two = f.twin ? 2 : 1;
      if (f.rod()) {
        pad.length = l_ * ((*f.to - f.at).norm() + f.radii[0] + f.radii[1]);
        pad.width = 2 * l_ * std::max(f.radii[0], f.radii[1]);
      } else {
        std::vector<double> sizes = f.radii;
        std::sort(sizes.rbegin(), sizes.rend());
        pad.length = 2 * l_ * sizes[0];
        pad.width = 2 * l_ * sizes[1];
      }
      pad.tooSmall = f.mode == FeatureMode::Add &&
                     (pad.grams / two < rules_.padLeast || l_ * f.thinnest() < rules_.radiusLeast);
      out_.pads.push_back(pad);
    }
  }

  void eyes() {
    for (const HeadEye& e : h_.eyes) {
      FaceEye eye;
      eye.eye = &e;
      eye.choice = eyeFor(l_ * e.diameter, rules_);
      const bool needled = e.kind == EyeKind::Needled; // of wool, as large as they should be
      if (needled) eye.choice = {eye.choice.wanted, eye.choice.wanted, 0};
      if (eye_) eye.choice = {eye.choice.wanted, *eye_, *eye_ / eye.choice.wanted - 1};
      const double d = eye.choice.take;
      eye.socket = socketOf(d, e.sunk);
      const Vec3 way = opticalAxis(e);
      const Vec3 seen = placeOf(e);
      const Vec3 middle = eyeMiddle(field_, e, d);
      eye.apart = e.twin ? 2 * std::abs(middle.y()) : 0;
      eye.between = e.twin ? eye.apart - d : 0;
      if (e.twin && !needled) stems(eye, middle, widthAt(seen.x()));
      eye.under = woolUnder(field_, seen - e.sunk * d * way, way, wires_, d, e.twin, middle);
      eye.hidden = hiddenBy(h_, field_, seen, way, d);
      const double ball = std::numbers::pi / 6 * d * d * d;
      eye.grams = e.kind == EyeKind::Glass     ? rules_.glass * ball
                  : e.kind == EyeKind::Bead    ? rules_.glass * ball
                  : e.kind == EyeKind::Painted ? rules_.acrylic * ball * 2 * rules_.flatBack
                                               : density_ * ball / 2;
      out_.eyes.push_back(eye);
    }
  }

  /// A shorter hole may run straighter, which is another way through the wires.
  void stems(FaceEye& eye, const Vec3& middle, double width) const {
    const HeadEye& e = *eye.eye;
    double most = std::numeric_limits<double>::infinity();
    for (int round = 0; round < kStemRounds; ++round) {
      eye.stem = stemsFor(std::abs(middle.y()), std::abs(e.azimuth), eye.choice.take, width, rules_, most);
      const double room = longestClear(middle, holeWay(e, eye.stem.azimuth), eye.stem.length,
                                       rules_.wireClear, wires_, rules_.stem);
      if (room >= eye.stem.length) return;
      eye.cutForWire = true;
      most = room;
    }
    eye.stem.length = std::min(eye.stem.length, most);
  }

  [[nodiscard]] double widthAt(double x) const { return 2 * field_.body().at(x).side; }

  [[nodiscard]] Vec3 placeOf(const HeadEye& e) const { return eyePlace(field_, e); }

  void pin(const std::string& id, const std::optional<Vec3>& found) {
    if (!found) return;
    FacePin p{id, field_.onto(*found), std::nullopt, 0, 0};
    p.aside = std::abs(p.at.y());
    if (out_.pins.empty()) {
      p.tape = 0;
    } else {
      const Vec3& nose = out_.pins.front().at;
      p.straight = (p.at - nose).norm();
      const TapedSurface surface{[this](const Vec3& q) { return field_.distance(q); },
                                 [this](const Vec3& q) { return field_.normal(q); }};
      if (const auto length = tape(surface, nose, p.at)) p.tape = *length;
    }
    out_.pins.push_back(std::move(p));
  }

  void pins() {
    const double noseHeight = h_.nose.shape == NoseShape::None ? 0 : h_.nose.at.z();
    pin("nose-tip", field_.hit(l_ * Vec3(1, 0, noseHeight), Vec3::UnitX()));
    if (out_.pins.empty()) pin("nose-tip", field_.hit(l_ * Vec3(0.5, 0, 0), Vec3::UnitX()));
    if (out_.pins.empty()) return;
    const Vec3 nose = out_.pins.front().at;
    for (const HeadEye& e : h_.eyes) {
      const Vec3 at = placeOf(e);
      pin(e.id, at);
      const Vec3 towards = nose - at;
      pin(e.id + "-inner-corner", Vec3(at + l_ * e.diameter / 2 * towards.normalized()));
    }
    for (const MouthLine& line : h_.mouth)
      if (line.twin) {
        pin("mouth-corner", Vec3(l_ * line.points.back()));
        break;
      }
    for (const HeadFlat& f : h_.flats) {
      const auto [front, rear] = baseEnds(f, field_);
      pin(f.id + "-front", Vec3(l_ * front));
      pin(f.id + "-rear", Vec3(l_ * rear));
    }
    const auto chin = std::find_if(h_.features.begin(), h_.features.end(),
                                   [](const HeadFeature& f) { return f.kind == FeatureKind::Chin; });
    pin("chin",
        field_.hit(l_ * Vec3(chin == h_.features.end() ? kChin : chin->at.x(), 0, 0), -Vec3::UnitZ()));
    pin("crown", field_.hit(l_ * Vec3(kCrown, 0, 0), Vec3::UnitZ()));
    pin("occiput", field_.hit(Vec3(0.1 * l_, 0, 0), -Vec3::UnitX()));
  }

  const HeadPattern& h_;
  double l_, density_;
  const FaceRules& rules_;
  std::optional<double> eye_;
  const std::vector<HeadWire>& wires_;
  HeadField field_;
  FaceReport out_;
};

} // namespace

FaceReport faceReport(const HeadPattern& head, double length, double density, const FaceRules& rules,
                      std::optional<double> eye, const std::vector<HeadWire>& wires) {
  return Reporting(head, length, density, rules, eye, wires).run();
}

std::vector<FaceFlat> faceFlats(const HeadPattern& head, double length, double density,
                                const FaceRules& rules) {
  std::vector<FaceFlat> out;
  for (const HeadFlat& f : head.flats) {
    FaceFlat flat;
    flat.flat = &f;
    Bounds2 box;
    box.take(f.outline);
    const double low = box.low.y();
    const double high = box.high.y();
    flat.length = length * (high - low);
    flat.width = length * box.size().x();
    flat.thickness = length * f.thickness;
    flat.grams = std::abs(signedArea(f.outline)) * length * length * flat.thickness * density;
    const double third = low + (high - low) / 3;
    // As carried: the head's axis is pitched, nose up for a positive carriage.
    const Vec3 grows = Eigen::AngleAxisd(-head.carriage, Vec3::UnitY()) * f.axis.normalized();
    const double lean = std::acos(std::clamp(grows.z(), -1.0, 1.0));
    flat.strip = {flat.length, length * widthOf(f, third), flat.thickness, density, f.cup, lean};
    flat.standing = standingOf(flat.strip, rules.relaxed);
    out.push_back(flat);
  }
  return out;
}

Vec3 eyeMiddle(const HeadField& field, const HeadEye& eye, double diameter) {
  return eyePlace(field, eye) + diameter / 2 * (1 - 2 * eye.sunk) * opticalAxis(eye);
}

std::string_view eyesName(EyeKind kind) {
  switch (kind) {
  case EyeKind::Bead:
    return named("beads, sewn on");
  case EyeKind::Painted:
    return named("painted on a flat back");
  case EyeKind::Needled:
    return named("needled of wool");
  case EyeKind::Glass:
    break;
  }
  return named("glass on wire");
}

std::string pinName(const std::string& id) {
  std::string out = id;
  std::replace(out.begin(), out.end(), '-', ' ');
  return out;
}

} // namespace columna
