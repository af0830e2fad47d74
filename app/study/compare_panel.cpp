#include "study/compare_panel.h"

#include "kit/parts.h"
#include "kit/say.h"
#include "kit/verdict_mark.h"
#include "mat/figure_painter.h"
#include "theme/theme.h"

#include <QComboBox>
#include <QHBoxLayout>
#include <QPainter>
#include <QVBoxLayout>

#include <algorithm>

namespace columna {
namespace {

constexpr int kRow = 22;

} // namespace

RatioRows::RatioRows(QWidget* parent) : QWidget(parent) {
  setAccessibleName(tr("Ratios against the animal"));
}

void RatioRows::set(std::vector<Proportion> rows, UnitSystem units) {
  rows_ = std::move(rows);
  units_ = units;
  setMinimumHeight(px(kRow) * static_cast<int>(rows_.size()));
  QStringList said;
  for (const Proportion& r : rows_) said << str(say("{}: {}", Name(r.words), r.sentence), units_);
  setAccessibleDescription(said.join(QStringLiteral("; ")));
  update();
}

void RatioRows::paintEvent(QPaintEvent* /*event*/) {
  const Theme& t = theme();
  QPainter p(this);
  p.setRenderHint(QPainter::Antialiasing);
  const double name = px(160);
  const double value = px(56);
  const double bar = px(120);
  for (size_t i = 0; i < rows_.size(); ++i) {
    const Proportion& r = rows_[i];
    const double y = static_cast<double>(i) * px(kRow);
    const double middle = y + px(kRow) / 2.0;
    p.setFont(typeface(13));
    p.setPen(t.ink);
    p.drawText(QRectF(0, y, name, px(kRow)), Qt::AlignLeft | Qt::AlignVCenter, str(Name(r.words)));
    p.drawText(QRectF(name, y, value, px(kRow)), Qt::AlignRight | Qt::AlignVCenter,
               QString::fromStdString(printNumber(r.value, 2)));
    // The bar runs from half to one and a half of the animal's ratio; its range is filled.
    const double x = name + value + px(16);
    const auto at = [&](double v) { return x + std::clamp(v / r.animal - 0.5, 0.0, 1.0) * bar; };
    p.setPen(QPen(t.rule, 1));
    p.drawLine(QPointF(x, middle), QPointF(x + bar, middle));
    p.setPen(Qt::NoPen);
    p.setBrush(t.disc);
    p.drawRoundedRect(QRectF(at(r.low), middle - px(5), at(r.high) - at(r.low), px(10)), 3, 3);
    p.setBrush(r.verdict == 0 ? t.alder : t.weld);
    p.drawEllipse(QPointF(at(r.value), middle), px(4.5), px(4.5));
    paintVerdict(p, QPointF(x + bar + px(22), middle), px(6), r.verdict == 0 ? Level::Good : Level::Doubtful);
    p.setPen(r.verdict == 0 ? t.faint : t.ink);
    p.drawText(QRectF(x + bar + px(36), y, width() - x - bar - px(36), px(kRow)),
               Qt::AlignLeft | Qt::AlignVCenter, str(r.sentence, units_));
  }
}

ComparePanel::ComparePanel(Session& session, StudyView& study, QWidget* parent)
    : QWidget(parent), session_(session), study_(study) {
  auto* row = new QHBoxLayout(this);
  row->setContentsMargins(0, 0, px(8), 0);
  row->setSpacing(px(24));
  auto* left = new QVBoxLayout;
  left->setSpacing(px(4));
  auto* label = textLabel(this, 13, QFont::Normal, false);
  label->setText(tr("Lay over the figure"));
  with_ = new QComboBox(this);
  with_->setAccessibleName(tr("Animal to compare with"));
  with_->setFixedWidth(px(170));
  for (const Pattern& pattern : session_.catalog().patterns)
    with_->addItem(str(Name(pattern.name)), QString::fromStdString(pattern.id));
  auto* words = textLabel(this, 12, QFont::Normal);
  words->setText(tr("trunk on trunk, dashed; ranges are an estimate"));
  words->setFixedWidth(px(170));
  setFaint(words);
  left->addWidget(label);
  left->addWidget(with_);
  left->addWidget(words);
  left->addStretch();
  row->addLayout(left);
  ratios_ = new RatioRows(this);
  row->addWidget(ratios_, 1);
  connect(with_, &QComboBox::activated, this,
          [this](int index) { study_.setCompared(with_->itemData(index).toString()); });
  session_.onSettled(this, [this] { refresh(); });
  connect(&study_, &StudyView::changed, this, &ComparePanel::refresh);
}

void ComparePanel::showEvent(QShowEvent* /*event*/) {
  if (study_.compared().isEmpty()) study_.setCompared(QString::fromStdString(session_.project().pattern));
  refresh();
}

void ComparePanel::refresh() {
  if (!isVisible()) return;
  const Pattern* other = session_.catalog().pattern(study_.compared().toStdString());
  if (!other) return;
  with_->setCurrentIndex(with_->findData(study_.compared()));
  ratios_->set(proportions(session_.plan().figure, figureAtScale(*other, session_.plan().figure->scale)),
               session_.units());
}

} // namespace columna
