#include "study/study_layer.h"

#include "anatomy/joint_names.h"
#include "edit/study_edit.h"
#include "judge/pose_words.h"
#include "kit/say.h"
#include "session/changes.h"
#include "study/ring_grips.h"
#include "theme/theme.h"

#include <QKeyEvent>

#include <algorithm>
#include <cmath>

namespace columna {
namespace {

/// A joint of the pattern, or of one side of it, in the maker's words.
QString jointName(const Plan& plan, const std::string& joint) {
  if (const auto own = plan.figure->jointNames.find(joint); own != plan.figure->jointNames.end())
    return str(Name(own->second));
  const auto known = plan.pattern->names.find(joint);
  return known != plan.pattern->names.end() ? str(Name(known->second))
                                            : str(Name(landmarkWords(plan.pattern, joint, View::Front)));
}

constexpr double kGripReach = 11; ///< pixels: how near a grip takes the hand
constexpr double kSnap = 5;       ///< pixels: a joint this near the animal's own place goes there

QString runOf(const Grip& grip) {
  return QStringLiteral("drag %1 %2 %3")
      .arg(QString::fromStdString(grip.joint))
      .arg(grip.bone)
      .arg(grip.place);
}

bool same(const Grip& a, const Grip& b) {
  return a.kind == b.kind && a.joint == b.joint && a.bone == b.bone && a.place == b.place && a.edge == b.edge;
}

} // namespace

StudyLayer::StudyLayer(Session& session, StudyView& view, Shapes& shapes)
    : session_(session), view_(view), shapes_(shapes) {}

const Photo* StudyLayer::photo(View view) const {
  if (view_.way() != Way::Photo) return nullptr;
  const int index = view_.photoIndex();
  if (index < 0) return nullptr;
  const Photo& photo = session_.project().photos[static_cast<size_t>(index)];
  return photo.view == view ? &photo : nullptr;
}

QPointF StudyLayer::onFigure(const Viewport& v, const QPointF& at) const {
  const Vec2 mm = v.mm(at);
  const QPointF own = overlay(v.view).inverted().map(QPointF(mm.x(), mm.y()));
  return v.at(Vec2(own.x(), own.y()));
}

std::vector<Grip> StudyLayer::grips(const Viewport& v) const {
  std::vector<Grip> out;
  const Plan& plan = session_.plan();
  const QTransform over = overlay(v.view);
  const auto pixel = [&](const Vec2& mm) {
    const QPointF q = over.map(QPointF(mm.x(), mm.y()));
    return v.at(Vec2(q.x(), q.y()));
  };
  if (const Photo* p = photo(v.view)) {
    for (const auto& [joint, at] : p->landmarks) {
      Grip g;
      g.kind = Grip::Kind::Landmark;
      g.joint = joint;
      g.at = fromPicture(v, at);
      out.push_back(std::move(g));
    }
    if (const auto proposed = proposeLandmarks(plan.pattern, *p))
      for (const auto& [joint, at] : *proposed) {
        if (v.view == View::Side && joint.starts_with("left-") && !view_.farSide()) continue; // not shown
        Grip g;
        g.kind = Grip::Kind::Landmark;
        g.joint = joint;
        g.at = fromPicture(v, at);
        out.push_back(std::move(g));
      }
    if (!fitSimilarity(plan.pattern, *p)) return out;
  }
  if (session_.selected() >= 0)
    for (Grip& ring : ringGrips(plan.figure, session_.selected(), v.view, pixel))
      // Where they would lie on each other, the first stands for all; zooming in parts them.
      if (std::none_of(out.begin(), out.end(), [&](const Grip& g) {
            return g.kind == Grip::Kind::Ring && QLineF(g.at, ring.at).length() < px(15);
          }))
        out.push_back(std::move(ring));
  if (photo(v.view)) return out;
  // Joints: this side's before the far side's, the selected limb's before all.
  std::vector<Grip> far;
  std::set<std::string> seen;
  for (const FigureLimb& limb : plan.figure->limbs)
    for (const int b : limb.bones) {
      const FigureBone& bone = plan.figure->bones[static_cast<size_t>(b)];
      if (!bone.wire) continue;
      for (const auto& [id, place] : {std::pair(bone.from, bone.begin), std::pair(bone.to, bone.end)}) {
        if (!seen.insert(id).second) continue;
        Grip g;
        g.joint = id;
        g.at = pixel(project(place, v.view));
        (isFar(limb, v.view) ? far : out).push_back(std::move(g));
      }
    }
  out.insert(out.end(), far.begin(), far.end());
  return out;
}

std::optional<Grip> StudyLayer::gripAt(const Viewport& v, const QPointF& at) const {
  std::optional<Grip> best;
  double least = px(kGripReach);
  for (const Grip& g : grips(v))
    if (const double d = QLineF(g.at, at).length(); d < least - 0.5) {
      least = d;
      best = g;
    }
  return best;
}

QString StudyLayer::nameOf(const Grip& grip) const {
  if (grip.kind == Grip::Kind::Ring)
    return tr("girth of the %1: drag to make it thicker or thinner")
        .arg(str(Name(session_.plan().figure->bones[static_cast<size_t>(grip.bone)].name)));
  return grip.kind == Grip::Kind::Joint ? tr("%1: drag to move it, with Shift all that hangs on it")
                                              .arg(jointName(session_.plan(), grip.joint))
                                        : jointName(session_.plan(), grip.joint);
}

bool StudyLayer::press(const Viewport& v, const QPointF& at, bool /*large*/) {
  pressedAt_ = at;
  moved_ = false;
  const Photo* p = photo(v.view);
  if (p && view_.photoTool() != PhotoTool::Landmarks) {
    line_ = QLineF(at, at);
    dragView_ = v.view;
    return true;
  }
  if (const auto grip = gripAt(v, at)) {
    grip_ = grip;
    dragView_ = v.view;
    return true;
  }
  if (!p) return false;
  const std::string next = view_.nextLandmark();
  const Vec2 place = toPicture(v, at);
  if (next.empty() || place.x() < 0 || place.y() < 0 || place.x() > p->width || place.y() > p->height)
    return false;
  placeLandmark(next, place, {});
  return true;
}

void StudyLayer::placeLandmark(const std::string& joint, const Vec2& at, const QString& run) {
  std::vector<Photo> photos = session_.project().photos;
  photos[static_cast<size_t>(view_.photoIndex())].landmarks[joint] = at;
  (void)changes::setPhotos(session_, tr("landmark %1").arg(jointName(session_.plan(), joint)),
                           std::move(photos), run);
}

void StudyLayer::cycle(const Viewport& v, int step) {
  session_.endRun();
  const std::vector<Grip> all = grips(v);
  if (all.empty()) {
    active_.reset();
    return;
  }
  const int count = static_cast<int>(all.size());
  int at = step > 0 ? -1 : count;
  for (int i = 0; active_ && i < count; ++i)
    if (same(all[static_cast<size_t>(i)], *active_)) at = i;
  active_ = all[static_cast<size_t>(at + step + count) % std::max<size_t>(1, all.size())];
  session_.note(nameOf(*active_)); // said in the tally, where the eye and a reader find it
}

void StudyLayer::letGo() {
  if (!active_) return;
  active_.reset();
  session_.endRun();
}

void StudyLayer::nudgeActive(const Viewport& v, const QPointF& step, bool carry) {
  for (const Grip& g : grips(v)) {
    if (!active_ || !same(g, *active_)) continue;
    const QString run = QStringLiteral("keys ") + runOf(g);
    if (g.kind == Grip::Kind::Landmark) {
      placeLandmark(g.joint, toPicture(v, g.at) + Vec2(step.x(), step.y()), run);
    } else if (g.kind == Grip::Kind::Ring) {
      grip_ = g;
      dragRing(v, g.at + step * v.scale);
      grip_.reset();
    } else if (const auto now = jointPlace(session_.plan().pattern, g.joint)) {
      Vec3 place = *now * session_.plan().figure->scale;
      if (v.view == View::Side) place += Vec3(step.x(), 0, -step.y());
      if (v.view == View::Front) place += Vec3(0, step.x(), -step.y());
      if (v.view == View::Above) place += Vec3(step.x(), -step.y(), 0);
      (void)changes::moveJoint(session_, g.joint, place, carry, run);
    }
    return;
  }
}

void StudyLayer::placeNext(const Viewport& v) {
  const Photo* p = photo(v.view);
  const std::string next = view_.nextLandmark();
  if (!p || next.empty()) return;
  Vec2 at(p->width / 2.0, p->height / 2.0);
  if (const auto proposed = proposeLandmarks(session_.plan().pattern, *p))
    if (const auto found = proposed->find(next); found != proposed->end()) at = found->second;
  placeLandmark(next, at, {});
  for (const Grip& g : grips(v))
    if (g.kind == Grip::Kind::Landmark && g.joint == next) active_ = g;
}

void StudyLayer::move(const Viewport& v, const QPointF& at, Qt::KeyboardModifiers modifiers) {
  if (line_) {
    line_->setP2(at);
    return;
  }
  if (!grip_) return;
  moved_ = moved_ || QLineF(at, pressedAt_).length() > 3;
  if (!moved_) return;
  if (grip_->kind == Grip::Kind::Landmark) {
    placeLandmark(grip_->joint, toPicture(v, at), runOf(*grip_));
    return;
  }
  if (grip_->kind == Grip::Kind::Ring) {
    dragRing(v, at);
    return;
  }
  const Plan& plan = session_.plan();
  const auto now = jointPlace(plan.pattern, grip_->joint);
  if (!now) return;
  const double scale = plan.figure->scale;
  const auto put = [&](const Vec2& mm) {
    Vec3 place = *now * scale;
    if (v.view == View::Side) place = Vec3(mm.x(), place.y(), mm.y());
    if (v.view == View::Front) place = Vec3(place.x(), mm.x(), mm.y());
    if (v.view == View::Above) place = Vec3(mm.x(), mm.y(), place.z());
    return place;
  };
  Vec3 place = put(v.mm(at));
  // Near where the animal has it, it goes there.
  const std::string name = withoutSide(plan.pattern, grip_->joint);
  Vec3 by(0, 0, 0);
  for (const std::string& key : {name, grip_->joint})
    if (const auto moved = session_.project().shape.moved.find(key);
        moved != session_.project().shape.moved.end()) {
      by = moved->second;
      if (grip_->joint.starts_with("right-") && key == name) by.y() = -by.y();
    }
  const Vec3 own = (*now - by) * scale;
  if (QLineF(v.at(own), at).length() < px(kSnap)) place = own;
  (void)changes::moveJoint(session_, grip_->joint, place, modifiers.testFlag(Qt::ShiftModifier),
                           runOf(*grip_));
}

void StudyLayer::dragRing(const Viewport& v, const QPointF& at) {
  const Figure& f = session_.plan().figure;
  const auto ring = ringOf(f, grip_->bone, grip_->place);
  if (!ring) return;
  const QPointF mm = overlay(v.view).inverted().map(QPointF(v.mm(at).x(), v.mm(at).y()));
  const RingDrag drag = dragTo(f, *ring, *grip_, v.view, Vec2(mm.x(), mm.y()));
  (void)changes::changeGirth(session_, grip_->bone, grip_->place, drag.across, drag.deep, drag.lift,
                             runOf(*grip_));
}

bool StudyLayer::release(const Viewport& v, const QPointF& at) {
  const bool click = !moved_ && !tracing(v.view);
  if (line_) {
    const QLineF line(line_->p1(), at);
    line_.reset();
    dragView_.reset();
    finishLine(v, line);
    return click;
  }
  grip_.reset();
  dragView_.reset();
  session_.endRun();
  return click;
}

std::optional<QString> StudyLayer::over(const Viewport& v, const QPointF& at, bool /*large*/) const {
  const auto grip = gripAt(v, at);
  return grip ? std::optional(nameOf(*grip)) : std::nullopt;
}

bool StudyLayer::key(QKeyEvent* event, const Viewport& v) {
  const bool shift = event->modifiers().testFlag(Qt::ShiftModifier);
  QPointF step;
  switch (event->key()) {
  case Qt::Key_J: // the next joint, ring or landmark to move with the arrows
    cycle(v, shift ? -1 : 1);
    return true;
  case Qt::Key_L:
    placeNext(v);
    return true;
  case Qt::Key_Escape:
    if (!active_) return false;
    letGo();
    return true;
  case Qt::Key_Left:
    step = {-1, 0};
    break;
  case Qt::Key_Right:
    step = {1, 0};
    break;
  case Qt::Key_Up:
    step = {0, -1};
    break;
  case Qt::Key_Down:
    step = {0, 1};
    break;
  default:
    return false;
  }
  if (!active_) return false;
  nudgeActive(v, step, shift); // a millimetre a press; with Shift all that hangs on it
  return true;
}

void StudyLayer::finishLine(const Viewport& v, const QLineF& line) {
  if (line.length() < 8 || !photo(v.view)) return;
  const auto index = static_cast<size_t>(view_.photoIndex());
  const Vec2 a = toPicture(v, line.p1());
  const Vec2 b = toPicture(v, line.p2());
  if (view_.photoTool() == PhotoTool::Straighten) {
    (void)session_.apply(tr("picture straightened"),
                         edit::photoStraightened(session_.project(), index, a, b));
  } else if (view_.photoTool() == PhotoTool::Tall) {
    (void)session_.apply(tr("picture's height"), edit::photoScaled(session_.project(), index, a, b,
                                                                   session_.plan().figure->overallHeight));
  } else {
    lineLength_ = (b - a).norm();
    emit lineDrawn();
    return;
  }
  view_.setPhotoTool(PhotoTool::Landmarks);
}

} // namespace columna
