#include "wrap/wool_panel.h"

#include "measure/quantity.h"
#include "shell/parts.h"
#include "shell/say.h"
#include "theme/theme.h"
#include "wool/felt.h"
#include "wool/winding.h"

#include <QComboBox>
#include <QGridLayout>
#include <QLineEdit>
#include <QPushButton>

namespace columna {
namespace {

QString str(const std::string& s) { return QString::fromStdString(s); }

QLabel* small(QWidget* parent, const QString& text) {
  QLabel* label = textLabel(parent, 13, QFont::Normal, false);
  label->setText(text);
  return label;
}

} // namespace

WoolPanel::WoolPanel(Session& session, QWidget* parent) : QWidget(parent), session_(session) {
  setAccessibleName(tr("Wool at hand"));
  auto* grid = new QGridLayout(this);
  grid->setContentsMargins(0, px(2), px(8), 0);
  grid->setHorizontalSpacing(px(10));
  grid->setVerticalSpacing(px(6));
  stocks_[0] = stockRow(grid, 0, tr("core"), false);
  stocks_[1] = stockRow(grid, 1, tr("coat"), true);
  grid->addWidget(small(this, tr("staple of the coat")), 2, 0);
  staple_ = new QLineEdit(this);
  staple_->setAccessibleName(tr("Staple length of the coat wool"));
  grid->addWidget(staple_, 2, 1);
  grid->addWidget(small(this, tr("grip on the wire")), 2, 2);
  grip_ = new QComboBox(this);
  grip_->setAccessibleName(tr("Grip on the wire"));
  grip_->addItems({tr("bare"), tr("pipe-cleaner sleeve"), tr("paper"), tr("wax")});
  grid->addWidget(grip_, 2, 3, 1, 2);
  // The ball: make it, measure it, weigh it.
  auto* ballHead = small(
      this, tr("Your own felt: roll 3 g or more, felt it as you always do, measure three ways, weigh."));
  ballHead->setWordWrap(true);
  setFaint(ballHead);
  grid->addWidget(ballHead, 0, 5, 1, 4);
  diameter_ = new QLineEdit(this);
  diameter_->setAccessibleName(tr("Diameter of the test ball"));
  diameter_->setPlaceholderText(tr("across"));
  grams_ = new QLineEdit(this);
  grams_->setAccessibleName(tr("Weight of the test ball"));
  grams_->setPlaceholderText(tr("weight"));
  for (QLineEdit* field : {diameter_, grams_}) field->setMinimumWidth(px(74));
  firm_ = new QComboBox(this);
  firm_->setAccessibleName(tr("How firm the test ball is"));
  firm_->addItems({tr("soft"), tr("medium"), tr("firm")});
  firm_->setCurrentIndex(1);
  auto* drop = new QPushButton(tr("No ball"), this);
  grid->addWidget(diameter_, 1, 5);
  grid->addWidget(grams_, 1, 6);
  grid->addWidget(firm_, 1, 7);
  grid->addWidget(drop, 1, 8);
  ballWords_ = textLabel(this, 13, QFont::DemiBold);
  grid->addWidget(ballWords_, 2, 5, 1, 4);
  trouble_ = textLabel(this, 13, QFont::DemiBold);
  trouble_->setStyleSheet(trouble_->styleSheet() + QStringLiteral("color: %1;").arg(theme().madder.name()));
  grid->addWidget(trouble_, 3, 0, 1, 9);
  grid->setColumnMinimumWidth(4, px(16));
  grid->setColumnStretch(5, 1);
  grid->setColumnStretch(6, 1);
  grid->setRowStretch(4, 1);
  for (QLineEdit* field : {diameter_, grams_})
    connect(field, &QLineEdit::editingFinished, this, [this, field] {
      if (!field->isModified()) return;
      takeBall();
    });
  connect(firm_, &QComboBox::activated, this, [this] {
    if (session_.project().wool.ball) takeBall();
  });
  connect(drop, &QPushButton::clicked, this, [this] {
    diameter_->clear();
    grams_->clear();
    session_.editWool(tr("no test ball"), [](WoolWish& w) { w.ball.reset(); });
  });
  connect(grip_, &QComboBox::activated, this, [this](int i) {
    session_.editWool(tr("grip"), [i](WoolWish& w) { w.grip = static_cast<WireGrip>(i); });
  });
  connect(staple_, &QLineEdit::editingFinished, this, [this] {
    if (!staple_->isModified()) return;
    staple_->setModified(false);
    const auto mm = parseLength(staple_->text().toStdString(), session_.units());
    trouble_->setText(mm ? QString() : sentence(mm.problem()));
    if (mm)
      session_.editWool(tr("staple"), [&](WoolWish& w) { w.coat.staple = std::clamp(*mm, 5.0, 500.0); });
  });
  connect(&session_, &Session::planSettled, this, &WoolPanel::refresh);
  refresh();
}

WoolPanel::Stock WoolPanel::stockRow(QGridLayout* grid, int row, const QString& name, bool coat) {
  Stock s;
  grid->addWidget(small(this, name), row, 0);
  s.form = new QComboBox(this);
  s.form->setAccessibleName(coat ? tr("How the coat wool comes") : tr("How the core wool comes"));
  s.form->addItems({tr("batt"), tr("carded sliver"), tr("combed top"), tr("roving")});
  grid->addWidget(s.form, row, 1);
  s.linear = new QLineEdit(this);
  s.linear->setAccessibleName(coat ? tr("Weight of 1 m of the coat wool")
                                   : tr("Weight of 1 m of the core wool"));
  s.linear->setToolTip(tr("1 m of it weighs"));
  grid->addWidget(s.linear, row, 2);
  s.tone = new QComboBox(this);
  s.tone->setAccessibleName(coat ? tr("Colour of the coat wool") : tr("Colour of the core wool"));
  s.tone->addItems({tr("pale"), tr("mid"), tr("dark")});
  grid->addWidget(s.tone, row, 3);
  const auto of = [coat](WoolWish& w) -> WoolStock& { return coat ? w.coat : w.core; };
  connect(s.form, &QComboBox::activated, this, [this, of, name](int i) {
    session_.editWool(tr("%1 wool").arg(name), [&](WoolWish& w) {
      of(w).form = static_cast<WoolForm>(i);
      of(w).linear.reset();
    });
  });
  connect(s.tone, &QComboBox::activated, this, [this, of, name](int i) {
    session_.editWool(tr("%1 colour").arg(name), [&](WoolWish& w) { of(w).tone = static_cast<Tone>(i); });
  });
  QLineEdit* field = s.linear;
  connect(field, &QLineEdit::editingFinished, this, [this, of, name, field] {
    if (!field->isModified()) return;
    field->setModified(false);
    const auto grams = parseMass(field->text().toStdString(), session_.units());
    if (!grams) {
      trouble_->setText(sentence(grams.problem()));
      return;
    }
    trouble_->clear();
    session_.editWool(tr("1 m of %1 weighed").arg(name), [&](WoolWish& w) { of(w).linear = *grams / 1000; });
    refresh();
  });
  return s;
}

void WoolPanel::takeBall() {
  diameter_->setModified(false);
  grams_->setModified(false);
  trouble_->clear();
  if (diameter_->text().isEmpty() || grams_->text().isEmpty()) return;
  const auto mm = parseLength(diameter_->text().toStdString(), session_.units());
  const auto g = parseMass(grams_->text().toStdString(), session_.units());
  if (!mm || !g) {
    trouble_->setText(sentence(!mm ? mm.problem() : g.problem()));
    return;
  }
  const TestBall ball{*mm, *g, static_cast<Firmness>(firm_->currentIndex())};
  const WoolRules& rules = session_.plan().woolRules;
  const double density = *mm > 0 ? ballDensity(ball) : 0;
  if (!(*mm >= 5 && *mm <= 200) || !(density >= rules.densityLeast && density <= rules.densityMost)) {
    trouble_->setText(
        tr("A ball %1 across of %2 would be %3 g/cm³, which felt is not; measure and weigh it again.")
            .arg(str(printLength(*mm, session_.units(), 1)), str(printMass(*g, session_.units())),
                 str(printNumber(density * 1000, 2))));
    return;
  }
  session_.editWool(tr("test ball"), [&](WoolWish& w) { w.ball = ball; });
}

void WoolPanel::refresh() {
  const WoolWish& wool = session_.project().wool;
  const WoolRules& rules = session_.plan().woolRules;
  const UnitSystem units = session_.units();
  for (const bool coat : {false, true}) {
    const WoolStock& stock = coat ? wool.coat : wool.core;
    Stock& s = stocks_[coat ? 1 : 0];
    s.form->setCurrentIndex(static_cast<int>(stock.form));
    s.tone->setCurrentIndex(static_cast<int>(stock.tone));
    if (s.linear->hasFocus() && s.linear->isModified()) continue;
    const Sliver sliver = sliverOf(stock, rules);
    s.linear->setText(tr("%1 a metre").arg(str(printMass(sliver.linear * 1000, units))));
    s.linear->setStyleSheet(sliver.weighed ? QStringLiteral("color: %1;").arg(theme().logwood.name())
                                           : QString());
    s.linear->setModified(false);
  }
  if (!staple_->hasFocus())
    staple_->setText(str(printLength(wool.coat.staple.value_or(rules.staple), units, 0)));
  grip_->setCurrentIndex(static_cast<int>(wool.grip));
  if (!wool.ball) {
    ballWords_->setText(tr("No ball yet: the usual densities are good to a fifth."));
    return;
  }
  const TestBall& ball = *wool.ball;
  if (!diameter_->hasFocus()) diameter_->setText(str(printLength(ball.diameter, units, 1)));
  if (!grams_->hasFocus()) grams_->setText(str(printMass(ball.grams, units)));
  firm_->setCurrentIndex(static_cast<int>(ball.firmness));
  const double off = handFactor(ball) - 1;
  ballWords_->setText(
      tr("%1 g/cm³, ± %2 %: the estimate was %3 % too %4; all weights follow yours.")
          .arg(str(printNumber(ballDensity(ball) * 1000, 3)), str(printNumber(ballError(ball) * 100, 0)),
               str(printNumber(std::abs(off) / (1 + off) * 100, 0)), off > 0 ? tr("light") : tr("heavy")));
}

} // namespace columna
