// Makes the booklet of a figure's making beside the window, from copies of all it needs.
#pragma once

#include "booklet/booklet.h"
#include "session/session.h"
#include "turn/fine_picture.h"

#include <QString>

#include <atomic>
#include <memory>
#include <optional>

namespace columna {

struct BookletWork {
  Project project;
  std::shared_ptr<const Catalog> catalog;
  Plan plan;
  std::vector<Entry> entries;
  std::map<std::string, std::string> photos; ///< of the work: bytes by their names
  const Language* language = nullptr;
  FineAsk title; ///< the finished figure in its stance, as felt

  /// As the session is now; its solid is exact by then.
  [[nodiscard]] static BookletWork of(Session& session);
};

struct BookletWritten {
  bool written = false;
  std::optional<QString> trouble; ///< why it could not be; neither: it was stopped before
};

/// Writes a PDF where the path ends so, else a folder of pages for a browser. `stop` may be set from
/// elsewhere until it is made: nothing is written then. `progress` runs to 1000.
[[nodiscard]] BookletWritten writeBooklet(BookletWork work, const BookletWish& wish, const QString& path,
                                          const std::atomic<bool>& stop, std::atomic<int>& progress);

} // namespace columna
