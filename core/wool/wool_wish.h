// What the maker settles of the wool: what is at hand, its colours, how firm their own felt comes out,
// markings and fur, and what they measured on the way.
#pragma once

#include "anatomy/outline.h"
#include "anatomy/pattern.h"

#include <optional>
#include <string>
#include <vector>

namespace columna {

/// How wool comes.
enum class WoolForm { Batt, Sliver, Top, Roving };
/// How dark a wool is.
enum class Tone { Pale, Mid, Dark };
/// What holds wool on bare wire.
enum class WireGrip { None, Sleeve, Paper, Wax };
/// How the coat is made: laid in thin layers and felted; the same brushed up; yarn laid in lengths and combed
/// out; fur, or feathers, in rows like roof tiles.
enum class CoatFinish { Felted, Brushed, Yarn, Fur, Feathers };
/// What a part may be built on instead of core wool.
enum class ReadyKind { Ball, Foam, Stuffing, OldCore };
/// Whether a part has a core under its coat.
enum class CoatWay { Advised, CoreAndCoat, AllCoat };

/// A ball felted and weighed by the maker.
struct TestBall {
  double diameter = 0; ///< mm, the mean of those measured
  double grams = 0;
  Firmness firmness = Firmness::Medium;
  std::vector<double> measured{}; ///< mm, as they were read, three ways across; may be empty
  [[nodiscard]] bool operator==(const TestBall&) const = default;
};

/// One wool at hand.
struct WoolStock {
  WoolForm form = WoolForm::Sliver;
  std::optional<double> linear; ///< g/mm as weighed: "1 m of it weighs ..."
  std::optional<double> staple; ///< mm
  std::optional<Tone> tone;     ///< unknown until the maker says; a middle one is reckoned with
  [[nodiscard]] bool operator==(const WoolStock&) const = default;
  [[nodiscard]] Tone shown() const { return tone.value_or(Tone::Mid); }
};

/// A core that is there already, an egg of its three diameters, set into a part.
struct ReadyCore {
  std::string limb; ///< figure limb id
  ReadyKind kind = ReadyKind::Ball;
  double length = 40, across = 40, deep = 40; ///< mm: along the part, across it, deep (5-400)
  double grams = 0;                           ///< of it whole (0-2000)
  double at = 0.5;                            ///< where its middle lies along the part, 0..1
  [[nodiscard]] bool operator==(const ReadyCore&) const = default;
};

/// An area of the coat in another colour, drawn on a view. Places are in modules, so that it stays where it
/// is when the size changes.
struct Marking {
  std::string name;
  Tone tone = Tone::Pale;
  View view = View::Side;
  std::vector<Vec2> outline;
  bool both = true; ///< on the other side too
  std::string limb; ///< only on that limb's family; empty for all
  [[nodiscard]] bool operator==(const Marking&) const = default;
};

/// Something measured while the work goes on.
struct WrapRecord {
  std::string limb; ///< figure limb id
  enum class What { Girth, Left } what = What::Girth;
  double along = 0;   ///< mm from the root, of a girth
  double value = 0;   ///< mm, or g of the part's wool that is left
  std::string moment; ///< "felted" or "finished" of a girth
  std::string date;   ///< "2026-11-25"
  [[nodiscard]] bool operator==(const WrapRecord&) const = default;
};

struct WoolWish {
  std::optional<TestBall> ball;
  WoolStock core{WoolForm::Sliver, {}, {}, Tone::Pale}; ///< core wool is undyed as a rule
  WoolStock coat{WoolForm::Top, {}, {}, {}};
  WireGrip grip = WireGrip::None;
  CoatFinish finish = CoatFinish::Felted;
  std::optional<double> furShown; ///< mm of fur, feather or yarn to be seen; none without
  std::vector<ReadyCore> ready;   ///< one a part at most
  std::vector<Marking> markings;
  std::vector<WrapRecord> records;

  [[nodiscard]] bool operator==(const WoolWish&) const = default;
};

[[nodiscard]] std::string_view word(WoolForm form);
[[nodiscard]] std::string_view word(Tone tone);
[[nodiscard]] std::string_view word(WireGrip grip);
[[nodiscard]] std::string_view word(CoatWay way);
[[nodiscard]] std::string_view word(CoatFinish finish);
[[nodiscard]] std::string_view word(ReadyKind kind);
[[nodiscard]] std::optional<WoolForm> woolForm(std::string_view word);
[[nodiscard]] std::optional<Tone> toneOf(std::string_view word);
[[nodiscard]] std::optional<WireGrip> gripOf(std::string_view word);
[[nodiscard]] std::optional<CoatWay> coatWay(std::string_view word);
[[nodiscard]] std::optional<CoatFinish> coatFinish(std::string_view word);
[[nodiscard]] std::optional<ReadyKind> readyKind(std::string_view word);
/// Whether it is laid in rows of a shown length.
[[nodiscard]] constexpr bool inRows(CoatFinish finish) {
  return finish == CoatFinish::Yarn || finish == CoatFinish::Fur || finish == CoatFinish::Feathers;
}

} // namespace columna
