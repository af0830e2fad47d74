#include "stores/store_kind.h"

#include "words/said.h"

namespace columna {
namespace {

struct KindRow {
  std::string_view id;
  StoreFamily family;
  StoreUnit unit;
};

constexpr std::array<KindRow, kStoreKinds> kKinds{{{"core_batt", StoreFamily::Wool, StoreUnit::Milligram},
                                                   {"sliver", StoreFamily::Wool, StoreUnit::Milligram},
                                                   {"top", StoreFamily::Wool, StoreUnit::Milligram},
                                                   {"locks", StoreFamily::Wool, StoreUnit::Milligram},
                                                   {"roving", StoreFamily::Wool, StoreUnit::Milligram},
                                                   {"yarn", StoreFamily::Wool, StoreUnit::Milligram},
                                                   {"prefelt", StoreFamily::Wool, StoreUnit::Milligram},
                                                   {"recycled_core", StoreFamily::Wool, StoreUnit::Milligram},
                                                   {"coil", StoreFamily::Wire, StoreUnit::Micrometre},
                                                   {"straight", StoreFamily::Wire, StoreUnit::Piece},
                                                   {"pipe_cleaner", StoreFamily::Wire, StoreUnit::Piece},
                                                   {"eye", StoreFamily::Eye, StoreUnit::Piece},
                                                   {"needle", StoreFamily::Needle, StoreUnit::Piece},
                                                   {"glue", StoreFamily::Sundry, StoreUnit::Milligram},
                                                   {"wax", StoreFamily::Sundry, StoreUnit::Milligram},
                                                   {"clay", StoreFamily::Sundry, StoreUnit::Milligram},
                                                   {"paint", StoreFamily::Sundry, StoreUnit::Milligram},
                                                   {"thread", StoreFamily::Sundry, StoreUnit::Micrometre},
                                                   {"cloth", StoreFamily::Sundry, StoreUnit::Piece},
                                                   {"other", StoreFamily::Sundry, StoreUnit::Piece}}};

const KindRow& rowOf(StoreKind kind) { return kKinds[static_cast<size_t>(kind)]; }

} // namespace

std::string_view id(StoreKind kind) { return rowOf(kind).id; }
StoreFamily familyOf(StoreKind kind) { return rowOf(kind).family; }
StoreUnit unitOf(StoreKind kind) { return rowOf(kind).unit; }

std::string_view name(StoreKind kind) {
  switch (kind) {
  case StoreKind::CoreBatt:
    return named("core batt");
  case StoreKind::Sliver:
    return named("sliver");
  case StoreKind::Top:
    return named("combed top");
  case StoreKind::Locks:
    return named("locks");
  case StoreKind::Roving:
    return named("roving");
  case StoreKind::Yarn:
    return named("yarn");
  case StoreKind::Prefelt:
    return named("prefelt");
  case StoreKind::RecycledCore:
    return named("old core wool");
  case StoreKind::Coil:
    return named("coil of wire");
  case StoreKind::Straight:
    return named("straight wire");
  case StoreKind::PipeCleaner:
    return named("pipe cleaner");
  case StoreKind::Eye:
    return named("eye");
  case StoreKind::Needle:
    return named("needle");
  case StoreKind::Glue:
    return named("glue");
  case StoreKind::Wax:
    return named("wax");
  case StoreKind::Clay:
    return named("clay");
  case StoreKind::Paint:
    return named("paint");
  case StoreKind::Thread:
    return named("thread");
  case StoreKind::Cloth:
    return named("cloth");
  case StoreKind::Other:
    break;
  }
  return named("something else");
}

std::optional<StoreKind> storeKind(std::string_view id) {
  for (size_t i = 0; i < kKinds.size(); ++i)
    if (kKinds[i].id == id) return static_cast<StoreKind>(i);
  return std::nullopt;
}

std::int64_t mostOf(StoreUnit unit) {
  return unit == StoreUnit::Milligram    ? 100'000'000
         : unit == StoreUnit::Micrometre ? 10'000'000'000
                                         : 1'000'000;
}

std::string_view unitName(StoreUnit unit) {
  return unit == StoreUnit::Milligram ? "g" : unit == StoreUnit::Micrometre ? "m" : "pc";
}

double unitsIn(StoreUnit unit) {
  return unit == StoreUnit::Milligram ? 1000 : unit == StoreUnit::Micrometre ? 1'000'000 : 1;
}

} // namespace columna
