// Puts sheet pages on paper: a PDF file, or a printer.
#pragma once

#include "sheet/page.h"

#include <QImage>
#include <QString>

#include <functional>
#include <map>
#include <optional>
#include <vector>

class QPagedPaintDevice;
class QPainter;

namespace columna {

/// The paper the maker chose last, A4 before.
[[nodiscard]] Paper usualPaper();
void rememberPaper(Paper paper);

/// The pictures that marks name.
using PagePictures = std::map<std::string, QImage>;
/// Those that marks of the pages name, from the bytes there are of them; null where there are none.
[[nodiscard]] PagePictures picturesOf(const std::vector<Page>& pages,
                                      const std::function<const std::string*(const std::string&)>& bytes);

/// Writes the pages as a PDF, atomically. A sentence when it cannot be written.
[[nodiscard]] std::optional<QString> writePdf(const QString& path, const std::vector<Page>& pages,
                                              const QString& title, const PagePictures& pictures = {});

/// Paints the pages on a device that has its resolution set and no margins. A picture that is not there is
/// left out.
void paintPages(QPagedPaintDevice& device, const std::vector<Page>& pages, int resolution,
                const PagePictures& pictures = {});

} // namespace columna
