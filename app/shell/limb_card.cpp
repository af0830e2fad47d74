#include "shell/limb_card.h"

#include "kit/say.h"
#include "session/changes.h"
#include "theme/theme.h"

#include <QPainter>
#include <QVBoxLayout>

namespace columna {

LimbCard::LimbCard(Session& session, const Stages& stages, QWidget* parent)
    : QWidget(parent), session_(session), stages_(stages) {
  setAccessibleName(tr("Limb card"));
  auto* outer = new QVBoxLayout(this);
  outer->setContentsMargins(frame(24), frame(26), frame(8), 0);
  outer->setSpacing(0);
  auto* scroll = new QScrollArea(this);
  scroll->setWidgetResizable(true);
  scroll->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  scroll->setFocusPolicy(Qt::NoFocus);
  auto* inside = new QWidget;
  auto* layout = new QVBoxLayout(inside);
  layout->setContentsMargins(0, 0, textScale() > 1.3 ? 2 : frame(16), px(16));
  layout->setSpacing(px(8));
  name_ = textLabel(inside, 20, QFont::DemiBold);
  under_ = textLabel(inside, 13, QFont::Normal);
  setFaint(under_);
  legend_ = textLabel(inside, 13, QFont::Normal);
  legend_->setTextFormat(Qt::RichText);
  section_ = new LengthSection(session_, stages_, inside);
  section_->setFixedHeight(px(160));
  layout->addWidget(name_);
  layout->addWidget(under_);
  layout->addWidget(legend_);
  layout->addWidget(section_);
  for (const auto& stage : stages_) {
    pages_.push_back(stage->makeCard(inside));
    layout->addWidget(pages_.back());
  }
  layout->addStretch();
  scroll->setWidget(inside);
  outer->addWidget(scroll);
  session_.onSettled(this, [this] { refresh(); });
  connect(&session_, &Session::selectionChanged, this, &LimbCard::refresh);
  connect(&session_, &Session::stageChanged, this, &LimbCard::refresh);
  refresh();
}

void LimbCard::paintEvent(QPaintEvent* /*event*/) {
  QPainter p(this);
  p.fillRect(rect(), theme().card);
  p.setPen(QPen(theme().rule, 1));
  p.drawLine(0, 0, 0, height());
}

void LimbCard::refresh() {
  const Plan& plan = session_.plan();
  const int l = session_.selected();
  const Theme& t = theme();
  const UnitSystem units = session_.units();
  if (l < 0) {
    name_->setText(QString::fromStdString(session_.project().name));
    under_->setText(tr("whole figure, %1").arg(str(lowerName(plan.figure->patternName))));
  } else {
    const FigureLimb& limb = plan.figure->limbs[static_cast<size_t>(l)];
    name_->setText(str(Name(limb.name)));
    if (limb.twin < 0)
      under_->setText(tr("limb %1 of %2").arg(l + 1).arg(plan.figure->limbs.size()));
    else {
      const QString other = str(lowerName(plan.figure->limbs[static_cast<size_t>(limb.twin)].name));
      under_->setText(changes::tied(session_, l) ? tr("tied to the %1").arg(other)
                                                 : tr("untied from the %1").arg(other));
    }
  }
  section_->setVisible(l >= 0 && plan.limbs[static_cast<size_t>(l)].wired);
  legend_->setVisible(section_->isVisibleTo(this));
  section_->update();
  const auto square = [](const QColor& c) {
    return QStringLiteral("<span style='color:%1'>■</span>").arg(c.name());
  };
  QString legend =
      tr("%1 coat %2 &nbsp; %3 core")
          .arg(square(t.coat), QString::fromStdString(printLengthFigure(plan.wool->coatThickness, units, 1)),
               square(stageOn(stages_, session_).look().felt ? t.wool : t.hollow));
  if (l >= 0 && plan.limbs[static_cast<size_t>(l)].wired && plan.pieceOf(l) >= 0)
    legend += tr(" &nbsp; <span style='color:%1'>▬</span> wire %2 across")
                  .arg(t.piece(plan.pieceOf(l)).name(),
                       QString::fromStdString(
                           printLengthFigure(plan.limbs[static_cast<size_t>(l)].section.bundle(), units, 1)));
  legend_->setText(legend);
  for (size_t i = 0; i < pages_.size(); ++i) {
    const bool now = stages_[i].get() == &stageOn(stages_, session_);
    pages_[i]->setVisible(now);
    if (now) pages_[i]->refresh();
  }
}

} // namespace columna
