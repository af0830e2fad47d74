#include "head/wearing.h"

#include "anatomy/plane.h"
#include "anatomy/proportion.h"
#include "head/dialled.h"
#include "head/head_rows.h"
#include "measure/hash.h"

#include <Eigen/Geometry>

#include <algorithm>
#include <cmath>
#include <mutex>
#include <optional>

namespace columna {
namespace {

constexpr size_t kSections = 18;     ///< of the rough body
constexpr double kAsked = 100;       ///< mm: of the head whose eyes' places are looked up
constexpr double kLeastDetail = 0.4; ///< mm: felt has none finer

class Surface : public HeadSurface {
public:
  Surface(const HeadPattern& head, const HeadDials& dials, double length)
      : field_(dialled(head, dials), length), wide_(dials.wide), high_(dials.high),
        least_(std::min({1.0, wide_, high_})) {
    thinnest_ = field_.body().thinnest();
    for (const HeadFeature& f : head.features) thinnest_ = std::min(thinnest_, f.thinnest() * length);
    thinnest_ = std::max(thinnest_, kLeastDetail);
  }
  [[nodiscard]] double distance(const Vec3& p) const override { return least_ * field_.distance(eased(p)); }
  [[nodiscard]] double depth(const Vec3& p) const override { return field_.body().quantile(eased(p)); }
  [[nodiscard]] Vec3 low() const override { return field_.low().cwiseProduct(Vec3(1, wide_, high_)); }
  [[nodiscard]] Vec3 high() const override { return field_.high().cwiseProduct(Vec3(1, wide_, high_)); }
  [[nodiscard]] double thinnest() const override { return least_ * thinnest_; }

private:
  [[nodiscard]] Vec3 eased(const Vec3& p) const { return {p.x(), p.y() / wide_, p.z() / high_}; }
  HeadField field_;
  double wide_, high_, least_, thinnest_ = 0;
};

std::uint64_t keyOf(const HeadPattern& head) {
  Hash h;
  h.add(head.body.capBack);
  h.add(head.body.capFront);
  for (const HeadStation& s : head.body.stations)
    for (const double v : {s.x, s.top, s.bottom, s.side, s.mid, s.square.x(), s.square.y()}) h.add(v);
  for (const HeadFeature& f : head.features) {
    h.add(f.mode == FeatureMode::Add ? 1.0 : 2.0);
    h.add(f.twin ? 1.0 : 0.0);
    h.add(f.blend);
    for (const Vec3& v : {f.at, f.to.value_or(f.at), f.axis, f.up}) h.addPlace(v);
    for (const double r : f.radii) h.add(r);
  }
  for (const HardPart& part : head.hard)
    for (size_t i = 0; i < part.path.size(); ++i) {
      h.addPlace(part.path[i]);
      h.add(part.across[i]);
      h.add(part.deep[i]);
    }
  for (const HeadEye& e : head.eyes) {
    h.addPlace(e.at);
    h.add(e.diameter);
  }
  for (const HeadHair& hair : head.hair) {
    for (const Vec3& p : hair.line) h.addPlace(p);
    for (const Vec3& p : hair.toLine) h.addPlace(p);
    h.add(static_cast<double>(hair.rows));
    h.addPlace(hair.at.value_or(Vec3(0, 0, 0)));
    for (const double v : {hair.inner, hair.flat, hair.length, hair.width}) h.add(v);
    h.add(static_cast<double>(hair.count));
    h.add(hair.twin ? 1.0 : 0.0);
  }
  return h.sum();
}

class Form : public HeadForm {
public:
  explicit Form(const HeadPattern& head) : head_(head), key_(keyOf(head)) {}

  [[nodiscard]] std::uint64_t key() const override { return key_; }

  [[nodiscard]] RoughHead rough(const HeadDials& dials) const override {
    const std::lock_guard lock(mutex_);
    if (!rough_ || !(roughOf_ == dials)) {
      rough_ = made(dials);
      roughOf_ = dials;
    }
    return *rough_;
  }

