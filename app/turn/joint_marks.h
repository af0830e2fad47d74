// Joints that can be posed and what is said of them, on the mat and in the round alike.
#pragma once

#include "judge/pose_report.h"

#include <QPainter>

#include <functional>
#include <vector>

namespace columna {

/// Points of the skeleton that can be dragged: joints of limbs and body, digits left out.
[[nodiscard]] std::vector<int> posableJoints(const Plan& plan);

/// Joints and their verdicts: a mark where it is doubtful or wrong, a small ring elsewhere; of the selected
/// limb all are marked. `at` is where a place is painted.
void paintJointMarks(QPainter& painter, const Plan& plan, const PoseReport& report, int selected,
                     UnitSystem units, const std::function<QPointF(const Vec3&)>& at);

} // namespace columna
