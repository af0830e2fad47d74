#include "kit/parts.h"

#include "kit/say.h"
#include "kit/verdict_mark.h"
#include "theme/theme.h"

#include <QFrame>
#include <QHBoxLayout>
#include <QPainter>
#include <QVBoxLayout>

namespace columna {
QLabel* textLabel(QWidget* parent, double size, int weight, bool wrap) {
  auto* label = new QLabel(parent);
  label->setFont(typeface(size, weight));
  // The sheet sets a font for all; a label's own goes over it.
  label->setStyleSheet(QStringLiteral("font-size: %1px; font-weight: %2;").arg(px(size)).arg(weight));
  label->setWordWrap(wrap);
  return label;
}

QLabel* smallText(QWidget* parent, const QString& text) {
  QLabel* label = textLabel(parent, 13, QFont::Normal, false);
  label->setText(text);
  return label;
}

void setFaint(QLabel* label) {
  label->setStyleSheet(label->styleSheet() + QStringLiteral("color: %1;").arg(theme().faint.name()));
}

BigFigure::BigFigure(const QString& caption, QWidget* parent) : QWidget(parent), caption_(caption) {}

void BigFigure::setCaption(const QString& caption) {
  caption_ = caption;
  update();
}

void BigFigure::set(const QString& figure, const QString& unit, bool measured) {
  figure_ = figure;
  unit_ = unit;
  measured_ = measured;
  setAccessibleName(QStringLiteral("%1 %2 %3").arg(caption_, figure, unit));
  updateGeometry();
  update();
}

QSize BigFigure::sizeHint() const {
  const QFontMetricsF big(typeface(40, QFont::DemiBold));
  const QFontMetricsF small(typeface(13));
  return {qRound(std::max(big.horizontalAdvance(figure_) + px(6) + small.horizontalAdvance(unit_),
                          small.horizontalAdvance(caption_))) +
              2,
          px(64)};
}

QSize BigFigure::minimumSizeHint() const { return {px(60), px(64)}; }

void BigFigure::paintEvent(QPaintEvent* /*event*/) {
  QPainter p(this);
  double caption = 13;
  while (caption > 8 && QFontMetricsF(typeface(caption)).horizontalAdvance(caption_) > width())
    caption -= 0.5;
  p.setFont(typeface(caption));
  p.setPen(theme().faint);
  p.drawText(QRectF(0, 0, width(), px(18)), Qt::AlignLeft | Qt::AlignVCenter, caption_);
  // A figure too wide for its column is set smaller rather than cut.
  double size = 40;
  const double unitWidth = QFontMetricsF(typeface(13)).horizontalAdvance(unit_);
  while (size > 16 &&
         QFontMetricsF(typeface(size, QFont::DemiBold)).horizontalAdvance(figure_) + px(6) + unitWidth >
             width())
    size -= 2;
  const QFont big = typeface(size, QFont::DemiBold);
  p.setFont(big);
  p.setPen(measured_ ? theme().logwood : theme().ink);
  const double base = px(54);
  p.drawText(QPointF(0, base), figure_);
  p.setFont(typeface(13));
  p.setPen(theme().faint);
  p.drawText(QPointF(QFontMetricsF(big).horizontalAdvance(figure_) + px(6), base), unit_);
}

Why::Why(QWidget* parent) : QWidget(parent) {
  auto* layout = new QVBoxLayout(this);
  layout->setContentsMargins(0, 0, 0, 0);
  layout->setSpacing(px(4));
  button_ = new QPushButton(this);
  button_->setCheckable(true);
  button_->setCursor(Qt::PointingHandCursor);
  button_->setMinimumWidth(px(40));
  sum_ = new QLabel(this);
  sum_->setTextFormat(Qt::RichText);
  sum_->setWordWrap(true);
  sum_->setTextInteractionFlags(Qt::TextSelectableByMouse);
  sum_->hide();
  layout->addWidget(button_, 0, Qt::AlignLeft);
  layout->addWidget(sum_);
  connect(button_, &QPushButton::toggled, this, [this](bool on) {
    open_ = on;
    refresh();
  });
}

void Why::set(const Working& working, UnitSystem units) {
  working_ = working;
  units_ = units;
  setVisible(!working.lines.empty());
  refresh();
}

QString Why::workingText() const {
  QString out;
  for (const WorkingLine& line : working_.lines)
    out += str(line.words, units_) + u' ' + str(line.sum, units_) + u' ' + str(line.result, units_) + u'\n';
  return out;
}

void Why::title() {
  // A title too long for the card is shortened; the working under it tells the rest.
  const QString mark = open_ ? QStringLiteral("  ▴") : QStringLiteral("  ▾");
  const QFontMetrics m(typeface(13, QFont::DemiBold));
  const QString whole = str(working_.title, units_);
  const int room = width() - m.horizontalAdvance(mark) - px(14);
  button_->setText((room > px(60) ? m.elidedText(whole, Qt::ElideRight, room) : whole) + mark);
}

void Why::resizeEvent(QResizeEvent* /*event*/) { title(); }

void Why::refresh() {
  const Theme& t = theme();
  button_->setAccessibleName(str(working_.title, units_));
  button_->setStyleSheet(
      QStringLiteral("QPushButton { background: transparent; border: 2px solid transparent; padding: 1px "
                     "2px; color: %1; font-size: %2px; "
                     "font-weight: 600; text-align: left; } QPushButton:focus { border-color: %1; }")
          .arg(t.woad.name())
          .arg(px(13)));
  title();
  sum_->setVisible(open_);
  if (!open_) return;
  const auto esc = [this](const Said& said) { return str(said, units_).toHtmlEscaped(); };
  QString html = QStringLiteral("<table width='100%' cellspacing='0' cellpadding='2'>");
  for (size_t i = 0; i < working_.lines.size(); ++i) {
    const WorkingLine& line = working_.lines[i];
    const bool last = i + 1 == working_.lines.size();
    if (last)
      html +=
          QStringLiteral("<tr><td></td><td style='border-top: 1px solid %1;'></td></tr>").arg(t.ink.name());
    if (!line.words.empty() && !line.sum.empty())
      html += QStringLiteral("<tr><td colspan='2' style='color:%1'>%2</td></tr>")
                  .arg(t.faint.name(), esc(line.words));
    const QString left =
        line.sum.empty()
            ? QStringLiteral("<span style='color:%1'>%2</span>").arg(t.faint.name(), esc(line.words))
            : esc(line.sum);
    html += QStringLiteral("<tr><td>%1</td><td align='right' style='white-space:nowrap'>%2%3%4</td></tr>")
                .arg(left, last ? QStringLiteral("<b>") : QString(), esc(line.result),
                     last ? QStringLiteral("</b>") : QString());
  }
  html += QStringLiteral("</table><p style='color:%1; margin-top:4px'>%2</p>")
              .arg(t.faint.name(), esc(working_.source));
  sum_->setText(html);
  sum_->setAccessibleName(workingText());
}

class VerdictView::Mark : public QWidget {
public:
  explicit Mark(QWidget* parent) : QWidget(parent) { setFixedSize(px(20), px(20)); }
  void set(Level level) {
    level_ = level;
    update();
  }

protected:
  void paintEvent(QPaintEvent* /*event*/) override {
    QPainter p(this);
    paintVerdict(p, QRectF(rect()).center(), px(9) - 0.5, level_);
  }

private:
  Level level_ = Level::Good;
};

VerdictView::VerdictView(QWidget* parent) : QWidget(parent) {
  auto* layout = new QVBoxLayout(this);
  layout->setContentsMargins(0, 0, 0, 0);
  layout->setSpacing(px(6));
  auto* row = new QHBoxLayout;
  row->setSpacing(px(8));
  mark_ = new Mark(this);
  word_ = textLabel(this, 13, QFont::Normal, false);
  row->addWidget(mark_);
  row->addWidget(word_);
  row->addStretch();
  sentence_ = textLabel(this, 20, QFont::DemiBold);
  layout->addLayout(row);
  layout->addWidget(sentence_);
}

void VerdictView::set(Level level, const QString& sentence, const QString& own) {
  const Theme& t = theme();
  mark_->set(level);
  const QColor colour = level == Level::Good ? t.alder : level == Level::Doubtful ? t.weld : t.madder;
  const QString word = !own.isEmpty()             ? own
                       : level == Level::Good     ? tr("good")
                       : level == Level::Doubtful ? tr("doubtful")
                                                  : tr("wrong");
  word_->setText(word);
  word_->setStyleSheet(QStringLiteral("font-size: %1px; color: %2;").arg(px(13)).arg(colour.name()));
  sentence_->setText(sentence);
  setAccessibleName(word + QStringLiteral(": ") + sentence);
}

KeyButton::KeyButton(const QString& key, const QString& does, QWidget* parent)
    : QAbstractButton(parent), key_(key) {
  setText(does);
  setAccessibleName(does);
  setToolTip(tr("%1, key %2").arg(does, key));
  setFocusPolicy(Qt::TabFocus);
  setCursor(Qt::PointingHandCursor);
}

QSize KeyButton::sizeHint() const {
  return {qRound(std::max<double>(px(22), QFontMetricsF(typeface(13)).horizontalAdvance(key_) + px(12)) +
                 px(8) + QFontMetricsF(typeface(13)).horizontalAdvance(text())) +
              4,
          px(26)};
}

void KeyButton::paintEvent(QPaintEvent* /*event*/) {
  const Theme& t = theme();
  QPainter p(this);
  p.setRenderHint(QPainter::Antialiasing);
  p.setFont(typeface(13));
  const double w = std::max<double>(px(22), QFontMetricsF(p.font()).horizontalAdvance(key_) + px(12));
  const QRectF cap(2, (height() - px(22)) / 2.0, w, px(20));
  p.setPen(QPen(hasFocus() ? t.woad : t.hollow, hasFocus() ? 2 : 1));
  p.setBrush(isDown() || underMouse() ? t.wash : t.card);
  p.drawRoundedRect(cap, 4, 4);
  p.setPen(isEnabled() ? t.ink : t.faint);
  p.drawText(cap, Qt::AlignCenter, key_);
  p.setPen(t.faint);
  p.drawText(QRectF(cap.right() + px(8), 0, width(), height()), Qt::AlignVCenter | Qt::AlignLeft, text());
}

QWidget* ruleLine(QWidget* parent) {
  auto* line = new QFrame(parent);
  line->setFixedHeight(1);
  line->setStyleSheet(QStringLiteral("background: %1;").arg(theme().rule.name()));
  return line;
}

} // namespace columna
