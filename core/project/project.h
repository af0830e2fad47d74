// A project: what the maker decided, as plain values. It knows no screen and no sums; plan() makes everything
// from it.
#pragma once

#include "anatomy/made_parts.h"
#include "anatomy/sizing.h"
#include "anatomy/trace.h"
#include "hold/loads.h"
#include "measure/quantity.h"
#include "wire/construction.h"

#include <nlohmann/json.hpp>

#include <map>
#include <optional>
#include <set>
#include <string>

namespace columna {

/// What the maker settled for one limb beyond what the sums propose.
struct LimbChoice {
  std::optional<std::string> material; ///< id
  std::optional<double> diameter;      ///< mm
  std::optional<Firmness> firmness;

  [[nodiscard]] bool empty() const { return !material && !diameter && !firmness; }
};

inline constexpr size_t kMostPhotos = 3;

struct Project {
  std::string name = "Untitled";
  std::string pattern = "river_otter";
  Sizing size;
  Construction construction = Construction::TwistedLimbs;
  std::string material = "aluminium-annealed";
  Use use = Use::Shelf;
  UnitSystem units = UnitSystem::Metric;
  Shape shape;                             ///< what is changed of the animal's proportions
  std::vector<MadePart> made;              ///< parts that are made, as measured
  std::vector<Photo> photos;               ///< up to kMostPhotos, one a view
  std::optional<double> coat;              ///< mm; the pattern's own when not set
  std::map<std::string, LimbChoice> limbs; ///< by figure limb id
  std::set<std::string> untied;            ///< pairs ("foreleg") whose sides the maker changes apart
  nlohmann::json unknown = nlohmann::json::object(); ///< the file as read, so that keys of others survive

  /// Changes a limb's choice, and its twin's with it unless the pair is untied.
  template <class Change>
  void change(const Figure& figure, int limb, Change&& change) {
    const FigureLimb& l = figure.limbs[static_cast<size_t>(limb)];
    const auto apply = [&](const std::string& limbId) {
      LimbChoice& choice = limbs[limbId];
      change(choice);
      if (choice.empty()) limbs.erase(limbId);
    };
    apply(l.id);
    if (l.twin >= 0 && !untied.contains(l.family)) apply(figure.limbs[static_cast<size_t>(l.twin)].id);
  }
};

/// The project as the JSON of docs/schema/project.schema.json, unknown keys of the file it came from kept.
[[nodiscard]] nlohmann::json toJson(const Project& project);

/// Shape, made parts and photos of a project, to and from its JSON (used by the two above).
void studyToJson(const Project& project, nlohmann::json& out);
/// Errors name the field.
[[nodiscard]] std::optional<Problem> studyFromJson(const nlohmann::json& in, const std::string& file,
                                                   Project& project);

/// A project from its JSON. Errors name the field: a missing or mistyped one, a size no figure can have, an
/// unknown construction, use or firmness. Pattern and material ids are checked when planning. `newer` is set
/// when the schema is later than this program's; what is known is read all the same.
[[nodiscard]] Result<Project> projectFromJson(const nlohmann::json& json, const std::string& file,
                                              bool& newer);

} // namespace columna
