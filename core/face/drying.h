// What has to dry, set or cool before the work goes on: glues, clay, wax, colour. The label of the product
// goes before all of it.
#pragma once

#include "head/head_pattern.h"
#include "measure/result.h"
#include "words/said.h"

#include <string>
#include <string_view>
#include <vector>

namespace columna {

struct Drying {
  std::string id;
  std::string name;         ///< "white or tacky glue"
  bool glue = false;        ///< parts are set with it
  Vec2 handle = Vec2(0, 0); ///< hours, from and to, until it can be touched
  Vec2 load = Vec2(0, 0);   ///< and until it holds
  std::string caution;      ///< empty without any
  std::string source;       ///< where the hours come from
};

struct DryingTimes {
  std::vector<Drying> all;

  /// The one of that id; null for none.
  [[nodiscard]] const Drying* find(std::string_view id) const;
};

/// From data/work/drying.json. Errors name the file and the field: one missing or mistyped, without a source,
/// hours that fall, the same id twice, no glue at all.
[[nodiscard]] Result<DryingTimes> readDrying(std::string_view json, const std::string& file);

/// "12 to 24 h", "1 to 2 min".
[[nodiscard]] Said hoursWords(const Vec2& hours);
/// "touch it after 0.5 to 1 h, load it after 12 to 24 h".
[[nodiscard]] Said dryingWords(const Drying& drying);

} // namespace columna
