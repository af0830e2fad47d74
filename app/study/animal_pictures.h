// The animals in their wool, small, for the gallery and the board: made beside the window as they are first
// seen, once for all windows.
#pragma once

#include "session/session.h"

#include <QFutureWatcher>
#include <QImage>
#include <QTimer>

#include <atomic>
#include <memory>
#include <string>
#include <vector>

namespace columna {

class AnimalPictures : public QObject {
  Q_OBJECT
public:
  /// Those of a session: one for all who show them.
  static AnimalPictures& of(Session& session);
  ~AnimalPictures() override;

  struct Picture {
    QImage image;
    QRectF modules; ///< what it shows, y up; of one that is seen from above stood on its tail
  };
  /// Of an animal with a head of its own; null until it is made, which is asked for by this.
  [[nodiscard]] const Picture* picture(const Pattern& pattern);
  [[nodiscard]] bool behind() const { return rest_.isActive() || painter_.isRunning() || !queue_.empty(); }

signals:
  void painted(const QString& animal);

private:
  explicit AnimalPictures(Session& session);
  void start();
  [[nodiscard]] std::shared_ptr<const HeadPattern> headOf(const std::string& animal) const;
  Session& session_;
  QTimer rest_;
  std::vector<const Pattern*> queue_; ///< asked for, those seen last first
  std::string making_;
  QFutureWatcher<Picture> painter_;
  std::atomic<bool> stop_{false};
};

/// The view of an animal that shows it best.
[[nodiscard]] View bestView(const Pattern& pattern);

} // namespace columna
