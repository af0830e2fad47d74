// The wire as SVG, DXF and CSV, read back.
#include "support.h"

#include "sheet/drawing.h"

#include <array>
#include <cmath>
#include <cstdlib>
#include <fstream>
#include <sstream>

using namespace columna;
using namespace columna::test;

namespace {

/// Numbers of the first path in a group.
std::vector<Vec2> path(const std::string& svg, const std::string& group, size_t which) {
  size_t at = svg.find("<g id=\"" + group + "\"");
  for (size_t i = 0; i <= which; ++i) at = svg.find(" d=\"", at) + 4;
  std::string d = svg.substr(at, svg.find('"', at) - at);
  for (char& c : d)
    if (c == 'M' || c == 'L' || c == 'Z') c = ' ';
  std::istringstream in(d);
  std::vector<Vec2> out;
  for (double x = 0, y = 0; in >> x >> y;) out.emplace_back(x, y);
  return out;
}

} // namespace

TEST(Drawing, SvgIsInMillimetres) {
  const Plan plan = planned(project("red_fox", 160));
  const std::string svg = drawingSvg(wireDrawing(plan));
  // The first piece as it runs in the side view has the skeleton's lengths.
  const Piece& piece = plan.pieces.front();
  const auto run = path(svg, "wire-A", 0);
  ASSERT_EQ(run.size(), piece.route.size());
  for (size_t i = 0; i + 1 < run.size(); ++i) {
    const Vec2 a = project(plan.skeleton->points[static_cast<size_t>(piece.route[i])].at, View::Side);
    const Vec2 b = project(plan.skeleton->points[static_cast<size_t>(piece.route[i + 1])].at, View::Side);
    EXPECT_NEAR((run[i + 1] - run[i]).norm(), (b - a).norm(), 0.003);
  }
  // Its strip is as long as its cut.
  const auto strip = path(svg, "strip-A", 0);
  EXPECT_NEAR((strip[1] - strip[0]).norm(), piece.cut, 0.003);
}

TEST(Drawing, DxfIsReadByAnotherProgram) {
  const Plan plan = planned(project("heron", 180, Construction::SpineAndCrosspieces));
  const Scratch scratch;
  const std::string file = scratch.path("wire.dxf");
  std::ofstream(file) << drawingDxf(wireDrawing(plan));
  const std::string script = scratch.path("read.py");
  std::ofstream(script) << "import sys, math\n"
                           "try:\n import ezdxf\nexcept ImportError:\n sys.exit(77)\n"
                           "doc = ezdxf.readfile(sys.argv[1])\n"
                           "for layer in doc.layers: print('layer', layer.dxf.name)\n"
                           "for line in doc.modelspace().query('POLYLINE'):\n"
                           " p = [v.dxf.location for v in line.vertices]\n"
                           " print(line.dxf.layer, sum(a.distance(b) for a, b in zip(p, p[1:])))\n";
  const std::string out = scratch.path("out.txt");
  const int code =
      std::system(("/usr/bin/python3 " + script + " " + file + " > " + out + " 2> " + out + ".err").c_str());
  if (WEXITSTATUS(code) == 77) GTEST_SKIP() << "python3-ezdxf is not installed";
  ASSERT_EQ(code, 0) << Scratch::read(out + ".err");
  std::istringstream in(Scratch::read(out));
  std::map<std::string, std::vector<double>> lengths;
  std::set<std::string> layers;
  for (std::string line; std::getline(in, line);) {
    std::istringstream words(line);
    std::string name;
    words >> name;
    if (name == "layer") {
      words >> name;
      layers.insert(name);
      continue;
    }
    double length = 0;
    words >> length;
    lengths[name].push_back(length);
  }
  for (const char* view : {"side", "front", "above"}) EXPECT_TRUE(layers.contains(view));
  for (const Piece& piece : plan.pieces) {
    ASSERT_TRUE(layers.contains("strip-" + piece.tag));
    EXPECT_NEAR(lengths["strip-" + piece.tag].front(), piece.cut, 0.001) << piece.name;
    if (piece.route.size() < 2) continue;
    double side = 0;
    for (size_t i = 0; i + 1 < piece.route.size(); ++i)
      side += (project(plan.skeleton->points[static_cast<size_t>(piece.route[i])].at, View::Side) -
               project(plan.skeleton->points[static_cast<size_t>(piece.route[i + 1])].at, View::Side))
                  .norm();
    EXPECT_NEAR(lengths["wire-" + piece.tag].front(), side, 0.01);
  }
}

TEST(Drawing, CsvHasEveryCutAndBend) {
  const Plan plan = planned(project("red_fox", 160, Construction::FoldedPair));
  std::istringstream in(wireCsv(plan));
  std::string line;
  std::getline(in, line);
  const auto columns = std::count(line.begin(), line.end(), ',');
  size_t cuts = 0;
  size_t bends = 0;
  while (std::getline(in, line)) {
    std::string bare; // commas within quotes do not count
    bool quoted = false;
    for (const char c : line) {
      if (c == '"') quoted = !quoted;
      if (!quoted) bare += c;
    }
    EXPECT_EQ(std::count(bare.begin(), bare.end(), ','), columns) << line;
    cuts += line.find(",cut,") != std::string::npos ? 1 : 0;
    bends += line.find(",bend,") != std::string::npos || line.find(",fold,0") != std::string::npos ? 1 : 0;
  }
  size_t wanted = 0;
  for (const Piece& piece : plan.pieces)
    wanted += static_cast<size_t>(
        std::count_if(piece.bends.begin(), piece.bends.end(), [](const Bend& b) { return !b.fold; }));
  EXPECT_EQ(cuts, plan.pieces.size());
  EXPECT_GE(bends, wanted);
}
