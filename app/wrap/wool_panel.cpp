#include "wrap/wool_panel.h"

#include "edit/wool_edit.h"
#include "kit/parts.h"
#include "kit/say.h"
#include "measure/quantity.h"
#include "session/changes.h"
#include "theme/theme.h"
#include "wool/felt.h"
#include "wool/winding.h"

#include <QComboBox>
#include <QGridLayout>
#include <QLineEdit>
#include <QPushButton>

namespace columna {

WoolPanel::WoolPanel(Session& session, QWidget* parent) : QWidget(parent), session_(session) {
  setAccessibleName(tr("Wool at hand"));
  auto* grid = new QGridLayout(this);
  grid->setContentsMargins(0, px(2), px(8), 0);
  grid->setHorizontalSpacing(px(textScale() > 1.4 ? 4 : 7));
  grid->setVerticalSpacing(px(6));
  stocks_[0] = stockRow(grid, 0, tr("core"), false);
  stocks_[1] = stockRow(grid, 1, tr("coat"), true);
  grid->addWidget(smallText(this, textScale() > 1.4 ? tr("staple") : tr("staple of the coat")), 2, 0);
  staple_ = new QLineEdit(this);
  staple_->setAccessibleName(tr("Staple length of the coat wool"));
  grid->addWidget(staple_, 2, 1);
  const bool narrow = textScale() > 1.4; // large text: what stands beside goes under
  grid->addWidget(smallText(this, narrow ? tr("grip") : tr("grip on the wire")), narrow ? 3 : 2,
                  narrow ? 0 : 2);
  grip_ = new QComboBox(this);
  grip_->setAccessibleName(tr("Grip on the wire"));
  grip_->addItems({tr("bare"), tr("pipe-cleaner sleeve"), tr("paper"), tr("wax")});
  if (narrow)
    grid->addWidget(grip_, 3, 1, 1, 2);
  else
    grid->addWidget(grip_, 2, 3, 1, 2);
  ballWords_ = textLabel(this, 13, QFont::DemiBold);
  ballWords_->setAccessibleName(tr("Your own felt"));
  ball_ = new QPushButton(this);
  drop_ = new QPushButton(tr("Usual densities"), this);
  if (narrow) {
    grid->addWidget(ballWords_, 4, 0, 1, 5);
    grid->addWidget(ball_, 5, 0, 1, 2);
    grid->addWidget(drop_, 5, 2, 1, 3);
  } else {
    grid->addWidget(ballWords_, 0, 5, 2, 3);
    grid->addWidget(ball_, 2, 5);
    grid->addWidget(drop_, 2, 6);
  }
  trouble_ = textLabel(this, 13, QFont::DemiBold);
  trouble_->setStyleSheet(trouble_->styleSheet() + QStringLiteral("color: %1;").arg(theme().madder.name()));
  grid->addWidget(trouble_, narrow ? 6 : 3, 0, 1, 8);
  grid->setColumnMinimumWidth(4, narrow ? 0 : px(6));
  grid->setColumnStretch(narrow ? 4 : 7, 1);
  grid->setRowStretch(7, 1);
  connect(ball_, &QPushButton::clicked, this, &WoolPanel::openBall);
  connect(drop_, &QPushButton::clicked, this, [this] {
    (void)session_.apply(tr("no test ball"), edit::ballFelted(session_.project(), std::nullopt));
  });
  connect(grip_, &QComboBox::activated, this, [this](int i) {
    (void)session_.apply(tr("grip"), edit::grippedBy(session_.project(), static_cast<WireGrip>(i)));
  });
  connect(staple_, &QLineEdit::editingFinished, this, [this] {
    if (!staple_->isModified()) return;
    staple_->setModified(false);
    const auto mm = parseLength(staple_->text().toStdString(), session_.units());
    const auto made = mm ? edit::stapleOf(session_.project(), edit::WoolOf::Coat, *mm) : mm.problem();
    trouble_->setText(made ? QString() : sentence(made.problem(), session_.units()));
    if (made) (void)session_.apply(tr("staple"), made);
    if (mm) refresh();
  });
  session_.onSettled(this, [this] { refresh(); });
  refresh();
}

WoolPanel::Stock WoolPanel::stockRow(QGridLayout* grid, int row, const QString& name, bool coat) {
  Stock s;
  grid->addWidget(smallText(this, name), row, 0);
  s.form = new QComboBox(this);
  s.form->setAccessibleName(coat ? tr("How the coat wool comes") : tr("How the core wool comes"));
  s.form->addItems({tr("batt"), tr("carded sliver"), tr("combed top"), tr("roving")});
  s.form->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
  s.form->setMinimumContentsLength(textScale() > 1.3 ? 3 : 8);
  grid->addWidget(s.form, row, 1);
  s.linear = new QLineEdit(this);
  s.linear->setAccessibleName(coat ? tr("How heavy the coat wool is") : tr("How heavy the core wool is"));
  s.linear->setMinimumWidth(px(80));
  grid->addWidget(s.linear, row, 2);
  s.tone = new QComboBox(this);
  s.tone->setAccessibleName(coat ? tr("Colour of the coat wool") : tr("Colour of the core wool"));
  s.tone->addItems({tr("pale"), tr("mid"), tr("dark")});
  s.tone->setPlaceholderText(tr("how dark?"));
  s.tone->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
  s.tone->setMinimumContentsLength(textScale() > 1.3 ? 3 : 6);
  grid->addWidget(s.tone, row, 3);
  const edit::WoolOf of = coat ? edit::WoolOf::Coat : edit::WoolOf::Core;
  connect(s.form, &QComboBox::activated, this, [this, of, name](int i) {
    (void)session_.apply(tr("%1 wool").arg(name),
                         edit::woolComesAs(session_.project(), of, static_cast<WoolForm>(i)));
  });
  connect(s.tone, &QComboBox::activated, this, [this, of, name](int i) {
    (void)session_.apply(tr("%1 colour").arg(name),
                         edit::woolOfTone(session_.project(), of, static_cast<Tone>(i)));
  });
  QLineEdit* field = s.linear;
  connect(field, &QLineEdit::editingFinished, this, [this, of, name, field] {
    if (!field->isModified()) return;
    field->setModified(false);
    const auto grams = parseMass(field->text().toStdString(), session_.units());
    const auto made = grams ? edit::woolWeighed(session_.project(), of, *grams) : grams.problem();
    trouble_->setText(made ? QString() : sentence(made.problem(), session_.units()));
    if (made) (void)session_.apply(tr("%1 weighed").arg(name), made);
    if (grams) refresh();
  });
  return s;
}

void WoolPanel::openBall() {
  page_ = new BallPage(session_, this);
  page_->setAttribute(Qt::WA_DeleteOnClose);
  page_->open();
}

void WoolPanel::refresh() {
  const WoolWish& wool = session_.project().wool;
  const WoolRules& rules = session_.plan().woolRules;
  const UnitSystem units = session_.units();
  for (const bool coat : {false, true}) {
    const WoolStock& stock = coat ? wool.coat : wool.core;
    Stock& s = stocks_[coat ? 1 : 0];
    s.form->setCurrentIndex(static_cast<int>(stock.form));
    s.tone->setCurrentIndex(stock.tone ? static_cast<int>(*stock.tone) : -1);
    if (s.linear->hasFocus() && s.linear->isModified()) continue;
    const Sliver sliver = sliverOf(stock, rules);
    s.linear->setToolTip(tr("so much %1 of it weighs").arg(str(Length(1000).metres(), units)));
    s.linear->setText(tr("%1 a metre").arg(str(printMass(sliver.linear * 1000, units))));
    s.linear->setStyleSheet(sliver.weighed ? QStringLiteral("color: %1;").arg(theme().logwood.name())
                                           : QString());
    s.linear->setModified(false);
  }
  if (!staple_->hasFocus())
    staple_->setText(str(printLength(wool.coat.staple.value_or(rules.staple), units, 0)));
  grip_->setCurrentIndex(static_cast<int>(wool.grip));
  drop_->setVisible(wool.ball.has_value());
  ball_->setText(wool.ball ? tr("The ball…") : tr("Make a test ball…"));
  if (!wool.ball) {
    ballWords_->setText(tr("Your own felt is not known: weights go by usual densities, good to a fifth. A "
                           "ball of %1 settles it.")
                            .arg(str(Mass(3), units)));
    return;
  }
  const TestBall& ball = *wool.ball;
  const double off = handFactor(ball) - 1;
  ballWords_->setText(
      tr("Your ball: %1 across, %2, felted %3. That is %4, ± %5 %: the estimate was %6 % too %7; all "
         "weights follow yours.")
          .arg(str(printLength(ball.diameter, units, 1)), str(printMass(ball.grams, units)),
               str(Name(word(ball.firmness))), str(Density(ballDensity(ball), 3), units),
               str(printNumber(ballError(ball) * 100, 0)),
               str(printNumber(std::abs(off) / (1 + off) * 100, 0)), off > 0 ? tr("light") : tr("heavy")));
}

} // namespace columna
