#include "wool/wool_wish.h"

#include "words/said.h"

#include <array>

namespace columna {
namespace {

constexpr std::array<std::string_view, 4> kForms{named("batt"), named("carded sliver"), named("combed top"),
                                                 named("roving")};
constexpr std::array<std::string_view, 3> kTones{named("pale"), named("mid"), named("dark")};
constexpr std::array<std::string_view, 4> kGrips{named("none"), named("sleeve"), named("paper"),
                                                 named("wax")};
constexpr std::array<std::string_view, 3> kWays{named("advised"), named("core and coat"), named("all coat")};
constexpr std::array<std::string_view, 5> kFinishes{named("felted"), named("brushed"), named("yarn"),
                                                    named("fur"), named("feathers")};
constexpr std::array<std::string_view, 4> kReady{named("felted ball"), named("foam egg"), named("stuffing"),
                                                 named("old core")};

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
