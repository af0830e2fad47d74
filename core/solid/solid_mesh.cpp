#include "solid/solid_mesh.h"

#include "solid/cube_cases.h"
#include "solid/field.h"
#include "solid/plate.h"
#include "solid/share_work.h"

#include <Eigen/Geometry>

#include <algorithm>
#include <cmath>
#include <cstdint>
#include <map>
#include <numeric>
#include <unordered_map>

namespace columna {
namespace {

constexpr int kPatchSide = 8; ///< cells a block
constexpr int kCorners = kPatchSide + 1;

/// Vertices and faces of one slice; vertices on its two sides are named by their grid edge, to be joined to
/// the neighbours'.
struct Patch {
  std::vector<Eigen::Vector3f> vertices;
  std::vector<MeshFace> faces;
  std::vector<std::pair<std::uint64_t, int>> rim;
};

class Mesher {
public:
  Mesher(const Figure& figure, const MeshWish& wish) : wish_(wish), field_(figure, wish.blend) {
    if (wish.flats == Flats::Joined && wish.depth <= 0) plates_ = platesOf(figure);
    Vec3 low = field_.low();
    Vec3 high = field_.high();
    for (const Plate& plate : plates_) {
      low = low.cwiseMin(plate.low());
      high = high.cwiseMax(plate.high());
    }
    const double block = kPatchSide * wish.cell;
    for (int n = 0; n < 3; ++n) {
      first_[n] = static_cast<int>(std::floor((low[n] - 2 * wish.cell) / block));
      count_[n] = static_cast<int>(std::ceil((high[n] + 2 * wish.cell) / block)) - first_[n];
    }
  }

  [[nodiscard]] int slices() const { return std::max(0, count_.x()); }

  Patch slice(int bx) const {
    Patch patch;
    std::unordered_map<std::uint64_t, int> known;
    const double block = kPatchSide * wish_.cell;
    const double reach = block * std::sqrt(3.0) / 2 + band();
    const std::vector<int> all = field_.all();
    std::vector<int> slab;
    std::vector<int> here;
    for (const int i : all) {
      const FieldPart& part = field_.parts()[static_cast<size_t>(i)];
      const double low = std::min(part.from.x(), part.to.x()) - part.around - band();
      const double high = std::max(part.from.x(), part.to.x()) + part.around + band();
      if (low <= (first_.x() + bx + 1) * block && high >= (first_.x() + bx) * block) slab.push_back(i);
    }
    for (int by = 0; by < count_.y(); ++by) {
      if (wish_.stop && *wish_.stop) return {};
      for (int bz = 0; bz < count_.z(); ++bz) {
        const Vec3 middle =
            (first_ + Eigen::Vector3i(bx, by, bz)).cast<double>() * block + Vec3::Constant(block / 2);
        field_.near(middle, reach, slab, here);
        std::vector<const Plate*> plates;
        const Vec3 half = Vec3::Constant(block / 2 + wish_.cell);
        for (const Plate& plate : plates_)
          if (plate.within(middle - half, middle + half)) plates.push_back(&plate);
        if (here.empty() && plates.empty()) continue;
        const FieldSample centre = field_.sample(middle, here, 1e9);
        // All inside: the surface is farther than the block's corners, tapers and all.
        if (-(centre.distance + wish_.depth) > 1.6 * reach) continue;
        cells({bx, by, bz}, here, plates, patch, known);
      }
    }
    for (const auto& [key, vertex] : known) {
      const auto x = static_cast<int>(key >> 42U);
      if ((key & 3U) != 0 && (x == bx * kPatchSide || x == (bx + 1) * kPatchSide))
        patch.rim.emplace_back(key, vertex);
    }
    return patch;
  }

private:
  [[nodiscard]] double band() const { return 3 * wish_.cell + wish_.blend; }

  /// A grid edge's name: its lower corner and axis.
  static std::uint64_t name(const Eigen::Vector3i& corner, int axis) {
    return static_cast<std::uint64_t>(corner.x()) << 42U | static_cast<std::uint64_t>(corner.y()) << 22U |
           static_cast<std::uint64_t>(corner.z()) << 2U | static_cast<std::uint64_t>(axis);
  }

