// Plain keys that a board over the window keeps for itself.
#pragma once

#include <QKeyEvent>

namespace columna {

/// Whether an event asks if a key without Ctrl and Alt is the board's own; it is told that it is. Those of
/// the stage and the mat under it wait.
inline bool keepsPlainKey(QEvent* event) {
  if (event->type() != QEvent::ShortcutOverride) return false;
  const auto* key = static_cast<QKeyEvent*>(event); // that type of event is one
  if (key->modifiers() & (Qt::ControlModifier | Qt::AltModifier)) return false;
  event->accept();
  return true;
}

} // namespace columna
