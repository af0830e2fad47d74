// Make: the next step, the sessions that hold the work, the bench, and the record that is kept.
#pragma once

#include "kit/awake.h"
#include "make/instruments.h"
#include "make/make_view.h"
#include "make/photo_work.h"
#include "stage/stage.h"

#include <QPointer>

namespace columna {

inline constexpr StageId kMake{"make"};

class BenchBoard;
class MakeDesk;
class PhotoBoard;

class MakeStage : public Stage {
  Q_OBJECT
public:
  explicit MakeStage(Session& session);
  [[nodiscard]] MakeView& view() { return view_; }
  [[nodiscard]] Instruments& instruments() { return instruments_; }
  /// Null while the bench is not shown.
  [[nodiscard]] BenchBoard* bench() const;
  /// Covers the window with the bench.
  void openBench();
  void closeBench();
  /// What is looked at on photos of the work.
  [[nodiscard]] PhotoWork& photo() { return photo_; }
  /// Null while the photo check is not shown.
  [[nodiscard]] PhotoBoard* photoBoard() const;
  /// Covers the window with the photo check.
  void openPhoto();
  void closePhoto();

  [[nodiscard]] StageId id() const override { return kMake; }
  [[nodiscard]] QString title() const override { return tr("Make"); }
  [[nodiscard]] StageLook look() const override;
  [[nodiscard]] CardPage* makeCard(QWidget* parent) override;
  [[nodiscard]] QWidget* makeRack(Mat& mat, QWidget* parent) override;
  [[nodiscard]] std::vector<StageKey> keys() override;
  [[nodiscard]] std::vector<FindEntry> finds() override;
  [[nodiscard]] std::vector<Arrangement> arrangements() override;
  [[nodiscard]] bool behind() const override { return view_.behind() || view_.pondering() || photo_.busy(); }
  [[nodiscard]] bool settled() const override;
  [[nodiscard]] const std::vector<Finding>* findings() const override { return &view_.findings(); }
  [[nodiscard]] int toLookAt() const override;
  void entered() override { view_.enter(); }
  void left() override;

protected:
  bool eventFilter(QObject* watched, QEvent* event) override;

private:
  /// What a board lies over: all of the window but its menu.
  [[nodiscard]] QWidget* under() const;
  void cover(QWidget* board);
  void uncover(QWidget* board);
  void ring(int step);
  /// The screen stays on while a clock runs at the bench.
  void wake();
  MakeView view_;
  Instruments instruments_;
  QPointer<MakeDesk> desk_;
  QPointer<BenchBoard> bench_;
  PhotoWork photo_;
  QPointer<PhotoBoard> photoBoard_;
  Awake awake_;
};

} // namespace columna
