// The rack under the mat: what the stage makes, drawn. A heading, a few words, and a scrolling area.
#pragma once

#include "session/session.h"

#include <QLabel>
#include <QScrollArea>
#include <QWidget>

#include <array>

namespace columna {

/// A rack of one stage.
class Rack : public QWidget {
  Q_OBJECT
public:
  Rack(const QString& heading, const QString& words, QWidget* content, QWidget* parent = nullptr);
  void setHeading(const QString& heading, const QString& words);
  [[nodiscard]] QWidget* content() const { return content_; }

protected:
  void paintEvent(QPaintEvent* event) override;

private:
  QLabel* heading_;
  QLabel* words_;
  QWidget* content_;
};

} // namespace columna
