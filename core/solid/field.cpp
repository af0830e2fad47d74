#include "solid/field.h"

#include "head/head_body.h"
#include "solid/part_query.h"

#include <Eigen/Geometry>

#include <algorithm>
#include <array>
#include <cmath>

namespace columna {
namespace {

constexpr double kSure = 1.6;       ///< times a ball's radius a distance has to be for the ball to be clear
constexpr double kEstimate = 2.5;   ///< times over that a head's distance may be told too large
constexpr double kHeadBlend = 0.08; ///< of the head's length: how wide it runs into the neck
constexpr double kHollowEdge = 0.5; ///< of the usual fillet: how soft the edge of a hollow is
constexpr double kFillet = 1.3;     ///< widths from both surfaces that a fillet reaches, and a little

double distanceToLine(const Vec3& p, const Vec3& a, const Vec3& b) {
  const Vec3 run = b - a;
  const double long2 = run.squaredNorm();
  const double t = long2 > 0 ? std::clamp((p - a).dot(run) / long2, 0.0, 1.0) : 0.0;
  return (p - a - t * run).norm();
}

} // namespace

double usualBlend(const Figure& figure) { return 0.01 * figure.overallHeight; }

WoolField::WoolField(const Figure& figure, double blend) : blend_(blend) { take(figure, -1); }

WoolField::WoolField(const Figure& figure, double blend, int limb) : blend_(blend) { take(figure, limb); }

void WoolField::take(const Figure& figure, int limb) {
  low_ = Vec3::Constant(1e9);
  high_ = -low_;
  const size_t count = figure.tubes.size();
  std::vector<int> tubeOf(figure.bones.size(), -1);
  for (size_t t = 0; t < count; ++t) {
    const Tube& tube = figure.tubes[t];
    bool wanted = limb < 0;
    for (const int bone : tube.slabBone) {
      if (!tube.pad) tubeOf[static_cast<size_t>(bone)] = static_cast<int>(t);
      wanted = wanted || figure.bones[static_cast<size_t>(bone)].limb == limb;
    }
    if (figure.head && static_cast<int>(t) >= figure.head->tube &&
        static_cast<int>(t) < figure.head->tube + figure.head->tubes) {
      if (wanted && !head_) addHead(figure);
    } else if (wanted) {
      addTube(tube, static_cast<int>(t));
    }
  }
  for (size_t k = 0; k < figure.hollows.size(); ++k) {
    const Tube& tube = figure.hollows[k];
    const bool wanted = limb < 0 || std::any_of(tube.slabBone.begin(), tube.slabBone.end(), [&](int bone) {
                          return figure.bones[static_cast<size_t>(bone)].limb == limb;
                        });
    if (wanted) addTube(tube, static_cast<int>(count + k), true);
  }
  if (head_ && blend_ > 0) headBlend_ = std::max(blend_, kHeadBlend * head_->length);
  joined_.assign(count, std::vector<char>(count, 0));
  for (size_t t = 0; t < count; ++t)
    for (const int bone : figure.tubes[t].slabBone) {
      const bool laid = figure.tubes[t].pad;
      const int parent = laid ? bone : figure.bones[static_cast<size_t>(bone)].parent;
      const int other = parent < 0 ? -1 : tubeOf[static_cast<size_t>(parent)];
      if (other < 0 || other == static_cast<int>(t)) continue;
      joined_[t][static_cast<size_t>(other)] = joined_[static_cast<size_t>(other)][t] = 1;
    }
  // What a fillet lifts, and where both it runs between have to be asked.
  for (FieldPart& part : parts_)
    if (headBlend_ > 0 &&
        (part.head || joined_[static_cast<size_t>(part.tube)][static_cast<size_t>(head_->tube)]))
      part.around += headBlend_;
  if (headBlend_ > 0) {
    low_ -= Vec3::Constant(headBlend_ / 4);
    high_ += Vec3::Constant(headBlend_ / 4);
  }
}

void WoolField::addTube(const Tube& tube, int index, bool hollow) {
  const size_t first = tube.capBegin > 0 ? static_cast<size_t>(tube.capSlabs) : 0;
  const size_t last = tube.rings.size() - 1 - (tube.capEnd > 0 ? static_cast<size_t>(tube.capSlabs) : 0);
  const auto box = [&](const FieldPart& part) {
    low_ = low_.cwiseMin(part.from.cwiseMin(part.to) - Vec3::Constant(part.around));
    high_ = high_.cwiseMax(part.from.cwiseMax(part.to) + Vec3::Constant(part.around));
  };
  for (size_t i = first; i < last; ++i) {
    FieldPart part;
    part.a = tube.rings[i];
    part.b = tube.rings[i + 1];
    part.tube = index;
    part.hollow = hollow;
    part.bone = tube.slabBone[i];
    part.atA = tube.slabFrom[i];
    part.atB = tube.slabTo[i];
    part.flatA = i == first && tube.capBegin <= 0;
    part.flatB = i + 1 == last && tube.capEnd <= 0;
    // An end is felt as far in as it can be the nearest surface.
    const auto endNearby = [](const Ring& ring, const Ring& rim, double depth) {
      const double away = (ring.centre - rim.centre).norm();
      if (depth <= 0 || away > std::max(ring.ru, ring.rv)) return FieldPart::EndNearby{};
      return FieldPart::EndNearby{depth, away, rim.ru, rim.rv};
    };
    part.capA = endNearby(part.a, tube.rings[first], tube.capBegin);
    part.capB = endNearby(part.b, tube.rings[last], tube.capEnd);
    part.from = part.a.centre;
    part.to = part.b.centre;
    part.around = std::max({part.a.ru, part.a.rv, part.b.ru, part.b.rv});
    part.least = std::min({part.a.ru, part.a.rv, part.b.ru, part.b.rv});
    box(part);
    parts_.push_back(part);
    planes_.push_back(
        {part.a.normal, part.b.normal, part.a.normal.dot(part.a.centre), part.b.normal.dot(part.b.centre)});
  }
  for (const bool end : {false, true}) {
    FieldPart part;
    part.a = tube.rings[end ? last : first];
    if (!end) part.a.normal = -part.a.normal;
    part.b = part.a;
    part.tube = index;
    part.hollow = hollow;
    part.bone = end ? tube.slabBone.back() : tube.slabBone.front();
    part.atA = part.atB = end ? 1 : 0;
    part.depth = std::max(0.0, end ? tube.capEnd : tube.capBegin);
    part.from = part.to = part.a.centre;
    part.around = std::max({part.a.ru, part.a.rv, part.depth});
    part.least = std::min(part.a.ru, part.a.rv);
    box(part);
    parts_.push_back(part);
    planes_.push_back({part.a.normal, Vec3::Zero(), part.a.normal.dot(part.a.centre), 0});
  }
}

void WoolField::addHead(const Figure& figure) {
  head_ = figure.head;
  surface_ = head_->form->surface(head_->dials, head_->length);
  for (const WornHead::Stretch& s : head_->stretches) {
    const FigureBone& bone = figure.bones[static_cast<size_t>(s.bone)];
    const Vec3 run = bone.end - bone.begin;
    stretches_.emplace_back(bone.begin, run / std::max(run.squaredNorm(), 1e-18));
  }
  FieldPart part;
  part.head = true;
  part.tube = head_->tube;
  part.bone = head_->bone;
  part.least = surface_->thinnest();
  const Vec3 low = surface_->low();
  const Vec3 high = surface_->high();
  const double middleZ = (low.z() + high.z()) / 2;
  part.around = std::hypot(high.y(), (high.z() - low.z()) / 2);
  part.from = head_->toFigure({low.x(), 0, middleZ});
  part.to = head_->toFigure({high.x(), 0, middleZ});
  for (const double x : {low.x(), high.x()})
    for (const double y : {low.y(), high.y()})
      for (const double z : {low.z(), high.z()}) {
        const Vec3 corner = head_->toFigure({x, y, z});
        low_ = low_.cwiseMin(corner);
        high_ = high_.cwiseMax(corner);
      }
  parts_.push_back(part);
  planes_.push_back({Vec3::Zero(), Vec3::Zero(), -1, 1}); // it has none: every place is between
}

WoolField::Found WoolField::ofHead(const Vec3& local) const {
  Found out;
  out.within = true;
  size_t k = 0;
  while (k + 1 < head_->stretches.size() && local.x() >= head_->stretches[k + 1].from) ++k;
  out.bone = head_->stretches[k].bone;
  const auto& [begin, run] = stretches_[k];
  out.at = std::clamp((head_->toFigure(local) - begin).dot(run), 0.0, 1.0);
  out.depth = surface_->depth(local);
  return out;
}

WoolField::Found WoolField::ask(const FieldPart& part, const Vec3& p, double band) const {
  if (!part.head) return part.depth < 0 ? PartQuery::slab(part, p, band) : PartQuery::end(part, p);
  const Vec3 local = head_->toHead(p);
  Found out = ofHead(local);
  out.distance = surface_->distance(local);
  return out;
}

WoolField::Found WoolField::labelOf(const FieldPart& part, const Vec3& p) const {
  if (part.head) return ofHead(head_->toHead(p));
  if (part.depth >= 0) return PartQuery::end(part, p);
  Found found;
  InSlab in;
  PartQuery::findInSlab(part, p, found, in);
  return found;
}

void WoolField::near(const Vec3& centre, double reach, const std::vector<int>& among,
                     std::vector<int>& out) const {
  out.clear();
  for (const int i : among) {
    const FieldPart& part = parts_[static_cast<size_t>(i)];
    if (distanceToLine(centre, part.from, part.to) <= part.around + reach) out.push_back(i);
  }
}

std::vector<int> WoolField::all() const {
  std::vector<int> out(parts_.size());
  for (size_t i = 0; i < out.size(); ++i) out[i] = static_cast<int>(i);
  return out;
}

WoolField::Where WoolField::ball(const Vec3& centre, double radius, double depth,
                                 const std::vector<int>& parts) const {
  // Near ends and tapers a distance is an estimate.
  const double sure = kSure * radius;
  constexpr size_t most = 24;
  std::array<int, most> tubes{};
  size_t near = 0;
  std::array<int, most> clear{};
  size_t clears = 0;
  const auto note = [](std::array<int, most>& in, size_t& count, int tube) {
    if (std::find(in.begin(), in.begin() + count, tube) != in.begin() + count) return true;
    if (count == most) return false;
    in[count++] = tube;
    return true;
  };
  bool outside = true;
  const bool pressed = std::any_of(parts.begin(), parts.end(),
                                   [this](int i) { return parts_[static_cast<size_t>(i)].hollow; });
  for (const int i : parts) {
    const FieldPart& part = parts_[static_cast<size_t>(i)];
    if (part.hollow) continue;
    outside = note(tubes, near, part.tube) && outside;
    if (!planes_[static_cast<size_t>(i)].between(centre)) continue;
    const Found found = ask(part, centre, 1e9);
    if (!found.within) continue;
    const double fillet = std::max(blend_, headBlend_ / 4); // which it lifts the surface by at most
    const double clearOf = part.head ? kEstimate * (radius + depth) : sure;
    if (found.distance < -(part.head ? clearOf : sure + depth)) return pressed ? Where::Unsure : Where::Deep;
    if (found.distance > clearOf + fillet)
      outside = note(clear, clears, part.tube) && outside;
    else
      outside = false;
  }
  // A tube none of whose parts holds the centre may still come into the ball.
  return outside && clears == near ? Where::Outside : Where::Unsure;
}

FieldSample WoolField::sample(const Vec3& p, double band) const { return sample(p, all(), band); }

FieldSample WoolField::label(const Vec3& p, const std::vector<int>& parts) const {
  FieldSample out;
  for (const int i : parts) {
    const FieldPart& part = parts_[static_cast<size_t>(i)];
    if (part.hollow || !planes_[static_cast<size_t>(i)].between(p)) continue;
    const Found found = labelOf(part, p);
    if (!found.within || found.depth >= out.depth) continue;
    out.depth = found.depth;
    out.bone = found.bone;
    out.at = found.at;
  }
  return out;
}

FieldSample WoolField::sample(const Vec3& p, const std::vector<int>& parts, double band) const {
  FieldSample out;
  out.distance = band;
  const double reach = std::max(band, kFillet * headBlend_);
  // The nearest surface of each tube that is near; there are few.
  constexpr size_t most = 24;
  std::array<std::pair<int, double>, most> tubes;
  size_t count = 0;
  for (const int i : parts) {
    if (!planes_[static_cast<size_t>(i)].between(p)) continue;
    const FieldPart& part = parts_[static_cast<size_t>(i)];
    const Found found = ask(part, p, reach);
    if (!found.within || found.distance >= reach) continue;
    if (!part.hollow && found.depth < out.depth) {
      out.depth = found.depth;
      out.bone = found.bone;
      out.at = found.at;
    }
    size_t k = 0;
    while (k < count && tubes[k].first != part.tube) ++k;
    if (k == count) {
      if (count == most) continue;
      tubes[count++] = {part.tube, found.distance};
    } else {
      tubes[k].second = std::min(tubes[k].second, found.distance);
    }
  }
  const auto solid = static_cast<int>(joined_.size());
  for (size_t i = 0; i < count; ++i)
    if (tubes[i].first < solid) out.distance = std::min(out.distance, tubes[i].second);
  if (blend_ > 0)
    for (size_t i = 0; i < count; ++i)
      for (size_t k = i + 1; k < count; ++k)
        if (tubes[i].first < solid && tubes[k].first < solid &&
            joined_[static_cast<size_t>(tubes[i].first)][static_cast<size_t>(tubes[k].first)])
          out.distance = std::min(out.distance, filletedMin(tubes[i].second, tubes[k].second,
                                                            filletOf(tubes[i].first, tubes[k].first)));
  for (size_t i = 0; i < count; ++i)
    if (tubes[i].first >= solid)
      out.distance = -filletedMin(-out.distance, tubes[i].second, kHollowEdge * blend_);
  return out;
}

} // namespace columna
