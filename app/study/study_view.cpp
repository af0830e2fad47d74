#include "study/study_view.h"

#include "edit/study_edit.h"

#include <algorithm>

namespace columna {

StudyView::StudyView(Session& session) : session_(session) {
  connect(&session_, &Session::begun, this, [this] {
    compared_.clear();
    pictures_.clear();
    skipped_.clear();
    emit changed();
  });
  // Undo brings pictures back, or takes them away.
  connect(&session_, &Session::photosChanged, this, &StudyView::changed);
}

void StudyView::setWay(Way way) {
  if (way == way_) return;
  way_ = way;
  emit changed();
}

void StudyView::setPhotoTool(PhotoTool tool) {
  photoTool_ = tool;
  emit changed();
}

void StudyView::setHalving(bool on) {
  halving_ = on;
  emit changed();
}

void StudyView::setFarSide(bool on) {
  farSide_ = on;
  emit changed();
}

void StudyView::setCompared(const QString& pattern) {
  compared_ = pattern;
  emit changed();
}

int StudyView::photoIndex() const {
  const int count = static_cast<int>(session_.project().photos.size());
  return count == 0 ? -1 : std::clamp(photoIndex_, 0, count - 1);
}

void StudyView::setPhotoIndex(int index) {
  photoIndex_ = index;
  skipped_.clear();
  emit changed();
}

const QImage& StudyView::picture(const std::string& entry) const {
  QImage& image = pictures_[entry];
  if (image.isNull())
    if (const std::string* bytes = session_.entry(entry))
      image.loadFromData(reinterpret_cast<const uchar*>(bytes->data()), static_cast<int>(bytes->size()));
  return image;
}

std::optional<QString> StudyView::addPhoto(View view, const QByteArray& jpeg, const QImage& image) {
  Photo photo;
  const char* word = view == View::Side ? "side" : view == View::Front ? "front" : "above";
  // A name of its own, so that undo brings the picture before it back.
  int number = 1;
  do {
    photo.entry = "photos/" + std::string(word) + (number > 1 ? std::to_string(number) : "") + ".jpg";
    ++number;
  } while (session_.entry(photo.entry));
  photo.view = view;
  photo.width = image.width();
  photo.height = image.height();
  session_.keepEntry(photo.entry, jpeg.toStdString());
  pictures_[photo.entry] = image;
  photoIndex_ = static_cast<int>(kMostPhotos); // it comes last
  skipped_.clear();
  return session_.apply(tr("picture"), edit::photoAdded(session_.project(), std::move(photo)));
}

void StudyView::removePhoto(int index) {
  if (index >= 0)
    (void)session_.apply(tr("picture taken out"),
                         edit::photoRemoved(session_.project(), static_cast<size_t>(index)));
}

std::string StudyView::nextLandmark() const {
  const int index = photoIndex();
  if (index < 0) return {};
  const Photo& photo = session_.project().photos[static_cast<size_t>(index)];
  for (const std::string& joint : landmarksOf(session_.plan().pattern, photo.view))
    if (!photo.landmarks.contains(joint) && !skipped_.contains(joint) &&
        (farSide_ || photo.view != View::Side || !joint.starts_with("left-")))
      return joint;
  return {};
}

void StudyView::skipLandmark() {
  if (const std::string next = nextLandmark(); !next.empty()) skipped_.insert(next);
  emit changed();
}

} // namespace columna
