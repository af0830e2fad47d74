#include "turn/mesh.h"

#include <Eigen/Geometry>

#include <algorithm>
#include <cmath>
#include <numbers>
#include <set>

namespace columna {
namespace {

using V3f = Eigen::Vector3f;

class Builder {
public:
  explicit Builder(int sides) : sides_(std::clamp(sides, 6, 64)) {
    for (int k = 0; k < sides_; ++k) {
      const double a = 2 * std::numbers::pi * k / sides_;
      turn_.emplace_back(std::cos(a), std::sin(a));
    }
  }

  int ring(const Ring& r) {
    const int first = static_cast<int>(out.vertices.size());
    const double ru = std::max(r.ru, 1e-3);
    const double rv = std::max(r.rv, 1e-3);
    for (const auto& [c, s] : turn_) {
      const Vec3 at = r.centre + c * r.ru * r.u + s * r.rv * r.v;
      const Vec3 normal = (c / ru * r.u + s / rv * r.v).normalized();
      out.vertices.push_back({at.cast<float>(), normal.cast<float>()});
    }
    return first;
  }

  void band(int a, int b, QRgb colour, int limb) {
    for (int k = 0; k < sides_; ++k) {
      const int n = (k + 1) % sides_;
      out.triangles.push_back({{a + k, b + k, b + n}, colour, limb});
      out.triangles.push_back({{a + k, b + n, a + n}, colour, limb});
    }
  }

  void cap(int ring, const Vec3& centre, const Vec3& outwards, QRgb colour, int limb) {
    const int middle = static_cast<int>(out.vertices.size());
    out.vertices.push_back({centre.cast<float>(), outwards.cast<float>()});
    for (int k = 0; k < sides_; ++k)
      out.triangles.push_back({{middle, ring + k, ring + (k + 1) % sides_}, colour, limb});
  }

  void tube(const Tube& tube, const Figure& figure, const std::vector<QRgb>& colours) {
    if (tube.rings.size() < 2) return;
    int last = ring(tube.rings.front());
    const auto limbOf = [&](size_t slab) {
      return figure.bones[static_cast<size_t>(tube.slabBone[slab])].limb;
    };
    const auto colourOf = [&](int limb) { return colours[static_cast<size_t>(limb)]; };
    cap(last, tube.rings.front().centre, -tube.rings.front().normal, colourOf(limbOf(0)), limbOf(0));
    for (size_t i = 1; i < tube.rings.size(); ++i) {
      const int next = ring(tube.rings[i]);
      const int limb = limbOf(i - 1);
      band(last, next, colourOf(limb), limb);
      last = next;
    }
    const int end = limbOf(tube.slabBone.size() - 1);
    cap(last, tube.rings.back().centre, tube.rings.back().normal, colourOf(end), end);
  }

  void sheet(const FigureFlat& f, QRgb colour, int limb) {
    std::vector<Vec3> normals(f.sheet.size(), Vec3::Zero());
    for (const auto& [a, b, c] : f.triangles) {
      const Vec3& from = f.sheet[static_cast<size_t>(a)];
      const Vec3 n = (f.sheet[static_cast<size_t>(b)] - from).cross(f.sheet[static_cast<size_t>(c)] - from);
      for (const int p : {a, b, c}) normals[static_cast<size_t>(p)] += n;
    }
    for (const double side : {1.0, -1.0}) {
      const int first = static_cast<int>(out.vertices.size());
      for (size_t k = 0; k < f.sheet.size(); ++k) {
        const Vec3 n = side * normals[k].normalized();
        out.vertices.push_back({(f.sheet[k] + f.thickness / 2 * n).cast<float>(), n.cast<float>()});
      }
      for (const auto& [a, b, c] : f.triangles)
        out.triangles.push_back({{first + a, first + b, first + c}, colour, limb});
    }
  }

