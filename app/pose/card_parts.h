// What both halves of Pose's card are laid out with.
#pragma once

#include "kit/parts.h"
#include "kit/say.h"
#include "measure/quantity.h"
#include "theme/theme.h"

#include <QVBoxLayout>

#include <string>

namespace columna {

[[nodiscard]] inline QVBoxLayout* column(QWidget* of) {
  auto* layout = new QVBoxLayout(of);
  layout->setContentsMargins(0, 0, 0, 0);
  layout->setSpacing(px(8));
  return layout;
}

} // namespace columna
