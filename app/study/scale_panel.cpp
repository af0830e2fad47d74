#include "study/scale_panel.h"

#include "file/project_json.h"
#include "kit/beside.h"
#include "kit/parts.h"
#include "kit/say.h"
#include "measure/json_text.h"
#include "measure/whole.h"
#include "session/changes.h"
#include "theme/theme.h"

#include <QHBoxLayout>
#include <QLineEdit>
#include <QPainter>
#include <QPainterPath>
#include <QVBoxLayout>

#include <algorithm>
#include <cmath>

namespace columna {
ScaleChart::ScaleChart(QWidget* parent) : QWidget(parent) { setAccessibleName(tr("Charts against height")); }

QSize ScaleChart::sizeHint() const { return {px(560), px(128)}; }

void ScaleChart::set(const ScaleStudy& study, bool behind, UnitSystem units) {
  study_ = study;
  behind_ = behind;
  units_ = units;
  if (study_.rows.size() > 8) {
    const ScaleRow& now =
        *std::min_element(study_.rows.begin(), study_.rows.end(), [&](const ScaleRow& a, const ScaleRow& b) {
          return std::abs(a.height - study_.height) < std::abs(b.height - study_.height);
        });
    setAccessibleDescription(
        tr("at %1: wire to %2, wool %3, weight %4, %5 hours")
            .arg(str(printLength(now.height, units_)), str(printLength(now.thickest, units_, 2)),
                 str(printMass(now.core + now.coat, units_)), str(printMass(now.weight, units_)))
            .arg(nearestWhole(now.hours)));
  }
  update();
}

void ScaleChart::paintEvent(QPaintEvent* /*event*/) {
  const Theme& t = theme();
  QPainter p(this);
  p.setRenderHint(QPainter::Antialiasing);
  if (study_.rows.size() < 2) {
    p.setPen(t.faint);
    p.setFont(typeface(13));
    p.drawText(rect(), Qt::AlignLeft | Qt::AlignVCenter, tr("reckoning other sizes …"));
    return;
  }
  struct Chart {
    QString name;
    double ScaleRow::*value;
    std::function<QString(double)> say;
  };
  const std::array<Chart, 4> charts{
      Chart{tr("thickest wire"), &ScaleRow::thickest,
            [this](double v) { return str(printLength(v, units_)); }},
      Chart{tr("core wool"), &ScaleRow::core, [this](double v) { return str(printMass(v, units_)); }},
      Chart{tr("weight"), &ScaleRow::weight, [this](double v) { return str(printMass(v, units_)); }},
      Chart{tr("hours"), &ScaleRow::hours, [](double v) { return str(printNumber(v, v < 10 ? 1 : 0)); }}};
  const double gap = px(14);
  const double w = (width() - gap * 3) / 4.0;
  const double low = std::log2(study_.rows.front().height);
  const double high = std::log2(study_.rows.back().height);
  p.setOpacity(behind_ ? 0.45 : 1);
  for (size_t i = 0; i < charts.size(); ++i) {
    const QRectF box(static_cast<double>(i) * (w + gap), px(34), w, height() - px(34) - px(18));
    double top = 0;
    double now = 0;
    double nearest = 1e9;
    for (const ScaleRow& r : study_.rows) {
      top = std::max(top, r.*charts[i].value);
      if (std::abs(r.height - study_.height) < nearest) {
        nearest = std::abs(r.height - study_.height);
        now = r.*charts[i].value;
      }
    }
    const auto at = [&](double h, double v) {
      return QPointF(box.left() + (std::log2(h) - low) / (high - low) * box.width(),
                     box.bottom() - (top > 0 ? v / top : 0) * box.height());
    };
    QPainterPath line;
    for (size_t k = 0; k < study_.rows.size(); ++k) {
      const QPointF q = at(study_.rows[k].height, study_.rows[k].*charts[i].value);
      k == 0 ? line.moveTo(q) : line.lineTo(q);
    }
    p.setPen(QPen(t.rule, 1));
    p.drawLine(box.bottomLeft(), box.bottomRight());
    p.setPen(QPen(t.ink, 1.6));
    p.setBrush(Qt::NoBrush);
    p.drawPath(line);
    const QPointF here = at(study_.height, now);
    p.setPen(QPen(t.woad, 1.2));
    p.drawLine(QPointF(here.x(), box.bottom()), here);
    p.setBrush(t.woad);
    p.drawEllipse(here, px(4), px(4));
    p.setPen(t.faint);
    p.setFont(typeface(12));
    p.drawText(QRectF(box.left(), 0, w, px(16)), Qt::AlignLeft | Qt::AlignVCenter, charts[i].name);
    p.setPen(t.ink);
    p.setFont(typeface(13, QFont::DemiBold));
    p.drawText(QRectF(box.left(), px(15), w, px(18)), Qt::AlignLeft | Qt::AlignVCenter, charts[i].say(now));
    p.setPen(t.faint);
    p.setFont(typeface(11));
    p.drawText(QRectF(box.left(), height() - px(16), w, px(16)), Qt::AlignLeft,
               str(printLength(study_.rows.front().height, units_, 0)));
    p.drawText(QRectF(box.left(), height() - px(16), w, px(16)), Qt::AlignRight,
               str(printLength(study_.rows.back().height, units_, 0)));
  }
}

ScalePanel::ScalePanel(Session& session, StudyView& study, QWidget* parent)
    : QWidget(parent), session_(session), study_(study) {
  auto* row = new QHBoxLayout(this);
  row->setContentsMargins(0, 0, px(8), 0);
  row->setSpacing(px(24));
  auto* left = new QVBoxLayout;
  left->setSpacing(px(4));
  const auto ask = [&](const QString& words, const QString& example, QLineEdit*& field, bool core) {
    auto* label = textLabel(this, 13, QFont::Normal, false);
    label->setText(words);
    left->addWidget(label);
    field = new QLineEdit(this);
    field->setPlaceholderText(example);
    field->setAccessibleName(words);
    field->setFixedWidth(px(190));
    left->addWidget(field);
    connect(field, &QLineEdit::returnPressed, this, [this, core] { solve(core); });
  };
  ask(tr("What height with core wool of"), QString(), wool_, true);
  ask(tr("What height with one wire of"), QString(), wire_, false);
  left->addStretch();
  row->addLayout(left);
  auto* right = new QVBoxLayout;
  right->setSpacing(px(4));
  chart_ = new ScaleChart(this);
  right->addWidget(chart_, 1);
  small_ = textLabel(this, 13, QFont::Normal);
  right->addWidget(small_);
  row->addLayout(right, 1);
  later_.setSingleShot(true);
  later_.setInterval(150);
  connect(&later_, &QTimer::timeout, this, &ScalePanel::start);
  connect(&watcher_, &QFutureWatcher<ScaleStudy>::finished, this, &ScalePanel::done);
  connect(&solving_, &QFutureWatcher<Result<double>>::finished, this, &ScalePanel::solved);
  session_.onSettled(this, [this] { changed(); });
  connect(&study_, &StudyView::changed, this, &ScalePanel::changed);
}

ScalePanel::~ScalePanel() {
  if (stop_) *stop_ = true;
  awaitEnd(watcher_);
  awaitEnd(solving_);
}

void ScalePanel::showEvent(QShowEvent* /*event*/) { changed(); }

void ScalePanel::examples() {
  wool_->setPlaceholderText(tr("%1, then Return").arg(str(Mass(40), session_.units())));
  wire_->setPlaceholderText(tr("%1, then Return").arg(str(Length(900, 0), session_.units())));
}

void ScalePanel::changed() {
  examples();
  if (!isVisible()) return;
  behind_ = true;
  if (stop_) *stop_ = true;
  later_.start();
}

void ScalePanel::start() {
  if (watcher_.isRunning()) {
    later_.start(); // the one before is being stopped
    return;
  }
  stop_ = std::make_shared<std::atomic<bool>>(false);
  watcher_.setFuture(beside([project = session_.project(), catalog = session_.sharedCatalog(),
                             now = session_.plan(), stop = stop_] {
    ScaleStudy out;
    out.height = now.figure->overallHeight;
    out.rows = scaleChart(project, *catalog, now, stop.get());
    out.small = smallParts(project, *catalog, now, stop.get());
    for (const FigureLimb& limb : now.figure->limbs)
      out.names.push_back(str(Name(limb.twin < 0 ? limb.name : limb.part)));
    return out;
  }));
}

void ScalePanel::done() {
  if (stop_ && *stop_) return;
  behind_ = false;
  const ScaleStudy study = answerOf(watcher_);
  const UnitSystem units = session_.units();
  chart_->set(study, false, units);
  QStringList words;
  for (const SmallPart& part : study.small) {
    const QString name = study.names[static_cast<size_t>(part.limb)].toLower();
    const QString from = part.stopsAt > 0
                             ? tr("from %1 high it can").arg(str(printLength(part.stopsAt, units, 0)))
                             : tr("at no size here can it, with this wire");
    words << (part.tooShort ? tr("%1 too short to wrap, %2").arg(name, from)
                            : tr("%1 too thin over its wire, %2").arg(name, from));
  }
  small_->setText(words.isEmpty() ? tr("Every part can be wrapped at this size.")
                                  : tr("Too small here: %1.").arg(words.join(QStringLiteral("; "))));
}

QString ScalePanel::smallWords() const { return small_->text(); }

void ScalePanel::solve(bool core) {
  const QLineEdit* field = core ? wool_ : wire_;
  const auto amount = core ? parseMass(field->text().toStdString(), session_.units())
                           : parseLength(field->text().toStdString(), session_.units());
  if (!amount) {
    session_.refuse(sentence(amount.problem(), session_.units()));
    return;
  }
  if (solving_.isRunning()) return; // the one before is soon found
  solvedName_ = core ? tr("size for %1 of core").arg(str(printMass(*amount, session_.units())))
                     : tr("size for %1 of wire").arg(str(printLength(*amount, session_.units())));
  solvedFor_ = writeJson(toJson(session_.project()));
  session_.note(tr("trying sizes"));
  solving_.setFuture(
      beside([project = session_.project(), catalog = session_.sharedCatalog(), amount = *amount, core] {
        return core ? heightForCore(project, *catalog, amount) : heightForWire(project, *catalog, amount);
      }));
}

void ScalePanel::solved() {
  const Result<double> height = answerOf(solving_);
  if (writeJson(toJson(session_.project())) != solvedFor_) return; // it is another figure by now
  if (height)
    changes::setSizing(session_, {SizeBy::OverallHeight, *height, {}}, solvedName_);
  else
    session_.refuse(sentence(height.problem(), session_.units()));
}

} // namespace columna
