#include "make/journal.h"

#include "make/open_time.h"
#include "measure/json_text.h"

#include <fmt/format.h>
#include <zlib.h>

#include <algorithm>
#include <charconv>
#include <cmath>
#include <map>

namespace columna {
namespace {

constexpr std::string_view kJournalSchema = "columna-journal/1";

constexpr std::array<std::pair<EntryKind, std::string_view>, 17> kEntryKinds{
    {{EntryKind::Begin, "begin"},
     {EntryKind::Pause, "pause"},
     {EntryKind::Resume, "resume"},
     {EntryKind::Done, "done"},
     {EntryKind::LeaveOut, "leave-out"},
     {EntryKind::TakenUp, "taken-up"},
     {EntryKind::Withdraw, "withdraw"},
     {EntryKind::WeightRead, "weight"},
     {EntryKind::LengthRead, "length"},
     {EntryKind::GirthRead, "girth"},
     {EntryKind::AngleRead, "angle"},
     {EntryKind::CountRead, "count"},
     {EntryKind::Photo, "photo"},
     {EntryKind::Note, "note"},
     {EntryKind::NextTime, "next-time"},
     {EntryKind::MadeChoice, "made-choice"},
     {EntryKind::PacketTime, "packet-time"}}};

constexpr std::array<std::pair<EntryBy, std::string_view>, 7> kEntryBys{{{EntryBy::Typed, "typed"},
                                                                         {EntryBy::Scale, "scale"},
                                                                         {EntryBy::Callipers, "callipers"},
                                                                         {EntryBy::Photo, "photo"},
                                                                         {EntryBy::Timer, "timer"},
                                                                         {EntryBy::Usual, "usual"},
                                                                         {EntryBy::StandIn, "stand-in"}}};

template <class Kind, size_t N>
std::string_view wordOf(const std::array<std::pair<Kind, std::string_view>, N>& words, Kind kind) {
  for (const auto& [each, text] : words)
    if (each == kind) return text;
  return {};
}

template <class Kind, size_t N>
std::optional<Kind> kindBy(const std::array<std::pair<Kind, std::string_view>, N>& words,
                           std::string_view word) {
  for (const auto& [each, text] : words)
    if (text == word) return each;
  return std::nullopt;
}

std::string checkOf(std::string_view line) {
  const auto sum = crc32(0, reinterpret_cast<const Bytef*>(line.data()), // NOLINT
                         static_cast<uInt>(line.size()));
  return fmt::format("{:08x}", sum);
}

/// The line without its check, or nothing where that is wrong.
std::optional<std::string> checked(std::string_view line) {
  constexpr std::string_view mark = R"(,"crc":")";
  const size_t at = line.rfind(mark);
  if (at == std::string_view::npos || line.size() != at + mark.size() + 10 || !line.ends_with("\"}"))
    return std::nullopt;
  std::string bare = std::string(line.substr(0, at)) + "}";
  if (checkOf(bare) != line.substr(at + mark.size(), 8)) return std::nullopt;
  return bare;
}

std::optional<double> numberOr(const nlohmann::json& in, const char* key) {
  const auto found = in.find(key);
  if (found == in.end() || !found->is_number()) return std::nullopt;
  const double value = found->get<double>();
  return std::isfinite(value) ? std::optional(value) : std::nullopt;
}

std::optional<Entry> entryOf(const nlohmann::json& in) {
  const auto kind = entryKind(textOr(in, "kind"));
  const auto n = numberOr(in, "n");
  if (!kind || !n || *n < 1 || *n > 1e9) return std::nullopt;
  Entry out;
  out.n = static_cast<int>(*n);
  out.kind = *kind;
  out.id = textOr(in, "id");
  out.at = textOr(in, "at");
  out.step = textOr(in, "step");
  out.value = numberOr(in, "value");
  out.limb = textOr(in, "limb");
  out.along = numberOr(in, "along");
  out.by = entryBy(textOr(in, "by")).value_or(EntryBy::Typed);
  out.moving = in.value("moving", nlohmann::json(false)) == nlohmann::json(true);
  out.of = textOr(in, "of");
  out.text = textOr(in, "text");
  out.photo = textOr(in, "photo");
  return out;
}

std::optional<int> figuresAt(std::string_view text, size_t at, size_t count) {
  if (text.size() < at + count) return std::nullopt;
  int out = 0;
  const char* from = text.data() + at;
  const auto [end, error] = std::from_chars(from, from + count, out);
  return error == std::errc() && end == from + count && *from != '-' ? std::optional(out) : std::nullopt;
}

/// A cell that no program takes for a formula, quoted where it has to be.
std::string cell(std::string text) {
  if (!text.empty() && std::string_view("=+-@").find(text[0]) != std::string_view::npos)
    text.insert(text.begin(), '\'');
  if (text.find_first_of(",\"\r\n") == std::string::npos) return text;
  std::string out = "\"";
  for (const char c : text) {
    if (c == '"') out += '"';
    out += c;
  }
  return out + "\"";
}

} // namespace

