#include "solid/solid.h"

#include "solid/bone_sums.h"
#include "solid/cell_cut.h"
#include "solid/field.h"
#include "solid/round.h"
#include "solid/share_work.h"
#include "solid/tube_share.h"

#include <Eigen/Geometry>

#include <algorithm>
#include <cmath>

namespace columna {
namespace {

constexpr int kSide = 4;                 ///< cells a block
constexpr int kFiner = 2;                ///< thin parts
constexpr double kThinShare = 2;         ///< radii below so many cells are thin
constexpr int kDeepCells = 2;            ///< so many cells at once deep inside
constexpr double kHalfDiagonal = 0.8661; ///< of a cube's side
constexpr double kWorkingCells = 40000;  ///< of a stout body
constexpr double kWorkingHeight = 80;    ///< cells in the height of a tall thin one

/// A bone's frame: along its line, deep, and to its left.
struct Frame {
  Vec3 begin, along, deep, left;
  double length = 0;
};

/// Even numbers in -0.5..0.5 from a cell's place: joint planes that lie on the grid would bias the shares.
Vec3 jitter(int i, int j, int k) {
  auto h = static_cast<std::uint32_t>(i) * 73856093U ^ static_cast<std::uint32_t>(j) * 19349663U ^
           static_cast<std::uint32_t>(k) * 83492791U;
  Vec3 out;
  for (int n = 0; n < 3; ++n) {
    h ^= h >> 16U;
    h *= 0x7feb352dU;
    h ^= h >> 15U;
    h *= 0x846ca68bU;
    h ^= h >> 16U;
    out[n] = static_cast<double>(h) / 4294967296.0 - 0.5;
  }
  return out;
}

class Sampler {
public:
  Sampler(const Figure& figure, const SolidWish& wish)
      : figure_(figure), wish_(wish), field_(figure, wish.blend), rounds_(largestRounds(figure, wish.coat)) {
    for (const FigureBone& b : figure.bones) {
      Frame f;
      f.begin = b.begin;
      f.length = std::max(b.length, 1e-9);
      f.along = (b.end - b.begin) / f.length;
      f.deep = b.deepAxis;
      f.left = f.deep.cross(f.along);
      // "Left" is the animal's, whichever way the bone points.
      if (f.left.y() < 0) f.left = -f.left;
      frames_.push_back(f);
    }
    const double block = kSide * wish.cell;
    half_ = figure.symmetric;
    for (int n = 0; n < 3; ++n) {
      first_[n] = static_cast<int>(std::floor((field_.low()[n] - wish.cell) / block));
      last_[n] = static_cast<int>(std::ceil((field_.high()[n] + wish.cell) / block));
    }
    if (half_) first_.y() = 0; // y = 0 lies between two cells
  }

  [[nodiscard]] int slices() const { return std::max(0, last_.x() - first_.x()); }
  [[nodiscard]] bool half() const { return half_; }

  /// What one slice across x holds of each bone, and the surface in it.
  struct Lot {
    std::vector<BoneSums> bones;
    std::vector<SurfacePatch> surface;
  };

  /// All blocks of one slice across x.
  Lot slice(int index) const {
    Lot lot;
    lot.bones.resize(figure_.bones.size());
    const double block = kSide * wish_.cell;
    const double reach = block * kHalfDiagonal + wish_.cell;
    std::vector<int> slab;
    std::vector<int> row;
    std::vector<int> here;
    const std::vector<int> all = field_.all();
    const int bx = first_.x() + index;
    for (const int i : all) {
      const FieldPart& part = field_.parts()[static_cast<size_t>(i)];
      const double low = std::min(part.from.x(), part.to.x()) - part.around - wish_.cell;
      const double high = std::max(part.from.x(), part.to.x()) + part.around + wish_.cell;
      if (low <= (bx + 1) * block && high >= bx * block) slab.push_back(i);
    }
    for (int by = first_.y(); by < last_.y(); ++by) {
      if (wish_.stop && *wish_.stop) break;
      row.clear();
      for (const int i : slab) {
        const FieldPart& part = field_.parts()[static_cast<size_t>(i)];
        const double low = std::min(part.from.y(), part.to.y()) - part.around - wish_.cell;
        const double high = std::max(part.from.y(), part.to.y()) + part.around + wish_.cell;
        if (low <= (by + 1) * block && high >= by * block) row.push_back(i);
      }
      for (int bz = first_.z(); bz < last_.z(); ++bz) {
        const Vec3 middle = Vec3(bx + 0.5, by + 0.5, bz + 0.5) * block;
        field_.near(middle, reach, row, here);
        if (here.empty()) continue;
        const Where where = field_.ball(middle, block * kHalfDiagonal, wish_.coat + wish_.skin, here);
        if (where == Where::Outside) continue;
        if (where == Where::Deep) {
          deep({bx, by, bz}, wish_.cell, here, lot);
          continue;
        }
        double thinnest = 1e9;
        for (const int i : here) thinnest = std::min(thinnest, field_.parts()[static_cast<size_t>(i)].least);
        const int finer = thinnest < kThinShare * wish_.cell ? kFiner : 1;
        for (int n = 0; n < finer * finer * finer; ++n)
          cells(Eigen::Vector3i(bx * finer + n % finer, by * finer + n / finer % finer,
                                bz * finer + n / (finer * finer)),
                wish_.cell / finer, here, lot);
      }
    }
    return lot;
  }

