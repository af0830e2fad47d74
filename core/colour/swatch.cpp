#include "colour/swatch.h"

#include <Eigen/QR>
#include <Eigen/SVD>

#include <cmath>

namespace columna {
namespace {

constexpr int kLeastPixels = 200;
constexpr double kMostSpoilt = 0.01;    ///< share of pixels burnt out or black
constexpr int kBurnt = 255, kBlack = 5; ///< codes
constexpr double kMostSpread = 12;      ///< codes: more is light and shade
constexpr double kDarkestWhite = 0.05;  ///< of light: less is no white
constexpr size_t kForMatrix = 5;        ///< patches
constexpr double kMostCondition = 50;

Problem again(Said what) {
  return {std::move(what), {}, say("take it in the shade by day, without a flash, a white card beside it")};
}

} // namespace

Result<Srgb> readCircle(const Pixels& photo, double x, double y, double radius) {
  if (!(x - radius >= 0 && y - radius >= 0 && x + radius <= photo.width && y + radius <= photo.height))
    return Problem{say("the circle leaves the photo"), {}, say("move it in, or make it smaller")};
  Eigen::Array3d sum = Eigen::Array3d::Zero();
  Eigen::Array3d squares = Eigen::Array3d::Zero();
  long count = 0;
  long spoilt = 0;
  for (int row = static_cast<int>(y - radius); row < photo.height && row <= y + radius; ++row)
    for (int column = static_cast<int>(x - radius); column < photo.width && column <= x + radius; ++column) {
      if (std::hypot(column + 0.5 - x, row + 0.5 - y) > radius) continue;
      const auto at =
          3 * (static_cast<size_t>(row) * static_cast<size_t>(photo.width) + static_cast<size_t>(column));
      const Eigen::Array3d c(photo.rgb[at], photo.rgb[at + 1], photo.rgb[at + 2]);
      sum += c;
      squares += c * c;
      ++count;
      if (c.maxCoeff() >= kBurnt || c.minCoeff() < kBlack) ++spoilt;
    }
  if (count < kLeastPixels)
    return Problem{say("the circle is too small to say a colour"), {}, say("make it larger, or go nearer")};
  const auto n = static_cast<double>(count);
  if (static_cast<double>(spoilt) > kMostSpoilt * n)
    return again(say("the circle is burnt out or black in part"));
  const Eigen::Array3d mean = sum / n;
  const Eigen::Array3d spread = (squares / n - mean * mean).max(0).sqrt();
  if (spread.maxCoeff() > kMostSpread) return again(say("there is shadow or glare in the circle"));
  return Srgb{mean.x(), mean.y(), mean.z()};
}

Result<Balance> Balance::by(std::span<const KnownPatch> patches) {
  if (patches.empty()) return again(say("no white is marked in the photo"));
  Balance out;
  const Eigen::Vector3d white = lightOf(patches.front().read);
  if (white.minCoeff() < kDarkestWhite) return again(say("the white in the photo is too dark to go by"));
  if (patches.size() < kForMatrix) {
    out.light_ = lightOf(patches.front().known).cwiseQuotient(white).asDiagonal();
    return out;
  }
  Eigen::MatrixXd read(patches.size(), 3);
  Eigen::MatrixXd known(patches.size(), 3);
  for (size_t i = 0; i < patches.size(); ++i) {
    read.row(static_cast<Eigen::Index>(i)) = lightOf(patches[i].read).transpose();
    known.row(static_cast<Eigen::Index>(i)) = lightOf(patches[i].known).transpose();
  }
  const Eigen::VectorXd strengths = read.jacobiSvd().singularValues();
  if (!(strengths[2] * kMostCondition > strengths[0]))
    return Problem{say("the patches are too alike to correct by"),
                   {},
                   say("mark grey, red, green and blue ones, or the white alone")};
  out.light_ = read.colPivHouseholderQr().solve(known).transpose();
  return out;
}

Srgb Balance::corrected(const Srgb& read) const { return srgbOf(Eigen::Vector3d(light_ * lightOf(read))); }

double doubtOf(ColourFrom from, const ColourRules& rules) {
  switch (from) {
  case ColourFrom::Photo:
    return rules.doubtPhoto;
  case ColourFrom::Card:
    return rules.doubtCard;
  case ColourFrom::Meter:
    return rules.doubtMeter;
  case ColourFrom::Guess:
    break;
  }
  return rules.doubtGuess;
}

double doubtOf(double risk, ColourFrom from, const ColourRules& rules) {
  const double own = doubtOf(from, rules);
  return std::sqrt(risk * risk + rules.doubtSame * rules.doubtSame + own * own);
}

} // namespace columna
