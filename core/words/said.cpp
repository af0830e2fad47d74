#include "words/said.h"

#include <iterator>
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

Name::Name(std::string_view name, First letter) : text(name), first(letter) {}
Name::Name(const Name&) = default;
Name::Name(Name&&) noexcept = default;
Name& Name::operator=(const Name&) = default;
Name& Name::operator=(Name&&) noexcept = default;
Name::~Name() = default;

AsIs::AsIs(std::string_view given) : text(given) {}
AsIs::AsIs(const AsIs&) = default;
AsIs::AsIs(AsIs&&) noexcept = default;
AsIs& AsIs::operator=(const AsIs&) = default;
AsIs& AsIs::operator=(AsIs&&) noexcept = default;
AsIs::~AsIs() = default;

SaidArg::SaidArg(const Quantity& quantity) : value(quantity) {}
SaidArg::SaidArg(long whole) : value(whole) {}
SaidArg::SaidArg(Name name) : value(std::move(name)) {}
SaidArg::SaidArg(AsIs text) : value(std::move(text)) {}
SaidArg::SaidArg(Said said) : value(std::move(said)) {}
SaidArg::SaidArg(const SaidArg&) = default;
SaidArg::SaidArg(SaidArg&&) noexcept = default;
SaidArg& SaidArg::operator=(const SaidArg&) = default;
SaidArg& SaidArg::operator=(SaidArg&&) noexcept = default;
SaidArg::~SaidArg() = default;
bool SaidArg::operator==(const SaidArg&) const = default;

Said::Said() = default;
Said::Said(const Said&) = default;
Said::Said(Said&&) noexcept = default;
Said& Said::operator=(const Said&) = default;
Said& Said::operator=(Said&&) noexcept = default;
Said::~Said() = default;
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

Said::Said(std::string_view english, std::string_view one, long count, std::span<SaidArg> args)
    : english_(english), one_(one), count_(count) {
  if (!args.empty())
    args_ = std::make_shared<const std::vector<SaidArg>>(std::make_move_iterator(args.begin()),
                                                         std::make_move_iterator(args.end()));
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
