#include "wool/wool_wish.h"

#include <array>

namespace columna {
namespace {

constexpr std::array<std::string_view, 4> kForms{"batt", "carded sliver", "combed top", "roving"};
constexpr std::array<std::string_view, 3> kTones{"pale", "mid", "dark"};
constexpr std::array<std::string_view, 4> kGrips{"none", "sleeve", "paper", "wax"};
constexpr std::array<std::string_view, 3> kWays{"advised", "core and coat", "all coat"};
constexpr std::array<std::string_view, 5> kFinishes{"felted", "brushed", "yarn", "fur", "feathers"};
constexpr std::array<std::string_view, 4> kReady{"felted ball", "foam egg", "stuffing", "old core"};

template <class Value, size_t N>
std::optional<Value> among(const std::array<std::string_view, N>& words, std::string_view word) {
  for (size_t i = 0; i < N; ++i)
    if (words[i] == word) return static_cast<Value>(i);
  return std::nullopt;
}

} // namespace

std::string_view word(WoolForm form) { return kForms[static_cast<size_t>(form)]; }
std::string_view word(Tone tone) { return kTones[static_cast<size_t>(tone)]; }
std::string_view word(WireGrip grip) { return kGrips[static_cast<size_t>(grip)]; }
std::string_view word(CoatWay way) { return kWays[static_cast<size_t>(way)]; }
std::string_view word(CoatFinish finish) { return kFinishes[static_cast<size_t>(finish)]; }
std::string_view word(ReadyKind kind) { return kReady[static_cast<size_t>(kind)]; }
std::optional<WoolForm> woolForm(std::string_view word) { return among<WoolForm>(kForms, word); }
std::optional<Tone> toneOf(std::string_view word) { return among<Tone>(kTones, word); }
std::optional<WireGrip> gripOf(std::string_view word) { return among<WireGrip>(kGrips, word); }
std::optional<CoatWay> coatWay(std::string_view word) { return among<CoatWay>(kWays, word); }
std::optional<CoatFinish> coatFinish(std::string_view word) { return among<CoatFinish>(kFinishes, word); }
std::optional<ReadyKind> readyKind(std::string_view word) { return among<ReadyKind>(kReady, word); }

} // namespace columna
