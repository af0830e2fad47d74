// What a scale or callipers say, line by line: "[+|-]digits[.|,digits] unit [?]", where "?" means that it
// still moves; "---- g" is over or under its range, "# ..." is for people. Lines end with LF, CR or both.
// That is what simple instruments have in common, not the protocol of one of them.
#pragma once

#include <cstdint>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

namespace columna {

struct Reading {
  enum class Of { Weight, Span } of = Of::Weight;
  std::optional<double> value; ///< g or mm; nothing when it is over or under its range
  bool moving = false;         ///< it says itself that it has not come to rest
  double step = 0;             ///< g or mm: the smallest it shows
  std::int64_t at = 0;         ///< ms, when its line ended
};

/// Where in a line another instrument has its number: columns from 0, the last one not included.
struct OwnLine {
  size_t from = 0, to = 0;
  std::string unit; ///< "g", "mm", ...
};

class LineReader {
public:
  static constexpr size_t kLongestLine = 80;     ///< bytes
  static constexpr size_t kMostFigures = 9;      ///< of a number
  static constexpr size_t kEndless = 64U << 10U; ///< bytes without an end: it does not speak in lines
  static constexpr size_t kNewest = 20;          ///< readings of one feed that are kept

  /// What has come, at a moment in ms. The newest readings, oldest first.
  [[nodiscard]] std::vector<Reading> feed(std::string_view bytes, std::int64_t at);
  /// It sends, and no line ends.
  [[nodiscard]] bool endless() const { return endless_; }
  /// Lines that were none: too long, with other bytes, no number or unit.
  [[nodiscard]] int dropped() const { return dropped_; }
  /// The last lines as they came, for people to see; oldest first.
  [[nodiscard]] const std::vector<std::string>& raw() const { return raw_; }
  void setOwnLine(std::optional<OwnLine> own) { own_ = std::move(own); }
  /// As when it was plugged in again.
  void reset();

private:
  void line(std::vector<Reading>& out, std::int64_t at);
  [[nodiscard]] std::optional<Reading> read(std::string_view line) const;
  std::string line_;
  std::vector<std::string> raw_;
  std::optional<OwnLine> own_;
  size_t length_ = 0; ///< of the line so far, what is too long counted in
  bool foreign_ = false, endless_ = false, lastWasReturn_ = false;
  int dropped_ = 0;
};

/// Whether an instrument has come to rest: it does not say that it moves, and its readings of the last half a
/// second, three at least, differ by one step at most. The steady reading, else nothing.
class Steadiness {
public:
  void take(const Reading& reading);
  [[nodiscard]] std::optional<double> steady() const;
  [[nodiscard]] std::optional<Reading> last() const;
  void reset() { last_.clear(); }

private:
  std::vector<Reading> last_; ///< oldest first
};

} // namespace columna
