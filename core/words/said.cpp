#include "words/said.h"

#include <utility>

namespace columna {
namespace {

/// One argument and nothing else: there is nothing to translate in it.
constexpr std::string_view kBare = "{}";

std::shared_ptr<const std::vector<SaidArg>> alone(SaidArg arg) {
  std::vector<SaidArg> list;
  list.push_back(std::move(arg));
  return std::make_shared<const std::vector<SaidArg>>(std::move(list));
}

} // namespace

Said::Said(const Quantity& quantity) : english_(kBare), args_(alone(SaidArg(quantity))) {}
Said::Said(Name name) {
  if (name.text.empty()) return;
  english_ = kBare;
  args_ = alone(SaidArg(std::move(name)));
}
Said::Said(AsIs text) {
  if (text.text.empty()) return;
  english_ = kBare;
  args_ = alone(SaidArg(std::move(text)));
}

Said::Said(std::string_view english, std::string_view one, long count, std::vector<SaidArg> args)
    : english_(english), one_(one), count_(count) {
  if (!args.empty()) args_ = std::make_shared<const std::vector<SaidArg>>(std::move(args));
}

const std::vector<SaidArg>& Said::args() const {
  static const std::vector<SaidArg> none;
  return args_ ? *args_ : none;
}

bool Said::operator==(const Said& other) const {
  return english_ == other.english_ && one_ == other.one_ && count_ == other.count_ &&
         first_ == other.first_ && (args_ == other.args_ || args() == other.args());
}

} // namespace columna
