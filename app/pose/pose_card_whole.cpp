// The card of the whole figure in Pose: standing, leaning, how it is held up.
#include "pose/pose_card.h"

#include "edit/pose_edit.h"
#include "judge/pose_words.h"
#include "kit/beside.h"
#include "kit/flow_layout.h"
#include "kit/say.h"
#include "kit/unfold.h"
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
#include <numbers>

namespace columna {

void PoseCard::buildWhole() {
  auto* layout = column(whole_);
  auto* grid = new QGridLayout;
  tips_ = new BigFigure(tr("tips at"), whole_);
  margin_ = new BigFigure(tr("from the edge"), whole_);
  grid->addWidget(tips_, 0, 0);
  grid->addWidget(margin_, 0, 1);
  grid->setColumnStretch(0, 1);
  grid->setColumnStretch(1, 1);
  layout->addLayout(grid);
  whyTip_ = new Why(whole_);
  layout->addWidget(whyTip_);
  stand_ = new RemedyList(session_, tr("What would make it stand?"), whole_);
  layout->addWidget(stand_);
  // What is not read at a glance is opened when it is wanted.
  atJoints_ = new Unfold(tr("more to look at"), whole_);
  others_ = textLabel(atJoints_->content(), 13, QFont::Normal);
  atJoints_->inside()->addWidget(others_);
  layout->addWidget(atJoints_);
  more_ = new Unfold(tr("limits and wobble"), whole_);
  layout->addWidget(more_);
  limits_ = textLabel(more_->content(), 13, QFont::Normal);
  wobble_ = textLabel(more_->content(), 13, QFont::Normal);
  more_->inside()->addWidget(limits_);
  more_->inside()->addWidget(wobble_);
  hovers_ = new QWidget(more_->content());
  auto* hover = new QHBoxLayout(hovers_);
  hover->setContentsMargins(0, 0, 0, 0);
  hoverFoot_ = new QComboBox(hovers_);
  hoverFoot_->setAccessibleName(tr("Foot that hovers"));
  hoverFoot_->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
  hoverGap_ = new QLineEdit(hovers_);
  hoverGap_->setAccessibleName(tr("Gap under the hovering foot"));
  hoverGap_->setPlaceholderText(tr("gap"));
  hoverGap_->setFixedWidth(px(70));
  hover->addWidget(hoverFoot_, 1);
  hover->addWidget(smallText(hovers_, tr("hovers by")));
  hover->addWidget(hoverGap_);
  more_->inside()->addWidget(hovers_);
  cures_ = textLabel(more_->content(), 13, QFont::Normal);
  cures_->hide();
  more_->inside()->addWidget(cures_);
  connect(hoverFoot_, &QComboBox::activated, this, &PoseCard::cure);
  connect(hoverGap_, &QLineEdit::editingFinished, this, &PoseCard::cure);
  layout->addWidget(ruleLine(whole_));
  auto* leans = new QGridLayout;
  leans->setHorizontalSpacing(px(6));
  const std::array<QString, 3> names{tr("lean forward"), tr("turn"), tr("lean right")};
  for (int way = 0; way < 3; ++way) {
    auto* box = angle(whole_, tr("Whole figure: %1").arg(names[static_cast<size_t>(way)]), -180, 180);
    leans_[static_cast<size_t>(way)] = box;
    QLabel* name = smallText(whole_, names[static_cast<size_t>(way)]);
    name->setWordWrap(true); // three abreast, in a longer language too
    leans->addWidget(name, 0, way, Qt::AlignBottom);
    leans->addWidget(box, 1, way);
    connect(box, &QDoubleSpinBox::valueChanged, this, &PoseCard::leant);
  }
  layout->addLayout(leans);
  planted_ = new QCheckBox(tr("feet stay put"), whole_);
  planted_->setChecked(true);
  layout->addWidget(planted_);
  connect(planted_, &QCheckBox::clicked, &view_, &PoseView::setPlanted);
  auto* choose = new QGridLayout;
  choose->setHorizontalSpacing(px(8));
  feet_ = new QComboBox(whole_);
  feet_->setAccessibleName(tr("How it is held up"));
  for (const auto& [how, words] :
       {std::pair(Feet::Loose, tr("on its feet")), std::pair(Feet::Flat, tr("on flat feet")),
        std::pair(Feet::Glued, tr("glued down")), std::pair(Feet::Base, tr("on a base")),
        std::pair(Feet::Held, tr("held at a joint")), std::pair(Feet::Hung, tr("hung by a joint"))})
    feet_->addItem(words, str(std::string(id(how))));
  at_ = new QComboBox(whole_);
  at_->setAccessibleName(tr("Joint it is held by"));
  at_->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
  hands_ = new QComboBox(whole_);
  hands_->setAccessibleName(tr("Who bends it"));
  hands_->addItem(tr("an adult"), QStringLiteral("adult"));
  hands_->addItem(tr("a child"), QStringLiteral("child"));
  hands_->addItem(tr("sore hands"), QStringLiteral("sore"));
  atLabel_ = smallText(whole_, tr("by"));
  legError_ = new QLineEdit(whole_);
  legError_->setAccessibleName(tr("How far your legs come out apart"));
  choose->addWidget(smallText(whole_, tr("stands")), 0, 0);
  choose->addWidget(feet_, 0, 1);
  choose->addWidget(atLabel_, 1, 0);
  choose->addWidget(at_, 1, 1);
  base_ = new QWidget(whole_);
  auto* base = new QHBoxLayout(base_);
  base->setContentsMargins(0, 0, 0, 0);
  baseLength_ = new QLineEdit(base_);
  baseLength_->setAccessibleName(tr("Length of the base"));
  baseWidth_ = new QLineEdit(base_);
  baseWidth_->setAccessibleName(tr("Width of the base"));
  baseMass_ = new QLineEdit(base_);
  baseMass_->setAccessibleName(tr("Weight of the base"));
  for (QLineEdit* field : {baseLength_, baseWidth_, baseMass_}) {
    base->addWidget(field);
    connect(field, &QLineEdit::editingFinished, this, &PoseCard::supported);
  }
  choose->addWidget(base_, 2, 1);
  for (QComboBox* box : {feet_, at_, hands_}) { // in a longer language too they stay on the card
    box->setMinimumWidth(px(60));
    box->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
  }
  choose->addWidget(smallText(whole_, tr("bent by")), 3, 0);
  choose->addWidget(hands_, 3, 1);
  choose->addWidget(smallText(whole_, tr("legs off by")), 4, 0);
  choose->addWidget(legError_, 4, 1);
  choose->setColumnStretch(1, 1);
  layout->addLayout(choose);
  connect(feet_, &QComboBox::activated, this, &PoseCard::supported);
  connect(at_, &QComboBox::activated, this, &PoseCard::supported);
  connect(legError_, &QLineEdit::editingFinished, this, &PoseCard::supported);
  connect(hands_, &QComboBox::activated, this, [this](int i) {
    const auto who = columna::hands(hands_->itemData(i).toString().toStdString());
    if (who) (void)session_.apply(tr("who bends it"), edit::bentBy(session_.project(), *who));
  });
  auto* keys = new FlowLayout;
  mirror_ = new QPushButton(tr("Left for right"), whole_);
  neutral_ = new QPushButton(tr("Neutral stance"), whole_);
  keys->addWidget(mirror_);
  keys->addWidget(neutral_);
  layout->addLayout(keys);
  connect(mirror_, &QPushButton::clicked, this, [this] {
    changes::setStance(session_, tr("left for right"),
                       mirroredPose(session_.plan().pattern, session_.project().stances.now));
  });
  connect(neutral_, &QPushButton::clicked, this, [this] { changes::takePose(session_, QString()); });
}

void PoseCard::leant() {
  if (filling_) return;
  PatternPose pose = session_.project().stances.now;
  pose.whole = {leans_[0]->value() * kDegree, leans_[1]->value() * kDegree, leans_[2]->value() * kDegree};
  changes::setStance(session_, tr("lean and turn"), std::move(pose), QStringLiteral("lean"));
}

void PoseCard::supported() {
  if (filling_) return;
  Support s = session_.project().stances.support;
  if (const auto how = columna::feet(feet_->currentData().toString().toStdString())) s.feet = *how;
  s.at = at_->currentData().toString().toStdString();
  // What is not a length or a weight is refused here, what is out of range by the change itself.
  const auto read = [&](QLineEdit* field, auto& to, const auto& parse) {
    if (!field->isModified()) return;
    field->setModified(false);
    const Result<double> given = parse(field->text().toStdString(), session_.units());
    if (given)
      to = *given;
    else
      session_.refuse(sentence(given.problem(), session_.units()));
  };
  read(baseLength_, s.baseLength, parseLength);
  read(baseWidth_, s.baseWidth, parseLength);
  read(baseMass_, s.baseMass, parseMass);
  std::optional<double> error = session_.project().stances.legError;
  read(legError_, error, parseLength);
  (void)session_.apply(tr("how it stands"), edit::supportedBy(session_.project(), s, error));
  showWhole();
}

void PoseCard::showWhole() {
  const bool filled = filling_;
  filling_ = true;
  const PoseReport& r = session_.stance().report();
  const Stances& s = session_.project().stances;
  const UnitSystem units = session_.units();
  const Standing& b = r.standing.base;
  const bool falls = !r.standing.fixed && (!b.stands || r.standing.inLine);
  Level level = Level::Good;
  QString words = r.standing.fixed ? tr("It is held, and cannot tip.")
                                   : tr("Stands, and tips %1 first.").arg(str(Name(r.standing.towards)));
  // What is wrong comes first wherever it is; after it what is said of the whole.
  const Finding* first = nullptr;
  for (const Finding& f : r.findings)
    if (f.level > level && (f.where == "figure" || f.level == Level::Wrong)) {
      level = f.level;
      words = str(f.text, session_.units());
      first = &f;
    }
  verdict_->set(level, words);
  QStringList others;
  for (const Finding& f : r.findings)
    if (&f != first && (f.where != "figure" || (first && first->where != "figure")))
      others << str(f.text, session_.units());
  others_->setText(others.join(QStringLiteral("\n")));
  atJoints_->setWords(tr("%n more to look at", nullptr, static_cast<int>(others.size())));
  atJoints_->setVisible(!others.isEmpty());
  const bool hull = !r.standing.fixed && b.support.size() >= 3;
  tips_->setVisible(hull);
  margin_->setVisible(hull);
  tips_->set(str(Angle(b.tip, 0).apart(session_.catalog().pose.tipNeeded * kDegree).figure(), units),
             QStringLiteral("°"));
  margin_->set(str(printLengthFigure(b.margin, units, 1)), str(std::string(lengthUnit(units))));
  whyTip_->set(hull ? tipWorking(r) : Working(), session_.units());
  const PoseRules& wanted = session_.catalog().pose;
  const bool sure = b.tip / kDegree >= wanted.tipNeeded && b.margin >= wanted.marginNeeded;
  stand_->offer(!r.standing.fixed && !r.standing.contacts.empty() && (falls || !sure), "standing", [this] {
    return RemedyTry([project = session_.project(), catalog = session_.sharedCatalog(),
                      plan = session_.plan(), report = session_.stance().report()] {
      return offersOf(standingRemedies(project, *catalog, plan, report));
    });
  });
  const bool rocks = !r.wobble.feet.empty() && !r.standing.fixed;
  wobble_->setVisible(rocks);
  if (!r.wobble.feet.empty())
    wobble_->setText(
        tr("Legs off by %1 leave %2 under one foot (%3 at worst), and it rocks by %4.")
            .arg(str(printLength(s.legError.value_or(session_.catalog().pose.legError), units, 1)),
                 str(printLength(r.wobble.usual, units, 1)), str(printLength(r.wobble.worst, units, 1)),
                 str(printAngle(r.wobble.rocks, 1))));
  hovers_->setVisible(rocks);
  if (hoverFoot_->count() != static_cast<int>(r.wobble.feet.size())) {
    hoverFoot_->clear();
    for (const WobbleFoot& f : r.wobble.feet)
      hoverFoot_->addItem(str(Name(session_.plan().figure->limbs[static_cast<size_t>(f.limb)].name)), f.limb);
  }
  const Turn& whole = s.now.whole;
  const std::array<double, 3> now{whole.flex, whole.side, whole.twist};
  for (size_t way = 0; way < 3; ++way)
    if (std::abs(leans_[way]->value() - now[way] / kDegree) > 0.5) leans_[way]->setValue(now[way] / kDegree);
  planted_->setChecked(view_.planted());
  feet_->setCurrentIndex(feet_->findData(str(std::string(id(s.support.feet)))));
  const bool byJoint = s.support.feet == Feet::Held || s.support.feet == Feet::Hung;
  at_->setVisible(byJoint);
  atLabel_->setVisible(byJoint);
  base_->setVisible(s.support.feet == Feet::Base);
  at_->clear();
  at_->addItem(tr("its middle"), QString());
  for (const WirePoint& p : session_.plan().skeleton->points) at_->addItem(str(Name(p.name)), str(p.id));
  at_->setCurrentIndex(std::max(0, at_->findData(str(s.support.at))));
  const auto show = [](QLineEdit* field, const QString& text) {
    if (!field->hasFocus()) field->setText(text);
  };
  show(baseLength_, s.support.baseLength > 0 ? str(printLength(s.support.baseLength, units)) : tr("length"));
  show(baseWidth_, s.support.baseWidth > 0 ? str(printLength(s.support.baseWidth, units)) : tr("width"));
  show(baseMass_, str(printMass(s.support.baseMass, units)));
  show(legError_, str(printLength(s.legError.value_or(session_.catalog().pose.legError), units, 1)));
  hands_->setCurrentIndex(hands_->findData(str(std::string(id(s.hands)))));
  if (!session_.inRun()) askLimits();
  filling_ = filled;
}

void PoseCard::cure() {
  cures_->setVisible(!hoverGap_->text().trimmed().isEmpty());
  if (hoverGap_->text().trimmed().isEmpty()) return;
  const auto gap = parseLength(hoverGap_->text().toStdString(), session_.units());
  if (!gap || !(*gap > 0) || *gap > 200) {
    cures_->setText(
        gap ? tr("A gap is more than nothing, and under %1.").arg(str(Length(200, 0), session_.units()))
            : sentence(gap.problem(), session_.units()));
    return;
  }
  QStringList lines;
  for (const LegCure& each :
       legCures(session_.stance().report().wobble, hoverFoot_->currentData().toInt(), *gap)) {
    const QString leg = str(lowerName(session_.plan().figure->limbs[static_cast<size_t>(each.limb)].name));
    const QString by = str(printLength(std::abs(each.longer), session_.units(), 1));
    lines << (each.longer > 0 ? tr("lengthen the %1 by %2").arg(leg, by)
                              : tr("push the %1 up by %2").arg(leg, by));
  }
  cures_->setText(tr("Any one of these: %1.").arg(lines.join(tr("; or "))));
}

void PoseCard::askLimits() {
  ++turn_;
  if (limiting_.isRunning()) return; // its end asks again
  limits_->setText(tr("The wire's limits are being reckoned."));
  limiting_.setFuture(beside([turn = turn_, armature = session_.stance().report().sums.armature] {
    return Limits{turn, poseLimits(armature)};
  }));
}

} // namespace columna
