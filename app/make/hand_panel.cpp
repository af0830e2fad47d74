#include "make/hand_panel.h"

#include "kit/parts.h"
#include "kit/say.h"
#include "make/step_words.h"
#include "measure/quantity.h"
#include "theme/theme.h"

#include <QGridLayout>
#include <QMessageBox>

namespace columna {

HandPanel::HandPanel(Session& session, MakeView& view, QWidget* parent)
    : QWidget(parent), session_(session), view_(view) {
  auto* grid = new QGridLayout(this);
  grid->setContentsMargins(0, px(2), px(8), 0);
  grid->setHorizontalSpacing(px(14));
  grid->setVerticalSpacing(px(6));
  traits_ = textLabel(this, 13, QFont::Normal);
  traits_->setAccessibleName(tr("Your hand"));
  traits_->setAlignment(Qt::AlignLeft | Qt::AlignTop);
  traits_->setTextFormat(Qt::RichText);
  figures_ = new QListWidget(this);
  figures_->setAccessibleName(tr("Figures it is learnt from"));
  learn_ = new QCheckBox(tr("learn from my records"), this);
  forget_ = new QPushButton(tr("Forget all…"), this);
  grid->addWidget(traits_, 0, 0, 2, 1);
  grid->addWidget(figures_, 0, 1, 1, 2);
  grid->addWidget(learn_, 1, 1);
  grid->addWidget(forget_, 1, 2);
  grid->setColumnStretch(0, 3);
  grid->setColumnStretch(1, 2);
  grid->setRowStretch(0, 1);
  connect(figures_, &QListWidget::itemChanged, this, [this](QListWidgetItem* item) {
    if (filling_) return;
    const std::string project = item->data(Qt::UserRole).toString().toStdString();
    const bool struck = item->checkState() != Qt::Checked;
    (void)view_.changeHand([&](HandEvidence& hand) {
      for (HandFigure& f : hand.figures)
        if (f.project == project) f.struck = struck;
    });
  });
  connect(learn_, &QCheckBox::toggled, this, [this](bool on) {
    if (!filling_) (void)view_.changeHand([on](HandEvidence& hand) { hand.off = !on; });
  });
  connect(forget_, &QPushButton::clicked, this, [this] {
    QMessageBox box(QMessageBox::NoIcon, tr("Columna"),
                    tr("Forget what %n figure(s) showed of your hand? The figures keep their records.",
                       nullptr, static_cast<int>(view_.hand().figures.size())),
                    QMessageBox::Yes | QMessageBox::Cancel, this);
    box.button(QMessageBox::Yes)->setText(tr("Forget"));
    if (box.exec() == QMessageBox::Yes)
      (void)view_.changeHand([](HandEvidence& hand) { hand.figures.clear(); });
  });
  connect(&view_, &MakeView::changed, this, &HandPanel::refresh);
  refresh();
}

QString HandPanel::wordsOf(const HandTrait& t) const {
  const auto percent = [](double share) { return str(printNumber(share * 100, 0)); };
  if (t.pace) {
    QString kind = str(t.id);
    for (int k = 0; k < kPaceKinds; ++k)
      if (id(static_cast<PaceKind>(k)) == t.id) kind = str(Name(name(static_cast<PaceKind>(k))));
    return tr("<b>%1</b>: %2 % of the usual minutes (%3 to %4; before %5 to %6), from %n step(s)", nullptr,
              t.readings)
        .arg(kind.toHtmlEscaped(), percent(t.now.middle), percent(t.now.low), percent(t.now.high),
             percent(t.usual.low), percent(t.usual.high));
  }
  if (t.id == id(FactorKind::WireCut))
    return tr("<b>wire</b> is cut %1 off (%2 to %3), from %n reading(s)", nullptr, t.readings)
        .arg(str(printLength(t.now.middle, session_.units(), 1)),
             str(printLength(t.now.low, session_.units(), 1)),
             str(printLength(t.now.high, session_.units(), 1)));
  if (t.id == id(FactorKind::WoolLost))
    return tr("<b>wool</b>: %1 % of what you take is lost (%2 to %3; before %4 to %5), from %n figure(s)",
              nullptr, t.readings)
        .arg(percent(t.now.middle), percent(t.now.low), percent(t.now.high), percent(t.usual.low),
             percent(t.usual.high));
  const QString what = t.id == id(FactorKind::LimbLength)    ? tr("parts' lengths")
                       : t.id == id(FactorKind::FeltDensity) ? tr("how dense your felt is")
                       : t.id == id(FactorKind::LayOut)      ? tr("the minutes to lay the bench out")
                                                             : tr("your felt's girth over the wound one");
  return tr("<b>%1</b>: %2 % of what is planned (%3 to %4), from %n reading(s)", nullptr, t.readings)
      .arg(what, percent(t.now.middle), percent(t.now.low), percent(t.now.high));
}

void HandPanel::refresh() {
  filling_ = true;
  const HandEvidence& hand = view_.hand();
  learn_->setChecked(!hand.off);
  figures_->clear();
  for (auto f = hand.figures.rbegin(); f != hand.figures.rend(); ++f) {
    auto* item =
        new QListWidgetItem(tr("%1, %2: %n step(s) timed", nullptr, static_cast<int>(f->paces.size()))
                                .arg(str(f->name), str(f->date)),
                            figures_);
    item->setFlags(item->flags() | Qt::ItemIsUserCheckable);
    item->setCheckState(f->struck ? Qt::Unchecked : Qt::Checked);
    item->setData(Qt::UserRole, str(f->project));
  }
  forget_->setEnabled(!hand.figures.empty());
  const std::vector<HandTrait> traits = handTraits(counting(hand, {}), session_.catalog().hand);
  QStringList lines;
  for (const HandTrait& t : traits) lines << wordsOf(t);
  if (lines.isEmpty())
    lines << (hand.off ? tr("Switched off: hours and sessions go by the usual pace.")
                       : tr("Nothing is known of your hand yet: hours go by the usual pace. What you time at "
                            "the bench "
                            "is taken in when you save the figure; it stays on this machine."));
  traits_->setText(lines.join(QStringLiteral("<br>")));
  filling_ = false;
}

} // namespace columna
