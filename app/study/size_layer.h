// The figure's height, shoulder height and length as lines whose ends are dragged.
#pragma once

#include "session/session.h"
#include "stage/mat_layer.h"

#include <QLineF>

#include <vector>

namespace columna {

class StudyLayer;

class SizeLayer : public MatLayer {
public:
  SizeLayer(Session& session, const StudyLayer& study) : session_(session), study_(study) {}

  void paintOver(QPainter& p, const Viewport& v, bool large) override;
  bool press(const Viewport& v, const QPointF& at, bool large) override;
  void move(const Viewport& v, const QPointF& at, Qt::KeyboardModifiers keys) override;
  bool release(const Viewport& v, const QPointF& at) override;
  [[nodiscard]] std::optional<QString> over(const Viewport& v, const QPointF& at, bool large) const override;
  [[nodiscard]] bool movesFigure() const override { return true; }
  void letGo() override { held_.reset(); }

  /// Where the handle of a mark is in that view; nothing where it has none.
  [[nodiscard]] std::optional<QPointF> handleOf(const Viewport& v, SizeBy by) const;

private:
  struct Mark {
    SizeBy by;
    QLineF line; ///< the dimension line
    QPointF handle;
    QString text;
  };
  /// None while a picture is traced.
  [[nodiscard]] std::vector<Mark> marks(const Viewport& v) const;
  [[nodiscard]] std::optional<SizeBy> markAt(const Viewport& v, const QPointF& at) const;
  Session& session_;
  const StudyLayer& study_;
  std::optional<SizeBy> held_;
};

} // namespace columna
