#include "sheet/pose_page.h"

#include "anatomy/outline.h"
#include "pose/pose_name.h"
#include "pose/posing.h"
#include "sheet/marks.h"

#include <algorithm>
#include <cmath>
#include <limits>

namespace columna {
namespace {

constexpr double kPicture = 62; ///< mm wide
constexpr double kPoseRow = 48; ///< mm a pose
constexpr size_t kMostOfAnimal = 3;

Said factor(double value) {
  return std::isfinite(value) && value < 100 ? Said(Number(value, value < 10 ? 1 : 0)) : Said(AsIs("99+"));
}

class Posing {
public:
  Posing(Filler& pages, const Project& project, const Plan& plan, const Catalog& catalog)
      : pages_(pages), project_(project), plan_(plan), catalog_(catalog) {}

  void run() {
    pages_.section(say("Poses"));
    std::vector<PatternPose> poses = project_.stances.saved;
    if (poses.empty()) { // the animal's own, a page of them
      poses.assign(plan_.pattern->poses.begin(),
                   plan_.pattern->poses.begin() +
                       static_cast<std::ptrdiff_t>(std::min(kMostOfAnimal, plan_.pattern->poses.size())));
    }
    const PatternPose& now = project_.stances.now;
    if (std::none_of(poses.begin(), poses.end(),
                     [&](const PatternPose& p) { return sameStance(plan_.pattern, p, now); }))
      poses.insert(poses.begin(), now);
    for (const PatternPose& pose : poses)
      one(poseReport(project_, plan_, catalog_, pose),
          pose.name.empty() && !sameStance(plan_.pattern, pose, {}) ? say("as posed")
                                                                    : poseName(plan_.pattern, pose));
    handling();
  }

private:
  void tell(const Said& said, double x, double& y, bool bold = false, Rgb colour = kInk) {
    for (const std::string& each : wrap(pages_.words(said), x > kMargin ? 66 : 112)) {
      pages_.marks().push_back(text({x, y}, each, 3.2, bold, TextAlign::Left, colour));
      y += 4.4;
    }
  }

  void picture(const Figure& figure, double top) {
    const auto outlines = silhouette(figure, View::Side);
    double left = 1e9;
    double right = -1e9;
    double high = -1e9;
    for (const Polygon& polygon : outlines)
      for (const Vec2& p : polygon) {
        left = std::min(left, p.x());
        right = std::max(right, p.x());
        high = std::max(high, p.y());
      }
    const double s = std::min((kPicture - 4) / (right - left), (kPoseRow - 10) / std::max(high, 1.0));
    for (const Polygon& polygon : outlines) {
      Mark m;
      for (const Vec2& p : polygon)
        m.points.emplace_back(kMargin + 2 + (p.x() - left) * s, top + kPoseRow - 8 - p.y() * s);
      m.closed = true;
      m.filled = true;
      m.fill = Rgb{240, 233, 220};
      m.stroke = kInk;
      m.width = 0.25;
      pages_.marks().push_back(std::move(m));
    }
    pages_.marks().push_back(
        line({kMargin, top + kPoseRow - 8}, {kMargin + kPicture, top + kPoseRow - 8}, 0.2, kFaint));
  }

  void one(const PoseReport& r, const Said& name) {
    pages_.room(kPoseRow + 4);
    const double top = pages_.y() - 6;
    picture(r.figure, top);
    const double x = kMargin + kPicture + 6;
    double y = top + 4;
    tell(say("{}: {}", name, Name(word(r.level))), x, y, true);
    const Standing& s = r.standing.base;
    if (r.standing.fixed)
      tell(say("Held: it cannot tip."), x, y);
    else if (s.support.size() >= 3 && s.stands && !r.standing.inLine)
      tell(say("Stands {} from the edge; tips {} at {}.", Length(s.margin, 1), Name(r.standing.towards),
               Angle(s.tip, 0)),
           x, y);
    else
      tell(say("Does not stand by itself."), x, y);
    std::vector<const JointReport*> weakest;
    for (const JointReport& j : r.joints) weakest.push_back(&j);
    std::stable_sort(weakest.begin(), weakest.end(), [](const JointReport* a, const JointReport* b) {
      return std::min(a->hold.hold / 2, a->hold.nudge) < std::min(b->hold.hold / 2, b->hold.nudge);
    });
    if (weakest.size() > 3) weakest.resize(3);
    if (!weakest.empty()) tell(say("Weakest joints:"), x, y, false, kFaint);
    for (const JointReport* j : weakest)
      tell(say("{}: holds {} times, a knock {} times, {} to bend", Name(j->name), factor(j->hold.hold),
               factor(j->hold.nudge), Force(j->hold.effort, 1)),
           x, y);
    int said = 0;
    for (const Finding& f : r.findings) {
      if (f.level == Level::Good || said++ == 2) break;
      tell(f.text, x, y, false, kFaint);
    }
    pages_.y() = std::max(top + kPoseRow, y + 2) + 8;
  }

  void handling() {
    pages_.room(24);
    double y = pages_.y();
    tell(say("Handling"), kMargin, y, true);
    double soft = std::numeric_limits<double>::infinity();
    std::string where;
    const PoseReport r = poseReport(project_, plan_, catalog_, project_.stances.now);
    for (const JointReport& j : r.joints)
      if (j.swing > 0.02 && j.life.low < soft) {
        soft = j.life.low;
        where = j.name;
      }
    tell(say("Bend at the joints, with both hands close to them, slowly, and not past where it stops by "
             "itself."),
         kMargin, y);
    if (std::isfinite(soft))
      tell(say("The {} wears first: after about {} re-poses look for wire that gives without spring.",
               Name(where), Number(std::max(1.0, std::floor(soft)), 0)),
           kMargin, y);
    tell(say("A wire that has broken has a sharp end and can come through the wool: take the figure out of "
             "use "
             "and from "
             "children at once."),
         kMargin, y);
    pages_.y() = y;
  }

  Filler& pages_;
  const Project& project_;
  const Plan& plan_;
  const Catalog& catalog_;
};

} // namespace

void poses(Filler& pages, const Project& project, const Plan& plan, const Catalog& catalog) {
  Posing(pages, project, plan, catalog).run();
}

} // namespace columna
