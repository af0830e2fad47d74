#include "pose/pose_card.h"

#include "edit/pose_edit.h"
#include "judge/pose_words.h"
#include "kit/beside.h"
#include "kit/flow_layout.h"
#include "kit/say.h"
#include "measure/whole.h"
#include "pose/card_parts.h"
#include "pose/posing.h"
#include "session/changes.h"
#include "session/stance_view.h"
#include "stage/remedy_list.h"
#include "theme/theme.h"

#include <QCheckBox>
#include <QComboBox>
#include <QDoubleSpinBox>
#include <QGridLayout>
#include <QLineEdit>
#include <QPushButton>
#include <QVBoxLayout>

#include <cmath>
#include <limits>
#include <numbers>

namespace columna {
namespace {

QString factor(double value) {
  return std::isfinite(value) && value < 100 ? str(printNumber(value, value < 10 ? 1 : 0))
                                             : QStringLiteral("99+");
}

} // namespace

PoseCard::PoseCard(Session& session, PoseView& view, QWidget* parent)
    : CardPage(parent), session_(session), view_(view) {
  auto* layout = column(this);
  verdict_ = new VerdictView(this);
  layout->addWidget(verdict_);
  limb_ = new QWidget(this);
  whole_ = new QWidget(this);
  buildLimb();
  buildWhole();
  layout->addWidget(limb_);
  layout->addWidget(whole_);
  lately_.setSingleShot(true);
  lately_.setInterval(150);
  connect(&lately_, &QTimer::timeout, this, [this] {
    if (isVisible()) refresh();
  });
  connect(&session_, &Session::poseChanged, this, [this] {
    if (!isVisible()) return;
    // Under the hand the numbers follow some six times a second; the figure follows every frame.
    if (!session_.inRun()) {
      lately_.stop();
      refresh();
    } else if (!lately_.isActive()) {
      lately_.start();
    }
  });
  connect(&view_, &PoseView::changed, this, [this] {
    const QSignalBlocker quiet(planted_);
    planted_->setChecked(view_.planted());
  });
  connect(&limiting_, &QFutureWatcher<Limits>::finished, this, [this] {
    const Limits done = answerOf(limiting_);
    if (done.turn != turn_) {
      askLimits();
      return;
    }
    const double buckles = done.limits.buckling.empty() ? INFINITY : done.limits.buckling.front();
    limits_->setText(tr("The wire gives way at %1 times its weight, buckles at %2 times. %3")
                         .arg(factor(done.limits.collapse), factor(buckles),
                              done.limits.gaveWay
                                  ? tr("It does not come to rest under it.")
                                  : tr("Yielding where it does, it sags %1.")
                                        .arg(str(printLength(done.limits.sag, session_.units(), 1)))));
  });
}

PoseCard::~PoseCard() { awaitEnd(limiting_); }

QDoubleSpinBox* PoseCard::angle(QWidget* parent, const QString& name, double low, double high) {
  auto* box = new QDoubleSpinBox(parent);
  box->setRange(low, high);
  box->setDecimals(0);
  box->setSuffix(QStringLiteral("°"));
  box->setSingleStep(2);
  box->setButtonSymbols(QAbstractSpinBox::NoButtons);
  box->setAccessibleName(name);
  box->findChild<QLineEdit*>()->setAccessibleName(name);
  connect(box, &QDoubleSpinBox::editingFinished, &session_, &Session::endRun);
  return box;
}

void PoseCard::buildLimb() {
  auto* layout = column(limb_);
  joints_ = new QComboBox(limb_);
  joints_->setAccessibleName(tr("Joint of the limb"));
  joints_->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
  layout->addWidget(joints_);
  auto* grid = new QGridLayout;
  grid->setHorizontalSpacing(px(12));
  grid->setVerticalSpacing(px(4));
  holds_ = new BigFigure(tr("holds its load"), limb_);
  knock_ = new BigFigure(tr("worst knock"), limb_);
  effort_ = new BigFigure(tr("to bend"), limb_);
  bends_ = new BigFigure(tr("re-bends"), limb_);
  grid->addWidget(holds_, 0, 0);
  grid->addWidget(knock_, 0, 1);
  grid->addWidget(effort_, 1, 0);
  grid->addWidget(bends_, 1, 1);
  grid->setColumnStretch(0, 1);
  grid->setColumnStretch(1, 1);
  layout->addLayout(grid);
  help_ = new RemedyList(session_, tr("What would mend it?"), limb_);
  layout->addWidget(help_);
  over_ = textLabel(limb_, 13, QFont::Normal);
  layout->addWidget(over_);
  for (Why** why : {&whyHold_, &whyKnock_, &whyEffort_, &whyBends_, &whyRecoil_, &whyCover_}) {
    *why = new Why(limb_);
    layout->addWidget(*why);
  }
  layout->addWidget(ruleLine(limb_));
  auto* row = new QGridLayout;
  row->setHorizontalSpacing(px(6));
  const std::array<QString, 3> names{tr("bend"), tr("aside"), tr("twist")};
  for (int way = 0; way < 3; ++way) {
    auto* box = angle(limb_, tr("Joint: %1").arg(names[static_cast<size_t>(way)]), -180, 180);
    turns_[static_cast<size_t>(way)] = box;
    QLabel* name = smallText(limb_, names[static_cast<size_t>(way)]);
    name->setWordWrap(true);
    row->addWidget(name, 0, way, Qt::AlignBottom);
    row->addWidget(box, 1, way);
    connect(box, &QDoubleSpinBox::valueChanged, this, &PoseCard::turned);
  }
  layout->addLayout(row);
  limitNote_ = textLabel(limb_, 13, QFont::Normal);
  setFaint(limitNote_);
  layout->addWidget(limitNote_);
  glued_ = new QCheckBox(tr("strands glued here"), limb_);
  glued_->setToolTip(tr("Glued strands hold more, and are not to be bent again."));
  layout->addWidget(glued_);
  auto* keys = new FlowLayout;
  copy_ = new QPushButton(tr("To the other side"), limb_);
  straight_ = new QPushButton(tr("Straighten"), limb_);
  keys->addWidget(copy_);
  keys->addWidget(straight_);
  layout->addLayout(keys);
  connect(joints_, &QComboBox::activated, this, [this] { showLimb(); });
  connect(glued_, &QCheckBox::clicked, this, [this](bool on) {
    const JointReport* j = joint();
    if (!j) return;
    (void)session_.apply(on ? tr("glue strands") : tr("unglue strands"),
                         edit::gluedAt(session_.project(), session_.plan(), j->hold.point, on));
  });
  connect(copy_, &QPushButton::clicked, this, [this] {
    const int l = session_.selected();
    if (l < 0) return;
    const FigureLimb& part = session_.plan().figure->limbs[static_cast<size_t>(l)];
    changes::setStance(
        session_, tr("%1 to the other side").arg(str(Name(part.name))),
        copiedToTwin(session_.plan().pattern, session_.project().stances.now, part.family, part.side < 0));
  });
  connect(straight_, &QPushButton::clicked, this, [this] {
    const int l = session_.selected();
    if (l < 0) return;
    const FigureLimb& part = session_.plan().figure->limbs[static_cast<size_t>(l)];
    changes::setStance(session_, tr("%1 straight").arg(str(Name(part.name))),
                       limbStraight(session_.plan().pattern, session_.project().stances.now, part.family,
                                    part.side >= 0, part.side < 0));
  });
}

const JointReport* PoseCard::joint() const {
  const int at = joints_->currentData().toInt();
  const auto& all = session_.stance().report().joints;
  return at >= 0 && at < static_cast<int>(all.size()) && joints_->currentIndex() >= 0
             ? &all[static_cast<size_t>(at)]
             : nullptr;
}

std::pair<const PatternBone*, bool> PoseCard::bone() const {
  const JointReport* j = joint();
  if (!j) return {nullptr, false};
  const Plan& plan = session_.plan();
  for (const WireRun& run : plan.skeleton->limbs[static_cast<size_t>(j->hold.limb)])
    for (size_t s = 0; s + 1 < run.points.size(); ++s)
      if (run.points[s] == j->hold.point && run.segmentBone[s] >= 0) {
        const FigureBone& b = plan.figure->bones[static_cast<size_t>(run.segmentBone[s])];
        const PatternBone* p = plan.pattern->bone(b.patternBone);
        return {p, p && p->twin && plan.figure->limbs[static_cast<size_t>(b.limb)].side < 0};
      }
  return {nullptr, false};
}

void PoseCard::turned() {
  if (filling_) return;
  const auto [b, right] = bone();
  if (!b) return;
  PatternPose pose = session_.project().stances.now;
  const Turn to{turns_[0]->value() * kDegree, turns_[1]->value() * kDegree, turns_[2]->value() * kDegree};
  setTurn(pose, *b, right, to);
  changes::setStance(session_, tr("turn %1").arg(str(b->id)), std::move(pose),
                     QStringLiteral("turn %1").arg(str(b->id)));
}

void PoseCard::refresh() {
  const bool filled = filling_;
  filling_ = true;
  const int l = session_.selected();
  limb_->setVisible(l >= 0);
  whole_->setVisible(l < 0);
  if (l >= 0) {
    const auto& all = session_.stance().report().joints;
    const JointReport* worst = session_.stance().report().worstOf(l);
    const QString before = joints_->property("limb").toInt() == l ? joints_->currentText() : QString();
    joints_->clear();
    int worstAt = 0;
    for (size_t k = 0; k < all.size(); ++k) {
      if (all[k].hold.limb != l) continue;
      if (&all[k] == worst) worstAt = joints_->count();
      joints_->addItem(str(upperName(all[k].name)), static_cast<int>(k));
    }
    joints_->setProperty("limb", l);
    const int same = before.isEmpty() ? -1 : joints_->findText(before);
    joints_->setCurrentIndex(same >= 0 ? same : worstAt);
    showLimb();
  } else {
    showWhole();
  }
  filling_ = filled;
}

/// The joint over all poses that are kept: where it is worst off.
void PoseCard::showOver(const JointReport& now) {
  over_->clear();
  const PoseReport* worst = nullptr;
  double least = std::numeric_limits<double>::infinity();
  double sags = 0;
  size_t kept = 0;
  for (const PoseReport& r : session_.stance().kept()) {
    ++kept;
    for (const JointReport& j : r.joints)
      if (j.hold.id == now.hold.id && std::min(j.hold.hold / 2, j.hold.nudge) < least) {
        least = std::min(j.hold.hold / 2, j.hold.nudge);
        sags = j.hold.hold;
        worst = &r;
      }
  }
  over_->setVisible(kept > 1 && worst);
  if (worst)
    over_->setText(
        tr("Over your %n pose(s) it is worst off in %1: holds %2 times.", nullptr, static_cast<int>(kept))
            .arg(poseName(session_, worst->pose), factor(sags)));
}

void PoseCard::showLimb() {
  const bool filled = filling_;
  filling_ = true;
  const Plan& plan = session_.plan();
  const PoseReport& report = session_.stance().report();
  const JointReport* j = joint();
  const FigureLimb& part = plan.figure->limbs[static_cast<size_t>(session_.selected())];
  copy_->setVisible(part.twin >= 0);
  over_->hide();
  for (QWidget* w : std::initializer_list<QWidget*>{holds_, knock_, effort_, bends_, joints_, glued_})
    w->setVisible(j != nullptr);
  for (Why* why : {whyHold_, whyKnock_, whyEffort_, whyBends_, whyRecoil_, whyCover_})
    why->set({}, session_.units());
  const std::string joint = j ? j->hold.id : std::string();
  help_->offer(j && j->level != Level::Good, std::to_string(session_.selected()) + " " + joint,
               [this, joint] {
                 return RemedyTry([project = session_.project(), catalog = session_.sharedCatalog(),
                                   plan = session_.plan(), report = session_.stance().report(),
                                   limb = session_.selected(), joint] {
                   return offersOf(jointRemedies(project, *catalog, plan, report, limb, joint));
                 });
               });
  const auto [b, right] = bone();
  limitNote_->clear();
  for (QDoubleSpinBox* box : turns_) box->setEnabled(b != nullptr);
  if (b) {
    const Turn t = turnOf(session_.project().stances.now, *b, right);
    const std::array<double, 3> now{t.flex, t.side, t.twist};
    const std::array<TurnRange, 3> range{b->flex, b->side, b->twist};
    for (size_t way = 0; way < 3; ++way) {
      turns_[way]->setRange(std::floor(range[way].low / kDegree), std::ceil(range[way].high / kDegree));
      if (!turns_[way]->hasFocus() || std::abs(turns_[way]->value() - now[way] / kDegree) > 0.6)
        turns_[way]->setValue(now[way] / kDegree);
      turns_[way]->setEnabled(range[way].high > range[way].low);
    }
    QStringList ends;
    for (const AtLimit& limit : jointsAtLimit(plan.pattern, session_.project().stances.now))
      if (limit.bone == b->id && limit.right == right)
        ends << (limit.way == "flex" ? tr("bend") : limit.way == "side" ? tr("aside") : tr("twist"));
    limitNote_->setText(ends.isEmpty() ? tr("bends from %1° to %2°")
                                             .arg(nearestWhole(b->flex.low / kDegree))
                                             .arg(nearestWhole(b->flex.high / kDegree))
                                       : tr("at its limit: %1").arg(ends.join(QStringLiteral(", "))));
  }
  if (!j) {
    verdict_->set(Level::Good, tr("No wire runs here, so there is nothing to hold."));
    filling_ = filled;
    return;
  }
  verdict_->set(j->level, str(j->sentence, session_.units()));
  holds_->set(factor(j->hold.hold), tr("times"));
  knock_->set(factor(j->hold.nudge), tr("times"));
  const QStringList effort =
      str(Force(j->hold.effort, j->hold.effort < 10 ? 1 : 0), session_.units()).split(u' ');
  effort_->set(effort.front(), effort.back());
  bends_->set(std::isfinite(j->life.bends) && j->life.bends <= 1000 ? str(printNumber(j->life.bends, 0))
                                                                    : QStringLiteral("–"),
              std::isfinite(j->life.bends) && j->life.bends < 1e5 ? str(Name(words(j->life.usable)))
                                                                  : tr("not bent"));
  showOver(*j);
  whyHold_->set(jointHoldWorking(report, *j, plan), session_.units());
  whyKnock_->set(jointNudgeWorking(report, *j, plan), session_.units());
  whyEffort_->set(jointEffortWorking(*j, plan, session_.catalog(), session_.project().stances.hands),
                  session_.units());
  if (std::isfinite(j->life.bends))
    whyBends_->set(jointLifeWorking(*j, plan, session_.catalog()), session_.units());
  whyCover_->set(jointCoverWorking(report, *j, plan), session_.units());
  if (j->hold.recoil > 0.05)
    whyRecoil_->set(jointRecoilWorking(*j, plan, session_.catalog()), session_.units());
  glued_->setChecked(session_.project().stances.glued.contains(
      plan.skeleton->points[static_cast<size_t>(j->hold.point)].id));
  filling_ = filled;
}

} // namespace columna
