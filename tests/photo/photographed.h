// Figures photographed by the stand-in, and what is told of them.
#pragma once

#include "support.h"

#include "felt_shot.h"
#include "photo/photo_check.h"
#include "photo/photo_words.h"

#include <algorithm>
#include <map>
#include <random>
#include <string>

namespace columna::test {

/// An animal and its surface, made once.
struct Sitter {
  Figure figure;
  PhotoModel model;
};
inline const Sitter& sitter(const std::string& animal, double height) {
  static std::map<std::pair<std::string, double>, Sitter> kept;
  const auto [at, fresh] = kept.try_emplace({animal, height});
  if (fresh) {
    const Plan made = planned(project(animal, height));
    at->second.figure = made.figure;
    at->second.model = photoModel(at->second.figure);
  }
  return at->second;
}

/// A wish as a maker's hand makes it: not quite straight, each limb's girths a little off.
inline standin::ShotWish asTaken(const Sitter& of, PhotoView view, bool mat, unsigned seed) {
  std::mt19937_64 drawn(seed);
  std::normal_distribution<double> normal;
  standin::ShotWish wish;
  wish.view = view;
  wish.seed = seed;
  wish.width = 1000;
  wish.height = 750;
  wish.girths = 0.04;
  wish.mat = mat;
  wish.stand = standOf(of.figure);
  wish.roll = normal(drawn) * kDegree;
  wish.yaw = view == PhotoView::Above ? 0 : 5 * kDegree;
  wish.pitch = (view == PhotoView::Above ? 1.5 : mat ? 15 : 6) * kDegree;
  if (mat) wish.turned = 1.5 * normal(drawn) * kDegree;
  return wish;
}

inline PhotoAsk askOf(const Sitter& of, const standin::ShotWish& wish) {
  PhotoAsk ask;
  ask.photo = standin::shot(of.model, of.figure, wish);
  ask.figure = of.figure;
  ask.view = wish.view;
  ask.stand = wish.stand;
  return ask;
}

/// As a photo from above would have told it.
inline PhotoAsk askKnowing(const Sitter& of, const standin::ShotWish& wish) {
  PhotoAsk ask = askOf(of, wish);
  std::mt19937_64 drawn(wish.seed + 100);
  std::normal_distribution<double> normal;
  ask.turned = TurnedOn{wish.turned + 0.4 * kDegree * normal(drawn), 0.4 * kDegree};
  return ask;
}

inline const PhotoPair* pairOf(const PhotoCheck& check, const Figure& figure, const std::string& limb) {
  const auto at = std::find_if(check.pairs.begin(), check.pairs.end(), [&](const PhotoPair& p) {
    return figure.limbs[static_cast<size_t>(p.left)].id == limb;
  });
  return at == check.pairs.end() ? nullptr : &*at;
}

} // namespace columna::test
