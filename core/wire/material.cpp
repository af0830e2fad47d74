#include "wire/material.h"

#include "measure/json_text.h"
#include "measure/quantity.h"

#include <cmath>

namespace columna {
namespace {

using Json = nlohmann::json;

struct Bad {
  Problem problem;
};

double number(const Json& in, const std::string& key, const std::string& file, double low, double high) {
  if (!in.contains(key) || !in[key].is_number())
    throw Bad{{say("{} is missing or not a number", AsIs(key)), file, say("add it")}};
  const double value = in[key].get<double>();
  if (!(value >= low && value <= high))
    throw Bad{
        {say("{} is {}", AsIs(key), Number(value, Quantity::kShort)), file,
         say("give a number from {} to {}", Number(low, Quantity::kShort), Number(high, Quantity::kShort))}};
  return value;
}

std::string text(const Json& in, const std::string& key, const std::string& file) {
  if (!in.contains(key) || !in[key].is_string())
    throw Bad{{say("{} is missing or not text", AsIs(key)), file, say("add it")}};
  return in[key].get<std::string>();
}

Estimate estimate(const Json& in, const std::string& key, const std::string& file, double low, double high) {
  if (!in.contains(key) || !in[key].is_object())
    throw Bad{{say("{} is missing", AsIs(key)), file, say("give it as {{\"value\", \"low\", \"high\"}}")}};
  const Json& e = in[key];
  Estimate out{number(e, "value", file, low, high), number(e, "low", file, low, high),
               number(e, "high", file, low, high)};
  if (out.low > out.value || out.value > out.high)
    throw Bad{{say("{} lies outside its own range", AsIs(key)), file,
               say("let low be below value and high above it")}};
  return out;
}

} // namespace

Result<Material> readMaterial(std::string_view json, const std::string& file) {
  const auto root = parseJson(json, file);
  if (!root) return root.problem();
  const Json& in = *root;
  if (!in.is_object())
    return Problem{say("the text is not a material in JSON"), file,
                   say("mend it after another material's file")};
  try {
    if (text(in, "schema", file) != "columna-material/1")
      return Problem{say("schema is not one this program reads"), file,
                     say("write {}", AsIs("\"columna-material/1\""))};
    Material m;
    m.id = text(in, "id", file);
    m.name = text(in, "name", file);
    m.shortName = text(in, "short_name", file);
    m.elastic = estimate(in, "elastic_MPa", file, 1000, 1e6);
    m.poisson = number(in, "poisson", file, 0, 0.5);
    m.yield = estimate(in, "yield_MPa", file, 1, 5000);
    m.flow2 = number(in, "flow_2_percent_MPa", file, 1, 5000);
    m.flow10 = number(in, "flow_10_percent_MPa", file, 1, 5000);
    m.ultimate = number(in, "ultimate_MPa", file, 1, 5000);
    m.density = number(in, "density_g_per_cm3", file, 0.5, 25) / 1000;
    m.hardening = number(in, "hardening_exponent", file, 0, 1);
    m.bendOnce = number(in, "bend_radius_once_d", file, 0, 20);
    m.bendAgain = number(in, "bend_radius_again_d", file, 0, 20);
    const Json fatigue = in.value("strain_life", Json::object());
    m.fatigueStress = number(fatigue, "stress_MPa", file, 1, 1e5);
    m.fatigueB = number(fatigue, "b", file, -1, 0);
    m.fatigueStrain = number(fatigue, "strain", file, 0, 10);
    m.fatigueC = number(fatigue, "c", file, -2, 0);
    if (!in.contains("diameters_mm") || !in["diameters_mm"].is_array() || in["diameters_mm"].empty())
      return Problem{say("diameters_mm is missing or empty"), file,
                     say("list the sizes it is sold in, thinnest first")};
    for (const Json& d : in["diameters_mm"]) {
      if (!d.is_number() || !(d.get<double>() > 0) || d.get<double>() > 10 ||
          (!m.diameters.empty() && d.get<double>() <= m.diameters.back()))
        return Problem{say("diameters_mm is not a rising list of sizes"), file,
                       say("list them thinnest first, in mm")};
      m.diameters.push_back(d.get<double>());
    }
    if (in.contains("cover_radial_mm")) m.coverRadial = number(in, "cover_radial_mm", file, 0, 2);
    if (in.contains("piece_length_mm")) m.pieceLength = number(in, "piece_length_mm", file, 10, 5000);
    if (in.contains("stem")) {
      const Json& stem = in["stem"];
      m.strandsPerWire = static_cast<int>(number(stem, "strands", file, 1, 7));
      m.sharing = number(stem, "sharing", file, 0.1, 1);
      m.layDiameters = number(stem, "lay_d", file, 3, 50);
      m.pile = number(stem, "pile_mm", file, 0, 50);
      m.pieceLength = number(stem, "length_mm", file, 10, 5000);
      m.pieceMass = number(stem, "mass_g", file, 0.01, 100);
    }
    m.source = text(in, "source", file);
    if (in.contains("caution")) m.caution = text(in, "caution", file);
    return m;
  } catch (const Bad& bad) {
    return bad.problem;
  }
}

Said materialWords(const Material& m) {
  const Length thinnest(m.diameters.front(), Quantity::kShort);
  const Length thickest(m.diameters.back(), Quantity::kShort);
  const Length piece(m.pieceLength, Quantity::kShort);
  const Length cover(m.coverRadial, Quantity::kShort);
  const Said strength =
      say("{}: stiffness {}, yields at {} (plausibly {} to {}), breaks at {}; {}; bend it no tighter than {} "
          "times its "
          "width, {} where it is re-posed.",
          Name(m.name), Stress(m.elastic.value, 0), Stress(m.yield.value, 0), Stress(m.yield.low, 0).figure(),
          Stress(m.yield.high, 0).figure(), Stress(m.ultimate, 0), Density(m.density, 2),
          Number(m.bendOnce, Quantity::kShort), Number(m.bendAgain, Quantity::kShort));
  const Said sold = m.pieceLength > 0 && m.coverRadial > 0
                        ? say("Sold from {} to {} in lengths of {}, covered {} all round.", thinnest.figure(),
                              thickest, piece, cover)
                    : m.pieceLength > 0
                        ? say("Sold from {} to {} in lengths of {}.", thinnest.figure(), thickest, piece)
                    : m.coverRadial > 0
                        ? say("Sold from {} to {}, covered {} all round.", thinnest.figure(), thickest, cover)
                        : say("Sold from {} to {}.", thinnest.figure(), thickest);
  return together(together(strength, sold), say("Source: {}.", Name(m.source)));
}

} // namespace columna
