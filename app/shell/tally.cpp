#include "shell/tally.h"

#include "kit/say.h"
#include "kit/verdict_mark.h"
#include "measure/whole.h"
#include "theme/theme.h"

#include <QFileInfo>
#include <QPainter>

#include <cmath>

namespace columna {
namespace {

struct Total {
  QString label, figure, unit, more;
};

} // namespace

/// What there is to look at.
class Tally::Look : public QAbstractButton {
public:
  explicit Look(QWidget* parent) : QAbstractButton(parent) {
    setFocusPolicy(Qt::TabFocus);
    setCursor(Qt::PointingHandCursor);
  }
  void set(Level level, const QString& count, const QString& brief) {
    level_ = level;
    count_ = count;
    brief_ = brief;
    setAccessibleName(count + QStringLiteral(": ") + brief);
    setToolTip(brief);
    update();
  }

protected:
  void paintEvent(QPaintEvent* /*event*/) override {
    const Theme& t = theme();
    QPainter p(this);
    p.fillRect(rect(), underMouse() ? t.wash : t.card);
    p.setPen(QPen(t.rule, 1));
    p.drawLine(0, 0, 0, height());
    p.drawLine(0, 0, width(), 0);
    paintVerdict(p, QPointF(px(32), height() / 2.0), px(9), level_);
    p.setPen(t.ink);
    p.setFont(typeface(15, QFont::DemiBold));
    p.drawText(QRectF(px(54), frame(6), width() - px(80), frame(22)), Qt::AlignVCenter, count_);
    p.setFont(typeface(13));
    p.setPen(t.faint);
    p.drawText(QRectF(px(54), frame(29), width() - px(84), frame(22)), Qt::AlignVCenter,
               QFontMetricsF(p.font()).elidedText(brief_, Qt::ElideRight, width() - px(84)));
    p.setPen(QPen(t.woad, 2, Qt::SolidLine, Qt::RoundCap, Qt::RoundJoin));
    const QPointF c(width() - px(24), height() / 2.0);
    if (level_ != Level::Good)
      p.drawPolyline(
          QPolygonF{c + QPointF(-px(3), -px(6)), c + QPointF(px(3), 0), c + QPointF(-px(3), px(6))});
    if (hasFocus()) {
      p.setPen(QPen(t.woad, 2));
      p.drawRect(rect().adjusted(1, 1, -1, -1));
    }
  }

private:
  Level level_ = Level::Good;
  QString count_, brief_;
};

Tally::Tally(Session& session, const Stages& stages, QWidget* parent)
    : QWidget(parent), session_(session), stages_(stages), look_(new Look(this)) {
  setAttribute(Qt::WA_OpaquePaintEvent);
  connect(look_, &QAbstractButton::clicked, this, &Tally::nextFinding);
  session_.onSettled(this, [this] {
    at_ = -1;
    said_.clear();
    refresh();
  });
  connect(&session_, &Session::fileChanged, this, &Tally::refresh);
  connect(&session_, &Session::recordChanged, this, &Tally::refresh); // wire that is in is told otherwise
  for (const auto& stage : stages_) // findings of its own come a moment later
    connect(stage.get(), &Stage::changed, this, [this, of = stage.get()] {
      if (of->id() == session_.stage()) refresh();
    });
  connect(&session_, &Session::stageChanged, this, [this] {
    if (stepping_) return; // the step itself went to another stage
    walking_ = false;
    at_ = -1;
    said_.clear();
    refresh();
  });
  refresh();
}

QAbstractButton* Tally::findings() const { return look_; }

void Tally::resizeEvent(QResizeEvent* /*event*/) {
  const int w = frame(320);
  look_->setGeometry(width() - w, 0, w, height());
}

void Tally::say(const QString& sentence) {
  noted_ = false;
  said_ = sentence;
  refresh();
}

void Tally::note(const QString& words) {
  noted_ = true;
  said_ = words;
  refresh();
}

void Tally::nextFinding() {
  const auto& findings = looked();
  if (findings.empty()) return;
  const Stage& on = stageOn(stages_, session_);
  const bool own = on.findings() && !walking_;
  at_ = (at_ + 1) % static_cast<int>(findings.size());
  const Finding& f = findings[static_cast<size_t>(at_)];
  const Finding finding = f; // a stage that is entered may make its own anew
  stepping_ = true;
  session_.setStage(own ? on.id() : stageFor(stages_, finding.topic).id());
  stepping_ = false;
  walking_ = !own; // from stage to stage, through one with findings of its own too
  stageOn(stages_, session_).lead(finding);
  said_.clear();
  refresh();
}

/// A stage may have findings of its own; but a walk through the figure's goes on to its end.
const std::vector<Finding>& Tally::looked() const {
  const std::vector<Finding>* own = walking_ ? nullptr : stageOn(stages_, session_).findings();
  return own ? *own : session_.findings();
}

void Tally::refresh() {
  const auto& findings = looked();
  if (!said_.isEmpty()) {
    look_->set(noted_ ? Level::Good : Level::Doubtful, noted_ ? tr("At hand") : tr("Not done"), said_);
  } else if (findings.empty()) {
    look_->set(Level::Good, tr("nothing to look at"), tr("every limb holds"));
  } else {
    const Finding& f = findings[static_cast<size_t>(std::max(at_, 0))];
    look_->set(f.level, tr("%n to look at", nullptr, static_cast<int>(findings.size())),
               str(f.brief, session_.units()));
  }
  update();
}

void Tally::paintEvent(QPaintEvent* /*event*/) {
  const Theme& t = theme();
  const Plan& plan = session_.plan();
  const UnitSystem units = session_.units();
  QPainter p(this);
  p.fillRect(rect(), t.ground);
  p.setPen(QPen(t.rule, 1));
  p.drawLine(0, 0, width(), 0);
  const bool metric = units == UnitSystem::Metric;
  const QString grams = str(std::string(massUnit(units)));
  std::vector<Total> totals;
  // The file's name, and how it stands with what is on the mat.
  totals.push_back(
      {session_.path().isEmpty() ? tr("not saved yet") : QFileInfo(session_.path()).completeBaseName(),
       session_.path().isEmpty()      ? tr("new")
       : session_.changed()           ? tr("changed")
       : session_.savedAt().isEmpty() ? tr("saved")
                                      : tr("saved %1").arg(session_.savedAt()),
       {},
       {}});
  totals.push_back({tr("wire"),
                    metric ? str(printNumber(plan.totals.wireLength / 1000, 2))
                           : str(printNumber(plan.totals.wireLength / 304.8, 1)),
                    metric ? QStringLiteral("m") : QStringLiteral("ft"),
                    str(printMass(plan.totals.wireMass, units))});
  totals.push_back({tr("wool"), str(printMassFigure(plan.totals.core + plan.totals.coat, units)), grams,
                    tr("core %1").arg(str(printMassFigure(plan.totals.core, units)))});
  totals.push_back({tr("weight"), str(printMassFigure(plan.totals.mass, units)), grams, {}});
  const double hours = plan.time.total / 60;
  totals.push_back(
      {tr("hours"),
       str(printNumber(hours, hours < 10 ? 1 : 0)),
       {},
       tr("%1–%2").arg(nearestWhole(plan.time.low / 60)).arg(nearestWhole(plan.time.high / 60))});
  const Standing& s = stageOn(stages_, session_).standing();
  totals.push_back(
      {tr("stands"),
       plan.loads.legs == 0 ? tr("no legs")
       : s.stands           ? tr("yes")
                            : tr("no"),
       {},
       plan.loads.legs == 0 ? QString()
       : s.stands           ? tr("tips at %1")
                        .arg(str(Angle(s.tip, 0).apart(session_.catalog().pose.tipNeeded * kDegree), units))
                  : tr("falls %1").arg(str(Name(s.towards)))});
  const double from = px(24);
  const double each = (look_->x() - from) / static_cast<double>(totals.size());
  for (size_t i = 0; i < totals.size(); ++i) {
    const Total& total = totals[i];
    const double x = from + each * static_cast<double>(i);
    p.setFont(typeface(12));
    p.setPen(t.faint);
    p.drawText(QPointF(x, frame(20)),
               QFontMetricsF(p.font()).elidedText(total.label, Qt::ElideMiddle, each - px(12)));
    double at = x;
    const auto run = [&](const QString& words, const QFont& f, const QColor& colour, double gap) {
      if (words.isEmpty()) return;
      p.setFont(f);
      const double room = x + each - px(6) - at; // the next column begins there
      if (at > x && QFontMetricsF(f).horizontalAdvance(words) > room) return;
      const QString text = QFontMetricsF(f).elidedText(words, Qt::ElideRight, room);
      const double w = QFontMetricsF(f).horizontalAdvance(text);
      p.setPen(colour);
      p.drawText(QPointF(at, frame(46)), text);
      at += w + gap;
    };
    run(total.figure, typeface(20, QFont::DemiBold), t.ink, px(5));
    run(total.unit, typeface(13), t.faint, px(10));
    run(total.more, typeface(13), t.ink, 0);
  }
}

} // namespace columna
