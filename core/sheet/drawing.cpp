#include "sheet/drawing.h"

#include "anatomy/outline.h"
#include "sheet/marks_svg.h"

#include <fmt/format.h>

#include <algorithm>
#include <cmath>
#include <numbers>

namespace columna {
namespace {

constexpr double kGap = 15;        ///< mm between views and strips
constexpr double kStripPitch = 14; ///< mm from strip to strip

struct Placed {
  View view;
  const char* name;
  Vec2 shift = Vec2::Zero();
};

std::string degrees(double radians) { return fmt::format("{:.1f}", radians * 180 / std::numbers::pi); }

void strip(Layer2d& layer, const Piece& piece, double y) {
  layer.lines.push_back({{{0, y}, {piece.cut, y}}, false});
  const auto mark = [&](double at, double up, double down) {
    layer.lines.push_back({{{at, y - down}, {at, y + up}}, false});
  };
  mark(0, 3, 3);
  mark(piece.cut, 3, 3);
  layer.texts.push_back(
      {{0, y + 4},
       3,
       fmt::format("{} {}, {:.0f} mm of {:g} mm", piece.tag, piece.name, piece.cut, piece.diameter)});
  for (const Bend& b : piece.bends) {
    if (b.fold) {
      layer.lines.push_back({{{b.at - 1.5, y + 3}, {b.at, y}, {b.at + 1.5, y + 3}}, false});
      continue;
    }
    mark(b.at, 2, 0);
    mark(b.at + b.arc, 2, 0);
    if (b.angle > 0.15) layer.texts.push_back({{b.at, y - 3.2}, 2, degrees(b.tool)});
  }
  for (const TwistZone& z : piece.twists) {
    layer.lines.push_back({{{z.from, y - 1}, {z.to, y - 1}}, false});
    mark(z.from, 0, 2);
    mark(z.to, 0, 2);
  }
}

} // namespace

Drawing wireDrawing(const Plan& plan) {
  Drawing out;
  std::vector<Placed> views{{View::Side, "side"}, {View::Front, "front"}, {View::Above, "above"}};
  double right = 0;
  double bottom = 0;
  for (Placed& v : views) {
    const auto outline = silhouette(plan.figure, v.view);
    Vec2 low(1e9, 1e9);
    Vec2 high(-1e9, -1e9);
    for (const Polygon& p : outline)
      for (const Vec2& at : p) {
        low = low.cwiseMin(at);
        high = high.cwiseMax(at);
      }
    // The front beside the side, on the same ground; the view from above below the side.
    if (v.view == View::Front)
      v.shift = {right + kGap - low.x(), 0};
    else if (v.view == View::Above)
      v.shift = {0, bottom - kGap - high.y()};
    if (v.view == View::Side) {
      right = high.x();
      bottom = low.y();
    }
    Layer2d layer{v.name, {}, {}};
    for (const Polygon& p : outline) {
      layer.lines.push_back({p, true});
      for (Vec2& at : layer.lines.back().points) at += v.shift;
    }
    if (v.view == View::Above) bottom += low.y() - high.y() - kGap;
    out.layers.push_back(std::move(layer));
  }
  double y = bottom - 2 * kGap;
  for (const Piece& piece : plan.pieces) {
    if (piece.route.size() > 1) {
      Layer2d wire{"wire-" + piece.tag, {}, {}};
      for (const Placed& v : views) {
        DrawnLine line;
        for (const int point : piece.route)
          line.points.push_back(project(plan.skeleton->points[static_cast<size_t>(point)].at, v.view) +
                                v.shift);
        wire.lines.push_back(std::move(line));
      }
      out.layers.push_back(std::move(wire));
    }
    Layer2d straight{"strip-" + piece.tag, {}, {}};
    strip(straight, piece, y);
    y -= kStripPitch;
    out.layers.push_back(std::move(straight));
  }
  out.low = {1e9, 1e9};
  out.high = {-1e9, -1e9};
  for (const Layer2d& layer : out.layers)
    for (const DrawnLine& line : layer.lines)
      for (const Vec2& at : line.points) {
        out.low = out.low.cwiseMin(at);
        out.high = out.high.cwiseMax(at);
      }
  return out;
}

std::string drawingSvg(const Drawing& d) {
  const Vec2 size = d.high - d.low + Vec2(10, 15);
  const auto x = [&](const Vec2& p) { return p.x() - d.low.x() + 5; };
  const auto y = [&](const Vec2& p) { return d.high.y() - p.y() + 10; };
  std::string out =
      fmt::format("<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n<svg xmlns=\"http://www.w3.org/2000/svg\" "
                  "width=\"{0:.3f}mm\" height=\"{1:.3f}mm\" viewBox=\"0 0 {0:.3f} {1:.3f}\">\n",
                  size.x(), size.y());
  for (const Layer2d& layer : d.layers) {
    out += fmt::format("<g id=\"{}\" fill=\"none\" stroke=\"#2E2621\" stroke-width=\"{}\">\n", layer.name,
                       layer.name.starts_with("wire") ? "0.6" : "0.25");
    for (const DrawnLine& line : layer.lines) {
      out += "<path d=\"";
      for (size_t i = 0; i < line.points.size(); ++i)
        out += fmt::format("{}{:.3f} {:.3f}", i == 0 ? "M" : "L", x(line.points[i]), y(line.points[i]));
      out += line.closed ? "Z\"/>\n" : "\"/>\n";
    }
    for (const DrawnText& text : layer.texts)
      out += fmt::format(
          "<text x=\"{:.3f}\" y=\"{:.3f}\" font-size=\"{:g}\" fill=\"#2E2621\" stroke=\"none\">{}</text>\n",
          x(text.at), y(text.at), text.height, markupText(text.words));
    out += "</g>\n";
  }
  return out + "</svg>\n";
}

std::string drawingDxf(const Drawing& d) {
  std::string out;
  const auto put = [&out](int code, const std::string& value) {
    out += fmt::format("{}\n{}\n", code, value);
  };
  const auto number = [&put](int code, double value) { put(code, fmt::format("{:.4f}", value)); };
  put(999, "millimetres");
  put(0, "SECTION");
  put(2, "HEADER");
  put(9, "$ACADVER");
  put(1, "AC1009");
  put(9, "$INSUNITS");
  put(70, "4");
  put(9, "$EXTMIN");
  number(10, d.low.x());
  number(20, d.low.y());
  put(9, "$EXTMAX");
  number(10, d.high.x());
  number(20, d.high.y());
  put(0, "ENDSEC");
  put(0, "SECTION");
  put(2, "TABLES");
  put(0, "TABLE");
  put(2, "LTYPE");
  put(70, "1");
  put(0, "LTYPE");
  put(2, "CONTINUOUS");
  put(70, "0");
  put(3, "Solid line");
  put(72, "65");
  put(73, "0");
  put(40, "0.0");
  put(0, "ENDTAB");
  put(0, "TABLE");
  put(2, "LAYER");
  put(70, std::to_string(d.layers.size()));
  int colour = 1;
  for (const Layer2d& layer : d.layers) {
    put(0, "LAYER");
    put(2, layer.name);
    put(70, "0");
    put(62, std::to_string(layer.name.starts_with("wire") ? 1 + colour++ % 6 : 7));
    put(6, "CONTINUOUS");
  }
  put(0, "ENDTAB");
  put(0, "ENDSEC");
  put(0, "SECTION");
  put(2, "ENTITIES");
  for (const Layer2d& layer : d.layers) {
    for (const DrawnLine& line : layer.lines) {
      put(0, "POLYLINE");
      put(8, layer.name);
      put(66, "1");
      number(10, 0);
      number(20, 0);
      number(30, 0);
      put(70, line.closed ? "1" : "0");
      for (const Vec2& at : line.points) {
        put(0, "VERTEX");
        put(8, layer.name);
        number(10, at.x());
        number(20, at.y());
        number(30, 0);
      }
      put(0, "SEQEND");
      put(8, layer.name);
    }
    for (const DrawnText& text : layer.texts) {
      put(0, "TEXT");
      put(8, layer.name);
      number(10, text.at.x());
      number(20, text.at.y());
      number(30, 0);
      number(40, text.height);
      put(1, text.words);
    }
  }
  put(0, "ENDSEC");
  put(0, "EOF");
  return out;
}

std::string wireCsv(const Plan& plan) {
  const auto quoted = [](const std::string& text) {
    std::string out = "\"";
    for (const char c : text) out += c == '"' ? std::string("\"\"") : std::string(1, c);
    return out + "\"";
  };
  std::string out =
      "piece,name,material,diameter_mm,cut_mm,mark,at_mm,takes_mm,angle_deg,roll_deg,tool_angle_deg,"
      "inside_radius_mm,note\n";
  for (const Piece& p : plan.pieces) {
    const std::string head =
        fmt::format("{},{},{},{:.2f},{:.1f}", p.tag, quoted(p.name), p.material, p.diameter, p.cut);
    out += head + ",cut,0.0,,,,,,\n";
    for (const Feature& f : p.features)
      if (f.kind != "bend")
        out +=
            fmt::format("{},{},{:.1f},{:.1f},,,,,{}\n", head, f.kind, f.at, f.takes, quoted(render(f.note)));
    for (const Bend& b : p.bends)
      out += fmt::format(
          "{},{},{:.1f},,{},{},{},{:.1f},{}\n", head, b.fold ? "fold" : "bend", b.at, degrees(b.angle),
          degrees(b.roll), degrees(b.tool), b.radius,
          quoted(b.point < 0 ? std::string() : plan.skeleton->points[static_cast<size_t>(b.point)].id));
  }
  return out;
}

} // namespace columna
