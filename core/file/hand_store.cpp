#include "file/hand_store.h"

#include "measure/disk.h"
#include "project/catalog.h"

namespace columna {
namespace {

constexpr size_t kHandMost = 16U << 20U; ///< bytes

std::string nameOf(const std::filesystem::path& file) { return file.filename().string(); }

} // namespace

std::filesystem::path makersHandFile() {
  const std::filesystem::path patterns = ownPatternsFolder();
  return patterns.empty() ? patterns : patterns.parent_path() / "hand.json";
}

KeptHand handAt(const std::filesystem::path& file) {
  KeptHand out;
  std::error_code error;
  if (file.empty() || !std::filesystem::exists(file, error)) return out;
  const auto text = readFile(file, kHandMost);
  auto read = text ? readHandEvidence(*text, nameOf(file)) : Result<HandEvidence>(text.problem());
  if (read) {
    out.hand = std::move(read).value();
    return out;
  }
  const Problem& problem = read.problem();
  if (problem.what == newerHand()) {
    out.messages.push_back(say("{} is of a newer Columna: the usual hand is taken", AsIs(nameOf(file))));
    return out;
  }
  std::filesystem::path aside = file;
  aside += ".bad";
  std::filesystem::rename(file, aside, error);
  out.messages.push_back(error ? say("{} cannot be read: the usual hand is taken", AsIs(nameOf(file)))
                               : say("{} could not be read and is kept as {}: the usual hand is taken",
                                     AsIs(nameOf(file)), AsIs(nameOf(aside))));
  return out;
}

std::optional<Problem> changeHand(const std::filesystem::path& file,
                                  const std::function<void(HandEvidence&)>& change) {
  if (file.empty())
    return Problem{say("there is no folder of yours to keep it in"), "", say("set XDG_DATA_HOME")};
  std::error_code error;
  HandEvidence hand;
  if (std::filesystem::exists(file, error)) {
    const auto text = readFile(file, kHandMost);
    if (!text) return text.problem();
    auto read = readHandEvidence(*text, nameOf(file));
    if (!read && read.problem().what == newerHand()) return read.problem();
    if (read)
      hand = std::move(read).value();
    else
      hand = handAt(file).hand; // moved aside
  }
  change(hand);
  std::filesystem::create_directories(file.parent_path(), error);
  return writeAtomically(file, handEvidenceText(hand));
}

} // namespace columna
