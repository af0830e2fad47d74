#include "kit/tone.h"

namespace columna {

QColor toneColour(Tone tone) {
  // The wool itself, the same in both themes.
  switch (tone) {
  case Tone::Pale:
    return {QStringLiteral("#F1E8D8")};
  case Tone::Mid:
    return {QStringLiteral("#B08B62")};
  case Tone::Dark:
    break;
  }
  return {QStringLiteral("#5A4331")};
}

} // namespace columna