  [[nodiscard]] std::shared_ptr<const HeadSurface> surface(const HeadDials& dials,
                                                           double length) const override {
    const std::lock_guard lock(mutex_);
    if (!surface_ || surfaceLength_ != length || !(surfaceOf_ == dials)) {
      surface_ = std::make_shared<Surface>(head_, dials, length);
      surfaceOf_ = dials;
      surfaceLength_ = length;
    }
    return surface_;
  }

private:
  [[nodiscard]] RoughHead made(const HeadDials& dials) const {
    const HeadPattern head = dialled(head_, dials);
    const HeadField field(head, kAsked);
    const Vec3 spread(1, dials.wide, dials.high);
    RoughHead out;
    out.capBack = head.body.capBack;
    out.capFront = head.body.capFront;
    const double first = head.body.stations.front().x;
    const double last = head.body.stations.back().x;
    for (size_t i = 0; i <= kSections; ++i) {
      const double x = first + (last - first) * static_cast<double>(i) / kSections;
      const HeadStation s = field.body().at(x * kAsked);
      out.sections.push_back(
          {x, s.top / kAsked * dials.high, s.bottom / kAsked * dials.high, s.side / kAsked * dials.wide});
    }
    for (const HeadFeature& f : head.features)
      if (f.mode == FeatureMode::Add)
        for (RoughHead::Oval& oval : ovalsOf(f)) {
          oval.at = oval.at.cwiseProduct(spread);
          out.pads.push_back(std::move(oval));
        }
    for (const HardPart& part : head.hard) {
      if (part.kind == HardKind::Trunk) continue; // a limb of the pattern, with its own wire
      RoughHead::Swept swept{part.id, part.path, part.across, part.deep, part.up};
      for (Vec3& p : swept.path) p = p.cwiseProduct(spread);
      out.swept.push_back(swept);
      if (!part.twin) continue;
      for (Vec3& p : swept.path) p = mirrored(p);
      swept.up = mirrored(swept.up);
      out.swept.push_back(std::move(swept));
    }
    for (const HeadFlat& flat : head.flats) {
      out.sheets.push_back(standing(flat, field));
      for (auto* points : {&out.sheets.back().outline, &out.sheets.back().points})
        for (Vec3& p : *points) p = p.cwiseProduct(spread);
    }
    out.rows = rowsOf(head, field);
    if (!head.eyes.empty()) {
      const HeadEye& eye = head.eyes.front();
      const Vec3 at = eye.at * kAsked;
      out.eye = (field.hit(at, opticalAxis(eye)).value_or(field.onto(at)) / kAsked).cwiseProduct(spread);
      out.eyeDiameter = eye.diameter;
    }
    return out;
  }

