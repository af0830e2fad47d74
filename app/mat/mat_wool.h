// The figure in its wool, faint under the flat views' lines: made beside the window once the hand rests.
#pragma once

#include "session/session.h"
#include "turn/fine_picture.h"

#include <QFutureWatcher>
#include <QTimer>

#include <array>
#include <map>

namespace columna {

class MatWool : public QObject {
  Q_OBJECT
public:
  explicit MatWool(Session& session, QObject* parent = nullptr);
  ~MatWool() override;

  struct Picture {
    QImage image;
    QRectF mm; ///< what it shows of its view, y up
  };
  /// What of a view is wanted.
  struct Wanted {
    View view = View::Side;
    QRectF mm;        ///< y up
    double scale = 1; ///< pixels a mm
  };
  /// What is shown now: pictures of it are made when nothing has changed for a while.
  void want(const Shared<Figure>& figure, const std::array<Wanted, 3>& views);
  /// While the figure is under the hand no picture is of it.
  void hold(bool on) { held_ = on; }
  [[nodiscard]] bool held() const { return held_; }
  /// Of the figure that is wanted; null until it is made.
  [[nodiscard]] const Picture* picture(View view) const;
  /// The coat's own colour, for what is shown until then.
  [[nodiscard]] QColor coat() const;
  [[nodiscard]] bool behind() const;
  /// How much of the wool shows under the lines.
  static constexpr double kShare = 0.34;

signals:
  void painted();

private:
  using Pictures = std::map<View, Picture>;
  struct Key {
    Shared<Figure> figure;
    FaceWish face;
    std::string pattern;
    std::vector<QRgb> parts;
  };
  [[nodiscard]] bool alike(const Key& a, const Key& b) const;
  /// The pictures that are there are of what is wanted, and sharp enough.
  [[nodiscard]] bool fresh() const;
  void start();
  Session& session_;
  QTimer rest_;
  bool held_ = false;
  Key wanted_, made_, asked_;
  std::array<Wanted, 3> views_{};
  Pictures pictures_;
  QFutureWatcher<Pictures> painter_;
  std::atomic<bool> stop_{false};
};

} // namespace columna
