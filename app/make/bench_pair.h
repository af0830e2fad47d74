// The two of a pair at the bench: left and right side by side, the one with more drawn larger until they are
// alike; of lengths, two bars from one line. Read from an arm away, as all of the bench.
#pragma once

#include "steps/pair_reading.h"
#include "words/render.h"

#include <QWidget>

namespace columna {

class BenchPair : public QWidget {
  Q_OBJECT
public:
  explicit BenchPair(QWidget* parent);

  /// `live`: the step's own side is what lies on the scale now, not what was kept.
  void set(const PairReading& pair, const Goal& goal, bool live, UnitSystem units);
  void setScale(double scale);
  [[nodiscard]] const PairReading& pair() const { return pair_; }
  /// What stands in a column: "1.17 g", a dash where nothing is read.
  [[nodiscard]] QString figure(bool left) const;
  [[nodiscard]] QSize sizeHint() const override;
  [[nodiscard]] QSize minimumSizeHint() const override { return sizeHint(); }

protected:
  void paintEvent(QPaintEvent* event) override;

private:
  struct Side {
    QString name, figure;
    std::optional<double> read;
    bool here = false;
  };
  [[nodiscard]] Side side(bool left) const;
  /// "alike", "the right one 0.3 g more", or which is still to be read.
  [[nodiscard]] QString verdict() const;
  void column(QPainter& p, const QRectF& room, const Side& side, bool more) const;
  void bar(QPainter& p, const QRectF& room, const Side& side, double most, bool more) const;

  PairReading pair_;
  Goal goal_;
  bool live_ = false;
  UnitSystem units_ = UnitSystem::Metric;
  double scale_ = 1;
};

} // namespace columna
