// A data file that is one table of fields with a schema of its own: read, checked as a whole, or refused in
// one sentence.
#pragma once

#include "measure/field_reader.h"
#include "measure/json_text.h"
#include "measure/result.h"

#include <fmt/format.h>

#include <string>
#include <string_view>

namespace columna {

/// `check(out, reader)` says what single fields cannot, by reader.fail(). Errors name the file and the field;
/// first of all a file that is not of `schema`.
template <class Out, class Check>
[[nodiscard]] Result<Out> readTableFile(std::string_view json, const std::string& file,
                                        std::string_view schema, const Check& check) {
  auto root = parseJson(json, file);
  if (!root) return root.problem();
  const FieldReader reader(file, say("add it"));
  try {
    if (!root->is_object() || textOr(*root, "schema") != schema)
      reader.fail("schema", say("is not the one that is read here"),
                  say("write {}", AsIs(fmt::format("\"{}\"", schema))));
    Out out;
    reader.read(*root, "", out);
    check(out, reader);
    return out;
  } catch (const FieldReader::Bad& bad) {
    return bad.problem;
  }
}

} // namespace columna
