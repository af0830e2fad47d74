#include "instrument/line_reader.h"

#include <algorithm>
#include <array>
#include <charconv>
#include <cmath>

namespace columna {
namespace {

constexpr size_t kShown = 10;             ///< raw lines kept
constexpr std::int64_t kSteadySpan = 500; ///< ms
constexpr size_t kReadingsMost = 60;      ///< of them kept
constexpr size_t kSteadyReadings = 3;

struct InstrumentUnit {
  std::string_view sign;
  Reading::Of of;
  double size; ///< in g or mm
};
constexpr std::array<InstrumentUnit, 6> kUnits{
    {{"g", Reading::Of::Weight, 1},
     {"kg", Reading::Of::Weight, 1000},
     {"oz", Reading::Of::Weight, 28.349523125}, // avoirdupois, exact
     {"mm", Reading::Of::Span, 1},
     {"cm", Reading::Of::Span, 10},
     {"in", Reading::Of::Span, 25.4}}};

std::string_view bare(std::string_view text) {
  while (!text.empty() && text.front() == ' ') text.remove_prefix(1);
  while (!text.empty() && text.back() == ' ') text.remove_suffix(1);
  return text;
}

const InstrumentUnit* unitBy(std::string_view sign) {
  const auto found =
      std::find_if(kUnits.begin(), kUnits.end(), [&](const InstrumentUnit& u) { return u.sign == sign; });
  return found == kUnits.end() ? nullptr : &*found;
}

struct LineNumber {
  double value = 0, step = 1;
};

std::optional<LineNumber> numberOf(std::string_view text) {
  bool minus = false;
  if (!text.empty() && (text[0] == '+' || text[0] == '-')) {
    minus = text[0] == '-';
    text = bare(text.substr(1));
  }
  std::string figures;
  size_t decimals = 0;
  bool point = false;
  for (const char c : text) {
    if (c >= '0' && c <= '9') {
      figures += c;
      if (point) ++decimals;
    } else if ((c == '.' || c == ',') && !point) {
      point = true;
      figures += '.';
    } else {
      return std::nullopt;
    }
  }
  const size_t count = figures.size() - (point ? 1 : 0);
  if (count == 0 || count > LineReader::kMostFigures) return std::nullopt;
  LineNumber out;
  const auto [end, error] = std::from_chars(figures.data(), figures.data() + figures.size(), out.value);
  if (error != std::errc()) return std::nullopt;
  if (minus) out.value = -out.value;
  out.step = std::pow(10.0, -static_cast<double>(decimals));
  return out;
}

} // namespace

void LineReader::reset() {
  line_.clear();
  length_ = 0;
  foreign_ = endless_ = lastWasReturn_ = false;
}

std::vector<Reading> LineReader::feed(std::string_view bytes, std::int64_t at) {
  std::vector<Reading> out;
  for (const char c : bytes) {
    if (c == '\n' || c == '\r') {
      const bool second = c == '\n' && lastWasReturn_; // CR LF is one end
      lastWasReturn_ = c == '\r';
      if (!second) line(out, at);
      continue;
    }
    lastWasReturn_ = false;
    ++length_;
    if (length_ > kEndless) endless_ = true;
    if (c < 0x20 || c > 0x7E)
      foreign_ = true;
    else if (line_.size() <= kLongestLine)
      line_ += c;
  }
  if (out.size() > kNewest) out.erase(out.begin(), out.end() - static_cast<std::ptrdiff_t>(kNewest));
  return out;
}

void LineReader::line(std::vector<Reading>& out, std::int64_t at) {
  const std::string text = std::move(line_);
  const bool bad = foreign_ || length_ > kLongestLine;
  line_.clear();
  length_ = 0;
  foreign_ = false;
  if (bad) {
    ++dropped_;
    return;
  }
  if (bare(text).empty()) return;
  raw_.push_back(text);
  if (raw_.size() > kShown) raw_.erase(raw_.begin());
  if (bare(text).front() == '#') return;
  auto reading = read(text);
  if (!reading) {
    ++dropped_;
    return;
  }
  reading->at = at;
  out.push_back(*reading);
}

std::optional<Reading> LineReader::read(std::string_view text) const {
  Reading out;
  if (own_) {
    if (own_->from >= own_->to || text.size() < own_->to) return std::nullopt;
    const auto number = numberOf(bare(text.substr(own_->from, own_->to - own_->from)));
    const InstrumentUnit* unit = unitBy(own_->unit);
    if (!number || !unit) return std::nullopt;
    out.of = unit->of;
    out.value = number->value * unit->size;
    out.step = number->step * unit->size;
    return out;
  }
  text = bare(text);
  if (text.back() == '?') {
    out.moving = true;
    text = bare(text.substr(0, text.size() - 1));
  }
  // The unit is the letters at the end, with or without a blank before them.
  size_t from = text.size();
  while (from > 0 && ((text[from - 1] >= 'a' && text[from - 1] <= 'z'))) --from;
  const InstrumentUnit* unit = unitBy(text.substr(from));
  if (!unit) return std::nullopt;
  out.of = unit->of;
  const std::string_view number = bare(text.substr(0, from));
  if (number.size() >= 2 && number.find_first_not_of('-') == std::string_view::npos)
    return out; // over or under
  const auto value = numberOf(number);
  if (!value) return std::nullopt;
  out.value = value->value * unit->size;
  out.step = value->step * unit->size;
  return out;
}

void Steadiness::take(const Reading& reading) {
  if (!last_.empty() && last_.back().of != reading.of) last_.clear();
  last_.push_back(reading);
  // As many as span the time: of a quick instrument more than three, of a flood not all.
  while (last_.size() > kSteadyReadings && reading.at - last_[1].at >= kSteadySpan)
    last_.erase(last_.begin());
  if (last_.size() > kReadingsMost) last_.erase(last_.begin() + 1);
}

std::optional<Reading> Steadiness::last() const {
  return last_.empty() ? std::nullopt : std::optional(last_.back());
}

std::optional<double> Steadiness::steady() const {
  if (last_.size() < kSteadyReadings || last_.back().at - last_.front().at < kSteadySpan) return std::nullopt;
  double low = 0;
  double high = 0;
  double step = last_.front().step;
  for (size_t i = 0; i < last_.size(); ++i) {
    const Reading& r = last_[i];
    if (r.moving || !r.value) return std::nullopt;
    low = i == 0 ? *r.value : std::min(low, *r.value);
    high = i == 0 ? *r.value : std::max(high, *r.value);
    step = std::min(step, r.step);
  }
  constexpr double rounding = 1e-6; // of a step
  return high - low <= step * (1 + rounding) ? last_.back().value : std::nullopt;
}

} // namespace columna
