#include "make/when.h"

#include "session/session.h"

#include <QDateTime>
#include <QLocale>
#include <QRegularExpression>
#include <QVector>

#include <algorithm>
#include <cmath>

namespace columna {
namespace {

constexpr int kSixty = 60;

/// The words of a week as they are kept, and in the window's language.
QVector<QPair<QString, QString>> timeWords() {
  return {{QStringLiteral("mon"), Session::tr("mon")}, {QStringLiteral("tue"), Session::tr("tue")},
          {QStringLiteral("wed"), Session::tr("wed")}, {QStringLiteral("thu"), Session::tr("thu")},
          {QStringLiteral("fri"), Session::tr("fri")}, {QStringLiteral("sat"), Session::tr("sat")},
          {QStringLiteral("sun"), Session::tr("sun")}, {QStringLiteral("off"), Session::tr("off")}};
}

QString replaced(const QString& text, bool shown) {
  QString out = text;
  for (const auto& [kept, local] : timeWords()) {
    const QRegularExpression word(QStringLiteral("(?<![\\p{L}\\p{M}])%1(?![\\p{L}\\p{M}])")
                                      .arg(QRegularExpression::escape(shown ? kept : local)),
                                  QRegularExpression::CaseInsensitiveOption |
                                      QRegularExpression::UseUnicodePropertiesOption);
    out.replace(word, shown ? local : kept);
  }
  return out;
}

} // namespace

QString dayText(const Date& first, int moment) {
  const QDate day =
      QDate(static_cast<int>(first.year()), static_cast<int>(static_cast<unsigned>(first.month())),
            static_cast<int>(static_cast<unsigned>(first.day())))
          .addDays(moment / kDay);
  return QLocale().toString(day, QStringLiteral("ddd d MMM"));
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
  return QLocale().toString(QDateTime::fromSecsSinceEpoch(seconds), QStringLiteral("ddd HH:mm"));
}

QString dateTimeOf(std::int64_t seconds) {
  return QLocale().toString(QDateTime::fromSecsSinceEpoch(seconds), QStringLiteral("ddd d MMM HH:mm"));
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

QString shownTimes(const std::string& kept) { return replaced(QString::fromStdString(kept), true); }

std::string keptTimes(const QString& typed) { return replaced(typed.trimmed(), false).toStdString(); }

} // namespace columna
