// Study's first tab: the animals there are, as silhouettes; found by name as typed, by family, and by the
// construction that suits; those used last come first.
#pragma once

#include "session/session.h"

#include <QAbstractButton>
#include <QPainterPath>
#include <QWidget>

#include <vector>

class QComboBox;
class QLineEdit;

namespace columna {

/// One animal in an easy stance; with the hand beside it, as large as it would be next to one.
class PatternTile : public QAbstractButton {
  Q_OBJECT
public:
  /// `height` mm it would be made at; 0: as high as the figure at hand is.
  PatternTile(const Pattern& pattern, Session& session, QWidget* parent, double height = 0);
  [[nodiscard]] QString id() const { return id_; }
  [[nodiscard]] const Pattern& pattern() const { return pattern_; }
  [[nodiscard]] QSize sizeHint() const override;

protected:
  void paintEvent(QPaintEvent* event) override;

private:
  void makeShape();
  QString id_, life_;
  QPainterPath shape_; ///< in modules, y up; made when first painted
  QPainterPath eyes_;  ///< the same way
  QColor coat_;        ///< the animal's own; invalid without a head
  double high_ = 1;    ///< overall height in modules
  double made_ = 0;    ///< mm, 0: the session's
  const Pattern& pattern_;
  Session& session_;
};

/// An adult's hand, fingers up, in mm, y up, 185 mm long (middle of the usual 170 to 200).
[[nodiscard]] const QPainterPath& handShape();

class Gallery : public QWidget {
  Q_OBJECT
public:
  explicit Gallery(Session& session, QWidget* parent = nullptr);
  [[nodiscard]] const std::vector<PatternTile*>& tiles() const { return tiles_; }
  [[nodiscard]] QLineEdit* filter() const { return filter_; }
  [[nodiscard]] QComboBox* family() const { return family_; }
  [[nodiscard]] QComboBox* suits() const { return suits_; }

protected:
  void resizeEvent(QResizeEvent* event) override;

private:
  void refresh();
  void lay();
  void order();
  Session& session_;
  QLineEdit* filter_;
  QComboBox* family_;
  QComboBox* suits_;
  std::vector<PatternTile*> tiles_;
};

} // namespace columna
