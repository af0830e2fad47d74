// The card's ready core of a part, and the figure's finish.
#include "wrap/wrap_card.h"

#include "edit/wool_edit.h"
#include "kit/say.h"
#include "measure/quantity.h"
#include "measure/whole.h"
#include "session/changes.h"
#include "theme/theme.h"

#include <QComboBox>
#include <QGridLayout>
#include <QLineEdit>
#include <QRegularExpression>
#include <QSlider>
#include <QVBoxLayout>

#include <algorithm>
#include <cmath>

namespace columna {
namespace {

/// As wide as the card leaves it, however large the text is.
void narrow(QComboBox* box) {
  box->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
  box->setMinimumContentsLength(6);
}

} // namespace

/// A core that is there already, set into the chosen part.
void WrapCard::makeReady(QVBoxLayout* layout) {
  ready_ = new QWidget(this);
  auto* grid = new QGridLayout(ready_);
  grid->setContentsMargins(0, 0, 0, 0);
  grid->setHorizontalSpacing(px(8));
  readyKind_ = new QComboBox(ready_);
  readyKind_->setAccessibleName(tr("Ready core in this part"));
  readyKind_->addItems(
      {tr("no ready core"), tr("felted ball"), tr("foam egg"), tr("stuffing"), tr("old core")});
  narrow(readyKind_);
  readySize_ = new QLineEdit(ready_);
  readySize_->setAccessibleName(tr("Size of the ready core"));
  readySize_->setToolTip(tr("across, or length × across × deep"));
  readyGrams_ = new QLineEdit(ready_);
  readyGrams_->setAccessibleName(tr("Weight of the ready core"));
  readyAt_ = new QSlider(Qt::Horizontal, ready_);
  readyAt_->setRange(0, 100);
  readyAt_->setAccessibleName(tr("Where along the part it lies"));
  readyWords_ = textLabel(ready_, 13, QFont::Normal);
  grid->addWidget(readyKind_, 0, 0, 1, 2);
  grid->addWidget(readySize_, 1, 0);
  grid->addWidget(readyGrams_, 1, 1);
  grid->addWidget(readyAt_, 2, 0, 1, 2);
  grid->addWidget(readyWords_, 3, 0, 1, 2);
  grid->setColumnStretch(0, 2);
  grid->setColumnStretch(1, 1);
  layout->addWidget(ready_);
  whyReady_ = new Why(this);
  layout->addWidget(whyReady_);
  connect(readyKind_, &QComboBox::activated, this, [this](int i) {
    editReady(tr("ready core"), [&](std::optional<ReadyCore>& core) {
      if (i == 0) {
        core.reset();
        return;
      }
      if (!core) core = edit::usualReadyCore(session_.plan(), session_.selected());
      core->kind = static_cast<ReadyKind>(i - 1);
    });
  });
  connect(readySize_, &QLineEdit::editingFinished, this, [this] {
    if (!readySize_->isModified()) return;
    readySize_->setModified(false);
    QStringList parts = readySize_->text().split(QRegularExpression(QStringLiteral("\\s*[x×]\\s*")));
    std::vector<double> mm;
    for (const QString& part : parts) {
      const auto one = parseLength(part.toStdString(), session_.units());
      if (!one) {
        session_.refuse(sentence(one.problem(), session_.units()));
        refresh();
        return;
      }
      mm.push_back(*one);
    }
    if (mm.size() > 3) {
      session_.refuse(tr("A ready core has one size, or three: length × across × deep."));
      refresh();
      return;
    }
    mm.resize(3, mm.back());
    editReady(tr("ready core's size"), [&](std::optional<ReadyCore>& core) {
      if (!core) return;
      core->length = mm[0];
      core->across = mm[1];
      core->deep = mm[2];
    });
  });
  connect(readyGrams_, &QLineEdit::editingFinished, this, [this] {
    if (!readyGrams_->isModified()) return;
    readyGrams_->setModified(false);
    const auto g = parseMass(readyGrams_->text().toStdString(), session_.units());
    if (!g) {
      session_.refuse(sentence(g.problem(), session_.units()));
      refresh();
      return;
    }
    editReady(tr("ready core's weight"), [&](std::optional<ReadyCore>& core) {
      if (core) core->grams = *g;
    });
  });
  connect(readyAt_, &QSlider::sliderReleased, this, &WrapCard::moveReady);
  connect(readyAt_, &QSlider::actionTriggered, this, [this] {
    if (!readyAt_->isSliderDown()) QTimer::singleShot(0, this, &WrapCard::moveReady);
  });
}

void WrapCard::moveReady() {
  editReady(tr("ready core's place"), [&](std::optional<ReadyCore>& core) {
    if (core) core->at = readyAt_->value() / 100.0;
  });
}

void WrapCard::editReady(const QString& name, const std::function<void(std::optional<ReadyCore>&)>& act) {
  if (session_.selected() < 0) return;
  const std::string limb = session_.plan().figure->limbs[static_cast<size_t>(session_.selected())].id;
  std::optional<ReadyCore> core = edit::readyCoreOf(session_.project(), limb);
  act(core);
  if (session_.apply(name, edit::readyCore(session_.project(), limb, core))) refresh();
}

void WrapCard::showReady(int l) {
  const Plan& plan = session_.plan();
  const UnitSystem units = session_.units();
  const FigureLimb& limb = plan.figure->limbs[static_cast<size_t>(l)];
  ready_->setVisible(limb.kind != LimbKind::Digits);
  const auto& all = session_.project().wool.ready;
  const auto found =
      std::find_if(all.begin(), all.end(), [&](const ReadyCore& c) { return c.limb == limb.id; });
  const bool there = found != all.end();
  readyKind_->setCurrentIndex(there ? 1 + static_cast<int>(found->kind) : 0);
  for (QWidget* w : std::initializer_list<QWidget*>{readySize_, readyGrams_, readyAt_, readyWords_})
    w->setVisible(there);
  if (!there) {
    whyReady_->set({}, session_.units());
    return;
  }
  if (!readySize_->hasFocus())
    readySize_->setText(found->length == found->across && found->across == found->deep
                            ? str(printLength(found->length, units, 0))
                            : tr("%1 × %2 × %3")
                                  .arg(str(printLength(found->length, units, 0)),
                                       str(printLength(found->across, units, 0)),
                                       str(printLength(found->deep, units, 0))));
  if (!readyGrams_->hasFocus()) readyGrams_->setText(str(printMass(found->grams, units)));
  if (!readyAt_->isSliderDown()) {
    const QSignalBlocker quiet(readyAt_);
    readyAt_->setValue(nearestWhole(100 * found->at));
  }
  const auto index = static_cast<size_t>(found - all.begin());
  if (index >= plan.wool->readyFits.size()) return;
  const ReadyFit& fit = plan.wool->readyFits[index];
  const LimbWool& w = plan.wool->limbs[static_cast<size_t>(l)];
  readyWords_->setText(
      fit.placed <= 0
          ? tr("It does not fit under the wool that goes on it.")
          : tr("Saves %1 of core wool. %2")
                .arg(str(printMass(w.saved, units)),
                     fit.fits() > 0.97
                         ? tr("It fits whole; slit it to the wire.")
                         : tr("Cut %1 % of it away to fit.").arg(nearestWhole(100 * (1 - fit.fits())))));
  if (found->grams <= 0)
    readyWords_->setText(readyWords_->text() + u' ' + tr("Weigh it: its weight counts too."));
  whyReady_->set(readyWorking(*found, fit, w), session_.units());
}

/// How finely it is made, which decides most of the hours.
void WrapCard::makeFinish(QVBoxLayout* layout) {
  finishRow_ = new QWidget(this);
  auto* row = new QHBoxLayout(finishRow_);
  row->setContentsMargins(0, 0, 0, 0);
  auto* label = textLabel(finishRow_, 13, QFont::Normal, false);
  label->setText(tr("finish"));
  finish_ = new QComboBox(finishRow_);
  finish_->setAccessibleName(tr("How finely it is made"));
  finish_->addItems({tr("core only"), tr("plain"), tr("good"), tr("fine")});
  narrow(finish_);
  row->addWidget(label);
  row->addWidget(finish_, 1);
  layout->addWidget(finishRow_);
  whyHours_ = new Why(this);
  layout->addWidget(whyHours_);
  connect(finish_, &QComboBox::activated, this,
          [this](int i) { changes::setFinish(session_, static_cast<Finish>(i)); });
}

} // namespace columna
