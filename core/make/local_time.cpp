#include "make/local_time.h"

#include <fmt/format.h>

#include <cstdlib>
#include <ctime>

namespace columna {
namespace {

std::tm localParts(std::int64_t seconds) {
  const std::time_t at = seconds;
  std::tm local{};
  localtime_r(&at, &local);
  return local;
}

Date dayOf(const std::tm& local) {
  return {std::chrono::year(local.tm_year + 1900),
          std::chrono::month(static_cast<unsigned>(local.tm_mon + 1)),
          std::chrono::day(static_cast<unsigned>(local.tm_mday))};
}

} // namespace

std::int64_t secondsNow() { return static_cast<std::int64_t>(std::time(nullptr)); }

int localMinute(std::int64_t seconds, const Date& first) {
  const std::tm local = localParts(seconds);
  const auto days = std::chrono::sys_days(dayOf(local)) - std::chrono::sys_days(first);
  return static_cast<int>(days.count()) * kDay + 60 * local.tm_hour + local.tm_min;
}

Date localDay(std::int64_t seconds) { return dayOf(localParts(seconds)); }

std::string zonedText(std::int64_t seconds) {
  const std::tm local = localParts(seconds);
  const long zone = local.tm_gmtoff / 60;
  return fmt::format("{}T{:02}:{:02}:{:02}{}{:02}:{:02}", dateText(dayOf(local)), local.tm_hour, local.tm_min,
                     local.tm_sec, zone < 0 ? '-' : '+', std::abs(zone) / 60, std::abs(zone) % 60);
}

std::string universalText(std::int64_t seconds) {
  const std::time_t at = seconds;
  std::tm parts{};
  gmtime_r(&at, &parts);
  return fmt::format("{:04}{:02}{:02}T{:02}{:02}{:02}Z", parts.tm_year + 1900, parts.tm_mon + 1,
                     parts.tm_mday, parts.tm_hour, parts.tm_min, parts.tm_sec);
}

} // namespace columna
