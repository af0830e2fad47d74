// How limbs can be held where they leave the body.
#include "wire/construction.h"

namespace columna {
namespace {

constexpr std::array<std::string_view, 5> kHoldIds{"lashed", "glued", "through", "thread", "skewer"};

} // namespace

std::string_view id(RootHold hold) { return kHoldIds[static_cast<size_t>(hold)]; }

std::optional<RootHold> rootHold(std::string_view id) {
  for (const RootHold hold : kRootHolds)
    if (columna::id(hold) == id) return hold;
  return std::nullopt;
}

std::vector<RootHold> holdsFor(const FigureLimb& limb) {
  switch (limb.kind) {
  case LimbKind::Leg:
  case LimbKind::Arm:
  case LimbKind::Wing:
    if (limb.twin >= 0) return {kRootHolds.begin(), kRootHolds.end()};
    return {RootHold::Lashed, RootHold::Glued, RootHold::Skewer};
  case LimbKind::Tail:
    return {RootHold::Lashed, RootHold::Glued, RootHold::Skewer};
  case LimbKind::Trunk:
  case LimbKind::Neck:
  case LimbKind::Head:
  case LimbKind::Digits:
    return {};
  default:
    return {RootHold::Lashed, RootHold::Glued};
  }
}

} // namespace columna
