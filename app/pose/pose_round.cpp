#include "pose/pose_round.h"

#include "edit/pose_edit.h"
#include "session/changes.h"
#include "session/stance_view.h"
#include "theme/theme.h"
#include "turn/joint_marks.h"
#include "turn/raster.h"

#include <QLineF>

#include <algorithm>

namespace columna {

void PoseRound::paint(QPainter& p, const Camera& camera, const QSize& /*size*/) const {
  paintJointMarks(p, session_.stance().plan(), session_.stance().report(), session_.selected(),
                  session_.units(), [&](const Vec3& at) { return camera.at(at); });
}

QString PoseRound::hint() const {
  return Session::tr("drag a joint to pose, beside it to turn; X shows the wire");
}

int PoseRound::pointAt(const Camera& camera, const QPointF& pixel) const {
  const Plan& plan = session_.stance().plan();
  int best = -1;
  double least = px(10);
  double nearest = -1e9;
  for (const int point : posableJoints(plan)) {
    const Vec3& at = plan.skeleton->points[static_cast<size_t>(point)].at;
    const double away = QLineF(camera.at(at), pixel).length();
    if (away > px(10)) continue;
    // Of joints behind each other the one towards the eye.
    const double near = camera.near(at);
    if (away < least - px(3) || (away < least + px(3) && near > nearest)) {
      least = std::min(least, away);
      nearest = near;
      best = point;
    }
  }
  return best;
}

void PoseRound::drag(int point, const Vec3& place) {
  if (const auto joint = edit::jointOfPoint(session_.plan(), point))
    changes::dragJoint(session_, *joint, place, view_.planted(), QStringLiteral("drag pose"));
}

} // namespace columna