std::string_view word(EntryKind kind) { return wordOf(kEntryKinds, kind); }
std::optional<EntryKind> entryKind(std::string_view word) { return kindBy(kEntryKinds, word); }
std::string_view word(EntryBy by) { return wordOf(kEntryBys, by); }
std::optional<EntryBy> entryBy(std::string_view word) { return kindBy(kEntryBys, word); }

std::string_view unitOf(EntryKind kind) {
  switch (kind) {
  case EntryKind::WeightRead:
    return "g";
  case EntryKind::LengthRead:
  case EntryKind::GirthRead:
  case EntryKind::Photo: // what its check found the part off by
    return "mm";
  case EntryKind::AngleRead:
    return "deg";
  case EntryKind::PacketTime:
    return "min";
  default:
    return "";
  }
}

std::string entryLine(const Entry& e) {
  nlohmann::ordered_json out;
  out["n"] = e.n;
  if (!e.id.empty()) out["id"] = e.id;
  out["at"] = e.at;
  if (!e.step.empty()) out["step"] = e.step;
  out["kind"] = word(e.kind);
  if (e.value) out["value"] = *e.value;
  if (e.value && !unitOf(e.kind).empty()) out["unit"] = unitOf(e.kind);
  if (!e.limb.empty()) out["limb"] = e.limb;
  if (e.along) out["along"] = *e.along;
  out["by"] = word(e.by);
  if (e.moving) out["moving"] = true;
  if (!e.of.empty()) out["of"] = e.of;
  if (!e.text.empty()) out["text"] = asUtf8(e.text);
  if (!e.photo.empty()) out["photo"] = asUtf8(e.photo);
  std::string line = out.dump(-1, ' ', false, nlohmann::ordered_json::error_handler_t::replace);
  const std::string check = checkOf(line);
  line.pop_back();
  return line + R"(,"crc":")" + check + "\"}\n";
}

std::string journalHead(const std::string& project) {
  nlohmann::ordered_json out;
  out["schema"] = kJournalSchema;
  out["project"] = project;
  return out.dump() + "\n";
}