  void flat(const FigureFlat& f, const Figure& figure, const std::vector<QRgb>& colours) {
    if (!f.triangles.empty()) {
      const int limb = figure.bones[static_cast<size_t>(f.bone)].limb;
      sheet(f, colours[static_cast<size_t>(limb)], limb);
      return;
    }
    if (f.outline.size() < 3) return;
    Vec3 middle = Vec3::Zero();
    for (const Vec3& p : f.outline) middle += p;
    middle /= static_cast<double>(f.outline.size());
    Vec3 normal = Vec3::Zero();
    for (size_t k = 0; k < f.outline.size(); ++k)
      normal += (f.outline[k] - middle).cross(f.outline[(k + 1) % f.outline.size()] - middle);
    if (normal.norm() < 1e-9) return;
    normal.normalize();
    const int limb = figure.bones[static_cast<size_t>(f.bone)].limb;
    const QRgb colour = colours[static_cast<size_t>(limb)];
    std::array<int, 2> rims{};
    for (const int side : {0, 1}) {
      const Vec3 n = side == 0 ? normal : Vec3(-normal);
      const Vec3 shift = n * f.thickness / 2;
      const int centre = static_cast<int>(out.vertices.size());
      out.vertices.push_back({(middle + shift).cast<float>(), n.cast<float>()});
      rims[static_cast<size_t>(side)] = centre + 1;
      for (const Vec3& p : f.outline) out.vertices.push_back({(p + shift).cast<float>(), n.cast<float>()});
      const int count = static_cast<int>(f.outline.size());
      for (int k = 0; k < count; ++k)
        out.triangles.push_back({{centre, centre + 1 + k, centre + 1 + (k + 1) % count}, colour, limb});
    }
    const int count = static_cast<int>(f.outline.size());
    for (int k = 0; k < count; ++k) {
      const int n = (k + 1) % count;
      out.triangles.push_back({{rims[0] + k, rims[1] + k, rims[1] + n}, colour, limb});
      out.triangles.push_back({{rims[0] + k, rims[1] + n, rims[0] + n}, colour, limb});
    }
  }

  void rod(const Vec3& a, const Vec3& b, double radius, QRgb colour, int limb) {
    const Vec3 along = b - a;
    if (along.norm() < 1e-6) return;
    Ring r;
    r.normal = along.normalized();
    r.u = r.normal.unitOrthogonal();
    r.v = r.normal.cross(r.u);
    r.ru = r.rv = radius;
    r.centre = a;
    const int first = ring(r);
    r.centre = b;
    const int second = ring(r);
    band(first, second, colour, limb);
    cap(first, a, -r.normal, colour, limb);
    cap(second, b, r.normal, colour, limb);
  }

  Mesh out;

private:
  int sides_;
  std::vector<std::pair<double, double>> turn_;
};

} // namespace

Mesh woolMesh(const Figure& figure, int sides, const std::vector<QRgb>& colours) {
  Builder builder(sides);
  for (const Tube& tube : figure.tubes) builder.tube(tube, figure, colours);
  for (const FigureFlat& f : figure.flats) builder.flat(f, figure, colours);
  return std::move(builder.out);
}

Mesh solidAsMesh(const Figure& figure, const SolidMesh& solid,
                 const std::function<QRgb(const MeshPlace&)>& colourOf) {
  Mesh out;
  const std::vector<V3f> normals = cornerNormals(solid);
  out.vertices.reserve(solid.vertices.size());
  for (size_t v = 0; v < solid.vertices.size(); ++v) out.vertices.push_back({solid.vertices[v], normals[v]});
  out.triangles.reserve(solid.faces.size());
  for (const MeshFace& face : solid.faces) {
    const int limb = figure.bones[static_cast<size_t>(face.bone)].limb;
    V3f middle = V3f::Zero();
    V3f normal = V3f::Zero();
    for (const int c : face.corners) {
      middle += solid.vertices[static_cast<size_t>(c)] / 3;
      normal += normals[static_cast<size_t>(c)];
    }
    out.triangles.push_back(
        {face.corners, colourOf({middle.cast<double>(), normal.cast<double>(), face.bone, face.flat}), limb});
  }
  return out;
}

Mesh wireMesh(const Plan& plan, int sides, const std::vector<QRgb>& colours) {
  Builder builder(sides);
  for (size_t i = 0; i < plan.pieces.size(); ++i) {
    const Piece& piece = plan.pieces[i];
    if (piece.limbs.empty()) continue;
    double width = piece.diameter;
    for (const int l : piece.limbs)
      width = std::max(width, plan.limbs[static_cast<size_t>(l)].section.bundle());
    std::set<std::pair<int, int>> seen; // a doubled wire is one rod
    for (size_t k = 0; k + 1 < piece.route.size(); ++k) {
      const auto pair = std::minmax(piece.route[k], piece.route[k + 1]);
      if (!seen.insert(pair).second) continue;
      builder.rod(plan.skeleton->points[static_cast<size_t>(pair.first)].at,
                  plan.skeleton->points[static_cast<size_t>(pair.second)].at, width / 2, colours[i],
                  piece.limbs.front());
    }
  }
  return std::move(builder.out);
}

} // namespace columna
