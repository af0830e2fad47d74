// What a stand-in shows and says: a scale whose value creeps up and comes to rest, callipers that speak when
// they are pressed. Moments are seconds since it was begun.
#pragma once

#include <cstdint>
#include <random>
#include <string>

namespace columna::standin {

class Device {
public:
  enum class Kind { Scale, Callipers };
  explicit Device(Kind kind) : kind_(kind) {}

  [[nodiscard]] Kind kind() const { return kind_; }
  /// Something is laid on it, g, or it is closed on something, mm.
  void put(double value, double now);
  void zero(double now);
  void setNoise(double deviation) { noise_ = deviation; }
  void setDrift(double perSecond) { drift_ = perSecond; }
  void setSeed(std::uint64_t seed) { drawn_.seed(seed); }
  /// Shows that it is over its range until something else is put.
  void setOver(bool over) { over_ = over; }

  /// Its line at a moment, with its end.
  [[nodiscard]] std::string said(double now);
  /// So many bytes of nothing.
  [[nodiscard]] std::string garbage(int bytes);
  /// Whether it speaks by itself, and how often, s.
  static constexpr double kEvery = 0.2;

private:
  [[nodiscard]] double normal();
  Kind kind_;
  double target_ = 0, from_ = 0, since_ = 0, zero_ = 0;
  double noise_ = 0.005, drift_ = 0;
  bool over_ = false;
  std::mt19937_64 drawn_{7};
};

} // namespace columna::standin
