// What both halves of Pose's card are laid out with.
#pragma once

#include "shell/parts.h"
#include "shell/say.h"
#include "theme/theme.h"

#include <QVBoxLayout>

#include <numbers>
#include <string>

namespace columna {

inline constexpr double kDegree = std::numbers::pi / 180;

[[nodiscard]] inline QVBoxLayout* column(QWidget* of) {
  auto* layout = new QVBoxLayout(of);
  layout->setContentsMargins(0, 0, 0, 0);
  layout->setSpacing(px(8));
  return layout;
}

} // namespace columna
