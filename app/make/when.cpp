#include "make/when.h"

#include "session/session.h"

#include <QDateTime>
#include <QLocale>

#include <algorithm>
#include <cmath>

namespace columna {
namespace {

constexpr int kSixty = 60;

} // namespace

QString dayText(const Date& first, int moment) {
  const QDate day =
      QDate(static_cast<int>(first.year()), static_cast<int>(static_cast<unsigned>(first.month())),
            static_cast<int>(static_cast<unsigned>(first.day())))
          .addDays(moment / kDay);
  return QLocale().toString(day, Session::tr("ddd d MMM"));
}

QString timeText(int moment) {
  return QStringLiteral("%1:%2")
      .arg(moment % kDay / kSixty, 2, 10, QLatin1Char('0'))
      .arg(moment % kSixty, 2, 10, QLatin1Char('0'));
}

QString timeOf(std::int64_t seconds) {
  return QDateTime::fromSecsSinceEpoch(seconds).toString(QStringLiteral("HH:mm"));
}

QString dayTimeOf(std::int64_t seconds) {
  return QLocale().toString(QDateTime::fromSecsSinceEpoch(seconds), Session::tr("ddd HH:mm"));
}

QString minutesText(double minutes) {
  const int whole = static_cast<int>(std::lround(std::max(0.0, minutes)));
  return whole < kSixty ? Session::tr("%1 min").arg(whole)
         : whole % kSixty == 0
             ? Session::tr("%1 h").arg(whole / kSixty)
             : Session::tr("%1 h %2").arg(whole / kSixty).arg(whole % kSixty, 2, 10, QLatin1Char('0'));
}

QString clockText(double minutes) {
  const auto seconds = static_cast<std::int64_t>(std::floor(std::max(0.0, minutes) * kSixty + 1e-6));
  const auto two = [](std::int64_t n) { return QStringLiteral("%1").arg(n, 2, 10, QLatin1Char('0')); };
  const std::int64_t whole = seconds / kSixty;
  return whole < kSixty
             ? QStringLiteral("%1:%2").arg(whole).arg(two(seconds % kSixty))
             : QStringLiteral("%1:%2:%3").arg(whole / kSixty).arg(two(whole % kSixty), two(seconds % kSixty));
}

} // namespace columna
