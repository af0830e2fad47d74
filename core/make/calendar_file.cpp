#include "make/calendar_file.h"

#include "measure/json_text.h"

#include <fmt/format.h>

namespace columna {
namespace {

constexpr size_t kLine = 75; ///< octets at most

/// A line of the file: folded where it is too long, never inside a character.
std::string folded(const std::string& line) {
  std::string out;
  size_t used = 0;
  for (size_t at = 0; at < line.size();) {
    const size_t length = std::max<size_t>(1, utf8Length(line, at));
    if (used + length > kLine) {
      out += "\r\n ";
      used = 1;
    }
    out.append(line, at, length);
    used += length;
    at += length;
  }
  return out + "\r\n";
}

std::string escaped(const std::string& given) {
  std::string out;
  for (const char c : asUtf8(given)) {
    if (c == '\\' || c == ';' || c == ',') out += '\\';
    if (c == '\n')
      out += "\\n";
    else if (static_cast<unsigned char>(c) >= 32)
      out += c;
  }
  return out;
}

std::string stamp(const Date& first, std::int64_t minutes) {
  const auto day = std::chrono::sys_days(first) + std::chrono::days(minutes / kDay);
  const Date date(day);
  return fmt::format("{:04}{:02}{:02}T{:02}{:02}00", static_cast<int>(date.year()),
                     static_cast<unsigned>(date.month()), static_cast<unsigned>(date.day()),
                     minutes % kDay / 60, minutes % 60);
}

} // namespace

std::string calendarFile(const std::string& project, const Date& first,
                         const std::vector<CalendarEvent>& events, int sequence, const std::string& written) {
  std::string out =
      folded("BEGIN:VCALENDAR") + folded("VERSION:2.0") + folded("PRODID:-//Columna//Make 1//EN");
  for (const CalendarEvent& e : events) {
    const std::string from = stamp(first, e.from);
    for (const std::string& line :
         {std::string("BEGIN:VEVENT"), "UID:" + project + "-s" + from.substr(0, 13) + "@columna",
          "DTSTAMP:" + written, fmt::format("SEQUENCE:{}", sequence), "DTSTART:" + from,
          "DTEND:" + stamp(first, e.to), "SUMMARY:" + escaped(e.summary),
          "DESCRIPTION:" + escaped(e.description), std::string("BEGIN:VALARM"), std::string("ACTION:DISPLAY"),
          std::string("TRIGGER:-PT15M"), "DESCRIPTION:" + escaped(e.summary), std::string("END:VALARM"),
          std::string("END:VEVENT")})
      out += folded(line);
  }
  return out + folded("END:VCALENDAR");
}

} // namespace columna
