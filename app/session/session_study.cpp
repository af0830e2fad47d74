// What Study does to the project: sizing, shape, made parts, pictures.
#include "session/session.h"

#include <algorithm>
#include <cmath>

namespace columna {

void Session::setWay(Way way) {
  if (way == way_) return;
  way_ = way;
  emit studyChanged();
}

void Session::setPhotoTool(PhotoTool tool) {
  photoTool_ = tool;
  emit studyChanged();
}

void Session::setHalving(bool on) {
  halving_ = on;
  emit studyChanged();
}

void Session::setFarSide(bool on) {
  farSide_ = on;
  emit studyChanged();
}

void Session::setCompared(const QString& pattern) {
  compared_ = pattern;
  emit studyChanged();
}

int Session::photoIndex() const {
  const int count = static_cast<int>(project().photos.size());
  return count == 0 ? -1 : std::clamp(photoIndex_, 0, count - 1);
}

void Session::setPhotoIndex(int index) {
  photoIndex_ = index;
  skipped_.clear();
  emit studyChanged();
}

const QImage& Session::picture(const std::string& entry) const {
  QImage& image = pictures_[entry];
  if (image.isNull())
    if (const auto bytes = file_.others.find(entry); bytes != file_.others.end())
      image.loadFromData(reinterpret_cast<const uchar*>(bytes->second.data()),
                         static_cast<int>(bytes->second.size()));
  return image;
}

std::string Session::nextLandmark() const {
  const int index = photoIndex();
  if (index < 0) return {};
  const Photo& photo = project().photos[static_cast<size_t>(index)];
  for (const std::string& joint : landmarksOf(plan_->pattern, photo.view))
    if (!photo.landmarks.contains(joint) && !skipped_.contains(joint) &&
        (farSide_ || photo.view != View::Side || !joint.starts_with("left-")))
      return joint;
  return {};
}

void Session::skipLandmark() {
  if (const std::string next = nextLandmark(); !next.empty()) skipped_.insert(next);
  emit studyChanged();
}

std::optional<QString> Session::setSizing(const Sizing& sizing, const QString& name) {
  Project p = project();
  p.size = sizing;
  return change(name, std::move(p));
}

/// Changes by hand leave every other bone as it is: the settled size follows what they do to it.
void Session::keepScale(Project& p) const {
  if (p.size.by == SizeBy::Scale || !p.made.empty()) return;
  const Pattern* source = catalog_->pattern(p.pattern);
  if (!source || shapeProblem(*source, p.shape)) return;
  const double before = lengthOf(plan_->figure, plan_->pattern, p.size.by, p.size.limb) / plan_->figure.scale;
  const double after = modulesOf(shaped(*source, p.shape), p.size);
  if (before > 0 && after > 0 && std::abs(after / before - 1) > 1e-12) p.size.mm *= after / before;
}

std::optional<QString> Session::setShape(const QString& name, Shape shape, bool keep, const QString& run) {
  Project p = project();
  if (p.shape == shape) return std::nullopt;
  p.shape = std::move(shape);
  if (keep) keepScale(p);
  return change(name, std::move(p), run);
}

std::string Session::shapeKey(const std::string& name, const FigureLimb& limb) const {
  if (limb.side == 0 || !project().untied.contains(limb.family)) return name;
  return sidedKey(name, limb.side);
}

std::optional<QString> Session::moveJoint(const std::string& joint, const Vec3& place, bool carry,
                                          const QString& run) {
  const Pattern& pattern = plan_->pattern;
  const auto now = jointPlace(pattern, joint);
  if (!now) return std::nullopt;
  const bool right = joint.starts_with("right-") && !pattern.joints.contains(joint);
  const std::string name = pattern.joints.contains(joint) ? joint : joint.substr(joint.find('-') + 1);
  Vec3 step = place / plan_->figure.scale - *now;
  Shape shape = project().shape;
  const auto move = [&](const std::string& which, const FigureLimb& limb) {
    const std::string key = shapeKey(which, limb);
    Vec3 by = step;
    if (right && key == which) by.y() = -by.y(); // both sides: told as for the left
    if (pattern.onMidline(which)) by.y() = 0;
    const auto [it, fresh] = shape.moved.emplace(key, Vec3(0, 0, 0));
    it->second += by;
    if (it->second.norm() < 1e-9) shape.moved.erase(it);
  };
  const FigureLimb* owner = nullptr;
  const int side = right ? -1 : 1;
  for (const FigureLimb& limb : plan_->figure.limbs)
    for (const int b : limb.bones) {
      const PatternBone* bone = pattern.bone(plan_->figure.bones[static_cast<size_t>(b)].patternBone);
      if ((bone->from == name || bone->to == name) && (limb.side == 0 || limb.side == side) && !owner)
        owner = &limb;
    }
  if (!owner) return std::nullopt;
  move(name, *owner);
  if (carry) {
    std::set<std::string> taken{name};
    bool grown = true;
    std::set<std::string> bones;
    while (grown) {
      grown = false;
      for (const PatternBone& b : pattern.bones) {
        if (bones.contains(b.id) || !(b.from == name || bones.contains(b.parent))) continue;
        bones.insert(b.id);
        grown = true;
        for (const std::string& each : {b.from, b.to})
          if (taken.insert(each).second) move(each, *owner);
      }
    }
  }
  QString words = QString::fromStdString(name);
  words.replace(u'_', u' ');
  return setShape(tr("move %1").arg(words), std::move(shape), true, run);
}

std::optional<QString> Session::setBoneLength(int bone, double mm) {
  const FigureBone& b = plan_->figure.bones[static_cast<size_t>(bone)];
  const FigureLimb& limb = plan_->figure.limbs[static_cast<size_t>(b.limb)];
  if (!(mm > 0) || !std::isfinite(mm)) {
    const QString sentence = tr("A bone of %1 mm has no length; give a length above 0.").arg(mm);
    emit refused(sentence);
    return sentence;
  }
  Shape shape = project().shape;
  const auto [it, fresh] = shape.lengths.emplace(shapeKey(b.patternBone, limb), 1.0);
  if (fresh)
    if (const auto both = shape.lengths.find(b.patternBone); both != shape.lengths.end())
      it->second = both->second;
  it->second *= mm / b.length;
  return setShape(tr("length of the %1").arg(QString::fromStdString(b.name)), std::move(shape), true);
}

std::optional<QString> Session::changeGirth(int bone, int place, double across, double deep, double lift,
                                            const QString& run) {
  const Figure& f = plan_->figure;
  const FigureBone& b = f.bones[static_cast<size_t>(bone)];
  const FigureLimb& limb = f.limbs[static_cast<size_t>(b.limb)];
  Shape shape = project().shape;
  const auto apply = [&](const FigureBone& which, int at) {
    const std::string key = girthKey(shapeKey(which.patternBone, limb), at);
    const auto [it, fresh] = shape.girths.emplace(key, GirthChange());
    if (fresh)
      if (const auto both = shape.girths.find(girthKey(which.patternBone, at)); both != shape.girths.end())
        it->second = both->second;
    it->second.across *= across;
    it->second.deep *= deep;
    it->second.lift += lift / f.scale;
    if (it->second.none()) shape.girths.erase(it);
  };
  apply(b, place);
  // A ring at a joint belongs to both bones that meet there.
  for (const int other : limb.bones) {
    const FigureBone& o = f.bones[static_cast<size_t>(other)];
    if (place == 2 && o.from == b.to && o.parent == bone) apply(o, 0);
    if (place == 0 && b.parent == other && o.to == b.from) apply(o, 2);
  }
  return setShape(
      tr("girth of the %1").arg(QString::fromStdString(limb.twin >= 0 ? limb.family : limb.name).toLower()),
      std::move(shape), true, run);
}

void Session::putBack(int bone) {
  Shape shape = project().shape;
  if (bone < 0) {
    Shape kept;
    kept.character = shape.character;
    setShape(tr("all put back"), kept, true);
    return;
  }
  const FigureBone& b = plan_->figure.bones[static_cast<size_t>(bone)];
  const PatternBone* source = plan_->pattern.bone(b.patternBone);
  for (const int side : {-1, 0, 1}) {
    shape.lengths.erase(sidedKey(b.patternBone, side));
    for (const std::string& joint : {source->from, source->to}) shape.moved.erase(sidedKey(joint, side));
    for (int place = 0; place < 3; ++place)
      shape.girths.erase(girthKey(sidedKey(b.patternBone, side), place));
  }
  setShape(tr("%1 put back").arg(QString::fromStdString(b.name)), std::move(shape), true);
}

std::optional<QString> Session::setMade(const QString& limb, std::optional<double> length,
                                        std::optional<double> across, const QString& date) {
  Project p = project();
  std::erase_if(p.made, [&](const MadePart& part) { return part.limb == limb.toStdString(); });
  const bool out = !length && !across;
  if (!out) p.made.push_back({limb.toStdString(), length, across, date.toStdString()});
  if (p.made == project().made) return std::nullopt;
  return change(out ? tr("%1 not made yet").arg(limb) : tr("%1 is made").arg(limb), std::move(p));
}

std::optional<QString> Session::setPhotos(const QString& name, std::vector<Photo> photos,
                                          const QString& run) {
  Project p = project();
  p.photos = std::move(photos);
  auto refusal = change(name, std::move(p), run);
  emit studyChanged();
  return refusal;
}

std::optional<QString> Session::addPhoto(View view, const QByteArray& bytes, const QImage& image) {
  std::vector<Photo> photos = project().photos;
  std::erase_if(photos, [view](const Photo& photo) { return photo.view == view; });
  Photo photo;
  const char* word = view == View::Side ? "side" : view == View::Front ? "front" : "above";
  // A name of its own, so that undo brings the picture before it back.
  int number = 1;
  do {
    photo.entry = "photos/" + std::string(word) + (number > 1 ? std::to_string(number) : "") + ".jpg";
    ++number;
  } while (file_.others.contains(photo.entry));
  photo.view = view;
  photo.width = image.width();
  photo.height = image.height();
  file_.others[photo.entry] = bytes.toStdString();
  pictures_[photo.entry] = image;
  photos.push_back(photo);
  photoIndex_ = static_cast<int>(photos.size()) - 1;
  skipped_.clear();
  return setPhotos(tr("picture"), std::move(photos));
}

void Session::removePhoto(int index) {
  std::vector<Photo> photos = project().photos;
  if (index < 0 || index >= static_cast<int>(photos.size())) return;
  photos.erase(photos.begin() + index);
  setPhotos(tr("picture taken out"), std::move(photos));
}

} // namespace columna