  HeadPattern head_;
  std::uint64_t key_;
  // The same head is asked for again and again while it is worked on.
  mutable std::mutex mutex_;
  mutable std::optional<RoughHead> rough_;
  mutable std::shared_ptr<const HeadSurface> surface_;
  mutable HeadDials roughOf_, surfaceOf_;
  mutable double surfaceLength_ = 0;
};

/// Where a head sits, in the frame of its bone.
struct Seated {
  Vec3 begin, along, deep, x, y, z, origin;
  double length = 0;
  [[nodiscard]] Vec3 place(const Vec3& h) const {
    return origin + length * (h.x() * x + h.y() * y + h.z() * z);
  }
  [[nodiscard]] Vec3 head(const Vec3& p) const {
    const Vec3 d = (p - origin) / length;
    return {d.dot(x), d.dot(y), d.dot(z)};
  }
};

Seated seated(const Pattern& pattern, const HeadSeat& seat) {
  const PatternBone& bone = *pattern.bone(seat.bone);
  Seated out;
  out.begin = pattern.joints.at(bone.from);
  out.along = (pattern.joints.at(bone.to) - out.begin).normalized();
  out.deep = (bone.up - out.along * out.along.dot(bone.up)).normalized();
  out.x = seat.axis.normalized();
  out.y = Vec3::UnitY();
  out.z = out.x.cross(out.y);
  out.origin = seat.origin;
  out.length = seat.length;
  return out;
}

bool follows(const HardPart& part, const std::string& bone) {
  return std::find(part.follows.begin(), part.follows.end(), bone) != part.follows.end();
}

/// Parts the replaced bones into what is body and what is a horn or a bill: all of a limb that comes out of
/// the head is the latter, and a wireless bone of the head's own limb that does.
void part(const Pattern& pattern, const HeadPattern& head, const Seated& seat, PatternHead& out) {
  const HeadBody body(head.body);
  const auto sticksOut = [&](const PatternBone& b) {
    return body.quantile(seat.head((pattern.joints.at(b.from) + pattern.joints.at(b.to)) / 2)) > 1 ||
           body.quantile(seat.head(pattern.joints.at(b.to))) > 1.2;
  };
  const PatternLimb* own = pattern.limbOf(head.seat.bone);
  for (const std::string& id : head.replaces) {
    const PatternBone* bone = pattern.bone(id);
    if (!bone) continue;
    const PatternLimb* limb = pattern.limbOf(id);
    const bool named = std::any_of(head.hard.begin(), head.hard.end(),
                                   [&](const HardPart& each) { return follows(each, id); });
    bool hard = !bone->wire && !head.hard.empty();
    if (hard && named) {
      out.hard.push_back(id);
      continue;
    }
    if (hard && limb == own) hard = sticksOut(*bone);
    if (hard && limb != own)
      hard = std::any_of(limb->bones.begin(), limb->bones.end(),
                         [&](const std::string& other) { return sticksOut(*pattern.bone(other)); });
    (hard ? out.hard : out.body).push_back(id);
  }
}

/// What a bone's horn or bill is made of: as the part nearest to it.
double densityOf(const Pattern& pattern, const PatternBone& bone, const HeadPattern& head, const Seated& seat,
                 const HardDensities& densities) {
  const Vec3 middle = seat.head((pattern.joints.at(bone.from) + pattern.joints.at(bone.to)) / 2);
  const HardPart* nearest = nullptr;
  double least = 1e9;
  for (const HardPart& one : head.hard)
    if (follows(one, bone.id)) {
      const auto found = densities.parts.find(one.material);
      return found == densities.parts.end() ? 0 : found->second;
    }
  for (const HardPart& one : head.hard)
    for (const Vec3& p : one.path)
      if (const double away = (p - middle).norm(); away < least) {
        least = away;
        nearest = &one;
      }
  if (!nearest) return 0;
  const auto found = densities.parts.find(nearest->material);
  return found == densities.parts.end() ? 0 : found->second;
}

} // namespace

std::vector<RoughHead::Oval> ovalsOf(const HeadFeature& f) {
  RoughHead::Oval oval;
  const Vec3 to = f.to.value_or(f.at);
  const Vec3 along = f.rod() ? Vec3((to - f.at).normalized()) : Vec3(f.axis.normalized());
  Vec3 up = f.up - along * along.dot(f.up);
  if (up.norm() < 1e-9) up = along.unitOrthogonal();
  up.normalize();
  oval.at = (f.at + to) / 2;
  oval.axes.row(0) = along;
  oval.axes.row(1) = up.cross(along);
  oval.axes.row(2) = up;
  if (f.rod()) {
    const double thick = (f.radii[0] + f.radii[1]) / 2;
    oval.radii = Vec3((to - f.at).norm() / 2 + thick, thick, thick);
  } else {
    oval.radii = Vec3(f.radii[0], f.radii[1], f.radii[2]);
  }
  if (!f.twin) return {oval};
  RoughHead::Oval right = oval;
  right.at = mirrored(oval.at);
  for (const int row : {0, 2}) right.axes(row, 1) = -oval.axes(row, 1);
  right.axes.row(1) = Vec3(right.axes.row(2)).cross(Vec3(right.axes.row(0)));
  return {oval, right};
}

std::shared_ptr<const HeadForm> headForm(const HeadPattern& head) { return std::make_shared<Form>(head); }

HeadPattern asTaken(HeadPattern head, const FaceWish& wish, const WornHead& worn) {
  head = asWished(std::move(head), wish);
  if (wish.eye && worn.length > 0)
    for (HeadEye& e : head.eyes)
      e.diameter = *wish.eye / worn.length / worn.dials.eyes; // the dial comes after
  return head;
}

Pattern wearing(Pattern pattern, const HeadPattern& head, const HardDensities& densities) {
  if (!pattern.bone(head.seat.bone) || !(head.seat.length > 0)) return pattern;
  const Seated seat = seated(pattern, head.seat);
  PatternHead out;
  out.form = headForm(head);
  out.bone = head.seat.bone;
  const PatternBone& bone = *pattern.bone(out.bone);
  out.rest = (pattern.joints.at(bone.to) - pattern.joints.at(bone.from)).norm();
  const Vec3 off = seat.origin - seat.begin;
  out.along = off.dot(seat.along);
  out.deep = off.dot(seat.deep);
  out.axisAlong = seat.x.dot(seat.along);
  out.axisDeep = seat.x.dot(seat.deep);
  out.left = seat.deep.cross(seat.along).y() > 0 ? 1 : -1;
  out.length = seat.length;
  part(pattern, head, seat, out);
  for (const std::string& id : out.body) {
    const PatternBone* b = pattern.bone(id);
    if (!b->muzzle || !b->wire || !out.muzzleBone.empty() || id == out.bone) continue;
    out.muzzleBone = id;
    out.muzzleRest = (pattern.joints.at(b->to) - pattern.joints.at(b->from)).norm();
  }
  if (!head.eyes.empty())
    if (const auto eye = densities.eyes.find(head.eyes.front().kind); eye != densities.eyes.end())
      out.eyeDensity = eye->second;
  const Eigen::Vector2d section = meanSection(pattern, out.body);
  out.across = section.x();
  out.depth = section.y();
  for (PatternBone& b : pattern.bones)
    if (std::find(out.hard.begin(), out.hard.end(), b.id) != out.hard.end())
      b.hard = densityOf(pattern, b, head, seat, densities);
  std::erase_if(pattern.flats, [&](const PatternFlat& f) {
    return std::find(head.replaces.begin(), head.replaces.end(), f.id) != head.replaces.end();
  });
  const RoughHead rough = out.form->rough({});
  if (rough.eyeDiameter > 0) {
    pattern.eye = seat.place(rough.eye);
    pattern.eyeDiameter = seat.length * rough.eyeDiameter;
    pattern.eyeBone = out.bone;
  }
  pattern.head = std::move(out);
  return pattern;
}

} // namespace columna
