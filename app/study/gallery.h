// Study's rack: the animals there are, as silhouettes, found by name as typed.
#pragma once

#include "shell/session.h"

#include <QAbstractButton>
#include <QPainterPath>
#include <QWidget>

#include <vector>

class QLineEdit;

namespace columna {

/// One animal.
class PatternTile : public QAbstractButton {
  Q_OBJECT
public:
  PatternTile(const Pattern& pattern, QWidget* parent);
  [[nodiscard]] QString id() const { return id_; }
  [[nodiscard]] QSize sizeHint() const override;

protected:
  void paintEvent(QPaintEvent* event) override;

private:
  QString id_, life_;
  QPainterPath shape_; ///< in modules, y up; made when first painted
  const Pattern& pattern_;
};

class Gallery : public QWidget {
  Q_OBJECT
public:
  explicit Gallery(Session& session, QWidget* parent = nullptr);
  [[nodiscard]] const std::vector<PatternTile*>& tiles() const { return tiles_; }
  [[nodiscard]] QLineEdit* filter() const { return filter_; }

protected:
  void resizeEvent(QResizeEvent* event) override;

private:
  void refresh();
  void lay();
  Session& session_;
  QLineEdit* filter_;
  std::vector<PatternTile*> tiles_;
};

} // namespace columna
