// A limb cut lengthwise, to scale: wire inside core inside coat, with its joints and their distances.
#pragma once

#include "stage/stage.h"

#include <QWidget>

namespace columna {

class LengthSection : public QWidget {
  Q_OBJECT
public:
  LengthSection(Session& session, const Stages& stages, QWidget* parent = nullptr);
  [[nodiscard]] QSize sizeHint() const override;

protected:
  void paintEvent(QPaintEvent* event) override;

private:
  Session& session_;
  const Stages& stages_;
};

} // namespace columna
