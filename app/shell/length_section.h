// A limb cut lengthwise, to scale: wire inside core inside coat, with its joints and their distances.
#pragma once

#include "session/session.h"

#include <QWidget>

namespace columna {

class LengthSection : public QWidget {
  Q_OBJECT
public:
  explicit LengthSection(Session& session, QWidget* parent = nullptr);
  [[nodiscard]] QSize sizeHint() const override;

protected:
  void paintEvent(QPaintEvent* event) override;

private:
  Session& session_;
};

} // namespace columna