  void cells(const Eigen::Vector3i& block, const std::vector<int>& parts,
             const std::vector<const Plate*>& plates, Patch& patch,
             std::unordered_map<std::uint64_t, int>& known) const {
    const Eigen::Vector3i origin = block * kPatchSide; // in cells from `first_`
    const Vec3 base = (first_ * kPatchSide + origin).cast<double>() * wish_.cell;
    std::array<double, kCorners * kCorners * kCorners> d{};
    const auto at = [](int i, int j, int k) {
      const int index = (i * kCorners + j) * kCorners + k;
      return static_cast<size_t>(index);
    };
    bool inside = false;
    bool outside = false;
    const double reach = band() + wish_.depth;
    for (int i = 0; i < kCorners; ++i)
      for (int j = 0; j < kCorners; ++j)
        for (int k = 0; k < kCorners; ++k) {
          const Vec3 p = base + Vec3(i, j, k) * wish_.cell;
          double v = field_.sample(p, parts, reach).distance + wish_.depth;
          for (const Plate* plate : plates) v = std::min(v, plate->distance(p));
          d[at(i, j, k)] = v;
          (v < 0 ? inside : outside) = true;
        }
    if (!inside || !outside) return;
    const auto& cases = cubeCases();
    for (int i = 0; i < kPatchSide; ++i)
      for (int j = 0; j < kPatchSide; ++j)
        for (int k = 0; k < kPatchSide; ++k) {
          unsigned which = 0;
          for (int c = 0; c < 8; ++c)
            if (d[at(i + (c & 1), j + ((c >> 1) & 1), k + (c >> 2))] < 0)
              which |= 1U << static_cast<unsigned>(c);
          for (const CubePolygon& polygon : cases[which]) {
            std::array<int, 13> corner{};
            Vec3 middle = Vec3::Zero();
            for (const int e : polygon.edges) {
              const int a = kCubeEdges[static_cast<size_t>(e)][0];
              const Eigen::Vector3i low(i + (a & 1), j + ((a >> 1) & 1), k + (a >> 2));
              const int axis = e / 4;
              const auto [found, fresh] =
                  known.try_emplace(name(origin + low, axis + 1), static_cast<int>(patch.vertices.size()));
              corner[static_cast<size_t>(e)] = found->second;
              if (fresh) {
                Eigen::Vector3i high = low;
                high[axis] += 1;
                const double v0 = d[at(low.x(), low.y(), low.z())];
                const double v1 = d[at(high.x(), high.y(), high.z())];
                // Kept off the grid's corners, where two edges' vertices would fall together.
                const double t = std::clamp(v0 / (v0 - v1), 0.02, 0.98);
                patch.vertices.push_back(
                    (base + (low.cast<double>() + t * (high - low).cast<double>()) * wish_.cell)
                        .cast<float>());
              }
              middle += patch.vertices[static_cast<size_t>(found->second)].cast<double>();
            }
            middle /= static_cast<double>(polygon.edges.size());
            if (polygon.triangles.front().front() == kPolygonMiddle) {
              corner[kPolygonMiddle] = static_cast<int>(patch.vertices.size());
              patch.vertices.push_back(middle.cast<float>());
            }
            FieldSample label = field_.label(middle, parts);
            if (label.bone < 0) label = field_.label(middle, field_.all());
            // A flat part's where it is nearer than the body.
            const Plate* flat = nullptr;
            double nearest = plates.empty() ? 0 : field_.sample(middle, parts, reach).distance;
            for (const Plate* plate : plates)
              if (const double d0 = plate->distance(middle); d0 < nearest) {
                nearest = d0;
                flat = plate;
              }
            for (const auto& t : polygon.triangles)
              patch.faces.push_back({{corner[static_cast<size_t>(t[0])], corner[static_cast<size_t>(t[1])],
                                      corner[static_cast<size_t>(t[2])]},
                                     flat ? flat->bone() : std::max(0, label.bone),
                                     flat ? flat->flat() : -1});
          }
        }
  }