  /// Share of the bone's line with the field below a depth.
  void lines(BodySolid& out) const {
    constexpr int steps = 48;
    std::vector<int> here;
    const std::vector<int> all = field_.all();
    for (size_t b = 0; b < figure_.bones.size(); ++b) {
      const FigureBone& bone = figure_.bones[b];
      if (!bone.wire) continue;
      field_.near((bone.begin + bone.end) / 2, bone.length / 2 + 1, all, here);
      int body = 0;
      int core = 0;
      for (int k = 0; k < steps; ++k) {
        const Vec3 p = bone.begin + (k + 0.5) / steps * (bone.end - bone.begin);
        const double d = field_.sample(p, here, 1e9).distance;
        body += d < 0 ? 1 : 0;
        core += d < -wish_.coat ? 1 : 0;
      }
      out.bones[b].lineInBody = static_cast<double>(body) / steps;
      out.bones[b].lineInCore = static_cast<double>(core) / steps;
    }
  }

private:
  using Where = WoolField::Where;

  /// A block deep inside: only whose it is has to be asked, and not at every cell.
  void deep(const Eigen::Vector3i& block, double h, const std::vector<int>& parts, Lot& lot) const {
    constexpr int side = kSide / kDeepCells;
    const double wide = h * kDeepCells;
    const Eigen::Vector3i origin = block * side;
    for (int n = 0; n < side * side * side; ++n) {
      const Eigen::Vector3i at = origin + Eigen::Vector3i(n % side, n / side % side, n / (side * side));
      const double volume = wide * wide * wide;
      share((at.cast<double>() + Vec3::Constant(0.5)) * wide, -1e9, wide, parts, volume, volume,
            jitter(at.x(), at.y(), at.z()), lot.bones);
    }
  }

