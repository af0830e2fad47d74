// --heads: all animals' heads on one picture, front and side, without their names. For the guide, and to see
// whether each is known at sight.
#pragma once

#include "session/session.h"

namespace columna {

/// Writes the picture. `animals`: by id, all when empty. Returns what is wrong: no such animal, or it could
/// not be written.
[[nodiscard]] std::optional<QString> headsSheet(const Catalog& catalog, const QStringList& animals,
                                                const QString& path);

} // namespace columna
