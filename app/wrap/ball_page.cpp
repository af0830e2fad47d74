#include "wrap/ball_page.h"

#include "edit/wool_edit.h"
#include "kit/parts.h"
#include "kit/say.h"
#include "measure/quantity.h"
#include "project/project_fields.h"
#include "session/changes.h"
#include "theme/theme.h"
#include "wool/felt.h"

#include <QComboBox>
#include <QDialogButtonBox>
#include <QGridLayout>
#include <QLineEdit>
#include <QPushButton>

#include <cmath>
#include <numbers>

namespace columna {
namespace {

constexpr double kSuggested = 4;     // g: enough for a pocket scale, little to spare
constexpr double kRoundEnough = 0.1; // readings may differ by that share of their mean

} // namespace

BallPage::BallPage(Session& session, QWidget* parent) : QDialog(parent), session_(session) {
  setWindowTitle(tr("A ball of your own felt"));
  auto* grid = new QGridLayout(this);
  grid->setContentsMargins(px(28), px(22), px(28), px(20));
  grid->setHorizontalSpacing(px(12));
  grid->setVerticalSpacing(px(6));
  grid->setColumnStretch(4, 1);
  auto* why = textLabel(this, 13, QFont::Normal);
  why->setText(
      tr("Hands felt differently. One ball, measured and weighed, settles every weight of the figure."));
  setFaint(why);
  grid->addWidget(why, 0, 0, 1, 5);
  make_ = step(grid, 1, tr("Make it"));
  firm_ = new QComboBox(this);
  firm_->setAccessibleName(tr("How firm the test ball is"));
  firm_->addItems({tr("soft"), tr("medium"), tr("firm")});
  grid->addWidget(firm_, 3, 1);
  auto* care = textLabel(this, 12, QFont::Normal);
  care->setText(tr("Needles pierce fingers: slow and straight, on a pad, never towards the hand; rest it."));
  setFaint(care);
  grid->addWidget(care, 3, 2, 1, 3);
  mean_ = step(grid, 4, tr("Measure it three ways across"));
  for (size_t k = 0; k < across_.size(); ++k) {
    auto* field = new QLineEdit(this);
    field->setAccessibleName(tr("Diameter of the test ball, reading %1 of 3").arg(k + 1));
    field->setPlaceholderText(k == 0 ? tr("across") : k == 1 ? tr("turned") : tr("and on end"));
    field->setMinimumWidth(px(90));
    grid->addWidget(field, 6, static_cast<int>(k) + 1);
    across_[k] = field;
    connect(field, &QLineEdit::textChanged, this, &BallPage::reckon);
  }
  step(grid, 7, tr("Weigh it"))
      ->setText(tr("On the scale you weigh your wool with. A tenth of a gram matters: the heavier the ball, "
                   "the less."));
  grams_ = new QLineEdit(this);
  grams_->setAccessibleName(tr("Weight of the test ball"));
  grams_->setPlaceholderText(tr("weight"));
  grid->addWidget(grams_, 9, 1);
  grid->addWidget(ruleLine(this), 10, 0, 1, 5);
  density_ = new BigFigure(tr("your felt"), this);
  grid->addWidget(density_, 11, 0, 1, 2);
  answer_ = textLabel(this, 15, QFont::DemiBold);
  answer_->setAccessibleName(tr("What it says"));
  answer_->setMinimumHeight(px(64));
  grid->addWidget(answer_, 11, 2, 1, 3);
  auto* buttons = new QDialogButtonBox(QDialogButtonBox::Cancel, this);
  use_ = buttons->addButton(tr("Weigh by this ball"), QDialogButtonBox::AcceptRole);
  use_->setDefault(true);
  grid->addWidget(buttons, 12, 0, 1, 5);
  connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
  connect(buttons, &QDialogButtonBox::accepted, this, [this] {
    if (!ball_) return;
    if (session_.apply(tr("test ball"), edit::ballFelted(session_.project(), ball_))) return;
    accept();
  });
  connect(grams_, &QLineEdit::textChanged, this, &BallPage::reckon);
  connect(firm_, &QComboBox::currentIndexChanged, this, &BallPage::reckon);
  firm_->setCurrentIndex(1);
  if (const auto& ball = session_.project().wool.ball) {
    firm_->setCurrentIndex(static_cast<int>(ball->firmness));
    for (size_t k = 0; k < across_.size(); ++k)
      across_[k]->setText(str(
          printLength(k < ball->measured.size() ? ball->measured[k] : ball->diameter, session_.units(), 1)));
    grams_->setText(str(printMass(ball->grams, session_.units())));
  }
  resize(px(620), sizeHint().height());
  reckon();
  across_[0]->setFocus();
}

QLabel* BallPage::step(QGridLayout* grid, int row, const QString& head) {
  auto* number = textLabel(this, 28, QFont::DemiBold, false);
  number->setText(QString::number((row - 1) / 3 + 1));
  number->setStyleSheet(number->styleSheet() + QStringLiteral("color: %1;").arg(theme().woad.name()));
  number->setAlignment(Qt::AlignTop | Qt::AlignHCenter);
  grid->addWidget(number, row, 0, 2, 1);
  auto* title = textLabel(this, 15, QFont::DemiBold, false);
  title->setText(head);
  grid->addWidget(title, row, 1, 1, 4);
  auto* words = textLabel(this, 13, QFont::Normal);
  grid->addWidget(words, row + 1, 1, 1, 4);
  return words;
}

void BallPage::reckon() {
  const UnitSystem units = session_.units();
  const WoolRules& rules = session_.plan().woolRules;
  const auto firm = static_cast<Firmness>(firm_->currentIndex());
  const double about = std::cbrt(6 * kSuggested / (std::numbers::pi * feltDensity(firm)));
  make_->setText(
      tr("Tear off %1 or more of your core wool; %2 make a ball about %3 across. Roll it tight and felt "
         "it all round, as firm as you would a part that is:")
          .arg(str(printMass(rules.ballLeast, units)), str(printMass(kSuggested, units)),
               str(printLength(about, units, 0))));
  ball_.reset();
  density_->set(QStringLiteral("–"), QString());
  use_->setEnabled(false);
  TestBall ball;
  ball.firmness = firm;
  QString wrong;
  double sum = 0;
  for (const QLineEdit* field : across_) {
    if (field->text().trimmed().isEmpty()) continue;
    const auto mm = parseLength(field->text().toStdString(), units);
    if (!mm)
      wrong = sentence(mm.problem(), session_.units());
    else if (!boundsOf(&TestBall::diameter).hold(*mm))
      wrong = tr("A ball of %1 is not for measuring felt by; make one of %2 to %3.")
                  .arg(str(printLength(*mm, units, 1)), str(Length(20, 0).figure(), units),
                       str(Length(60, 0), units));
    else {
      ball.measured.push_back(*mm);
      sum += *mm;
    }
  }
  const size_t missing = across_.size() - ball.measured.size();
  if (!ball.measured.empty()) ball.diameter = sum / static_cast<double>(ball.measured.size());
  const bool lumpy = ball.measured.size() > 1 && ballSpread(ball) > kRoundEnough * ball.diameter;
  mean_->setText(ball.measured.empty() ? tr("With callipers, just touching; press and it reads short.")
                 : missing > 0         ? tr("%1 so far; %n more to go.", nullptr, static_cast<int>(missing))
                                     .arg(str(printLength(ball.diameter, units, 1)))
                 : lumpy ? tr("Mean %1, but the readings are %2 apart: roll it rounder, or read again.")
                               .arg(str(printLength(ball.diameter, units, 1)),
                                    str(printLength(ballSpread(ball), units, 1)))
                         : tr("Mean %1, the readings %2 apart.")
                               .arg(str(printLength(ball.diameter, units, 1)),
                                    str(printLength(ballSpread(ball), units, 1))));
  if (wrong.isEmpty() && !grams_->text().trimmed().isEmpty()) {
    const auto g = parseMass(grams_->text().toStdString(), units);
    if (!g)
      wrong = sentence(g.problem(), session_.units());
    else if (!boundsOf(&TestBall::grams).hold(*g))
      wrong = tr("Give what the scale shows, %1 or more.").arg(str(printMass(rules.ballLeast, units)));
    else
      ball.grams = *g;
  }
  if (!wrong.isEmpty()) {
    answer_->setText(wrong);
    return;
  }
  if (missing > 0 || ball.grams <= 0) {
    answer_->setText(tr("Its density follows from three readings and its weight."));
    return;
  }
  const double density = ballDensity(ball);
  const QStringList felt = str(Density(density, 3), units).split(u' ');
  density_->set(felt.front(), felt.back());
  if (!(density >= rules.densityLeast && density <= rules.densityMost)) {
    answer_->setText(tr("A ball %1 across of %2 would be %3, which felt is not; measure and weigh it again.")
                         .arg(str(printLength(ball.diameter, units, 1)), str(printMass(ball.grams, units)),
                              str(Density(density, 2), units)));
    return;
  }
  const double off = handFactor(ball) - 1;
  QString words =
      tr("± %1 %. Usual %2 felt is %3: yours is %4 % %5, so all weights go %6 by that.")
          .arg(str(printNumber(ballError(ball) * 100, 0)), firm_->currentText(),
               str(Density(feltDensity(firm), 2), units), str(printNumber(std::abs(off) * 100, 0)),
               off >= 0 ? tr("denser") : tr("lighter"), off >= 0 ? tr("up") : tr("down"));
  if (ball.grams < rules.ballLeast)
    words += tr(" Under %1 a pocket scale's tenth is much: a heavier ball says it better.")
                 .arg(str(printMass(rules.ballLeast, units)));
  answer_->setText(words);
  ball_ = ball;
  use_->setEnabled(true);
}

} // namespace columna
