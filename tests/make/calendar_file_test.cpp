// Sessions as a calendar file: lines that any calendar reads.
#include "support.h"

#include "make/calendar_file.h"

using namespace columna;
using namespace columna::test;

namespace {

std::vector<std::string> linesOf(const std::string& text) {
  std::vector<std::string> out;
  size_t from = 0;
  for (size_t end = text.find("\r\n"); end != std::string::npos; end = text.find("\r\n", from)) {
    out.push_back(text.substr(from, end - from));
    from = end + 2;
  }
  EXPECT_EQ(from, text.size());
  return out;
}

/// As a reader does: what begins with a blank goes on the line before.
std::vector<std::string> unfolded(const std::string& text) {
  std::vector<std::string> out;
  for (const std::string& line : linesOf(text))
    if (!line.empty() && line[0] == ' ')
      out.back() += line.substr(1);
    else
      out.push_back(line);
  return out;
}

const Date kDayOne = *dateOf("2026-12-01");

} // namespace

TEST(CalendarFile, LinesAreShortAndFoldedBetweenCharacters) {
  std::string text;
  for (int i = 0; i < 60; ++i) text += "f\xC3\xA4rben, \xE2\x82\xAC; ";
  const std::string file =
      calendarFile("otter", kDayOne, {{1200, 1290, text, text + "\n" + text}}, 2, "20261126T104500Z");
  for (const std::string& line : linesOf(file)) {
    EXPECT_LE(line.size(), 75U);
    EXPECT_EQ(static_cast<unsigned char>(line.empty() ? 'x' : line[0]) & 0xC0U,
              static_cast<unsigned char>(line.empty() ? 'x' : line[0]) & 0x40U)
        << "no line begins within a character";
  }
  // Unescaped it is what was written.
  std::string back;
  for (const std::string& line : unfolded(file))
    if (line.starts_with("SUMMARY:"))
      for (size_t i = 8; i < line.size(); ++i) {
        if (line[i] == '\\') ++i;
        back += line[i];
      }
  EXPECT_EQ(back, text);
}

TEST(CalendarFile, SessionsKeepTheirNamesAndRunPastMidnight) {
  const std::vector<CalendarEvent> events{{1200, 1290, "a", "b"},
                                          {3 * kDay + 1380, 3 * kDay + 1500, "c", "d"}};
  const std::vector<std::string> first =
      unfolded(calendarFile("otter", kDayOne, events, 1, "20261126T104500Z"));
  const std::vector<std::string> again =
      unfolded(calendarFile("otter", kDayOne, events, 2, "20261127T104500Z"));
  const auto of = [](const std::vector<std::string>& lines, const char* key) {
    std::vector<std::string> out;
    for (const std::string& l : lines)
      if (l.starts_with(key)) out.push_back(l);
    return out;
  };
  EXPECT_EQ(of(first, "UID:"), of(again, "UID:"));
  EXPECT_EQ(of(first, "UID:").size(), 2U);
  EXPECT_NE(of(first, "SEQUENCE:"), of(again, "SEQUENCE:"));
  EXPECT_EQ(of(first, "DTSTART:"),
            (std::vector<std::string>{"DTSTART:20261201T200000", "DTSTART:20261204T230000"}));
  EXPECT_EQ(of(first, "DTEND:"),
            (std::vector<std::string>{"DTEND:20261201T213000", "DTEND:20261205T010000"}));
  EXPECT_EQ(first.front(), "BEGIN:VCALENDAR");
  EXPECT_EQ(first.back(), "END:VCALENDAR");
}
