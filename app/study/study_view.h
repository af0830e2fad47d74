// What Study's rack and mat show: the way proportions are settled, overlays, and the picture being traced.
// Not part of the project.
#pragma once

#include "session/session.h"

#include <QImage>

#include <map>
#include <set>

namespace columna {

/// Study's ways to settle the proportions, a tab each.
enum class Way { Animals, Character, Photo, Made, Scale, Compare };

/// What a click on the picture does.
enum class PhotoTool { Landmarks, Straighten, KnownLength, Tall };

class StudyView : public QObject {
  Q_OBJECT
public:
  explicit StudyView(Session& session);

  [[nodiscard]] Way way() const { return way_; }
  void setWay(Way way);
  [[nodiscard]] PhotoTool photoTool() const { return photoTool_; }
  void setPhotoTool(PhotoTool tool);
  [[nodiscard]] bool halving() const { return halving_; }
  void setHalving(bool on);
  /// The animal laid over the figure; empty for none. The figure's own animal is a choice like any other.
  [[nodiscard]] QString compared() const { return compared_; }
  void setCompared(const QString& pattern);
  /// In the side view: whether the far side's landmarks are asked for too, once the near side's are placed.
  [[nodiscard]] bool farSide() const { return farSide_; }
  void setFarSide(bool on);

  /// The view whose picture is traced: the one that has a picture, the last chosen first; -1 without any.
  [[nodiscard]] int photoIndex() const;
  void setPhotoIndex(int index);
  [[nodiscard]] const QImage& picture(const std::string& entry) const;
  /// Takes a picture in: JPEG bytes and its decoded image. One a view; another takes its place.
  std::optional<QString> addPhoto(View view, const QByteArray& jpeg, const QImage& image);
  void removePhoto(int index);
  /// The next landmark to click on the traced picture, as a sided joint; empty when all are placed or
  /// skipped.
  [[nodiscard]] std::string nextLandmark() const;
  void skipLandmark();

signals:
  void changed();

private:
  Session& session_;
  Way way_ = Way::Animals;
  PhotoTool photoTool_ = PhotoTool::Landmarks;
  bool halving_ = false;
  bool farSide_ = false;
  QString compared_;
  int photoIndex_ = 0;
  std::set<std::string> skipped_;
  mutable std::map<std::string, QImage> pictures_;
};

} // namespace columna
