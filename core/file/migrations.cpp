#include "file/migrations.h"

#include <nlohmann/json.hpp>

#include <array>

namespace columna {
namespace {

using Json = nlohmann::json;

/// 1 to 2: before coats had a finish, a length to be shown meant fur.
void finishOfShownFur(Json& project) {
  const auto wool = project.find("wool");
  if (wool == project.end() || !wool->is_object()) return;
  if (wool->contains("fur_shown_mm") && !wool->contains("coat_finish")) (*wool)["coat_finish"] = "fur";
}

/// Step k takes version k + 1 to k + 2.
constexpr std::array kSteps{finishOfShownFur};
static_assert(kSteps.size() + 1 == kProjectVersion);

} // namespace

void migrate(Json& project, int from) {
  if (!project.is_object()) return;
  for (int version = from; version >= 1 && version < kProjectVersion; ++version)
    kSteps[static_cast<size_t>(version - 1)](project);
}

} // namespace columna
