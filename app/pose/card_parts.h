// What both halves of Pose's card are laid out with.
#pragma once

#include "edit/pose_remedies.h"
#include "kit/parts.h"
#include "kit/say.h"
#include "measure/quantity.h"
#include "pose/pose_name.h"
#include "stage/remedy_list.h"
#include "theme/theme.h"

#include <QVBoxLayout>

#include <string>

namespace columna {

/// What a pose is called in the window.
[[nodiscard]] inline QString poseName(const Session& session, const PatternPose& pose) {
  return str(columna::poseName(session.plan().pattern, pose), session.units());
}

/// Remedies as they are offered.
[[nodiscard]] inline std::vector<RemedyOffer> offersOf(std::vector<PoseRemedy> found) {
  std::vector<RemedyOffer> out;
  out.reserve(found.size());
  for (PoseRemedy& r : found)
    out.push_back({std::move(r.words), std::move(r.result), r.mends, std::move(r.project)});
  return out;
}

[[nodiscard]] inline QVBoxLayout* column(QWidget* of) {
  auto* layout = new QVBoxLayout(of);
  layout->setContentsMargins(0, 0, 0, 0);
  layout->setSpacing(px(8));
  return layout;
}

} // namespace columna
