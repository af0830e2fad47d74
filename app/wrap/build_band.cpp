#include "wrap/build_band.h"

#include "kit/parts.h"
#include "kit/say.h"
#include "measure/quantity.h"
#include "session/build_view.h"
#include "theme/theme.h"
#include "wool/when_to_stop.h"

#include <QHBoxLayout>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QPainterPath>
#include <QPushButton>

#include <algorithm>
#include <cmath>
#include <numbers>

namespace columna {
namespace {

constexpr int kFrame = 40;      // ms between pictures while it plays
constexpr double kPlays = 18.0; // seconds from wire to coat

/// The four stretches of the work, and how much of it each is.
struct Stretch {
  QString name;
  double from = 0, to = 0;
  QColor fill;
};

std::vector<Stretch> stretches(const Session& session) {
  const Theme& t = theme();
  const Plan& plan = session.plan();
  std::vector<Stretch> out;
  for (const BuildStep& s : session.build().steps()) {
    const bool coatWool =
        s.kind == BuildStep::Kind::Coat || s.kind == BuildStep::Kind::Mark ||
        s.kind == BuildStep::Kind::Hair ||
        (s.kind == BuildStep::Kind::Wind && plan.wool->limbs[static_cast<size_t>(s.limb)].allCoat);
    const QString name = s.kind == BuildStep::Kind::Pad    ? BuildBand::tr("pads")
                         : s.kind == BuildStep::Kind::Skin ? BuildBand::tr("skin")
                         : s.kind == BuildStep::Kind::Coat ? BuildBand::tr("coat")
                         : s.kind == BuildStep::Kind::Mark ? BuildBand::tr("markings")
                         : s.kind == BuildStep::Kind::Hair ? BuildBand::tr("hair")
                         : plan.figure->limbs[static_cast<size_t>(s.limb)].kind == LimbKind::Digits
                             ? BuildBand::tr("feet")
                             : BuildBand::tr("winding");
    if (out.empty() || out.back().name != name)
      out.push_back({name, s.from, s.from, coatWool ? t.coat.darker(t.evening ? 90 : 125) : t.wool});
    out.back().to = s.from + s.grams;
  }
  return out;
}

} // namespace

const Girth* chiefGirth(const LimbWool& wool) {
  const Girth* best = nullptr;
  for (const Girth& g : wool.girths)
    if (!best || g.finished > best->finished) best = &g;
  return best;
}

BuildWedge::BuildWedge(Session& session, QWidget* parent) : QWidget(parent), session_(session) {
  setAccessibleName(tr("Build-up"));
  setFocusPolicy(Qt::StrongFocus);
  setMinimumHeight(px(92));
  setCursor(Qt::PointingHandCursor);
  const auto told = [this] {
    setAccessibleDescription(
        tr("%1 of %2 on")
            .arg(str(printMass(session_.build().built(), session_.units())),
                 str(printMass(buildTotal(session_.build().steps()), session_.units()))));
    update();
  };
  connect(&session_.build(), &BuildView::changed, this, told);
  session_.onSettled(this, told);
  told();
}

QRectF BuildWedge::wedge() const { return QRectF(px(4), px(10), width() - px(16), px(34)); }

double BuildWedge::placeOf(double grams) const {
  const double total = buildTotal(session_.build().steps());
  return wedge().left() + (total > 0 ? grams / total : 1) * wedge().width();
}

void BuildWedge::drag(double x) {
  const double share = std::clamp((x - wedge().left()) / wedge().width(), 0.0, 1.0);
  session_.build().setBuilt(share * buildTotal(session_.build().steps()));
}

void BuildWedge::mousePressEvent(QMouseEvent* event) {
  setFocus();
  drag(event->position().x());
}

void BuildWedge::mouseMoveEvent(QMouseEvent* event) {
  if (event->buttons() & Qt::LeftButton) drag(event->position().x());
}

void BuildWedge::wheelEvent(QWheelEvent* event) {
  session_.build().setBuilt(session_.build().built() +
                            event->angleDelta().y() / 120.0 * 0.01 * buildTotal(session_.build().steps()));
  event->accept();
}

void BuildWedge::step(int by) {
  const auto& steps = session_.build().steps();
  const double now = session_.build().built();
  if (steps.empty()) return;
  if (by > 0) {
    const int at = stepAt(steps, now);
    if (at >= 0)
      session_.build().setBuilt(steps[static_cast<size_t>(at)].from + steps[static_cast<size_t>(at)].grams);
    return;
  }
  double to = 0;
  for (const BuildStep& s : steps)
    if (s.from < now - 1e-6) to = s.from;
  session_.build().setBuilt(to);
}

void BuildWedge::keyPressEvent(QKeyEvent* event) {
  const double total = buildTotal(session_.build().steps());
  const bool far = event->modifiers() & Qt::ShiftModifier;
  switch (event->key()) {
  case Qt::Key_Right:
  case Qt::Key_Up:
    far ? step(1) : session_.build().setBuilt(session_.build().built() + 0.01 * total);
    return;
  case Qt::Key_Left:
  case Qt::Key_Down:
    far ? step(-1) : session_.build().setBuilt(session_.build().built() - 0.01 * total);
    return;
  case Qt::Key_Home:
    session_.build().setBuilt(0);
    return;
  case Qt::Key_End:
    session_.build().setBuilt(total);
    return;
  default:
    QWidget::keyPressEvent(event);
  }
}

void BuildWedge::paintEvent(QPaintEvent* /*event*/) {
  const Theme& t = theme();
  QPainter p(this);
  p.setRenderHint(QPainter::Antialiasing);
  const QRectF r = wedge();
  const double now = placeOf(session_.build().built());
  // Thin to thick, bottom edge level.
  const auto high = [&](double x) { return px(6) + (r.height() - px(6)) * (x - r.left()) / r.width(); };
  const auto part = [&](double a, double b) {
    QPolygonF out;
    out << QPointF(a, r.bottom()) << QPointF(a, r.bottom() - high(a)) << QPointF(b, r.bottom() - high(b))
        << QPointF(b, r.bottom());
    return out;
  };
  p.setPen(Qt::NoPen);
  p.setFont(typeface(12));
  const auto all = stretches(session_);
  double lastName = -1e9;
  for (const Stretch& s : all) {
    const double a = placeOf(s.from);
    const double b = placeOf(s.to);
    p.setPen(Qt::NoPen);
    p.setBrush(s.fill);
    if (now > a) p.drawPolygon(part(a, std::min(b, now)));
    p.setPen(QPen(t.faint, 1));
    p.setBrush(Qt::NoBrush);
    p.drawPolygon(part(a, b));
    // Names under their stretch where there is room.
    const QString grams = str(printMass(s.to - s.from, session_.units()));
    const double w =
        std::max(p.fontMetrics().horizontalAdvance(s.name), p.fontMetrics().horizontalAdvance(grams));
    const double x = std::clamp((a + b) / 2 - w / 2, std::max<double>(r.left(), a - w / 2), r.right() - w);
    if (x < lastName + px(8) || b - a < w * 0.35) continue;
    lastName = x + w;
    p.setPen(now > a && now <= b ? t.ink : t.faint);
    p.drawText(QPointF(x, r.bottom() + px(18)), s.name);
    p.drawText(QPointF(x, r.bottom() + px(34)), grams);
  }
  const QRectF knob(now - px(9), r.top() - px(6), px(18), r.height() + px(10));
  p.setPen(Qt::NoPen);
  p.setBrush(t.woad);
  p.drawRoundedRect(knob, 4, 4);
  p.setPen(QPen(t.evening ? t.ground : t.card, 1.4));
  for (const double x : {-3.0, 0.0, 3.0})
    p.drawLine(QPointF(now + x, knob.top() + px(10)), QPointF(now + x, knob.bottom() - px(10)));
  if (hasFocus()) {
    p.setPen(QPen(t.woad, 2));
    p.setBrush(Qt::NoBrush);
    p.drawRect(rect().adjusted(1, 1, -1, -1));
  }
}

RoundSection::RoundSection(Session& session, QWidget* parent) : QWidget(parent), session_(session) {
  setAccessibleName(tr("Cut across"));
  setFixedWidth(px(236));
  session_.onSettled(this, [this] { update(); });
  connect(&session_, &Session::selectionChanged, this, qOverload<>(&QWidget::update));
  connect(&session_.build(), &BuildView::changed, this, qOverload<>(&QWidget::update));
}

void RoundSection::paintEvent(QPaintEvent* /*event*/) {
  const Plan& plan = session_.plan();
  const Theme& t = theme();
  int l = session_.selected();
  if (l < 0)
    for (size_t i = 0; i < plan.figure->limbs.size() && l < 0; ++i)
      if (plan.figure->limbs[i].kind == LimbKind::Trunk) l = static_cast<int>(i);
  if (l < 0) return;
  const LimbWool& wool = plan.wool->limbs[static_cast<size_t>(l)];
  const Girth* g = chiefGirth(wool);
  if (!g) return;
  QPainter p(this);
  p.setRenderHint(QPainter::Antialiasing);
  const double room = height() - px(16.0);
  const double woundAcross = g->wound / std::numbers::pi;
  const double scale = room / std::max({g->across, g->deep, woundAcross, 1.0});
  const QPointF c(px(56), height() / 2.0);
  const auto oval = [&](double a, double d) { p.drawEllipse(c, a / 2 * scale, d / 2 * scale); };
  p.save();
  p.setClipRect(QRectF(0, 0, px(112), height()));
  p.setPen(Qt::NoPen);
  p.setBrush(t.coat);
  oval(g->across, g->deep);
  if (g->felted > 0) {
    p.setBrush(t.wool);
    oval(g->coreAcross, g->coreDeep);
  }
  p.setBrush(Qt::NoBrush);
  p.setPen(QPen(t.ink, 1.2));
  oval(g->across, g->deep);
  if (g->felted > 0) {
    p.setPen(QPen(t.woad, 2.2));
    oval(g->coreAcross, g->coreDeep);
  }
  if (g->wound > 0) {
    p.setPen(QPen(t.ink, 1.2, Qt::DotLine));
    oval(woundAcross, woundAcross);
  }
  if (g->wire > 0) {
    p.setPen(Qt::NoPen);
    p.setBrush(t.piece(std::max(0, plan.pieceOf(l))));
    const double d = std::max(3.0, g->wire / std::numbers::pi * scale);
    p.drawEllipse(c, d / 2, d / 2);
  }
  p.restore();
  // What a tape reads.
  const UnitSystem units = session_.units();
  const double now = girthAtMoment(*g, session_.build().moment()[static_cast<size_t>(l)]);
  struct Row {
    QString name;
    double mm;
    QPen pen;
    bool strong;
  };
  std::vector<Row> rows;
  if (!session_.build().finished()) rows.push_back({tr("now"), now, QPen(t.woad, 0), true});
  if (g->wound > 0) rows.push_back({tr("wound"), g->wound, QPen(t.ink, 1.2, Qt::DotLine), false});
  if (g->felted > 0)
    rows.push_back({tr("felted"), g->felted, QPen(t.woad, 2.2), session_.build().finished()});
  rows.push_back({tr("coated"), g->finished, QPen(t.ink, 1.2), false});
  if (g->wire > 0)
    rows.push_back({tr("wire"), g->wire, QPen(t.piece(std::max(0, plan.pieceOf(l))), 3), false});
  const double left = px(116);
  double y = px(20);
  p.setFont(typeface(13, QFont::DemiBold));
  p.setPen(t.ink);
  QString head = tr("round the %1").arg(str(Name(plan.figure->limbs[static_cast<size_t>(l)].part)));
  p.drawText(QPointF(left, y), p.fontMetrics().elidedText(head, Qt::ElideRight, width() - qRound(left)));
  for (const Row& row : rows) {
    y += px(19.0);
    if (y > height() - 2) break;
    if (row.pen.widthF() > 0) {
      p.setPen(row.pen);
      p.drawLine(QPointF(left, y - px(4)), QPointF(left + px(14), y - px(4)));
    }
    p.setPen(row.strong ? t.woad : t.ink);
    p.setFont(typeface(13));
    p.drawText(QPointF(left + px(20), y), row.name);
    p.setFont(typeface(13, QFont::DemiBold));
    const QString mm = str(printLengthFigure(row.mm, units, 0));
    p.drawText(QPointF(width() - px(2) - p.fontMetrics().horizontalAdvance(mm), y), mm);
  }
}

BuildBand::BuildBand(Session& session, QWidget* parent) : QWidget(parent), session_(session) {
  setAccessibleName(tr("Build-up"));
  auto* row = new QHBoxLayout(this);
  row->setContentsMargins(px(30), px(6), px(20), px(4));
  row->setSpacing(px(16));
  auto* left = new QVBoxLayout;
  left->setSpacing(0);
  auto* head = new QHBoxLayout;
  auto* title = textLabel(this, 15, QFont::DemiBold, false);
  title->setText(tr("Build-up"));
  auto* words = textLabel(this, 13, QFont::Normal, false);
  setFaint(words);
  play_ = new QPushButton(this);
  play_->setAccessibleName(tr("Play the build-up"));
  head->addWidget(title);
  head->addSpacing(px(10));
  head->addWidget(words, 1);
  head->addWidget(play_);
  left->addLayout(head);
  wedge_ = new BuildWedge(session_, this);
  left->addWidget(wedge_, 1);
  row->addLayout(left, 1);
  round_ = new RoundSection(session_, this);
  row->addWidget(round_);
  playing_.setInterval(kFrame);
  connect(&playing_, &QTimer::timeout, this, [this] {
    const double total = buildTotal(session_.build().steps());
    session_.build().setBuilt(session_.build().built() + total * kFrame / 1000 / kPlays);
    if (session_.build().finished()) playing_.stop();
    refresh();
  });
  connect(play_, &QPushButton::clicked, this, &BuildBand::togglePlay);
  const auto told = [this, words] {
    const auto& steps = session_.build().steps();
    const int at = stepAt(steps, session_.build().built());
    const QString on = str(printMassFigure(session_.build().built(), session_.units()));
    const QString all = str(printMass(buildTotal(steps), session_.units()));
    const QString behind = session_.solidBehind() ? tr(" · reckoning anew") : QString();
    words->setText((at < 0 ? tr("finished, %1 on").arg(all)
                           : tr("%1 of %2 on: %3")
                                 .arg(on, all, str(steps[static_cast<size_t>(at)].words, session_.units()))) +
                   behind);
    refresh();
  };
  connect(&session_.build(), &BuildView::changed, this, told);
  session_.onSettled(this, told);
  told();
}

void BuildBand::togglePlay() {
  if (playing_.isActive()) {
    playing_.stop();
  } else {
    if (session_.build().finished()) session_.build().setBuilt(0);
    playing_.start();
  }
  refresh();
}

void BuildBand::refresh() { play_->setText(playing_.isActive() ? tr("Stop") : tr("Play")); }

void BuildBand::paintEvent(QPaintEvent* /*event*/) {
  QPainter p(this);
  p.fillRect(rect(), theme().ground);
  p.setPen(QPen(theme().rule, 1));
  p.drawLine(0, 0, width(), 0);
}

} // namespace columna
