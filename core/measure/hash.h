// A number for what something is made of: the same for the same numbers, and hardly ever for others.
#pragma once

#include <cstdint>
#include <cstring>

namespace columna {

/// FNV-1a over the bits of what is added, byte by byte.
class Hash {
public:
  void add(std::uint64_t bits) {
    for (int i = 0; i < 8; ++i) {
      sum_ ^= (bits >> (8 * i)) & 0xffU;
      sum_ *= 1099511628211ULL;
    }
  }
  void add(double value) {
    std::uint64_t bits = 0;
    static_assert(sizeof bits == sizeof value);
    std::memcpy(&bits, &value, sizeof bits);
    add(bits);
  }
  /// Anything with x, y and z.
  template <class Place>
  void addPlace(const Place& p) {
    for (const double c : {p.x(), p.y(), p.z()}) add(c);
  }
  [[nodiscard]] std::uint64_t sum() const { return sum_; }

private:
  std::uint64_t sum_ = 14695981039346656037ULL;
};

} // namespace columna
