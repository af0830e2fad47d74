#include "make/session_rack.h"

#include "kit/say.h"
#include "make/step_words.h"
#include "make/when.h"
#include "measure/whole.h"
#include "theme/theme.h"

#include <QApplication>
#include <QHelpEvent>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QScrollArea>
#include <QToolTip>

#include <algorithm>
#include <cmath>
#include <utility>

namespace columna {
namespace {

constexpr double kPerMinute = 2.6; ///< px
constexpr double kHead = 24, kBar = 60, kGap = 10;

/// A letter for how the bench is laid out; the colour comes second.
QString letterOf(Bench bench) {
  switch (bench) {
  case Bench::Paper:
    return QStringLiteral("P");
  case Bench::Wire:
    return QStringLiteral("W");
  case Bench::Glue:
    return QStringLiteral("G");
  case Bench::CoreWool:
    return QStringLiteral("C");
  case Bench::CoatWool:
    return QStringLiteral("O");
  case Bench::Clay:
    return QStringLiteral("Y");
  case Bench::FlatFelt:
    return QStringLiteral("F");
  case Bench::Face:
    return QStringLiteral("E");
  case Bench::Wax:
    return QStringLiteral("X");
  case Bench::Look:
    break;
  }
  return QStringLiteral("L");
}

} // namespace

SessionRack::SessionRack(Session& session, MakeView& view, QWidget* parent)
    : QWidget(parent), session_(session), view_(view) {
  setFocusPolicy(Qt::StrongFocus);
  setAccessibleName(tr("Sessions to come"));
  setMouseTracking(true);
  connect(&view_, &MakeView::changed, this, [this] {
    gather();
    reveal();
    update();
  });
  gather();
}

QSize SessionRack::sizeHint() const {
  return {cards_.empty() ? px(300) : nearestWhole(cards_.back().area.right()) + px(4), px(kHead + kBar + 34)};
}

void SessionRack::gather() {
  cards_.clear();
  QStringList said;
  double x = 0;
  const LaidSessions& laid = view_.laid();
  for (const PlannedSession& s : view_.steps() ? laid.sessions : std::vector<PlannedSession>()) {
    Card card{s.from, s.to, {}, {}};
    // A session that is longer than most is drawn to scale all the same: widths are minutes.
    card.area =
        QRectF(x, 0, std::max<double>(px((s.to - s.from) * kPerMinute), px(120)), px(kHead + kBar + 30));
    const double per = (card.area.width() - px(12)) / std::max(1, s.to - s.from);
    for (const PlannedSession::Work& w : s.work) {
      Bar bar{w.step, w, {}};
      bar.area = QRectF(x + px(6) + (w.from - s.from) * per, px(kHead + 4),
                        std::max(3.0, (w.to - w.from) * per - 1), px(kBar));
      said << tr("%1, %2 %3, %4 of %5 minutes")
                      .arg(str(view_.steps()->steps[static_cast<size_t>(w.step)].words, session_.units()),
                           dayText(laid.first, w.from), timeText(w.from))
                      .arg(w.minutes)
                      .arg(w.all) +
                  (view_.pinned(w.step) ? tr(", kept to this session") : QString());
      card.bars.push_back(bar);
    }
    x += card.area.width() + px(kGap);
    cards_.push_back(std::move(card));
  }
  setAccessibleDescription(said.mid(0, 12).join(QStringLiteral("; ")));
  setMinimumSize(sizeHint());
  updateGeometry();
}

QRectF SessionRack::barOf(int step) const {
  for (const Card& card : cards_)
    for (const Bar& bar : card.bars)
      if (bar.step == step) return bar.area;
  return {};
}

const SessionRack::Bar* SessionRack::at(const QPointF& place) const {
  for (const Card& card : cards_)
    for (const Bar& bar : card.bars)
      if (bar.area.contains(place)) return &bar;
  return nullptr;
}

void SessionRack::reveal() {
  const QRectF bar = barOf(view_.step());
  if (bar.isEmpty()) return;
  for (QWidget* w = parentWidget(); w; w = w->parentWidget())
    if (auto* scroll = qobject_cast<QScrollArea*>(w)) {
      scroll->ensureVisible(qRound(bar.center().x()), qRound(bar.center().y()),
                            std::min(qRound(bar.width() / 2) + px(20), scroll->width() / 2), 0);
      break;
    }
}

int SessionRack::cardOf(int step) const {
  for (size_t c = 0; c < cards_.size(); ++c)
    for (const Bar& bar : cards_[c].bars)
      if (bar.step == step) return static_cast<int>(c);
  return -1;
}

int SessionRack::cardAt(const QPointF& place) const {
  for (size_t c = 0; c < cards_.size(); ++c)
    if (cards_[c].area.left() <= place.x() && place.x() <= cards_[c].area.right()) return static_cast<int>(c);
  return -1;
}

void SessionRack::mousePressEvent(QMouseEvent* event) {
  const Bar* bar = at(event->position());
  if (!bar) return;
  const int step = bar->step; // choosing gathers anew
  view_.choose(step);
  held_ = step;
  from_ = event->position();
}

/// A bar that is dragged goes to the session under the hand when it is let go.
void SessionRack::mouseMoveEvent(QMouseEvent* event) {
  if (held_ < 0 || !from_ || !(event->buttons() & Qt::LeftButton)) return;
  if (over_ < 0 && (event->position() - *from_).manhattanLength() < QApplication::startDragDistance()) return;
  over_ = cardAt(event->position());
  setCursor(Qt::ClosedHandCursor);
  update();
}

void SessionRack::mouseReleaseEvent(QMouseEvent* /*event*/) {
  const int step = std::exchange(held_, -1);
  const int card = std::exchange(over_, -1);
  from_.reset();
  unsetCursor();
  update();
  if (step >= 0 && card >= 0 && card != cardOf(step)) view_.pin(step, cards_[static_cast<size_t>(card)].from);
}

void SessionRack::keepTo(int later) {
  const int step = view_.step();
  const int card = cardOf(step);
  if (card < 0) return;
  const int to = std::clamp(card + later, 0, static_cast<int>(cards_.size()) - 1);
  view_.pin(step, cards_[static_cast<size_t>(to)].from);
}

void SessionRack::mouseDoubleClickEvent(QMouseEvent* event) {
  if (at(event->position())) emit bench();
}

void SessionRack::keyPressEvent(QKeyEvent* event) {
  std::vector<int> order;
  std::vector<size_t> card;
  for (size_t c = 0; c < cards_.size(); ++c)
    for (const Bar& bar : cards_[c].bars)
      if (std::find(order.begin(), order.end(), bar.step) == order.end()) {
        order.push_back(bar.step);
        card.push_back(c);
      }
  const auto here = std::find(order.begin(), order.end(), view_.step());
  const auto at = here == order.end() ? 0 : static_cast<int>(here - order.begin());
  const int last = static_cast<int>(order.size()) - 1;
  const auto first = [&](size_t c) {
    return static_cast<int>(std::find(card.begin(), card.end(), c) - card.begin());
  };
  if (event->modifiers() & Qt::ShiftModifier) {
    if (event->key() == Qt::Key_Down) return keepTo(1);
    if (event->key() == Qt::Key_Up) return keepTo(-1);
  }
  int to = at;
  switch (event->key()) {
  case Qt::Key_P: // keeps it where it is, or lets it go
    if (view_.pinned(view_.step()))
      view_.pin(view_.step(), std::nullopt);
    else
      keepTo(0);
    return;
  case Qt::Key_Right:
    to = std::min(at + 1, last);
    break;
  case Qt::Key_Left:
    to = std::max(at - 1, 0);
    break;
  case Qt::Key_Down: // the next session
    to = order.empty() ? 0 : std::min(first(card[static_cast<size_t>(at)] + 1), last);
    break;
  case Qt::Key_Up:
    to = order.empty() || card[static_cast<size_t>(at)] == 0 ? 0 : first(card[static_cast<size_t>(at)] - 1);
    break;
  case Qt::Key_Return:
  case Qt::Key_Enter:
    emit bench();
    return;
  default:
    QWidget::keyPressEvent(event);
    return;
  }
  if (to >= 0 && to <= last) view_.choose(order[static_cast<size_t>(to)]);
}

bool SessionRack::event(QEvent* event) {
  // Its own letter, where another stage has one of the same name.
  if (event->type() == QEvent::ShortcutOverride) {
    const auto* key = static_cast<QKeyEvent*>(event); // that type of event is one
    if (key->key() == Qt::Key_P && key->modifiers() == Qt::NoModifier) {
      event->accept();
      return true;
    }
  }
  if (event->type() == QEvent::ToolTip) {
    auto* help = static_cast<QHelpEvent*>(event); // that type of event is one
    const Bar* bar = at(help->pos());
    if (!bar) {
      QToolTip::hideText();
      return true;
    }
    const Step& s = view_.steps()->steps[static_cast<size_t>(bar->step)];
    QToolTip::showText(help->globalPos(),
                       (view_.pinned(bar->step) ? tr("kept to this session (P lets it go)\n") : QString()) +
                           tr("%1\n%2 to %3, %4 at the %5\n%6")
                               .arg(capital(str(s.words, session_.units())), timeText(bar->work.from),
                                    timeText(bar->work.to), minutesText(bar->work.minutes),
                                    str(Name(name(s.bench))), stateOf(view_, bar->step, session_.units())),
                       this);
    return true;
  }
  return QWidget::event(event);
}

void SessionRack::paintBar(QPainter& p, const Bar& bar) const {
  const Theme& t = theme();
  const Step& s = view_.steps()->steps[static_cast<size_t>(bar.step)];
  const bool chosen = bar.step == view_.step();
  const bool running = view_.progress(bar.step).state == StepState::UnderWay;
  p.setPen(QPen(chosen ? t.woad : t.faint, chosen ? 2 : 1));
  p.setBrush(chosen ? t.wash : t.ground);
  p.drawRoundedRect(bar.area, 3, 3);
  // What was done of it before this session, and what is done when it ends.
  if (bar.work.all > 0 && running) {
    const double share = std::min(1.0, view_.progress(bar.step).spent / bar.work.all);
    p.fillRect(QRectF(bar.area.left() + 1, bar.area.bottom() - px(4), (bar.area.width() - 2) * share, px(4)),
               t.woad);
  }
  if (s.wait > 0 && bar.work.done == bar.work.all) {
    // It dries from there on.
    p.setPen(Qt::NoPen);
    p.setBrush(QBrush(t.weld, Qt::BDiagPattern));
    p.drawRect(QRectF(bar.area.right() - px(5), bar.area.top(), px(5), bar.area.height()));
  }
  if (view_.pinned(bar.step)) { // a pin's head
    const bool held = std::find(view_.laid().notHeld.begin(), view_.laid().notHeld.end(), bar.step) ==
                      view_.laid().notHeld.end();
    p.setPen(QPen(t.card, 1));
    p.setBrush(held ? t.woad : t.madder);
    p.drawEllipse(QPointF(bar.area.center().x(), bar.area.top() + px(5)), px(4), px(4));
  }
  const double room = bar.area.width() - px(8);
  p.setPen(t.ink);
  p.setFont(typeface(13, QFont::DemiBold));
  if (room > px(8)) p.drawText(QPointF(bar.area.left() + px(4), bar.area.top() + px(16)), letterOf(s.bench));
  if (room < px(34)) return;
  p.setFont(typeface(12));
  // Whole lines alone.
  const double line = QFontMetricsF(p.font()).lineSpacing();
  const double high = std::floor((bar.area.height() - px(21)) / line) * line;
  const QRectF words(bar.area.left() + px(4), bar.area.top() + px(19), room, high);
  p.setClipRect(words, Qt::IntersectClip);
  p.drawText(words, Qt::AlignLeft | Qt::AlignTop | Qt::TextWordWrap, str(s.words, session_.units()));
  p.setClipping(false);
  p.setPen(t.faint);
  if (room > px(60))
    p.drawText(QRectF(bar.area.left() + px(18), bar.area.top() + px(3), room - px(14), px(16)),
               Qt::AlignRight | Qt::AlignVCenter, minutesText(bar.work.minutes));
}

void SessionRack::paintCard(QPainter& p, const Card& card) const {
  const Theme& t = theme();
  const bool over = over_ >= 0 && &card == &cards_[static_cast<size_t>(over_)];
  p.setPen(over ? QPen(t.woad, 2) : QPen(t.rule, 1));
  p.setBrush(over ? t.wash : t.card);
  p.drawRoundedRect(card.area.adjusted(0.5, 0.5, -0.5, -0.5), 6, 6);
  const QRectF head(card.area.left() + px(8), 0, card.area.width() - px(16), px(kHead));
  p.setFont(typeface(13, QFont::DemiBold));
  p.setPen(t.ink);
  const QString day = dayText(view_.laid().first, card.from);
  p.drawText(head, Qt::AlignVCenter | Qt::AlignLeft, day);
  const double w = QFontMetricsF(p.font()).horizontalAdvance(day) + px(8);
  p.setFont(typeface(12));
  p.setPen(t.faint);
  const QString times = QStringLiteral("%1–%2").arg(timeText(card.from), timeText(card.to));
  p.drawText(head.adjusted(w, 0, 0, 0), Qt::AlignVCenter | Qt::AlignLeft,
             QFontMetricsF(p.font()).elidedText(times, Qt::ElideRight, head.width() - w));
  for (const Bar& bar : card.bars) {
    p.save();
    p.setClipRect(bar.area.adjusted(-2, -2, 2, 2));
    paintBar(p, bar);
    p.restore();
  }
  // A wait that reaches past the session: until when.
  p.setFont(typeface(12));
  p.setPen(t.weld);
  QStringList waits;
  for (const Bar& bar : card.bars) {
    const Step& s = view_.steps()->steps[static_cast<size_t>(bar.step)];
    if (s.wait <= 0 || bar.work.done != bar.work.all) continue;
    const int until = bar.work.to + static_cast<int>(s.wait);
    if (until > card.to)
      waits << tr("dries until %1 %2").arg(dayText(view_.laid().first, until), timeText(until));
  }
  const QRectF foot(card.area.left() + px(8), px(kHead + kBar + 6), card.area.width() - px(16), px(22));
  p.drawText(
      foot, Qt::AlignVCenter,
      QFontMetricsF(p.font()).elidedText(waits.join(QStringLiteral(", ")), Qt::ElideRight, foot.width()));
}

void SessionRack::paintEvent(QPaintEvent* event) {
  QPainter p(this);
  p.setRenderHint(QPainter::Antialiasing);
  const Theme& t = theme();
  if (cards_.empty()) {
    p.setFont(typeface(14));
    p.setPen(t.faint);
    const bool week = !session_.project().make.week.empty();
    const QString words =
        !view_.steps()   ? tr("The steps are being made.")
        : !week          ? tr("Say when you work, under “When I work”: then the steps are laid "
                                       "into your sessions, and the day it is done is told.")
        : view_.behind() ? tr("The sessions are being laid.")
        : view_.laid().finish == OpenTime::kNever && !view_.laid().order.empty()
            ? tr("These sessions do not hold the work within 60 weeks: add some, or longer ones.")
            : tr("Everything is done.");
    p.drawText(QRectF(rect()).adjusted(px(4), px(8), -px(4), 0), Qt::AlignLeft | Qt::TextWordWrap, words);
  }
  for (const Card& card : cards_)
    if (card.area.intersects(event->rect())) paintCard(p, card);
  if (hasFocus()) {
    p.setPen(QPen(t.woad, 2));
    p.setBrush(Qt::NoBrush);
    p.drawRect(rect().adjusted(1, 1, -1, -1));
  }
}

} // namespace columna