  /// The cells of one (sub)block. Only cells on a surface ask their neighbours.
  void cells(const Eigen::Vector3i& block, double h, const std::vector<int>& parts, Lot& lot) const {
    const double band = 4 * h + wish_.blend + wish_.coat + wish_.skin;
    std::array<double, kSide * kSide * kSide> d{};
    std::vector<int> here;
    const Eigen::Vector3i origin = block * kSide;
    field_.near((origin.cast<double>() + Vec3::Constant(kSide / 2.0)) * h, kSide * h * 0.8661 + 2 * h, parts,
                here);
    if (here.empty()) return;
    const Where where = field_.ball((origin.cast<double>() + Vec3::Constant(kSide / 2.0)) * h,
                                    kSide * h * kHalfDiagonal, wish_.coat + wish_.skin, here);
    if (where == Where::Outside) return;
    if (where == Where::Deep) {
      deep(block, h, here, lot);
      return;
    }
    const auto at = [](int i, int j, int k) {
      const int index = (i * kSide + j) * kSide + k;
      return static_cast<size_t>(index);
    };
    const auto place = [&](int i, int j, int k) {
      return Vec3((origin.x() + i + 0.5) * h, (origin.y() + j + 0.5) * h, (origin.z() + k + 0.5) * h);
    };
    bool any = false;
    for (int i = 0; i < kSide; ++i)
      for (int j = 0; j < kSide; ++j)
        for (int k = 0; k < kSide; ++k) {
          d[at(i, j, k)] = field_.sample(place(i, j, k), here, band).distance;
          any = any || d[at(i, j, k)] < h;
        }
    if (!any) return;
    const auto value = [&](int i, int j, int k) {
      if (i >= 0 && i < kSide && j >= 0 && j < kSide && k >= 0 && k < kSide) return d[at(i, j, k)];
      return field_.sample(place(i, j, k), here, band).distance;
    };
    const double near = 0.9 * h;
    for (int i = 0; i < kSide; ++i)
      for (int j = 0; j < kSide; ++j)
        for (int k = 0; k < kSide; ++k) {
          const double here0 = d[at(i, j, k)];
          if (here0 > near) continue;
          double body = 1;
          double core = here0 < -wish_.coat ? 1 : 0;
          if (here0 > -near || std::abs(here0 + wish_.coat) < near) {
            const double x0 = value(i - 1, j, k);
            const double x1 = value(i + 1, j, k);
            const double y0 = value(i, j - 1, k);
            const double y1 = value(i, j + 1, k);
            const double z0 = value(i, j, k - 1);
            const double z1 = value(i, j, k + 1);
            // The field's mean over the cell: its middle and the curvature (Laplacian over 24).
            const double mean = here0 + (x0 + x1 + y0 + y1 + z0 + z1 - 6 * here0) / 24;
            const Vec3 slope(x1 - x0, y1 - y0, z1 - z0);
            if (slope.squaredNorm() > 1e-18 * h * h) {
              if (here0 > -near) {
                body = cellShare(mean / h, slope.x(), slope.y(), slope.z());
                patch(place(i, j, k), here0, mean, slope, h, here, lot);
              }
              if (std::abs(here0 + wish_.coat) < near)
                core = std::min(body, cellShare((mean + wish_.coat) / h, slope.x(), slope.y(), slope.z()));
            } else {
              body = here0 < 0 ? 1 : 0;
            }
          }
          if (body <= 0) continue;
          share(place(i, j, k), here0, h, here, body * h * h * h, core * h * h * h,
                jitter(origin.x() + i, origin.y() + j, origin.z() + k), lot.bones);
        }
  }

  /// The piece of surface in a cell: the plane's cut through it, by how fast the share inside grows.
  void patch(const Vec3& middle, double distance, double mean, const Vec3& slope, double h,
             const std::vector<int>& parts, Lot& lot) const {
    constexpr double step = 0.01; // cells
    const double area = (cellShare(mean / h - step, slope.x(), slope.y(), slope.z()) -
                         cellShare(mean / h + step, slope.x(), slope.y(), slope.z())) /
                        (2 * step) * h * h;
    if (area <= 0) return;
    const Vec3 normal = slope.normalized();
    const Vec3 at = middle - distance * normal;
    FieldSample label = field_.label(at - 1e-3 * h * normal, parts);
    if (label.bone < 0) label = field_.label(middle, field_.all());
    if (label.bone < 0) return;
    lot.surface.push_back({at.cast<float>(), normal.cast<float>(), static_cast<float>(area), label.bone});
  }

  void share(const Vec3& middle, double distance, double h, const std::vector<int>& parts, double body,
             double core, const Vec3& shaken, std::vector<BoneSums>& sums) const {
    const Vec3 p = middle + h * shaken;
    FieldSample label = field_.label(p, parts);
    if (label.bone < 0) label = field_.label(middle, parts);
    if (label.bone < 0) label = field_.label(middle, field_.all());
    if (label.bone < 0) return;
    const auto b = static_cast<size_t>(label.bone);
    BoneSums& s = sums[b];
    s.core += core;
    s.coat += body - core;
    s.at += body * label.at;
    s.moment += body * middle;
    if (core <= 0) return;
    const Frame& f = frames_[b];
    const Vec3 away = p - f.begin;
    const double along = away.dot(f.along);
    const Vec3 off = away - along * f.along;
    const BoneRound& round = rounds_[b];
    double left = core;
    if (!round.empty()) {
      const double radius = round.radiusAt(along / f.length);
      const double wound = core * std::clamp(0.5 - (off.norm() - radius) / h, 0.0, 1.0);
      s.wound += wound;
      left -= wound;
    }
    const double skin = left * std::clamp(0.5 + (distance + wish_.coat + wish_.skin) / h, 0.0, 1.0);
    if (wish_.skin > 0) {
      s.skin += skin;
      left -= skin;
    }
    if (left <= 0) return;
    const double up = off.dot(f.deep);
    const double side = off.dot(f.left);
    const PadSide where = round.empty()                    ? PadSide::Up
                          : std::abs(up) >= std::abs(side) ? (up >= 0 ? PadSide::Up : PadSide::Down)
                          : side >= 0                      ? PadSide::Left
                                                           : PadSide::Right;
    const double across = where == PadSide::Up || where == PadSide::Down ? side : up;
    BoneSums::Pad& pad = s.pads[static_cast<size_t>(where)];
    pad.volume += left;
    pad.along += left * along;
    pad.along2 += left * along * along;
    pad.across += left * across;
    pad.across2 += left * across * across;
    pad.moment += left * middle;
  }

