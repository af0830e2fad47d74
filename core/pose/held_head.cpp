#include "pose/held_head.h"

#include "pose/pose.h"

namespace columna {
namespace {

/// Everything of a figure moved by a turn about a place.
void moveAll(Figure& f, const Eigen::Matrix3d& turn, const Vec3& from, const Vec3& to) {
  const auto place = [&](Vec3& p) { p = to + turn * (p - from); };
  const auto way = [&](Vec3& v) { v = turn * v; };
  for (std::vector<Tube>* tubes : {&f.tubes, &f.hollows})
    for (Tube& tube : *tubes)
      for (Ring& r : tube.rings) {
        place(r.centre);
        for (Vec3* v : {&r.u, &r.v, &r.normal}) way(*v);
      }
  for (FigureBone& b : f.bones) {
    place(b.begin);
    place(b.end);
    way(b.deepAxis);
  }
  for (FigureFlat& flat : f.flats) {
    for (Vec3& p : flat.outline) place(p);
    for (Vec3& p : flat.sheet) place(p);
  }
  for (LaidPad& pad : f.pads) {
    place(pad.at);
    way(pad.out);
  }
  for (Vec3& eye : f.eyes) place(eye);
  place(f.head->origin);
  f.head->axes = turn * f.head->axes;
}

const PatternBone* headBone(const Pattern& pattern, const Figure& figure) {
  return figure.head ? pattern.bone(figure.bones[static_cast<size_t>(figure.head->bone)].patternBone)
                     : nullptr;
}

} // namespace

Figure bodyUnder(const Pattern& pattern, const Figure& figure, const Turn& turn) {
  const PatternBone* bone = headBone(pattern, figure);
  if (!bone) return figure;
  PatternPose pose;
  pose.turns[bone->id] = turn;
  Figure out = figureAtScale(posed(pattern, pose), figure.scale);
  if (!out.head) return figure;
  const Vec3 from = out.head->origin;
  moveAll(out, figure.head->axes * out.head->axes.transpose(), from, figure.head->origin);
  return out;
}

HeadTurns headTurns(const Pattern& pattern, const Figure& figure) {
  const PatternBone* bone = headBone(pattern, figure);
  return bone ? HeadTurns{bone->flex, bone->side, bone->twist} : HeadTurns{};
}

} // namespace columna
