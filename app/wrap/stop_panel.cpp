#include "wrap/stop_panel.h"

#include "edit/wool_edit.h"
#include "kit/parts.h"
#include "kit/say.h"
#include "measure/quantity.h"
#include "project/project_fields.h"
#include "session/build_view.h"
#include "session/changes.h"
#include "theme/theme.h"
#include "wool/when_to_stop.h"

#include <QComboBox>
#include <QDate>
#include <QGridLayout>
#include <QLineEdit>
#include <QListWidget>
#include <QPushButton>

#include <cmath>

namespace columna {
namespace {

std::string today() { return QDate::currentDate().toString(Qt::ISODate).toStdString(); }

} // namespace

StopPanel::StopPanel(Session& session, QWidget* parent) : QWidget(parent), session_(session) {
  setAccessibleName(tr("Measured"));
  auto* grid = new QGridLayout(this);
  grid->setContentsMargins(0, px(2), px(8), 0);
  grid->setHorizontalSpacing(px(10));
  grid->setVerticalSpacing(px(6));
  grid->addWidget(smallText(this, tr("tape round it")), 0, 0);
  place_ = new QComboBox(this);
  place_->setAccessibleName(tr("Where the tape lies"));
  moment_ = new QComboBox(this);
  moment_->setAccessibleName(tr("Felted or coated"));
  moment_->addItems({tr("felted"), tr("coated")});
  tape_ = new QLineEdit(this);
  tape_->setAccessibleName(tr("Girth by the tape"));
  tape_->setPlaceholderText(tr("girth"));
  const bool narrow = textScale() > 1.4; // large text: what stands beside goes under
  grid->addWidget(place_, 0, 1, 1, narrow ? 2 : 1);
  if (narrow) {
    grid->addWidget(moment_, 1, 0);
    grid->addWidget(tape_, 1, 1);
  } else {
    grid->addWidget(moment_, 0, 2);
    grid->addWidget(tape_, 0, 3);
  }
  grid->addWidget(smallText(this, narrow ? tr("wool left") : tr("wool left of its portion")), narrow ? 2 : 1,
                  0);
  left_ = new QLineEdit(this);
  left_->setAccessibleName(tr("Wool left"));
  left_->setPlaceholderText(tr("weight"));
  grid->addWidget(left_, narrow ? 2 : 1, narrow ? 1 : 3);
  answer_ = textLabel(this, 15, QFont::DemiBold);
  answer_->setAccessibleName(tr("What it says"));
  resize_ = new QPushButton(this);
  grid->addWidget(answer_, narrow ? 3 : 2, 0, 1, narrow ? 3 : 4);
  if (narrow)
    grid->addWidget(resize_, 4, 0, 1, 3);
  else
    grid->addWidget(resize_, 2, 4);
  list_ = new QListWidget(this);
  list_->setAccessibleName(tr("What was measured"));
  for (QLineEdit* field : {tape_, left_}) field->setMinimumWidth(px(90));
  list_->setMinimumWidth(px(150));
  forget_ = new QPushButton(tr("Remove"), this);
  if (narrow) {
    grid->addWidget(list_, 5, 0, 1, 3);
    grid->addWidget(forget_, 6, 0);
  } else {
    grid->addWidget(list_, 0, 5, 2, 1);
    grid->addWidget(forget_, 2, 5);
  }
  grid->setColumnStretch(narrow ? 1 : 5, 1);
  grid->setRowStretch(narrow ? 7 : 3, 1);
  connect(tape_, &QLineEdit::editingFinished, this, [this] {
    if (!tape_->isModified()) return;
    tape_->setModified(false);
    const auto mm = parseLength(tape_->text().toStdString(), session_.units());
    if (!mm || !boundsOf<WrapRecord>("girth_mm").hold(*mm)) {
      answer_->setText(mm ? tr("That is no girth; give it as the tape reads.")
                          : sentence(mm.problem(), session_.units()));
      return;
    }
    takeGirth(*mm);
  });
  connect(left_, &QLineEdit::editingFinished, this, [this] {
    if (!left_->isModified()) return;
    left_->setModified(false);
    const auto g = parseMass(left_->text().toStdString(), session_.units());
    if (!g || !boundsOf<WrapRecord>("left_g").hold(*g)) {
      answer_->setText(g ? tr("That is no weight; give what is left on the scale.")
                         : sentence(g.problem(), session_.units()));
      return;
    }
    takeLeft(*g);
  });
  connect(resize_, &QPushButton::clicked, this, [this] {
    changes::resizeBy(session_, factor_);
    answer_->setText(tr("The rest is sized from it."));
    resize_->hide();
  });
  connect(forget_, &QPushButton::clicked, this, [this] {
    const int row = list_->currentRow();
    if (row >= 0)
      (void)session_.apply(tr("forget a measure"),
                           edit::recordRemoved(session_.project(), static_cast<size_t>(row)));
  });
  session_.onSettled(this, [this] { refresh(); });
  connect(&session_, &Session::selectionChanged, this, [this] {
    answer_->clear();
    resize_->hide();
    tape_->clear();
    left_->clear();
    refresh();
  });
  resize_->hide();
  refresh();
}

int StopPanel::limb() const {
  if (session_.selected() >= 0) return session_.selected();
  const auto& limbs = session_.plan().figure->limbs;
  for (size_t l = 0; l < limbs.size(); ++l)
    if (limbs[l].kind == LimbKind::Trunk) return static_cast<int>(l);
  return 0;
}

void StopPanel::takeGirth(double mm) {
  const auto l = static_cast<size_t>(limb());
  // Copies: the change below makes another plan.
  const FigureLimb part = session_.plan().figure->limbs[l];
  const LimbWool wool = session_.plan().wool->limbs[l];
  const auto at = static_cast<size_t>(std::max(0, place_->currentIndex()));
  if (at >= wool.girths.size()) return;
  const bool coated = moment_->currentIndex() == 1;
  const double along = wool.girths[at].along;
  const GirthAdvice advice = adviseGirth(part, wool, along, mm, coated);
  factor_ = resizeFor(advice, mm);
  (void)session_.apply(tr("girth of the %1").arg(str(Name(part.part))),
                       edit::recorded(session_.project(), {part.id, WrapRecord::What::Girth, along, mm,
                                                           coated ? "finished" : "felted", today()}));
  answer_->setText(str(advice.sentence, session_.units()));
  resize_->setVisible(advice.kind == GirthAdvice::Kind::Over);
  resize_->setText(tr("Size the rest %1 % up").arg(str(printNumber((factor_ - 1) * 100, 0))));
}

void StopPanel::takeLeft(double grams) {
  const auto l = static_cast<size_t>(limb());
  // Copies: the change below makes another plan.
  const FigureLimb part = session_.plan().figure->limbs[l];
  const FigureLimb twin =
      part.twin >= 0 ? session_.plan().figure->limbs[static_cast<size_t>(part.twin)] : FigureLimb();
  const double planned = leftOf(session_.build().steps(), static_cast<int>(l), session_.build().built());
  (void)session_.apply(
      tr("wool left of the %1").arg(str(Name(part.part))),
      edit::recorded(session_.project(), {part.id, WrapRecord::What::Left, 0, grams, {}, today()}));
  // Against its twin, if that was weighed too; else against the plan at this moment.
  QString said;
  if (part.twin >= 0)
    for (const WrapRecord& r : session_.project().wool.records)
      if (r.what == WrapRecord::What::Left && r.limb == twin.id)
        said = part.side > 0 ? str(compareTwins(part.name, grams, twin.name, r.value), session_.units())
                             : str(compareTwins(twin.name, r.value, part.name, grams), session_.units());
  if (said.isEmpty()) {
    const double by = grams - planned;
    said = std::abs(by) < 0.1
               ? tr("As planned at this moment: %1 left.").arg(str(printMass(grams, session_.units())))
           : by > 0 ? tr("%1 more is left than planned at this moment: wind on.")
                          .arg(str(printMass(by, session_.units())))
                    : tr("%1 more is on than planned at this moment: stop and put the tape round.")
                          .arg(str(printMass(-by, session_.units())));
  }
  answer_->setText(said);
  resize_->hide();
}

void StopPanel::refresh() {
  const Plan& plan = session_.plan();
  const UnitSystem units = session_.units();
  const LimbWool& wool = plan.wool->limbs[static_cast<size_t>(limb())];
  const int before = place_->currentIndex();
  place_->clear();
  for (const Girth& g : wool.girths)
    place_->addItem(tr("%1 from the root").arg(str(printLength(g.along, units, 0))));
  place_->setCurrentIndex(std::clamp(before, 0, std::max(0, place_->count() - 1)));
  const QSignalBlocker quiet(list_);
  list_->clear();
  const auto named = [&plan](const std::string& limb) {
    const auto l = plan.figure->limb(limb);
    return l ? str(Name(plan.figure->limbs[static_cast<size_t>(*l)].name)) : tr("a part of another animal");
  };
  for (const WrapRecord& r : session_.project().wool.records)
    list_->addItem(r.what == WrapRecord::What::Left
                       ? tr("%1: %2 left").arg(named(r.limb), str(printMass(r.value, units)))
                       : tr("%1 at %2: %3 %4")
                             .arg(named(r.limb), str(printLength(r.along, units, 0)),
                                  str(printLength(r.value, units, 0)),
                                  r.moment == "finished" ? tr("coated") : tr("felted")));
  forget_->setEnabled(list_->count() > 0);
  if (list_->count() > 0) list_->setCurrentRow(list_->count() - 1);
}

} // namespace columna