  const Figure& figure_;
  SolidWish wish_;
  WoolField field_;
  std::vector<BoneRound> rounds_;
  std::vector<Frame> frames_;
  Eigen::Vector3i first_, last_;
  bool half_ = false;
};

} // namespace

double workingCell(const Figure& figure) {
  double volume = 0; // of the tubes, joints counted twice
  for (const TubeShare& share : tubeShares(figure, 0)) volume += share.body;
  return std::max(std::cbrt(volume / kWorkingCells), figure.overallHeight / kWorkingHeight);
}

BodySolid bodySolid(const Figure& figure, const SolidWish& wish) {
  const Sampler sampler(figure, wish);
  const auto slices = shareOut<Sampler::Lot>(
      sampler.slices(), wish.threads, [&](int i) { return sampler.slice(i); }, wish.stop, wish.progress);
  std::vector<BoneSums> sums(figure.bones.size());
  BodySolid out;
  for (const auto& slice : slices) {
    for (size_t b = 0; b < slice.bones.size(); ++b) sums[b].add(slice.bones[b]);
    out.surface.insert(out.surface.end(), slice.surface.begin(), slice.surface.end());
  }
  if (sampler.half()) {
    // What lies on the sampled side of a bone and of its twin together is the whole of either.
    std::vector<BoneSums> whole(sums.size());
    for (size_t b = 0; b < sums.size(); ++b) {
      const int twin = figure.bones[b].twin;
      if (twin < 0) {
        whole[b] = sums[b];
        whole[b].add(mirrored(sums[b]));
      } else if (figure.limbs[static_cast<size_t>(figure.bones[b].limb)].side > 0) {
        whole[b] = sums[b];
        whole[b].add(mirrored(sums[static_cast<size_t>(twin)]));
        whole[static_cast<size_t>(twin)] = mirrored(whole[b]);
      }
    }
    sums = std::move(whole);
    const size_t one = out.surface.size();
    out.surface.reserve(2 * one);
    for (size_t k = 0; k < one; ++k) {
      SurfacePatch other = out.surface[k];
      other.centre.y() = -other.centre.y();
      other.normal.y() = -other.normal.y();
      if (const int twin = figure.bones[static_cast<size_t>(other.bone)].twin; twin >= 0) other.bone = twin;
      out.surface.push_back(other);
    }
  }
  out.cell = wish.cell;
  for (size_t b = 0; b < sums.size(); ++b) {
    out.bones.push_back(divided(sums[b], figure.bones[b]));
    out.core += sums[b].core;
    out.coat += sums[b].coat;
  }
  sampler.lines(out);
  if (sampler.half())
    for (size_t b = 0; b < out.bones.size(); ++b)
      if (const int twin = figure.bones[b].twin; twin > static_cast<int>(b)) {
        out.bones[static_cast<size_t>(twin)].lineInBody = out.bones[b].lineInBody;
        out.bones[static_cast<size_t>(twin)].lineInCore = out.bones[b].lineInCore;
      }
  // Against cells a third as large it was found within 0.1 % at the working cell, growing with its square.
  const double coarse = wish.cell / workingCell(figure);
  out.error = 0.001 + 0.001 * coarse * coarse;
  return out;
}

} // namespace columna
