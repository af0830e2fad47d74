// Small pictures of a figure in several stances, made beside the window.
#pragma once

#include "session/session.h"

#include <QFutureWatcher>
#include <QImage>

#include <atomic>
#include <vector>

namespace columna {

/// One stance, and what of it is wanted: seen from the right.
struct PoseAsk {
  Figure figure;
  QRectF mm;        ///< of the side view, y up
  double scale = 1; ///< pixels a mm
};

class PosePictures : public QObject {
  Q_OBJECT
public:
  explicit PosePictures(Session& session, QObject* parent = nullptr);
  ~PosePictures() override;

  /// Lets go of what was asked for before, unless it looked the same.
  void ask(const std::vector<PoseAsk>& stances);
  [[nodiscard]] bool behind() const { return painter_.isRunning(); }
  /// Of those asked for last, in their order; empty until they are made.
  [[nodiscard]] const std::vector<QImage>& made() const { return made_; }
  /// Pixels round what was asked for: hair and the edge's fibres stand out.
  static constexpr int kRound = 6;

signals:
  void painted();

private:
  /// What all of them are made of.
  struct Key {
    Shared<Figure> figure;
    FaceWish face;
    std::string pattern;
    std::vector<QRgb> parts;
  };
  [[nodiscard]] Key key() const;
  void start();
  Session& session_;
  std::vector<PoseAsk> wanted_;
  Key of_;
  bool again_ = false; ///< asked for something else while it was at work
  std::vector<QImage> made_;
  QFutureWatcher<std::vector<QImage>> painter_;
  std::atomic<bool> stop_{false};
};

} // namespace columna
