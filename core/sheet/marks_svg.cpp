#include "sheet/marks_svg.h"

#include <fmt/format.h>

#include <iterator>

namespace columna {
namespace {

std::string hex(Rgb c) { return fmt::format("#{:02x}{:02x}{:02x}", c.r & 0xff, c.g & 0xff, c.b & 0xff); }

void draw(std::string& out, const Mark& m) {
  const auto to = std::back_inserter(out);
  if (m.points.empty()) return;
  const Eigen::Vector2d& first = m.points.front();
  const std::string fill = m.filled ? hex(m.fill) : "none";
  switch (m.kind) {
  case Mark::Kind::Text:
    fmt::format_to(to, "<text x=\"{:.2f}\" y=\"{:.2f}\" font-size=\"{:.2f}\"{}{} fill=\"{}\">{}</text>\n",
                   first.x(), first.y(), m.size, m.bold ? " font-weight=\"600\"" : "",
                   m.align == TextAlign::Right    ? " text-anchor=\"end\""
                   : m.align == TextAlign::Centre ? " text-anchor=\"middle\""
                                                  : "",
                   hex(m.stroke), markupText(m.text));
    return;
  case Mark::Kind::Disc:
    fmt::format_to(to, "<circle cx=\"{:.2f}\" cy=\"{:.2f}\" r=\"{:.2f}\" fill=\"{}\"", first.x(), first.y(),
                   m.size, fill);
    break;
  case Mark::Kind::Picture: {
    const Eigen::Vector2d size = m.points.back() - first;
    fmt::format_to(to, "<image x=\"{:.2f}\" y=\"{:.2f}\" width=\"{:.2f}\" height=\"{:.2f}\" href=\"{}\"/>\n",
                   first.x(), first.y(), size.x(), size.y(), markupText(m.text));
    return;
  }
  case Mark::Kind::Line:
    fmt::format_to(to, "<path d=\"");
    for (size_t i = 0; i < m.points.size(); ++i)
      fmt::format_to(to, "{}{:.2f} {:.2f}", i == 0 ? "M" : "L", m.points[i].x(), m.points[i].y());
    fmt::format_to(to, "{}\" fill=\"{}\"", m.closed ? "Z" : "", fill);
    break;
  }
  if (m.width > 0) {
    fmt::format_to(to, " stroke=\"{}\" stroke-width=\"{:.2f}\"", hex(m.stroke), m.width);
    for (size_t i = 0; i < m.dash.size(); ++i)
      fmt::format_to(to, "{}{:.2f}", i == 0 ? " stroke-dasharray=\"" : " ", m.dash[i]);
    if (!m.dash.empty()) out += '"';
  }
  out += "/>\n";
}

std::string begun(double wide, double high, const std::string& title) {
  return fmt::format("<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n<svg xmlns=\"http://www.w3.org/2000/svg\" "
                     "width=\"{0:.2f}mm\" height=\"{1:.2f}mm\" viewBox=\"0 0 {0:.2f} {1:.2f}\" "
                     "font-family=\"Lato, sans-serif\" stroke-linejoin=\"round\">\n<title>{2}</title>\n",
                     wide, high, markupText(title));
}

} // namespace

std::string markupText(std::string_view text) {
  std::string out;
  for (const char c : text) switch (c) {
    case '&':
      out += "&amp;";
      break;
    case '<':
      out += "&lt;";
      break;
    case '>':
      out += "&gt;";
      break;
    case '"':
      out += "&quot;";
      break;
    default:
      // What no such file may hold stands as a gap.
      out += static_cast<unsigned char>(c) < 0x20 && c != '\n' && c != '\t' ? ' ' : c;
    }
  return out;
}

std::string marksSvg(const std::vector<Mark>& marks, double wide, double high, const std::string& title) {
  std::string out = begun(wide, high, title);
  for (const Mark& m : marks) draw(out, m);
  return out + "</svg>\n";
}

std::string pageSvg(const Page& page, const std::string& title) {
  std::string out = begun(page.width, page.height, title);
  for (const Mark& m : page.marks) draw(out, m);
  if (page.window.width > 0) {
    const Box& w = page.window;
    fmt::format_to(std::back_inserter(out),
                   "<clipPath id=\"window\"><rect x=\"{:.2f}\" y=\"{:.2f}\" width=\"{:.2f}\" "
                   "height=\"{:.2f}\"/></clipPath>\n<g clip-path=\"url(#window)\">\n",
                   w.x, w.y, w.width, w.height);
    for (const Mark& m : page.inside) draw(out, m);
    out += "</g>\n";
  }
  return out + "</svg>\n";
}

} // namespace columna
