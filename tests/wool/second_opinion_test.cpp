// A second opinion on a whole animal by a library of exact mesh booleans: every tube as a closed polyhedron
// of its own, all of them united, and the volume of the union.
#include "solid/solid.h"
#include "support.h"

#include <CGAL/Exact_predicates_inexact_constructions_kernel.h>
#include <CGAL/Polygon_mesh_processing/corefinement.h>
#include <CGAL/Polygon_mesh_processing/measure.h>
#include <CGAL/Surface_mesh.h>

#include <cmath>

using namespace columna;
using namespace columna::test;

namespace {

using Kernel = CGAL::Exact_predicates_inexact_constructions_kernel;
using Mesh = CGAL::Surface_mesh<Kernel::Point_3>;

/// A tube as the field has it: straight slabs between its rings, and its rounded ends as half ellipsoids.
Mesh polyhedron(const Tube& tube) {
  constexpr int sides = 96;
  constexpr int steps = 24;
  Mesh mesh;
  std::vector<std::vector<Mesh::Vertex_index>> rings;
  const auto add = [&](const Ring& r) {
    auto& ring = rings.emplace_back();
    for (int k = 0; k < sides; ++k) {
      const double a = 2 * M_PI * k / sides;
      const Vec3 p = r.centre + std::cos(a) * r.ru * r.u + std::sin(a) * r.rv * r.v;
      ring.push_back(mesh.add_vertex({p.x(), p.y(), p.z()}));
    }
  };
  const auto end = [&](const Ring& rim, double depth, bool last) {
    for (int k = 1; k < steps; ++k) {
      const double angle = (last ? k : steps - k) * M_PI / 2 / steps;
      Ring r = rim;
      r.centre += rim.normal * depth * std::sin(angle) * (last ? 1 : -1);
      r.ru *= std::cos(angle);
      r.rv *= std::cos(angle);
      add(r);
    }
  };
  const auto first = static_cast<size_t>(tube.capSlabs);
  const size_t last = tube.rings.size() - 1 - static_cast<size_t>(tube.capSlabs);
  end(tube.rings[first], tube.capBegin, false);
  for (size_t i = first; i <= last; ++i) add(tube.rings[i]);
  end(tube.rings[last], tube.capEnd, true);
  const Vec3 a = tube.rings[first].centre - tube.rings[first].normal * tube.capBegin;
  const Vec3 b = tube.rings[last].centre + tube.rings[last].normal * tube.capEnd;
  const auto tipA = mesh.add_vertex({a.x(), a.y(), a.z()});
  const auto tipB = mesh.add_vertex({b.x(), b.y(), b.z()});
  for (int k = 0; k < sides; ++k) {
    const auto n = static_cast<size_t>((k + 1) % sides);
    const auto i = static_cast<size_t>(k);
    mesh.add_face(tipA, rings.front()[i], rings.front()[n]);
    mesh.add_face(tipB, rings.back()[n], rings.back()[i]);
    for (size_t r = 0; r + 1 < rings.size(); ++r) {
      mesh.add_face(rings[r][i], rings[r + 1][i], rings[r + 1][n]);
      mesh.add_face(rings[r][i], rings[r + 1][n], rings[r][n]);
    }
  }
  return mesh;
}

} // namespace

TEST(SecondOpinion, BooleansOfPolyhedraAgreeOnAWholeAnimal) {
  namespace pmp = CGAL::Polygon_mesh_processing;
  Pattern fox = *shelf().pattern("red_fox");
  fox.head.reset(); // tubes alone
  const Figure f = makeFigure(fox, {SizeBy::OverallHeight, 160}).value();
  Mesh all;
  for (const Tube& tube : f.tubes) {
    Mesh one = polyhedron(tube);
    if (pmp::volume(one) < 0) pmp::reverse_face_orientations(one);
    if (all.is_empty()) {
      all = std::move(one);
      continue;
    }
    Mesh sum;
    ASSERT_TRUE(pmp::corefine_and_compute_union(all, one, sum));
    all = std::move(sum);
  }
  SolidWish wish;
  wish.cell = 1;
  const BodySolid solid = bodySolid(f, wish);
  // Prisms of 96 sides are short of round by 0.07 %.
  const double round = 2 * M_PI / 96 / std::sin(2 * M_PI / 96);
  EXPECT_NEAR((solid.core + solid.coat) / (CGAL::to_double(pmp::volume(all)) * round), 1, 2e-3);
}
