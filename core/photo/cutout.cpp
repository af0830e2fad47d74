#include "photo/cutout.h"

#include <Eigen/Cholesky>

#include <opencv2/core.hpp>
#include <opencv2/imgproc.hpp>

#include <algorithm>
#include <array>
#include <cmath>

namespace columna {
namespace {

constexpr double kTop = 40, kSide = 50, kBottom = 25; ///< px of 1200: the strip that shows the ground
constexpr double kBlur = 1.5;                         ///< px an edge is found in
constexpr double kPlain = 12;                         ///< grey levels of the strip about its own slope
constexpr double kOther = 0.12;                       ///< of the strip may be discs of a mat, or words on it
constexpr double kLeastGround = 0.5;                  ///< levels: what a camera's own noise leaves of chroma
constexpr double kLightPart = 0.18;                   ///< of lightness beside chroma
constexpr double kLightWeight = 0.15;                 ///< of its square: a shadow is no figure
constexpr double kLeastFigure = 0.01;                 ///< of the picture
constexpr double kLeastApart = 6;                     ///< sd of the ground the figure is away from it
constexpr double kSecond = 0.3;                       ///< of the figure: a piece as large is another figure
constexpr double kCutOff = 0.02;                      ///< of a side of the picture that is figure
constexpr int kRounds = 4;                            ///< of GrabCut
constexpr int kProfile = 14;                          ///< px either way its softness is read over

cv::Mat matOf(const PhotoImage& photo) {
  cv::Mat out(photo.height, photo.width, CV_8UC3);
  std::copy(photo.rgb.begin(), photo.rgb.end(), out.data);
  return out;
}

/// r share, b share and a little lightness, in levels.
std::array<cv::Mat, 3> channels(const cv::Mat& photo) {
  cv::Mat soft;
  photo.convertTo(soft, CV_32FC3);
  cv::GaussianBlur(soft, soft, cv::Size(), 1);
  std::array<cv::Mat, 3> out;
  for (cv::Mat& each : out) each.create(photo.size(), CV_32F);
  for (int y = 0; y < soft.rows; ++y) {
    const auto* in = soft.ptr<cv::Vec3f>(y);
    for (int x = 0; x < soft.cols; ++x) {
      const float sum = in[x][0] + in[x][1] + in[x][2] + 1;
      out[0].at<float>(y, x) = in[x][0] / sum * 255;
      out[1].at<float>(y, x) = in[x][2] / sum * 255;
      out[2].at<float>(y, x) = static_cast<float>(kLightPart) * sum / 3;
    }
  }
  return out;
}

using Terms = Eigen::Matrix<double, 6, 1>;
Terms termsAt(double x, double y) {
  Terms t;
  t << 1, x, y, x * x, x * y, y * y;
  return t;
}

/// The ground's own slope over the picture, from the strip; what is far off it (a disc of the mat, the edge
/// of a paper) is let go.
struct Ground {
  Terms slope = Terms::Zero();
  double spread = 0;
  double other = 0; ///< share of the strip that is something else
};
Ground groundOf(const cv::Mat& channel, const std::vector<cv::Point>& strip) {
  Ground g;
  std::vector<double> weight(strip.size(), 1);
  const auto at = [&](const cv::Point& p) {
    return termsAt(static_cast<double>(p.x) / channel.cols - 0.5,
                   static_cast<double>(p.y) / channel.rows - 0.5);
  };
  for (int round = 0; round < 4; ++round) {
    Eigen::Matrix<double, 6, 6> a = 1e-9 * Eigen::Matrix<double, 6, 6>::Identity();
    Terms b = Terms::Zero();
    for (size_t i = 0; i < strip.size(); ++i) {
      const Terms t = at(strip[i]);
      a += weight[i] * t * t.transpose();
      b += weight[i] * static_cast<double>(channel.at<float>(strip[i])) * t;
    }
    g.slope = a.ldlt().solve(b);
    double sum = 0;
    double count = 0;
    std::vector<double> off(strip.size());
    for (size_t i = 0; i < strip.size(); ++i) {
      off[i] = static_cast<double>(channel.at<float>(strip[i])) - at(strip[i]).dot(g.slope);
      sum += weight[i] * off[i] * off[i];
      count += weight[i];
    }
    g.spread = std::sqrt(sum / std::max(1.0, count));
    g.other = 1 - count / std::max(1.0, static_cast<double>(strip.size()));
    if (round == 3) break;
    for (size_t i = 0; i < strip.size(); ++i) weight[i] = std::abs(off[i]) < 3 * g.spread + 1e-6 ? 1 : 0;
  }
  return g;
}

std::vector<cv::Point> stripOf(const cv::Mat& photo) {
  const double part = std::max(photo.cols, photo.rows) / 1200.0;
  const int top = static_cast<int>(kTop * part);
  const int side = static_cast<int>(kSide * part);
  const int bottom = static_cast<int>(kBottom * part);
  std::vector<cv::Point> out;
  for (int y = 0; y < photo.rows; y += 2)
    for (int x = (y / 2) % 3; x < photo.cols; x += 3)
      if (y < top || y >= photo.rows - bottom || x < side || x >= photo.cols - side) out.emplace_back(x, y);
  return out;
}

/// How far each pixel is from the ground, in the ground's own sd; and how plain that is, in grey levels.
struct Away {
  cv::Mat far;
  double rough = 0;
};
Away awayFrom(const cv::Mat& photo) {
  const std::array<cv::Mat, 3> all = channels(photo);
  const std::vector<cv::Point> strip = stripOf(photo);
  Away away;
  away.far = cv::Mat::zeros(photo.size(), CV_32F);
  for (size_t k = 0; k < all.size(); ++k) {
    const Ground g = groundOf(all[k], strip);
    const double spread = std::max(kLeastGround, g.spread);
    const double weight = k < 2 ? 1 : kLightWeight;
    if (k == 2) away.rough = g.other > kOther ? 2 * kPlain : g.spread / kLightPart;
    for (int y = 0; y < photo.rows; ++y)
      for (int x = 0; x < photo.cols; ++x) {
        const double plain =
            termsAt(static_cast<double>(x) / photo.cols - 0.5, static_cast<double>(y) / photo.rows - 0.5)
                .dot(g.slope);
        const double off = (static_cast<double>(all[k].at<float>(y, x)) - plain) / spread;
        away.far.at<float>(y, x) += static_cast<float>(weight * off * off);
      }
  }
  cv::sqrt(away.far, away.far);
  return away;
}

/// What is farther from the ground than Otsu's threshold; what is very far counts as far.
cv::Mat farMask(const cv::Mat& far) {
  std::vector<float> sorted(far.begin<float>(), far.end<float>());
  const auto at = sorted.begin() + static_cast<std::ptrdiff_t>(0.98 * static_cast<double>(sorted.size() - 1));
  std::nth_element(sorted.begin(), at, sorted.end());
  const double most = std::max(1e-3, static_cast<double>(*at));
  cv::Mat levels;
  far.convertTo(levels, CV_8U, 255 / most);
  cv::Mat mask;
  cv::threshold(levels, mask, 0, 255, cv::THRESH_BINARY | cv::THRESH_OTSU);
  return mask;
}

cv::Mat byBox(const cv::Mat& photo, const PhotoBox& box) {
  cv::Mat small; // GrabCut takes seconds at full size
  const double part = 0.5;
  cv::resize(photo, small, cv::Size(), part, part, cv::INTER_AREA);
  const auto x = [&](double share) {
    return static_cast<int>(std::lround(std::clamp(share, 0.0, 1.0) * small.cols));
  };
  const auto y = [&](double share) {
    return static_cast<int>(std::lround(std::clamp(share, 0.0, 1.0) * small.rows));
  };
  const cv::Rect rect(cv::Point(x(box.left), y(box.top)), cv::Point(x(box.right), y(box.bottom)));
  cv::Mat labels;
  cv::Mat back;
  cv::Mat front;
  cv::theRNG().state = 1; // the same photo gives the same answer
  cv::grabCut(small, labels, rect, back, front, kRounds, cv::GC_INIT_WITH_RECT);
  cv::Mat mask = (labels & 1) * 255;
  cv::resize(mask, mask, photo.size(), 0, 0, cv::INTER_LINEAR);
  cv::threshold(mask, mask, 127, 255, cv::THRESH_BINARY);
  return mask;
}

/// Its holes filled.
cv::Mat whole(const cv::Mat& piece) {
  cv::Mat round;
  cv::copyMakeBorder(piece, round, 1, 1, 1, 1, cv::BORDER_CONSTANT, 0);
  cv::floodFill(round, cv::Point(0, 0), 255);
  cv::Mat holes = ~round(cv::Rect(1, 1, piece.cols, piece.rows));
  return piece | holes;
}

double softness(const cv::Mat& far, const std::vector<EdgePoint>& edge) {
  std::array<double, 2 * kProfile + 1> sum{};
  double inMost = 0;
  for (const EdgePoint& p : edge) {
    std::array<double, 2 * kProfile + 1> line{};
    bool all = true;
    for (int k = -kProfile; k <= kProfile && all; ++k) {
      const Vec2 q = p.at - static_cast<double>(k) * p.out; // from outside in
      const int x = static_cast<int>(std::lround(q.x()));
      const int y = static_cast<int>(std::lround(q.y()));
      all = x >= 0 && y >= 0 && x < far.cols && y < far.rows;
      if (all) line[static_cast<size_t>(k + kProfile)] = static_cast<double>(far.at<float>(y, x));
    }
    if (!all) continue;
    for (size_t k = 0; k < line.size(); ++k) sum[k] += line[k];
    ++inMost;
  }
  if (inMost == 0) return 0;
  const double low = *std::min_element(sum.begin(), sum.begin() + kProfile);
  const double high = *std::max_element(sum.begin() + kProfile, sum.end());
  const auto crossing = [&](double share) {
    const double level = low + share * (high - low);
    for (size_t k = 0; k + 1 < sum.size(); ++k)
      if (sum[k] <= level && sum[k + 1] > level)
        return static_cast<double>(k) + (level - sum[k]) / (sum[k + 1] - sum[k]);
    return 0.0;
  };
  return std::max(0.0, crossing(0.84) - crossing(0.16));
}

Problem noFigure() {
  return {say("no figure stands out from its ground"), Name("photo"),
          say("lay it on a plain ground of another colour than the wool: coloured paper for light wool")};
}

} // namespace

PhotoImage shrunk(const PhotoImage& photo, int most) {
  const int side = std::max(photo.width, photo.height);
  if (!photo.ok() || side <= most) return photo;
  const double part = static_cast<double>(most) / side;
  cv::Mat small;
  cv::resize(matOf(photo), small,
             cv::Size(std::max(1, static_cast<int>(std::lround(photo.width * part))),
                      std::max(1, static_cast<int>(std::lround(photo.height * part)))),
             0, 0, cv::INTER_AREA);
  PhotoImage out;
  out.width = small.cols;
  out.height = small.rows;
  out.rgb.assign(small.data, small.data + small.total() * 3);
  return out;
}

std::vector<EdgePoint> edgeOf(const Mask& mask) {
  std::vector<EdgePoint> out;
  if (mask.width < 3 || mask.height < 3) return out;
  cv::Mat in(mask.height, mask.width, CV_8U);
  std::copy(mask.in.begin(), mask.in.end(), in.data);
  cv::Mat f;
  in.convertTo(f, CV_32F, 1.0 / 255, -0.5);
  cv::GaussianBlur(f, f, cv::Size(), kBlur, kBlur, cv::BORDER_REPLICATE);
  const auto slope = [&](int x, int y) {
    const auto v = [&](int a, int b) {
      return static_cast<double>(f.at<float>(std::clamp(b, 0, f.rows - 1), std::clamp(a, 0, f.cols - 1)));
    };
    return Vec2(v(x - 1, y) - v(x + 1, y), v(x, y - 1) - v(x, y + 1));
  };
  const auto cross = [&](int x, int y, int dx, int dy) {
    const auto a = static_cast<double>(f.at<float>(y, x));
    const auto b = static_cast<double>(f.at<float>(y + dy, x + dx));
    if ((a < 0) == (b < 0)) return;
    const double t = a / (a - b);
    Vec2 out2 = (1 - t) * slope(x, y) + t * slope(x + dx, y + dy);
    const double n = out2.norm();
    if (n < 1e-9) return;
    out.push_back({Vec2(x + t * dx, y + t * dy), out2 / n});
  };
  for (int y = 0; y < f.rows; ++y)
    for (int x = 0; x < f.cols; ++x) {
      if (x + 1 < f.cols) cross(x, y, 1, 0);
      if (y + 1 < f.rows) cross(x, y, 0, 1);
    }
  return out;
}

std::vector<EdgePoint> thinned(const std::vector<EdgePoint>& edge, size_t most) {
  if (edge.size() <= most || most == 0) return edge;
  std::vector<EdgePoint> out;
  out.reserve(most);
  for (size_t i = 0; i < most; ++i) out.push_back(edge[i * edge.size() / most]);
  return out;
}

Result<Cutout> cutOut(const PhotoImage& given, const std::optional<PhotoBox>& box) {
  constexpr int least = 200;
  if (!given.ok() || std::min(given.width, given.height) < least)
    return Problem{say("this is no picture, or one of less than {} pixels a side", Number(least, 0)),
                   Name("photo"), say("take it again, larger")};
  if (box && (box->right - box->left < 0.05 || box->bottom - box->top < 0.05))
    return Problem{say("the box is too small"), Name("photo"), say("draw it round the whole figure")};
  const cv::Mat photo = matOf(given);
  const Away away = awayFrom(photo);
  if (!box && away.rough >= kPlain)
    return Problem{say("the ground is not plain"), Name("photo"),
                   say("draw a box round the figure, or stand it before one sheet of paper")};
  cv::Mat mask = box ? byBox(photo, *box) : farMask(away.far);
  cv::morphologyEx(mask, mask, cv::MORPH_OPEN, cv::getStructuringElement(cv::MORPH_ELLIPSE, {5, 5}));
  cv::Mat labels;
  cv::Mat stats;
  cv::Mat middles;
  const int count = cv::connectedComponentsWithStats(mask, labels, stats, middles);
  int first = 0;
  int second = 0;
  const auto area = [&](int i) { return i > 0 ? stats.at<int>(i, cv::CC_STAT_AREA) : 0; };
  for (int i = 1; i < count; ++i) {
    if (area(i) > area(first)) {
      second = first;
      first = i;
    } else if (area(i) > area(second)) {
      second = i;
    }
  }
  if (area(first) < kLeastFigure * static_cast<double>(photo.total())) return noFigure();
  const cv::Mat piece = labels == first;
  if (!box && cv::mean(away.far, piece)[0] < kLeastApart) return noFigure();
  if (area(second) > kSecond * area(first))
    return Problem{say("two things stand out from the ground"), Name("photo"),
                   say("photograph the figure alone")};
  Cutout out;
  const cv::Mat filled = whole(piece);
  out.mask.width = filled.cols;
  out.mask.height = filled.rows;
  out.mask.in.assign(filled.data, filled.data + filled.total());
  const auto touches = [&](const cv::Mat& line) {
    return cv::countNonZero(line) > kCutOff * static_cast<double>(line.total());
  };
  if (touches(filled.row(0)) || touches(filled.col(0)) || touches(filled.col(filled.cols - 1)))
    return Problem{say("the picture's edge cuts the figure off"), Name("photo"),
                   say("step back until there is ground all round it")};
  out.edge = edgeOf(out.mask);
  out.soft = softness(away.far, out.edge);
  out.rough = box.has_value();
  return out;
}

} // namespace columna
