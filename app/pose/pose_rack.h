// Pose's rack: the poses there are, each a small picture, and how much of the wire's life they take.
#pragma once

#include "kit/desk.h"
#include "pose/pose_pictures.h"
#include "pose/pose_view.h"
#include "session/session.h"

#include <QAbstractButton>
#include <QPainterPath>
#include <QWidget>

#include <vector>

class QLineEdit;
class QPushButton;
class QHBoxLayout;

namespace columna {

/// One pose: a small picture from the side, its name and its verdict.
class PoseTile : public QAbstractButton {
  Q_OBJECT
public:
  /// `name` as in the file, `words` as it is read.
  PoseTile(const QString& name, const QString& words, bool own, QWidget* parent = nullptr);
  /// `coat`: the animal's own colour.
  void set(const QPainterPath& outline, const QColor& coat, Level level, bool current);
  /// The part of the side view its picture shows, mm, and pixels a mm of it in a tile of its own size.
  [[nodiscard]] QRectF shown() const { return outline_.boundingRect(); }
  [[nodiscard]] double scale() const;
  /// Takes the place of the plain outline.
  void setPicture(const QImage& picture);
  [[nodiscard]] bool pictured() const { return !picture_.isNull(); }
  [[nodiscard]] QSize sizeHint() const override;
  [[nodiscard]] QString name() const { return name_; }
  [[nodiscard]] Level level() const { return level_; }

protected:
  void paintEvent(QPaintEvent* event) override;

private:
  [[nodiscard]] static QRectF roomIn(const QRectF& tile);
  [[nodiscard]] double scaleIn(const QRectF& room) const;
  QString name_;
  bool own_;
  QImage picture_;
  QPainterPath outline_; ///< in mm, y up
  QColor coat_;
  Level level_ = Level::Good;
};

class LifePanel;

class PoseRack : public Desk {
  Q_OBJECT
public:
  PoseRack(Session& session, PoseView& view, QWidget* parent = nullptr);
  [[nodiscard]] const std::vector<PoseTile*>& tiles() const { return tiles_; }
  [[nodiscard]] QLineEdit* nameField() const { return name_; }
  [[nodiscard]] QPushButton* saveKey() const { return save_; }
  [[nodiscard]] QPushButton* removeKey() const { return remove_; }
  [[nodiscard]] LifePanel* life() const { return life_; }
  /// Its pictures are being made.
  [[nodiscard]] bool behind() const { return pictures_.behind(); }

protected:
  void showEvent(QShowEvent* event) override;

private:
  void refresh();
  void rebuild();
  void showPictures();
  Session& session_;
  PoseView& view_;
  QHBoxLayout* row_;
  QWidget* shelf_;
  std::vector<PoseTile*> tiles_;
  QLineEdit* name_;
  QPushButton* save_;
  QPushButton* remove_;
  LifePanel* life_;
  PosePictures pictures_;
  bool stale_ = true;
};

} // namespace columna
