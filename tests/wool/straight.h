// Figures of straight parts, whose volumes and sections are known in closed form.
#pragma once

#include "anatomy/figure.h"

#include <string>
#include <vector>

namespace columna::test {

/// A straight part along x of `bones` bones with elliptic sections from (u0, v0) to (u1, v1) half axes, and
/// rounded ends of a depth; 0 for flat ends.
struct Straight {
  double length = 80, u0 = 10, v0 = 10, u1 = 10, v1 = 10, ends = 10;
  int bones = 1;
  Vec3 from{0, 0, 0};
};

inline void add(Figure& f, const Straight& s) {
  const int first = static_cast<int>(f.bones.size());
  std::vector<SweepBone> chain;
  f.limbs.push_back({});
  f.limbs.back().id = "limb" + std::to_string(f.limbs.size());
  for (int i = 0; i < s.bones; ++i) {
    const auto at = [&](double a, double b, int k) { return a + (b - a) * k / s.bones; };
    SweepBone b;
    b.bone = first + i;
    b.begin = s.from + Vec3(at(0, s.length, i), 0, 0);
    b.end = s.from + Vec3(at(0, s.length, i + 1), 0, 0);
    b.up = {0, 0, 1};
    b.at = {0, 1};
    b.across = {2 * at(s.u0, s.u1, i), 2 * at(s.u0, s.u1, i + 1)};
    b.deep = {2 * at(s.v0, s.v1, i), 2 * at(s.v0, s.v1, i + 1)};
    b.lift = {0, 0};
    b.flatBegin = b.flatEnd = s.ends <= 0;
    FigureBone bone;
    bone.begin = b.begin;
    bone.end = b.end;
    bone.length = s.length / s.bones;
    bone.limb = static_cast<int>(f.limbs.size()) - 1;
    for (const int k : {0, 1})
      bone.stations.push_back(
          {double(k), b.across[static_cast<size_t>(k)], b.deep[static_cast<size_t>(k)], 0});
    bone.parent = i > 0 ? first + i - 1 : -1;
    f.bones.push_back(bone);
    f.limbs.back().bones.push_back(first + i);
    chain.push_back(b);
  }
  Tube tube = sweep(chain);
  if (s.ends > 0) tube.capBegin = tube.capEnd = s.ends;
  f.tubes.push_back(tube);
}

inline Figure figureOf(const std::vector<Straight>& parts) {
  Figure f;
  f.overallHeight = 160;
  for (const Straight& s : parts) add(f, s);
  return f;
}

} // namespace columna::test
