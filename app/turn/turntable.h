// The turntable: the posed figure in the round, wool over wire. Dragging beside it turns it, a joint that is
// dragged moves in the plane of the picture, arrow keys turn it step by step.
#pragma once

#include "stage/round_layer.h"
#include "stage/stage.h"
#include "turn/fine_picture.h"

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

  /// The stage whose look it has, and what that puts over the figure.
  void setStage(Stage& stage);
  void setThroughWool(bool on);
  void fit();
  void turnBy(double yaw, double pitch);
  [[nodiscard]] const Camera& camera() const { return camera_; }
  /// Where a joint of the skeleton is in the picture, for tests.
  [[nodiscard]] QPointF jointAt(int point) const;
  /// The fine picture is still being made.
  [[nodiscard]] bool behind() const { return fineLook_ != look_; }
  /// The picture without marks, as fine as it is by now.
  [[nodiscard]] QImage picture();

protected:
  void paintEvent(QPaintEvent* event) override;
  void resizeEvent(QResizeEvent* event) override;
  void changeEvent(QEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void mouseMoveEvent(QMouseEvent* event) override;
  void mouseReleaseEvent(QMouseEvent* event) override;
  void wheelEvent(QWheelEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;

private:
  /// Coarsely, as it is needed at once; the fine one follows beside the window.
  void render();
  void fitCamera();
  /// What is drawn: in Wrap the figure with the wool that is on.
  [[nodiscard]] const Figure& figure() const;
  void askFine();
  /// The face of what is drawn; kept while the head is the same.
  [[nodiscard]] FaceLook faceLook(const WoolPaint& paint);
  void fineMade();
  /// The finished outline, dashed, where the work is still inside it.
  void paintGhost();
  [[nodiscard]] std::array<double, 9> seen() const;
  /// Another picture is wanted: drawn coarsely at once, finely once it rests.
  void moved();
  /// The same figure from the same side in other colours: the picture stays until the fine one is there.
  void recoloured();
  /// The wool is under way, not the finished figure.
  [[nodiscard]] bool building() const;
  [[nodiscard]] StageLook look() const { return stage_ ? stage_->look() : StageLook(); }

  Session& session_;
  Stage* stage_ = nullptr;
  std::unique_ptr<RoundLayer> round_;
  Camera camera_;
  Raster raster_{1, 1};
  QImage image_;  ///< the raster at the widget's size
  int times_ = 1; ///< how much larger the raster is
  bool rendered_ = false;
  bool through_ = false;
  std::uint64_t turn_ = 0; ///< counts changes of the figure
  std::uint64_t look_ = 1; ///< counts changes of the picture
  std::uint64_t solidTurn_ = 0, askedTurn_ = 0;
  std::uint64_t fineLook_ = 0, askedLook_ = 0;
  std::shared_ptr<const SolidMesh> solid_; ///< of `solidTurn_`
  std::shared_ptr<const HeadPaint> face_;
  std::vector<HairStroke> hair_;
  std::optional<WornHead> faceOf_;
  FaceWish faceWish_;
  QFutureWatcher<std::shared_ptr<FinePicture>> making_;
  std::atomic<bool> stop_{false};
  std::vector<QPoint> ghost_;         ///< the finished figure's outline, pixels
  std::array<double, 9> ghostSeen_{}; ///< camera and size it was drawn for
  bool fitted_ = true;
  int held_ = -1; ///< point that is dragged
  std::optional<QPointF> turning_;
  QTimer fine_; ///< draws it finely again once it rests
};

} // namespace columna
