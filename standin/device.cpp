#include "device.h"

#include <fmt/format.h>

#include <algorithm>
#include <cmath>

namespace columna::standin {
namespace {

constexpr double kSlow = 0.4;       ///< s, the time a scale takes for two thirds of its way
constexpr double kRest = 0.6;       ///< s within one step, until it says that it has come to rest
constexpr double kStep = 0.01;      ///< g or mm, the smallest it shows
constexpr double kMostWeight = 200; ///< g
constexpr double kMostLength = 150; ///< mm

} // namespace

void Device::put(double value, double now) {
  const double most = kind_ == Kind::Scale ? kMostWeight : kMostLength;
  from_ = from_ + (target_ - from_) * (1 - std::exp(-(now - since_) / kSlow));
  target_ = value;
  since_ = now;
  over_ = value > most || value < -most;
}

void Device::zero(double now) { zero_ = target_ + drift_ * now; }

/// The sum of twelve equal draws is near enough normal, and the same on every machine.
double Device::normal() {
  double sum = -6;
  for (int i = 0; i < 12; ++i) sum += static_cast<double>(drawn_() >> 11U) * 0x1p-53;
  return sum;
}

std::string Device::said(double now) {
  if (over_) return kind_ == Kind::Scale ? "---- g\r\n" : "---- mm\r\n";
  if (kind_ == Kind::Callipers) return fmt::format("{:.2f} mm\r\n", target_ - zero_);
  const double way = (target_ - from_) * std::exp(-(now - since_) / kSlow);
  const double value = target_ - way + drift_ * now - zero_ + noise_ * normal();
  // Time from when it came within a step of where it goes.
  const double near =
      std::abs(target_ - from_) > kStep ? kSlow * std::log(std::abs(target_ - from_) / kStep) : 0;
  const bool moving = now - since_ < near + kRest;
  const double shown = std::round(value / kStep) * kStep;
  return fmt::format("{:+010.2f} g{}\r\n", shown == 0 ? 0.0 : shown, moving ? " ?" : "");
}

std::string Device::garbage(int bytes) {
  std::string out;
  for (int i = 0; i < std::clamp(bytes, 0, 1 << 20); ++i) out += static_cast<char>(drawn_() & 0xffU);
  return out + "\n";
}

} // namespace columna::standin
