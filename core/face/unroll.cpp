#include "face/unroll.h"

#include "anatomy/plane.h"

#include <Eigen/Dense>
#include <Eigen/SparseCholesky>

#include <algorithm>
#include <cmath>
#include <map>
#include <numeric>

namespace columna {
namespace {

constexpr int kFlatRounds = 400; ///< of local and global
constexpr double kStill = 1e-10; ///< of the skin's size: no place moves farther
constexpr int kEdgeHalvings = 2; ///< of each edge
using Matrix2 = Eigen::Matrix2d;
using Sparse = Eigen::SparseMatrix<double>;

/// The plane nearest to places: two directions in it, and the one square to them.
struct Plane {
  Vec3 middle, u, v, n;
  [[nodiscard]] Vec2 on(const Vec3& p) const { return {(p - middle).dot(u), (p - middle).dot(v)}; }
};

Plane planeOf(const std::vector<Vec3>& points) {
  Plane out;
  out.middle = Vec3::Zero();
  for (const Vec3& p : points) out.middle += p / static_cast<double>(points.size());
  Eigen::Matrix3d spread = Eigen::Matrix3d::Zero();
  for (const Vec3& p : points) spread += (p - out.middle) * (p - out.middle).transpose();
  const Eigen::SelfAdjointEigenSolver<Eigen::Matrix3d> axes(spread);
  out.u = axes.eigenvectors().col(2);
  out.v = axes.eigenvectors().col(1);
  out.n = out.u.cross(out.v);
  return out;
}

/// Triangles of a simple outline that runs counter-clockwise, by cutting off ears; empty where none is left
/// to cut.
std::vector<std::array<int, 3>> earsOf(const std::vector<Vec2>& outline) {
  std::vector<int> left(outline.size());
  std::iota(left.begin(), left.end(), 0);
  std::vector<std::array<int, 3>> out;
  const auto turn = [&](int a, int b, int c) {
    const Vec2 p = outline[static_cast<size_t>(b)] - outline[static_cast<size_t>(a)];
    const Vec2 q = outline[static_cast<size_t>(c)] - outline[static_cast<size_t>(a)];
    return p.x() * q.y() - p.y() * q.x();
  };
  while (left.size() > 2) {
    // Of all ears the one with the widest least angle: thin triangles stretch oddly.
    size_t best = left.size();
    double widest = 0;
    for (size_t i = 0; i < left.size(); ++i) {
      const int a = left[(i + left.size() - 1) % left.size()];
      const int b = left[i];
      const int c = left[(i + 1) % left.size()];
      const double area = turn(a, b, c);
      if (area <= 0) continue;
      const bool free = std::none_of(left.begin(), left.end(), [&](int p) {
        return p != a && p != b && p != c && turn(a, b, p) >= 0 && turn(b, c, p) >= 0 && turn(c, a, p) >= 0;
      });
      if (!free) continue;
      const auto length = [&](int from, int to) {
        return (outline[static_cast<size_t>(to)] - outline[static_cast<size_t>(from)]).squaredNorm();
      };
      const double shape = area / std::max({length(a, b), length(b, c), length(c, a)});
      if (shape > widest) {
        widest = shape;
        best = i;
      }
    }
    if (best == left.size()) return {};
    out.push_back({left[(best + left.size() - 1) % left.size()], left[best], left[(best + 1) % left.size()]});
    left.erase(left.begin() + static_cast<std::ptrdiff_t>(best));
  }
  return out;
}

/// Each triangle becomes four; the border's loop takes in the middles of its edges.
void halve(SkinMesh& mesh, std::vector<int>& loop) {
  std::map<std::pair<int, int>, int> middles;
  const auto middle = [&](int a, int b) {
    const auto [at, fresh] = middles.try_emplace(std::minmax(a, b), static_cast<int>(mesh.points.size()));
    if (fresh)
      mesh.points.push_back((mesh.points[static_cast<size_t>(a)] + mesh.points[static_cast<size_t>(b)]) / 2);
    return at->second;
  };
  std::vector<std::array<int, 3>> finer;
  finer.reserve(4 * mesh.triangles.size());
  for (const auto& [a, b, c] : mesh.triangles) {
    const int ab = middle(a, b);
    const int bc = middle(b, c);
    const int ca = middle(c, a);
    finer.insert(finer.end(), {{a, ab, ca}, {ab, b, bc}, {ca, bc, c}, {ab, bc, ca}});
  }
  mesh.triangles = std::move(finer);
  std::vector<int> longer;
  longer.reserve(2 * loop.size());
  for (size_t i = 0; i < loop.size(); ++i) {
    longer.push_back(loop[i]);
    longer.push_back(middle(loop[i], loop[(i + 1) % loop.size()]));
  }
  loop = std::move(longer);
}

/// Each place that is not on the border is raised or lowered to the mean of its neighbours, as a skin under
/// even tension does. Within the plane it stays: a hollow border would draw it out over the edge.
void pullTaut(SkinMesh& mesh, const std::vector<int>& loop, const Vec3& up) {
  std::vector<int> index(mesh.points.size(), 0);
  for (const int p : loop) index[static_cast<size_t>(p)] = -1;
  int free = 0;
  for (int& i : index)
    if (i == 0) i = free++;
  if (free == 0) return;
  std::vector<Eigen::Triplet<double>> entries;
  Eigen::VectorXd right = Eigen::VectorXd::Zero(free);
  // Each inner edge is met from both its triangles, once each way.
  for (const auto& t : mesh.triangles)
    for (size_t k = 0; k < 3; ++k) {
      const auto a = static_cast<size_t>(t[k]);
      const auto b = static_cast<size_t>(t[(k + 1) % 3]);
      if (index[a] >= 0) {
        entries.emplace_back(index[a], index[a], 1);
        if (index[b] >= 0)
          entries.emplace_back(index[a], index[b], -1);
        else
          right[index[a]] += up.dot(mesh.points[b]);
      }
    }
  Sparse matrix(free, free);
  matrix.setFromTriplets(entries.begin(), entries.end());
  const Eigen::SimplicialLDLT<Sparse> solver(matrix);
  const Eigen::VectorXd heights = solver.solve(right);
  for (size_t p = 0; p < index.size(); ++p)
    if (index[p] >= 0) mesh.points[p] += (heights[index[p]] - up.dot(mesh.points[p])) * up;
}

/// A triangle in its own plane, and its angles' cotangents, each at the corner across from edge k, k + 1.
struct Flat3 {
  std::array<Vec2, 3> at;
  std::array<double, 3> cot{};
};

Flat3 flat3(const SkinMesh& mesh, const std::array<int, 3>& t) {
  const Vec3& a = mesh.points[static_cast<size_t>(t[0])];
  const Vec3 b = mesh.points[static_cast<size_t>(t[1])] - a;
  const Vec3 c = mesh.points[static_cast<size_t>(t[2])] - a;
  const double length = std::max(b.norm(), 1e-12);
  Flat3 out;
  out.at = {Vec2(0, 0), Vec2(length, 0),
            Vec2(c.dot(b) / length, std::max(b.cross(c).norm() / length, 1e-12))};
  for (size_t k = 0; k < 3; ++k) {
    const Vec2 p = out.at[k] - out.at[(k + 2) % 3];
    const Vec2 q = out.at[(k + 1) % 3] - out.at[(k + 2) % 3];
    out.cot[k] = p.dot(q) / (p.x() * q.y() - p.y() * q.x());
  }
  return out;
}

/// How a triangle's own plane is carried on to the table.
Matrix2 carried(const Flat3& own, const std::array<int, 3>& t, const std::vector<Vec2>& at) {
  Matrix2 from;
  from << own.at[1] - own.at[0], own.at[2] - own.at[0];
  Matrix2 to;
  const Vec2& a = at[static_cast<size_t>(t[0])];
  to << at[static_cast<size_t>(t[1])] - a, at[static_cast<size_t>(t[2])] - a;
  return to * from.inverse();
}

} // namespace

Flattened flattened(const SkinMesh& mesh) {
  Flattened out;
  const Plane plane = planeOf(mesh.points);
  for (const Vec3& p : mesh.points) out.points.push_back(plane.on(p));
  double area = 0;
  for (const auto& [a, b, c] : mesh.triangles)
    area += signedArea({out.points[static_cast<size_t>(a)], out.points[static_cast<size_t>(b)],
                        out.points[static_cast<size_t>(c)]});
  if (area < 0) // seen from the other side
    for (Vec2& p : out.points) p.x() = -p.x();
  std::vector<Flat3> own;
  own.reserve(mesh.triangles.size());
  std::vector<Eigen::Triplet<double>> entries;
  for (const auto& t : mesh.triangles) {
    own.push_back(flat3(mesh, t));
    for (size_t k = 0; k < 3; ++k) {
      const int a = t[k];
      const int b = t[(k + 1) % 3];
      const double w = own.back().cot[k];
      entries.insert(entries.end(), {{a, a, w}, {b, b, w}, {a, b, -w}, {b, a, -w}});
    }
  }
  // One place is held: else all might be moved together.
  entries.emplace_back(0, 0, 1);
  const auto count = static_cast<Eigen::Index>(mesh.points.size());
  Sparse matrix(count, count);
  matrix.setFromTriplets(entries.begin(), entries.end());
  const Eigen::SimplicialLDLT<Sparse> solver(matrix);
  double size = 0;
  for (const Vec2& p : out.points) size = std::max(size, p.norm());
  for (int round = 0; round < kFlatRounds; ++round) {
    Eigen::MatrixX2d right = Eigen::MatrixX2d::Zero(count, 2);
    right.row(0) += out.points[0].transpose();
    for (size_t i = 0; i < own.size(); ++i) {
      const auto& t = mesh.triangles[i];
      const Eigen::JacobiSVD<Matrix2> svd(carried(own[i], t, out.points),
                                          Eigen::ComputeFullU | Eigen::ComputeFullV);
      Matrix2 turn = svd.matrixU() * svd.matrixV().transpose();
      if (turn.determinant() < 0) { // turned over: the nearest turn that is none
        Matrix2 u = svd.matrixU();
        u.col(1) = -u.col(1);
        turn = u * svd.matrixV().transpose();
      }
      for (size_t k = 0; k < 3; ++k) {
        const Vec2 edge = own[i].cot[k] * (turn * (own[i].at[k] - own[i].at[(k + 1) % 3]));
        right.row(t[k]) += edge.transpose();
        right.row(t[(k + 1) % 3]) -= edge.transpose();
      }
    }
    const Eigen::MatrixX2d places = solver.solve(right);
    double moved = 0;
    for (Eigen::Index p = 0; p < count; ++p) {
      const Vec2 to = places.row(p).transpose();
      moved = std::max(moved, (to - out.points[static_cast<size_t>(p)]).norm());
      out.points[static_cast<size_t>(p)] = to;
    }
    if (moved < kStill * size) break;
  }
  out.least = 1e9;
  out.most = 0;
  for (size_t i = 0; i < own.size(); ++i) {
    const Eigen::JacobiSVD<Matrix2> svd(carried(own[i], mesh.triangles[i], out.points));
    out.most = std::max(out.most, svd.singularValues()[0]);
    out.least = std::min(out.least, svd.singularValues()[1]);
  }
  return out;
}

Result<Unrolled> unroll(const std::vector<Vec3>& border) {
  if (border.size() < 3) return Problem{say("a skin needs three places round it"), {}, {}};
  const Plane plane = planeOf(border);
  std::vector<Vec2> level;
  level.reserve(border.size());
  for (const Vec3& p : border) level.push_back(plane.on(p));
  const bool clockwise = signedArea(level) < 0;
  SkinMesh mesh{border, {}};
  if (clockwise) {
    std::reverse(level.begin(), level.end());
    std::reverse(mesh.points.begin(), mesh.points.end());
  }
  if (areaOf(level) < 1e-9) return Problem{say("this skin has no area"), {}, {}};
  mesh.triangles = earsOf(level);
  if (mesh.triangles.empty())
    return Problem{say("the border of this skin crosses itself"), {}, say("move its places apart")};
  std::vector<int> loop(border.size());
  std::iota(loop.begin(), loop.end(), 0);
  for (int k = 0; k < kEdgeHalvings; ++k) halve(mesh, loop);
  pullTaut(mesh, loop, plane.n);
  const Flattened flat = flattened(mesh);
  Unrolled out;
  out.least = flat.least;
  out.most = flat.most;
  for (const Vec3& p : border) out.out = std::max(out.out, std::abs((p - plane.middle).dot(plane.n)));
  for (const auto& [a, b, c] : mesh.triangles) {
    const Vec3& at = mesh.points[static_cast<size_t>(a)];
    out.area +=
        (mesh.points[static_cast<size_t>(b)] - at).cross(mesh.points[static_cast<size_t>(c)] - at).norm() / 2;
  }
  for (const int p : loop) out.outline.push_back(flat.points[static_cast<size_t>(p)]);
  if (clockwise) { // the border's own order again, as its mirror image looks from the other side
    std::reverse(out.outline.begin(), out.outline.end());
    std::rotate(out.outline.begin(), out.outline.begin() + (1 << kEdgeHalvings) - 1, out.outline.end());
  }
  return out;
}

} // namespace columna
