#include "study/study_card.h"

#include "anatomy/size_working.h"

#include "kit/say.h"
#include "session/changes.h"
#include "study/ring_grips.h"
#include "theme/theme.h"

#include <QGridLayout>
#include <QLineEdit>
#include <QVBoxLayout>

#include <algorithm>
#include <cmath>

namespace columna {
namespace {

/// A figure higher than its body is long by so much has more to it than "body" says.
constexpr double kMoreThanBody = 1.3;

QString shown(double mm, UnitSystem units) { return str(printLength(mm, units)); }

/// What the tape reads round the middle of a bone.
double middleGirth(const Figure& f, int bone) {
  const auto ring = ringOf(f, bone, 1);
  return ring ? ellipsePerimeter(ring->ru, ring->rv) : 0;
}

} // namespace

StudyCard::StudyCard(Session& session, QWidget* parent) : CardPage(parent), session_(session) {
  auto* layout = new QVBoxLayout(this);
  layout->setContentsMargins(0, 0, 0, 0);
  layout->setSpacing(px(10));
  trouble_ = textLabel(this, 13, QFont::DemiBold);
  trouble_->setStyleSheet(trouble_->styleSheet() + QStringLiteral("color: %1;").arg(theme().madder.name()));
  trouble_->hide();
  figure_ = new QWidget(this);
  auto* form = new QGridLayout(figure_);
  form->setContentsMargins(0, 0, 0, 0);
  form->setHorizontalSpacing(px(10));
  form->setVerticalSpacing(px(2));
  const std::array<QString, 6> names{tr("Height"),      tr("Shoulder height"),
                                     tr("Body length"), tr("Head length"),
                                     tr("Limb"),        tr("Scale to life")};
  int row = 0;
  for (size_t i = 0; i < fields_.size(); ++i) {
    const auto by = static_cast<SizeBy>(i);
    auto* field = new QLineEdit(by == SizeBy::Limb ? static_cast<QWidget*>(this) : figure_);
    field->setAccessibleName(names[i]);
    fields_[i] = field;
    connect(field, &QLineEdit::editingFinished, this, [this, by] { typed(by); });
    if (by == SizeBy::Limb) continue; // on the limb's own page
    auto* label = textLabel(figure_, 13, QFont::Normal, false);
    label->setText(names[i]);
    label->setBuddy(field);
    field->setStyleSheet(QStringLiteral("font-size: %1px; font-weight: 600;")
                             .arg(px(i > 0               ? 15
                                     : textScale() > 1.3 ? 17
                                                         : 20)));
    means_[i] = textLabel(figure_, 12, QFont::Normal);
    setFaint(means_[i]);
    form->addWidget(label, row, 0);
    form->addWidget(field, row, 1);
    form->addWidget(means_[i], row + 1, 0, 1, 2);
    form->setRowMinimumHeight(row + 2, px(6));
    row += 3;
  }
  form->setColumnStretch(1, 1);
  layout->addWidget(figure_);
  layout->addWidget(trouble_);
  life_ = textLabel(this, 13, QFont::Normal);
  layout->addWidget(life_);
  whyScale_ = new Why(this);
  layout->addWidget(whyScale_);

  limb_ = new QWidget(this);
  auto* part = new QVBoxLayout(limb_);
  part->setContentsMargins(0, 0, 0, 0);
  part->setSpacing(px(6));
  auto* big = new QHBoxLayout;
  length_ = new BigFigure(tr("length"), limb_);
  girth_ = new BigFigure(tr("thickest girth"), limb_);
  big->addWidget(length_, 1);
  big->addWidget(girth_, 1);
  part->addLayout(big);
  whyLength_ = new Why(limb_);
  part->addWidget(whyLength_);
  whyGirth_ = new Why(limb_);
  part->addWidget(whyGirth_);
  auto* by = new QHBoxLayout;
  auto* words = textLabel(limb_, 13, QFont::Normal); // on two lines in a longer language
  words->setText(tr("size the figure by it"));
  QLineEdit* limbField = fields_[static_cast<size_t>(SizeBy::Limb)];
  limbField->setParent(limb_);
  limbField->setFixedWidth(frame(110));
  words->setBuddy(limbField);
  by->addWidget(words, 1);
  by->addWidget(limbField);
  part->addLayout(by);
  part->addWidget(ruleLine(limb_));
  bones_ = new QWidget(limb_);
  boneGrid_ = new QGridLayout(bones_);
  boneGrid_->setContentsMargins(0, 0, 0, 0);
  boneGrid_->setHorizontalSpacing(px(6));
  boneGrid_->setVerticalSpacing(px(3));
  boneGrid_->setColumnStretch(0, 1);
  part->addWidget(bones_);
  boneTrouble_ = textLabel(limb_, 13, QFont::DemiBold);
  boneTrouble_->setStyleSheet(boneTrouble_->styleSheet() +
                              QStringLiteral("color: %1;").arg(theme().madder.name()));
  boneTrouble_->hide();
  part->addWidget(boneTrouble_);
  layout->addWidget(limb_);
}

void StudyCard::tell(const std::optional<QString>& trouble) {
  for (QLabel* label : {trouble_, boneTrouble_}) {
    label->setVisible(trouble.has_value());
    if (trouble) label->setText(*trouble);
  }
  if (!trouble) refresh();
}

void StudyCard::typed(SizeBy by) {
  QLineEdit* field = sizeField(by);
  if (!field->isModified()) return;
  field->setModified(false);
  const auto size = by == SizeBy::Scale ? parseScale(field->text().toStdString())
                                        : parseLength(field->text().toStdString(), session_.units());
  if (!size) {
    tell(sentence(size.problem(), session_.units()));
    return;
  }
  Sizing sizing{by, *size, {}};
  if (by == SizeBy::Limb && session_.selected() >= 0)
    sizing.limb = session_.plan().figure->limbs[static_cast<size_t>(session_.selected())].family;
  tell(changes::setSizing(session_, sizing, tr("size")));
}

void StudyCard::refresh() {
  const int l = session_.selected();
  figure_->setVisible(l < 0);
  life_->setVisible(l < 0);
  whyScale_->setVisible(l < 0);
  limb_->setVisible(l >= 0);
  trouble_->hide();
  boneTrouble_->hide();
  if (l < 0)
    refreshFigure();
  else
    refreshLimb(l);
}

void StudyCard::refreshFigure() {
  const Plan& plan = session_.plan();
  const Figure& f = plan.figure;
  const UnitSystem units = session_.units();
  // Of an upright animal the body is the trunk alone: what that makes of the whole is said with it.
  const QString body =
      f.overallHeight > kMoreThanBody * f.bodyLength
          ? tr("%1; %2 high in all").arg(str(Name(f.bodyMeans)), shown(f.overallHeight, units))
          : str(Name(f.bodyMeans));
  const std::array<QString, 6> means{tr("ground to the highest point"),
                                     str(Name(f.shoulderMeans)),
                                     body,
                                     tr("from the neck to the tip, along its bones"),
                                     {},
                                     {}};
  for (size_t i = 0; i < fields_.size(); ++i) {
    const auto by = static_cast<SizeBy>(i);
    if (by == SizeBy::Limb) continue;
    const double value = lengthOf(f, plan.pattern, by);
    if (!fields_[i]->hasFocus() || !fields_[i]->isModified())
      fields_[i]->setText(by == SizeBy::Scale ? tr("1 : %1").arg(str(printNumber(value, value < 10 ? 1 : 0)))
                                              : shown(value, units));
    const bool settled = session_.project().size.by == by;
    means_[i]->setText(settled ? tr("settled: %1").arg(by == SizeBy::Scale ? tr("a share of life") : means[i])
                               : means[i]);
    means_[i]->setVisible(!means_[i]->text().isEmpty());
  }
  const Pattern& pattern = plan.pattern;
  const auto in = [&](double mm) { return printLength(mm, units); };
  life_->setText(tr("%1 in life: %2, from %3 to %4")
                     .arg(str(Name(pattern.lifeMeasure)), str(in(pattern.lifeMm)), str(in(pattern.lifeLow)),
                          str(in(pattern.lifeHigh))));
  whyScale_->set(scaleWorking(f, pattern), units);
}

void StudyCard::refreshLimb(int l) {
  const Plan& plan = session_.plan();
  const Figure& f = plan.figure;
  const UnitSystem units = session_.units();
  const FigureLimb& limb = f.limbs[static_cast<size_t>(l)];
  const QString unit = str(std::string(lengthUnit(units)));
  length_->set(str(printLengthFigure(limb.length, units, 0)), unit);
  girth_->set(str(printLengthFigure(plan.wool->limbs[static_cast<size_t>(l)].girthMax, units, 0)), unit);
  const auto& girths = plan.wool->limbs[static_cast<size_t>(l)].girths;
  const auto widest = std::max_element(
      girths.begin(), girths.end(), [](const Girth& a, const Girth& b) { return a.finished < b.finished; });
  Working round = widest == girths.end() ? Working() : girthWorking(*widest);
  if (widest != girths.end()) round.title = say("why {} round", Length(widest->finished, 0).figure());
  whyGirth_->set(round, units);
  whyLength_->set(lengthWorking(f, limb), units);
  QLineEdit* by = sizeField(SizeBy::Limb);
  if (!by->hasFocus() || !by->isModified()) by->setText(shown(limb.length, units));
  by->setEnabled(limb.length > 0);
  makeBones(l);
  const Figure& animal = plan.intended();
  for (BoneRow& row : rows_) {
    const FigureBone& bone = f.bones[static_cast<size_t>(row.bone)];
    const double own = animal.bones[static_cast<size_t>(row.bone)].length;
    const double ownGirth = middleGirth(animal, row.bone);
    const double girth = middleGirth(f, row.bone);
    const bool longer = std::abs(bone.length / own - 1) > 5e-4;
    const bool thicker = ownGirth > 0 && std::abs(girth / ownGirth - 1) > 5e-4;
    const auto set = [&](QLineEdit* field, double mm, bool changed) {
      if (!field->hasFocus() || !field->isModified()) field->setText(shown(mm, units));
      field->setStyleSheet(
          changed ? QStringLiteral("font-weight: 600; border-color: %1;").arg(theme().woad.name())
                  : QString());
    };
    set(row.length, bone.length, longer);
    set(row.girth, girth, thicker);
    row.back->setVisible(longer || thicker);
    row.back->setToolTip(tr("put back: %1 long, %2 round").arg(shown(own, units), shown(ownGirth, units)));
  }
}

void StudyCard::makeBones(int l) {
  const Figure& f = session_.plan().figure;
  const FigureLimb& limb = f.limbs[static_cast<size_t>(l)];
  const std::string key = f.patternId + limb.id;
  if (key == rowsFor_) return;
  rowsFor_ = key;
  for (const BoneRow& row : rows_)
    for (QWidget* w : std::array<QWidget*, 4>{row.name, row.length, row.girth, row.back}) w->deleteLater();
  rows_.clear();
  if (!boneGrid_->itemAtPosition(0, 1))
    for (const auto& [column, text] : {std::pair(1, tr("length")), std::pair(2, tr("round"))}) {
      auto* head = textLabel(bones_, 12, QFont::Normal, false);
      head->setText(text);
      setFaint(head);
      boneGrid_->addWidget(head, 0, column);
    }
  int line = 1;
  for (const int b : limb.bones) {
    const FigureBone& bone = f.bones[static_cast<size_t>(b)];
    BoneRow row;
    row.bone = b;
    row.name = textLabel(bones_, 13, QFont::Normal);
    row.name->setText(str(Name(bone.name)));
    row.length = new QLineEdit(bones_);
    row.length->setAccessibleName(tr("Length of the %1").arg(row.name->text()));
    row.girth = new QLineEdit(bones_);
    row.girth->setAccessibleName(tr("Girth at the middle of the %1").arg(row.name->text()));
    row.back = new QPushButton(QStringLiteral("↺"), bones_);
    row.back->setAccessibleName(tr("Put the %1 back").arg(row.name->text()));
    row.back->setFixedWidth(frame(28));
    row.back->setStyleSheet(QStringLiteral("padding: 2px;"));
    const size_t index = rows_.size();
    for (QLineEdit* field : {row.length, row.girth}) field->setFixedWidth(frame(76));
    connect(row.length, &QLineEdit::editingFinished, this, [this, index] { typedBone(index); });
    connect(row.girth, &QLineEdit::editingFinished, this, [this, index] { typedGirth(index); });
    connect(row.back, &QPushButton::clicked, this, [this, b] { changes::putBack(session_, b); });
    boneGrid_->addWidget(row.name, line, 0);
    boneGrid_->addWidget(row.length, line, 1);
    boneGrid_->addWidget(row.girth, line, 2);
    boneGrid_->addWidget(row.back, line, 3);
    rows_.push_back(row);
    ++line;
  }
}

void StudyCard::typedBone(size_t index) {
  if (index >= rows_.size() || !rows_[index].length->isModified()) return;
  QLineEdit* field = rows_[index].length;
  field->setModified(false);
  const auto mm = parseLength(field->text().toStdString(), session_.units());
  tell(mm ? changes::setBoneLength(session_, rows_[index].bone, *mm)
          : std::optional(sentence(mm.problem(), session_.units())));
}

void StudyCard::typedGirth(size_t index) {
  if (index >= rows_.size() || !rows_[index].girth->isModified()) return;
  QLineEdit* field = rows_[index].girth;
  field->setModified(false);
  const auto mm = parseLength(field->text().toStdString(), session_.units());
  if (!mm) {
    tell(sentence(mm.problem(), session_.units()));
    return;
  }
  const double now = middleGirth(session_.plan().figure, rows_[index].bone);
  if (!(*mm > 0) || !(now > 0)) {
    tell(tr("A girth of %1 goes round nothing; give one above 0.").arg(str(Length(*mm), session_.units())));
    return;
  }
  tell(changes::changeGirth(session_, rows_[index].bone, 1, *mm / now, *mm / now, 0));
}

QLineEdit* StudyCard::boneField(const std::string& bone) const {
  for (const BoneRow& row : rows_)
    if (session_.plan().figure->bones[static_cast<size_t>(row.bone)].patternBone == bone) return row.length;
  return nullptr;
}

QLineEdit* StudyCard::girthField(const std::string& bone) const {
  for (const BoneRow& row : rows_)
    if (session_.plan().figure->bones[static_cast<size_t>(row.bone)].patternBone == bone) return row.girth;
  return nullptr;
}

QPushButton* StudyCard::putBackButton(const std::string& bone) const {
  for (const BoneRow& row : rows_)
    if (session_.plan().figure->bones[static_cast<size_t>(row.bone)].patternBone == bone) return row.back;
  return nullptr;
}

} // namespace columna