Result<ReadJournal> readJournal(std::string_view text, const std::string& file) {
  if (text.size() > kJournalMost)
    return Problem{say("the record is larger than {} MB", Number(kJournalMost >> 20U, 0)), file,
                   say("move it aside and begin a new one")};
  ReadJournal out;
  bool first = true;
  while (!text.empty()) {
    const size_t end = text.find('\n');
    if (end == std::string_view::npos) {
      out.cutOff = true; // the power went while it was written: what was told as kept had its end
      break;
    }
    std::string_view line = text.substr(0, end);
    text.remove_prefix(end + 1);
    if (!line.empty() && line.back() == '\r') line.remove_suffix(1);
    if (first) {
      first = false;
      const auto head = parseJson(line, file);
      const std::string schema = head && head->is_object() ? textOr(*head, "schema") : "";
      if (schema != kJournalSchema)
        return schema.starts_with("columna-journal/")
                   ? Problem{say("the record was written by a newer version"), file, say("open it with that")}
                   : Problem{say("it is not a record of a figure's making"), file,
                             say("choose another file")};
      out.project = textOr(*head, "project");
      continue;
    }
    if (line.empty()) continue;
    const auto bare = checked(line);
    const auto json = bare ? parseJson(*bare, file) : Result<nlohmann::json>(Problem{});
    const auto entry = json && json->is_object() ? entryOf(*json) : std::nullopt;
    if (!entry)
      out.damaged.emplace_back(line);
    else if (out.entries.size() < kEntriesMost)
      out.entries.push_back(*entry);
    else
      return Problem{say("the record has more than {} entries", Number(kEntriesMost, 0)), file,
                     say("move it aside and begin a new one")};
  }
  if (first && !out.cutOff) return Problem{say("the record is empty"), file, say("choose another file")};
  return out;
}

std::vector<Entry> joinedEntries(std::vector<Entry> a, const std::vector<Entry>& b) {
  std::set<std::string> known;
  for (const Entry& e : a) known.insert(e.id);
  for (const Entry& e : b)
    if (e.id.empty() ? std::find(a.begin(), a.end(), e) == a.end() : known.insert(e.id).second)
      a.push_back(e);
  std::stable_sort(a.begin(), a.end(), [](const Entry& x, const Entry& y) { return x.n < y.n; });
  return a;
}

std::set<std::string> withdrawn(const std::vector<Entry>& entries) {
  // A withdrawal comes after what it withdraws: from the last on, each is known to count or not.
  std::set<std::string> out;
  for (size_t i = entries.size(); i-- > 0;) {
    const Entry& e = entries[i];
    if (e.kind == EntryKind::Withdraw && !e.of.empty() && !out.contains(e.id)) out.insert(e.of);
  }
  return out;
}

std::optional<std::int64_t> secondsOf(std::string_view at) {
  // 2026-11-26T20:14:05+01:00
  const auto date = dateOf(at.substr(0, std::min<size_t>(10, at.size())));
  if (!date || at.size() < 20 || at[10] != 'T' || at[13] != ':' || at[16] != ':') return std::nullopt;
  const auto hour = figuresAt(at, 11, 2);
  const auto minute = figuresAt(at, 14, 2);
  const auto second = figuresAt(at, 17, 2);
  if (!hour || !minute || !second || *hour > 23 || *minute > 59 || *second > 60) return std::nullopt;
  std::int64_t zone = 0;
  if (at.size() == 20 && at[19] == 'Z') {
    zone = 0;
  } else if (at.size() == 25 && (at[19] == '+' || at[19] == '-') && at[22] == ':') {
    const auto hours = figuresAt(at, 20, 2);
    const auto minutes = figuresAt(at, 23, 2);
    if (!hours || !minutes || *hours > 23 || *minutes > 59) return std::nullopt;
    zone = (at[19] == '-' ? -60 : 60) * (60 * *hours + *minutes);
  } else {
    return std::nullopt;
  }
  const auto days = std::chrono::sys_days(*date).time_since_epoch().count();
  return static_cast<std::int64_t>(days) * 86400 + *hour * 3600 + *minute * 60 + *second - zone;
}

std::string journalTable(const std::vector<Entry>& entries) {
  const std::set<std::string> gone = withdrawn(entries);
  std::string out = "n,at,step,kind,value,unit,limb,along_mm,by,withdrawn,text\r\n";
  for (const Entry& e : entries)
    out += fmt::format("{},{},{},{},{},{},{},{},{},{},{}\r\n", e.n, cell(e.at), cell(e.step), word(e.kind),
                       e.value ? fmt::format("{}", *e.value) : "", e.value ? unitOf(e.kind) : "",
                       cell(e.limb), e.along ? fmt::format("{}", *e.along) : "", word(e.by),
                       gone.contains(e.id) ? 1 : 0, cell(e.text));
  return out;
}

} // namespace columna
