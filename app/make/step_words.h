// What of a step is told wherever it stands: its goals, what to fetch, what holds it up.
#pragma once

#include "make/make_view.h"

#include <QColor>
#include <QString>
#include <QStringList>

namespace columna {

/// "3.8 g", "73 mm", "5".
[[nodiscard]] QString figureOf(const Goal& goal, double value, UnitSystem units);
/// "g", "mm round", "mm long", "" of a count: what stands beside the large figure.
[[nodiscard]] QString goalUnit(const Goal& goal, UnitSystem units);
/// Number alone.
[[nodiscard]] QString numberOf(const Goal& goal, double value, UnitSystem units);
/// "3.8 g core wool", "needle 36 triangle".
[[nodiscard]] QStringList fetchOf(const Step& step, UnitSystem units);
/// Done, drying until, under way, can be done, or what it waits for.
[[nodiscard]] QString stateOf(const MakeView& view, int step, UnitSystem units);
/// What was typed for a goal, in the maker's units; a problem where it is none.
[[nodiscard]] Result<double> typedReading(const Goal& goal, const QString& text, UnitSystem units);
/// The first goal that nothing was read for; else the first; nothing without goals.
[[nodiscard]] std::optional<size_t> openGoal(const MakeView& view, const Step& step);
/// As rich text in a colour.
[[nodiscard]] QString coloured(const QString& text, const QColor& colour);
/// A capital first.
[[nodiscard]] QString capital(QString text);

} // namespace columna
