// Colours, type and measures of the window, for the light and the evening theme. The only place that has
// them.
#pragma once

#include <QColor>
#include <QFont>
#include <QString>
#include <QVector>

#include <array>

namespace columna {

/// Colours were checked for contrast (WCAG AA on ground and card) and the eight of the wire pieces for
/// colour-blind eyes: any two stay apart under simulated protan, deutan and tritan sight.
struct Theme {
  bool evening = false;
  QColor ground, card, ink, faint, rule;
  QColor madder, weld, alder; ///< wrong, doubtful, good
  QColor woad, logwood;       ///< selected and links; measured by the maker
  QColor wash;                ///< fill of what is selected
  QColor coat, core, farFill, farLine, disc, solid, onSolid, hollow, onWoad, wool;
  std::array<QColor, 8> pieces;
  std::array<QColor, 8> piecesOnWool; ///< the light set, for wire drawn on light wool

  [[nodiscard]] const QColor& piece(int index) const {
    return pieces[static_cast<size_t>(index) % pieces.size()];
  }
};

[[nodiscard]] const Theme& lightTheme();
[[nodiscard]] const Theme& eveningTheme();

/// The theme in use; widgets read it when they paint.
[[nodiscard]] const Theme& theme();
void setEvening(bool evening);

/// Text size against the usual one, 1 to 2.
[[nodiscard]] double textScale();
void setTextScale(double scale);

/// A length of the layout in pixels at the text size in use.
[[nodiscard]] int px(double atUsualSize);

/// A length of the window's frame: it grows with the text, but less, so that the mat keeps its room.
[[nodiscard]] int frame(double atUsualSize);

/// Lato with tabular figures; `size` in pixels at the usual text size, never below 11.
[[nodiscard]] QFont typeface(double size, int weight = QFont::Normal);

/// Registers the fonts shipped with the program. Call once after the application exists.
void loadFonts();

/// The dash pattern over a piece's stroke, in pixels; empty for none.
[[nodiscard]] QVector<qreal> pieceDash(int index);

/// The style sheet for standard controls in the theme in use.
[[nodiscard]] QString styleSheet();

} // namespace columna
