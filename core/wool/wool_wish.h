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
  Tone tone = Tone::Pale;
  [[nodiscard]] bool operator==(const WoolStock&) const = default;
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
  WoolStock core, coat{WoolForm::Top, {}, {}, Tone::Pale};
  WireGrip grip = WireGrip::None;
  std::optional<double> furShown; ///< mm of fur to be seen; nothing for a coat without fur
  std::vector<Marking> markings;
  std::vector<WrapRecord> records;

  [[nodiscard]] bool operator==(const WoolWish&) const = default;
};

[[nodiscard]] std::string_view word(WoolForm form);
[[nodiscard]] std::string_view word(Tone tone);
[[nodiscard]] std::string_view word(WireGrip grip);
[[nodiscard]] std::string_view word(CoatWay way);
[[nodiscard]] std::optional<WoolForm> woolForm(std::string_view word);
[[nodiscard]] std::optional<Tone> toneOf(std::string_view word);
[[nodiscard]] std::optional<WireGrip> gripOf(std::string_view word);
[[nodiscard]] std::optional<CoatWay> coatWay(std::string_view word);

} // namespace columna
