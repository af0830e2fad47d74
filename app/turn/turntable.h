// The turntable: the posed figure in the round, wool over wire. Dragging beside it turns it, a joint that is
// dragged moves in the plane of the picture, arrow keys turn it step by step.
#pragma once

#include "shell/session.h"
#include "turn/raster.h"

#include <QFutureWatcher>
#include <QTimer>
#include <QWidget>

#include <array>
#include <atomic>
#include <memory>

namespace columna {

class Turntable : public QWidget {
  Q_OBJECT
public:
  explicit Turntable(Session& session, QWidget* parent = nullptr);
  ~Turntable() override;
  Turntable(const Turntable&) = delete;
  Turntable& operator=(const Turntable&) = delete;

  void setThroughWool(bool on);
  void fit();
  void turnBy(double yaw, double pitch);
  [[nodiscard]] const Camera& camera() const { return camera_; }
  /// Where a joint of the skeleton is in the picture, for tests.
  [[nodiscard]] QPointF jointAt(int point) const;
  /// The fine surface is still being made.
  [[nodiscard]] bool behind() const { return solidTurn_ != turn_; }
  /// The picture without marks.
  [[nodiscard]] QImage picture();

protected:
  void paintEvent(QPaintEvent* event) override;
  void resizeEvent(QResizeEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void mouseMoveEvent(QMouseEvent* event) override;
  void mouseReleaseEvent(QMouseEvent* event) override;
  void wheelEvent(QWheelEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;

private:
  void render();
  /// What is drawn: in Wrap the figure with the wool that is on.
  [[nodiscard]] const Figure& figure() const;
  /// The fine surface of the figure at rest, made beside the window.
  void askForSolid();
  void solidMade();
  /// Wool at a place of a bone's surface, as it lies in the stance; far places have no markings.
  [[nodiscard]] QRgb woolColour(const Vec3& middle, const Vec3& normal, int bone,
                                const std::vector<LimbMoment>& moment) const;
  void paintGhost(QImage& image) const;
  void traceGhost();
  void paintGirths(QPainter& p) const;
  /// Where pads go: those of the selected limb, or the one under the hand.
  void paintPads(QPainter& p) const;
  void stale();
  [[nodiscard]] int pointUnder(const QPointF& pixel) const;

  Session& session_;
  Camera camera_;
  Raster raster_{1, 1};
  QImage image_;  ///< the raster at the widget's size
  int times_ = 1; ///< how much larger the raster is
  bool rendered_ = false;
  bool through_ = false;
  std::uint64_t turn_ = 0; ///< counts changes of what is drawn
  std::uint64_t solidTurn_ = 0, askedTurn_ = 0;
  std::shared_ptr<const SolidMesh> solid_; ///< of `solidTurn_`
  QFutureWatcher<std::shared_ptr<const SolidMesh>> making_;
  std::atomic<bool> stop_{false};
  std::vector<QPoint> ghost_;            ///< dashes of its outline, pixels
  std::array<double, 9> finishedSeen_{}; ///< camera and size that `finished_` was drawn for
  std::optional<Raster> finished_; ///< in Wrap, the finished figure under the same camera, for its outline
  bool coarse_ = false;            ///< under the hand: fewer corners
  bool fitted_ = true;
  int held_ = -1; ///< point that is dragged
  std::optional<QPointF> turning_;
  QTimer fine_; ///< draws it finely again once it rests
};

} // namespace columna
