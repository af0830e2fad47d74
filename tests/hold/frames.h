// Frames the tests share: a beam, a portal, and the four-legged figure that other programs solved.
#pragma once

#include "hold/frame.h"

#include <cmath>
#include <map>
#include <numbers>
#include <string>

namespace columna::test {

/// A round wire of 1 mm unless said otherwise, of soft aluminium.
inline FrameMember wireMember(const std::string& id, int i, int j, double d = 1, double factor = 1) {
  constexpr double e = 69000;
  constexpr double sigma = 34;
  FrameMember m;
  m.id = id;
  m.i = i;
  m.j = j;
  m.elastic = e;
  m.shear = e / (2 * 1.33);
  m.area = factor * std::numbers::pi * d * d / 4;
  m.inertia = factor * std::numbers::pi * std::pow(d, 4) / 64;
  m.torsion = 2 * m.inertia;
  m.plastic = sigma * d * d * d / 6;
  m.firstYield = sigma * std::numbers::pi * d * d * d / 32;
  m.plasticTorque = 0.9069 * m.plastic;
  return m;
}

inline constexpr std::array<bool, 6> kPin{true, true, true, false, false, false};
inline constexpr std::array<bool, 6> kClamp{true, true, true, true, true, true};

/// A level beam along x, clamped at its beginning, in so many members.
inline Frame cantilever(double length, int members = 1) {
  Frame f;
  for (int k = 0; k <= members; ++k) f.nodes.push_back({std::to_string(k), {length * k / members, 0, 0}, {}});
  f.nodes.front().fixed = kClamp;
  for (int k = 0; k < members; ++k) f.members.push_back(wireMember(std::to_string(k), k, k + 1));
  return f;
}

/// A portal in the xz plane, 70 high and 110 wide, pushed by H in x at the top of its first leg.
inline Frame portal(const std::array<bool, 6>& feet, double push) {
  Frame f;
  f.nodes = {
      {"a", {0, 0, 0}, feet}, {"b", {0, 0, 70}, {}}, {"c", {110, 0, 70}, {}}, {"d", {110, 0, 0}, feet}};
  for (const size_t n : {size_t{0}, size_t{3}})
    f.nodes[n].fixed[1] = f.nodes[n].fixed[3] = f.nodes[n].fixed[5] = true; // it stays in its plane
  f.members = {wireMember("left", 0, 1), wireMember("beam", 1, 2), wireMember("right", 2, 3)};
  f.loads = {{1, {push, 0, 0}, {0, 0, 0}}};
  return f;
}

/// The figure of the reference: two spine members, four legs of 70 mm, neck, head with 12 g at its tip, tail.
inline Frame fourLegged(const std::array<bool, 6>& feet, double factor = 1) {
  const double root = std::sqrt(0.5);
  const double h = std::sqrt(70.0 * 70 - 20 * 20);
  Frame f;
  f.nodes = {{"H", {0, 0, h}, {}},
             {"M", {55, 0, h}, {}},
             {"S", {110, 0, h}, {}},
             {"HL", {0, 20, 0}, feet},
             {"HR", {0, -20, 0}, feet},
             {"FL", {110, 20, 0}, feet},
             {"FR", {110, -20, 0}, feet},
             {"N", {110 + 45 * root, 0, h + 45 * root}, {}},
             {"T", {150 + 45 * root, 0, h + 45 * root}, {}},
             {"Q", {-90 * std::sqrt(0.75), 0, h - 45}, {}}};
  struct Part {
    const char* id;
    int i, j;
    double grams;
  };
  for (const Part& p : {Part{"spine1", 0, 1, 15}, Part{"spine2", 1, 2, 15}, Part{"leg_HL", 0, 3, 3},
                        Part{"leg_HR", 0, 4, 3}, Part{"leg_FL", 2, 5, 3}, Part{"leg_FR", 2, 6, 3},
                        Part{"neck", 2, 7, 3}, Part{"head", 7, 8, 1}, Part{"tail", 0, 9, 2}}) {
    FrameMember m = wireMember(p.id, p.i, p.j, 1.02, factor);
    f.members.push_back(m);
    f.members.back().weight.z() =
        -p.grams * 9.81e-3 / memberLength(f, static_cast<int>(f.members.size()) - 1);
  }
  f.loads = {{8, {0, 0, -12 * 9.81e-3}, {0, 0, 0}}};
  return f;
}

} // namespace columna::test
