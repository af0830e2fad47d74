// The wire's pages of the sheet: strips at true size, bend tables, joins in the order of assembly.
#pragma once

#include "plan/plan.h"
#include "sheet/filler.h"

#include <vector>

namespace columna {

/// One strip a piece, its marks where they are made; a piece longer than the paper goes on over rows that are
/// laid end to end, lettered, with a tick where they overlap. Short ones lie side by side.
void strips(Filler& pages, const Plan& plan);

/// Every piece's table: from the left end, what, bend to, stays at, turn of the wire, inside radius.
void bendTables(Filler& pages, const Plan& plan);

/// How the pieces are put together, in the order of the work.
void assembly(Filler& pages, const Project& project, const Plan& plan);

/// Of each wire how much is cut, and what it is called: "1.9 m of 1.6 mm aluminium (14 AWG)".
[[nodiscard]] std::vector<Said> wireToFetch(const Plan& plan, const Catalog& catalog);

/// The colour a piece is drawn in and its dashes in mm.
[[nodiscard]] Rgb pieceColour(size_t piece);
[[nodiscard]] const std::vector<double>& pieceDashes(size_t piece);

/// Strips overlap by so much, so that they can be glued over each other's end.
inline constexpr double kStripOverlap = 10;

} // namespace columna
