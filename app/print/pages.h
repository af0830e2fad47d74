// Puts sheet pages on paper: a PDF file, or a printer.
#pragma once

#include "sheet/page.h"

#include <QString>

#include <optional>
#include <vector>

class QPagedPaintDevice;
class QPainter;

namespace columna {

/// Writes the pages as a PDF, atomically. A sentence when it cannot be written.
[[nodiscard]] std::optional<QString> writePdf(const QString& path, const std::vector<Page>& pages,
                                              const QString& title);

/// Paints the pages on a device that has its resolution set and no margins.
void paintPages(QPagedPaintDevice& device, const std::vector<Page>& pages, int resolution);

} // namespace columna
