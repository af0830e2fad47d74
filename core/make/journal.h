// The record of a figure's making: one line an entry, only ever added to. What was wrong is withdrawn by
// another entry, and a withdrawal can be withdrawn.
//
// Each line is a JSON object whose last key is the CRC-32 (that of zlib) of the line as it would be without
// it, so that a line the power went out in is known for what it is.
#pragma once

#include "measure/result.h"

#include <cstdint>

#include <memory>
#include <optional>
#include <set>
#include <string>
#include <string_view>
#include <vector>

namespace columna {

enum class EntryKind {
  Begin,
  Pause,
  Resume,
  Done,
  LeaveOut,
  TakenUp,
  Withdraw,
  WeightRead,
  LengthRead,
  GirthRead,
  AngleRead,
  CountRead,
  Photo,
  Note,
  NextTime,
  MadeChoice,
  PacketTime
};
/// Where a value comes from: a stand-in's is never a measurement, and never learnt from.
enum class EntryBy { Typed, Scale, Callipers, Photo, Timer, Usual, StandIn };

[[nodiscard]] std::string_view word(EntryKind kind); ///< "leave-out", as in the file
[[nodiscard]] std::optional<EntryKind> entryKind(std::string_view word);
[[nodiscard]] std::string_view word(EntryBy by);
[[nodiscard]] std::optional<EntryBy> entryBy(std::string_view word);

struct Entry {
  int n = 0;        ///< from 1, in the order they were made
  std::string id;   ///< 16 hexadecimal figures
  std::string at;   ///< "2026-11-26T20:14:05+01:00"
  std::string step; ///< the step it is of, by its id; may be empty
  EntryKind kind = EntryKind::Note;
  std::optional<double> value; ///< g, mm, degrees or minutes, by its kind
  std::string limb;            ///< figure limb id
  std::optional<double> along; ///< mm from the limb's root, of a girth
  EntryBy by = EntryBy::Typed;
  bool moving = false; ///< the instrument had not come to rest
  std::string of;      ///< the entry it withdraws
  std::string text;    ///< at most kEntryText characters
  std::string photo;   ///< its file's name
  [[nodiscard]] bool operator==(const Entry&) const = default;
};

inline constexpr size_t kEntryText = 4000;
inline constexpr size_t kEntriesMost = 100'000;
inline constexpr size_t kJournalMost = 64U << 20U; ///< bytes

/// The unit of a kind's value in the file: "g", "mm", "deg", "min", or "" of a count and of those without.
[[nodiscard]] std::string_view unitOf(EntryKind kind);

/// As a line of the file, with its end.
[[nodiscard]] std::string entryLine(const Entry& entry);
/// The first line of a project's journal.
[[nodiscard]] std::string journalHead(const std::string& project);

struct ReadJournal {
  std::string project;              ///< whose it is
  std::vector<Entry> entries;       ///< as they stand in it
  std::vector<std::string> damaged; ///< lines that are none: kept aside, never dropped
  bool cutOff = false;              ///< the last line was not finished
};
/// Errors: not a journal, a newer one than is known here, too large.
[[nodiscard]] Result<ReadJournal> readJournal(std::string_view text, const std::string& file);

/// All entries of both by their ids, in the order they were made.
[[nodiscard]] std::vector<Entry> joinedEntries(std::vector<Entry> a, const std::vector<Entry>& b);

/// Ids of the entries that do not count: withdrawn, and the withdrawal not withdrawn in turn.
[[nodiscard]] std::set<std::string> withdrawn(const std::vector<Entry>& entries);

/// Seconds since 1970 of an entry's moment, its zone counted in; nothing for what is none.
[[nodiscard]] std::optional<std::int64_t> secondsOf(std::string_view at);

/// As comma-separated values (RFC 4180), to be opened anywhere: what begins like a formula is kept from being
/// one.
[[nodiscard]] std::string journalTable(const std::vector<Entry>& entries);

} // namespace columna