  MeshWish wish_;
  WoolField field_;
  std::vector<Plate> plates_;
  Eigen::Vector3i first_, count_;
};

/// A rolled one: its sheet on both sides, and a rim round its free edges.
void addSheet(const FigureFlat& flat, int index, SolidMesh& mesh) {
  std::vector<Vec3> normal(flat.sheet.size(), Vec3::Zero());
  std::map<std::pair<int, int>, int> edges; // directed; a free one has no other way round
  for (const auto& [a, b, c] : flat.triangles) {
    const Vec3& from = flat.sheet[static_cast<size_t>(a)];
    const Vec3 n =
        (flat.sheet[static_cast<size_t>(b)] - from).cross(flat.sheet[static_cast<size_t>(c)] - from);
    for (const int p : {a, b, c}) normal[static_cast<size_t>(p)] += n;
    for (const auto& edge : {std::pair(a, b), std::pair(b, c), std::pair(c, a)}) edges[edge] = 1;
  }
  const auto first = static_cast<int>(mesh.vertices.size());
  const auto count = static_cast<int>(flat.sheet.size());
  for (const double side : {0.5, -0.5})
    for (size_t k = 0; k < flat.sheet.size(); ++k) {
      const double size = normal[k].norm();
      const Vec3 shift = size > 0 ? Vec3(side * flat.thickness / size * normal[k]) : Vec3(Vec3::Zero());
      mesh.vertices.push_back((flat.sheet[k] + shift).cast<float>());
    }
  const auto face = [&](int a, int b, int c) {
    mesh.faces.push_back({{first + a, first + b, first + c}, flat.bone, index});
  };
  for (const auto& [a, b, c] : flat.triangles) {
    face(a, b, c);
    face(count + a, count + c, count + b);
  }
  for (const auto& [edge, one] : edges) {
    const auto& [a, b] = edge;
    if (edges.contains({b, a})) continue;
    face(a, count + a, b);
    face(b, count + a, count + b);
  }
}

/// A flat part as a thin closed shell: its outline on both sides, and a rim.
void addFlat(const Figure& figure, int index, SolidMesh& mesh) {
  const FigureFlat& flat = figure.flats[static_cast<size_t>(index)];
  const auto n = static_cast<int>(flat.outline.size());
  if (n < 3 || flat.thickness <= 0) return;
  if (!flat.triangles.empty()) {
    addSheet(flat, index, mesh);
    return;
  }
  Vec3 middle = Vec3::Zero();
  for (const Vec3& p : flat.outline) middle += p;
  middle /= n;
  Vec3 normal = Vec3::Zero();
  for (int k = 0; k < n; ++k)
    normal += (flat.outline[static_cast<size_t>(k)] - middle)
                  .cross(flat.outline[static_cast<size_t>((k + 1) % n)] - middle);
  if (normal.norm() < 1e-9) return;
  const Vec3 shift = normal.normalized() * flat.thickness / 2;
  const auto first = static_cast<int>(mesh.vertices.size());
  for (const double side : {1.0, -1.0}) {
    mesh.vertices.push_back((middle + side * shift).cast<float>());
    for (const Vec3& p : flat.outline) mesh.vertices.push_back((p + side * shift).cast<float>());
  }
  const int top = first + 1;
  const int under = first + n + 2;
  const auto face = [&](int a, int b, int c) { mesh.faces.push_back({{a, b, c}, flat.bone, index}); };
  for (int k = 0; k < n; ++k) {
    const int m = (k + 1) % n;
    face(first, top + k, top + m);
    face(first + n + 1, under + m, under + k);
    face(top + k, under + k, under + m);
    face(top + k, under + m, top + m);
  }
}

int rootOf(std::vector<int>& parent, int i) {
  while (parent[static_cast<size_t>(i)] != i) {
    parent[static_cast<size_t>(i)] = parent[static_cast<size_t>(parent[static_cast<size_t>(i)])];
    i = parent[static_cast<size_t>(i)];
  }
  return i;
}

} // namespace

SolidMesh solidMesh(const Figure& figure, const MeshWish& wish) {
  const Mesher mesher(figure, wish);
  const auto patches = shareOut<Patch>(
      mesher.slices(), wish.threads, [&](int i) { return mesher.slice(i); }, wish.stop, wish.progress);
  SolidMesh mesh;
  if (wish.stop && *wish.stop) return mesh;
  std::unordered_map<std::uint64_t, int> rim;
  for (const Patch& patch : patches) {
    std::vector<int> to(patch.vertices.size(), -1);
    std::unordered_map<std::uint64_t, int> next;
    for (const auto& [key, vertex] : patch.rim)
      if (const auto found = rim.find(key); found != rim.end())
        to[static_cast<size_t>(vertex)] = found->second;
    for (size_t v = 0; v < to.size(); ++v)
      if (to[v] < 0) {
        to[v] = static_cast<int>(mesh.vertices.size());
        mesh.vertices.push_back(patch.vertices[v]);
      }
    for (const auto& [key, vertex] : patch.rim) next[key] = to[static_cast<size_t>(vertex)];
    rim = std::move(next);
    for (MeshFace face : patch.faces) {
      for (int& c : face.corners) c = to[static_cast<size_t>(c)];
      mesh.faces.push_back(face);
    }
  }
  if (wish.flats == Flats::Apart && wish.depth <= 0)
    for (size_t f = 0; f < figure.flats.size(); ++f) addFlat(figure, static_cast<int>(f), mesh);
  return mesh;
}

MeshCheck checkMesh(const SolidMesh& mesh) {
  MeshCheck out;
  std::vector<std::pair<int, int>> edges;
  edges.reserve(mesh.faces.size() * 3);
  std::vector<int> parent(mesh.vertices.size());
  std::iota(parent.begin(), parent.end(), 0);
  for (const MeshFace& face : mesh.faces) {
    const Vec3 a = mesh.vertices[static_cast<size_t>(face.corners[0])].cast<double>();
    const Vec3 b = mesh.vertices[static_cast<size_t>(face.corners[1])].cast<double>();
    const Vec3 c = mesh.vertices[static_cast<size_t>(face.corners[2])].cast<double>();
    out.volume += a.dot(b.cross(c)) / 6;
    out.area += (b - a).cross(c - a).norm() / 2;
    for (size_t k = 0; k < 3; ++k) {
      const int from = face.corners[k];
      const int to = face.corners[(k + 1) % 3];
      edges.emplace_back(from, to);
      parent[static_cast<size_t>(rootOf(parent, from))] = rootOf(parent, to);
    }
  }
  std::sort(edges.begin(), edges.end());
  for (size_t i = 0; i < edges.size(); ++i) {
    const auto& [from, to] = edges[i];
    const bool twice = i + 1 < edges.size() && edges[i] == edges[i + 1];
    if (twice || from == to || !std::binary_search(edges.begin(), edges.end(), std::pair(to, from)))
      ++out.openEdges;
  }
  out.closed = out.openEdges == 0 && !mesh.faces.empty();
  std::vector<char> used(mesh.vertices.size(), 0);
  for (const MeshFace& face : mesh.faces) used[static_cast<size_t>(rootOf(parent, face.corners[0]))] = 1;
  out.shells = static_cast<int>(std::count(used.begin(), used.end(), 1));
  return out;
}

std::vector<Eigen::Vector3f> cornerNormals(const SolidMesh& mesh) {
  std::vector<Eigen::Vector3f> out(mesh.vertices.size(), Eigen::Vector3f::Zero());
  for (const MeshFace& face : mesh.faces) {
    const Eigen::Vector3f& a = mesh.vertices[static_cast<size_t>(face.corners[0])];
    const Eigen::Vector3f n = (mesh.vertices[static_cast<size_t>(face.corners[1])] - a)
                                  .cross(mesh.vertices[static_cast<size_t>(face.corners[2])] - a);
    for (const int c : face.corners) out[static_cast<size_t>(c)] += n;
  }
  for (Eigen::Vector3f& n : out)
    n = n.norm() > 0 ? Eigen::Vector3f(n.normalized()) : Eigen::Vector3f(0, 0, 1);
  return out;
}

} // namespace columna
