// The shipped heads, for tests.
#pragma once

#include "head/head_reader.h"
#include "measure/disk.h"
#include "support.h"

#include <random>

namespace columna::test {

inline std::filesystem::path headFile(const std::string& id) {
  return std::filesystem::path(COLUMNA_DATA_DIR) / "heads" / (id + ".json");
}

inline HeadPattern shippedHead(const std::string& id) {
  auto head = readHeadFile(headFile(id));
  if (!head) throw std::runtime_error(head.problem().sentence());
  return std::move(head).value();
}

/// A pattern as its file has it: it wears no head.
inline Pattern barePattern(const std::string& id) {
  const auto text =
      readFile(std::filesystem::path(COLUMNA_DATA_DIR) / "patterns" / (id + ".json"), 4U << 20U);
  auto pattern = readPattern(*text, id);
  if (!pattern) throw std::runtime_error(pattern.problem().sentence());
  return std::move(pattern).value();
}

inline std::vector<HeadPattern> shippedHeads() {
  std::vector<HeadPattern> out;
  for (const Pattern& p : animals()) out.push_back(shippedHead(p.id));
  return out;
}

/// Places all over a head's box and a little beyond it.
inline std::vector<Vec3> scattered(const Vec3& low, const Vec3& high, int count, unsigned seed = 7) {
  std::mt19937 draw(seed);
  std::uniform_real_distribution<double> share(-0.1, 1.1);
  std::vector<Vec3> out;
  for (int i = 0; i < count; ++i)
    out.push_back(low + Vec3(share(draw), share(draw), share(draw)).cwiseProduct(high - low));
  return out;
}

} // namespace columna::test
