#include "study/study_card.h"

#include "shell/say.h"
#include "theme/theme.h"

#include <QGridLayout>
#include <QLineEdit>
#include <QVBoxLayout>

#include <algorithm>
#include <cmath>

namespace columna {
namespace {

QString say(double mm, UnitSystem units) { return QString::fromStdString(printLength(mm, units)); }

} // namespace

StudyCard::StudyCard(Session& session, QWidget* parent) : CardPage(parent), session_(session) {
  auto* layout = new QVBoxLayout(this);
  layout->setContentsMargins(0, 0, 0, 0);
  layout->setSpacing(px(10));

  figure_ = new QWidget(this);
  auto* form = new QVBoxLayout(figure_);
  form->setContentsMargins(0, 0, 0, 0);
  form->setSpacing(px(6));
  form->addWidget(textLabel(figure_, 13, QFont::DemiBold));
  static_cast<QLabel*>(form->itemAt(0)->widget())->setText(tr("How big?"));
  form->addSpacing(px(4));
  const std::array<QString, 3> names{tr("Height"), tr("Shoulder height"), tr("Body length")};
  for (size_t i = 0; i < fields_.size(); ++i) {
    auto* label = textLabel(figure_, 13, QFont::Normal, false);
    label->setText(names[i]);
    auto* field = new QLineEdit(figure_);
    field->setAccessibleName(names[i]);
    field->setFont(typeface(20, QFont::DemiBold));
    field->setStyleSheet(QStringLiteral("font-size: %1px; font-weight: 600;").arg(px(20)));
    label->setBuddy(field);
    means_[i] = textLabel(figure_, 12, QFont::Normal);
    setFaint(means_[i]);
    form->addWidget(label);
    form->addWidget(field);
    form->addWidget(means_[i]);
    form->addSpacing(px(6));
    fields_[i] = field;
    const auto by = static_cast<SizeBy>(i);
    connect(field, &QLineEdit::editingFinished, this, [this, by] { typed(by); });
  }
  trouble_ = textLabel(figure_, 13, QFont::DemiBold);
  trouble_->setStyleSheet(trouble_->styleSheet() + QStringLiteral("color: %1;").arg(theme().madder.name()));
  trouble_->hide();
  form->addWidget(trouble_);
  life_ = textLabel(figure_, 13, QFont::Normal);
  form->addWidget(life_);
  whyScale_ = new Why(figure_);
  form->addWidget(whyScale_);
  layout->addWidget(figure_);

  limb_ = new QWidget(this);
  auto* part = new QVBoxLayout(limb_);
  part->setContentsMargins(0, 0, 0, 0);
  part->setSpacing(px(8));
  auto* row = new QHBoxLayout;
  length_ = new BigFigure(tr("length"), limb_);
  girth_ = new BigFigure(tr("thickest girth"), limb_);
  row->addWidget(length_, 1);
  row->addWidget(girth_, 1);
  part->addLayout(row);
  whyLength_ = new Why(limb_);
  part->addWidget(whyLength_);
  whyGirth_ = new Why(limb_);
  part->addWidget(whyGirth_);
  part->addWidget(ruleLine(limb_));
  bones_ = textLabel(limb_, 13, QFont::Normal);
  bones_->setTextFormat(Qt::RichText);
  part->addWidget(bones_);
  layout->addWidget(limb_);
}

void StudyCard::typed(SizeBy by) {
  QLineEdit* field = sizeField(by);
  if (!field->isModified()) return;
  field->setModified(false);
  const auto mm = parseLength(field->text().toStdString(), session_.units());
  std::optional<QString> trouble;
  if (!mm) {
    trouble = sentence(mm.problem());
  } else {
    trouble = session_.setSize(by, *mm);
  }
  trouble_->setVisible(trouble.has_value());
  if (trouble)
    trouble_->setText(*trouble);
  else
    refresh();
}

void StudyCard::refresh() {
  const Plan& plan = session_.plan();
  const Figure& f = plan.figure;
  const UnitSystem units = session_.units();
  const int l = session_.selected();
  figure_->setVisible(l < 0);
  limb_->setVisible(l >= 0);
  if (l < 0) {
    const std::array<double, 3> values{f.overallHeight, f.shoulderHeight, f.bodyLength};
    const Pattern* pattern = session_.catalog().pattern(f.patternId);
    const std::array<QString, 3> means{tr("ground to the highest point"),
                                       QString::fromStdString(f.shoulderMeans),
                                       QString::fromStdString(f.bodyMeans)};
    for (size_t i = 0; i < fields_.size(); ++i) {
      if (!fields_[i]->hasFocus() || !fields_[i]->isModified()) fields_[i]->setText(say(values[i], units));
      const bool settled = static_cast<size_t>(session_.project().size.by) == i;
      means_[i]->setText(settled ? tr("settled: %1").arg(means[i]) : means[i]);
    }
    trouble_->hide();
    if (pattern) {
      const double share = pattern->lifeMm / (pattern->lifeModules * f.scale);
      life_->setText(tr("1 : %1 of life (%2 %3)")
                         .arg(QString::fromStdString(printNumber(share, share < 10 ? 1 : 0)),
                              QString::fromStdString(pattern->lifeMeasure), say(pattern->lifeMm, units)));
      Working w;
      w.title =
          tr("why 1 : %1").arg(QString::fromStdString(printNumber(share, share < 10 ? 1 : 0))).toStdString();
      w.lines.push_back({pattern->lifeMeasure + " in life", {}, printLength(pattern->lifeMm, units)});
      w.lines.push_back({"the same on this figure",
                         printNumber(pattern->lifeModules, 3) + " × " + printLength(f.scale, units),
                         printLength(pattern->lifeModules * f.scale, units)});
      w.lines.push_back(
          {{},
           printLength(pattern->lifeMm, units) + " ÷ " + printLength(pattern->lifeModules * f.scale, units),
           "1 : " + printNumber(share, 1)});
      w.source = pattern->moduleName + " is the module (" + pattern->moduleMeans +
                 "); the life size is a good estimate, animals differ.";
      whyScale_->set(w);
    }
    return;
  }
  const FigureLimb& limb = f.limbs[static_cast<size_t>(l)];
  length_->set(QString::fromStdString(printLengthFigure(limb.length, units, 0)),
               QString::fromStdString(std::string(lengthUnit(units))));
  girth_->set(
      QString::fromStdString(printLengthFigure(plan.wool.limbs[static_cast<size_t>(l)].girthMax, units, 0)),
      QString::fromStdString(std::string(lengthUnit(units))));
  const auto& girths = plan.wool.limbs[static_cast<size_t>(l)].girths;
  const auto widest = std::max_element(
      girths.begin(), girths.end(), [](const Girth& a, const Girth& b) { return a.finished < b.finished; });
  Working round = widest == girths.end() ? Working() : girthWorking(*widest);
  round.title = tr("why %1 round").arg(girth_->figure()).toStdString();
  whyGirth_->set(round);
  Working w;
  w.title = tr("why %1").arg(QString::fromStdString(printLengthFigure(limb.length, units, 0))).toStdString();
  QString rows = QStringLiteral("<table width='100%' cellpadding='2'>");
  for (const int b : limb.bones) {
    const FigureBone& bone = f.bones[static_cast<size_t>(b)];
    rows += QStringLiteral("<tr><td>%1</td><td align='right'>%2</td></tr>")
                .arg(QString::fromStdString(bone.patternBone), say(bone.length, units));
    if (!bone.wire || limb.kind == LimbKind::Digits) continue;
    w.lines.push_back({bone.patternBone,
                       printNumber(bone.length / f.scale, 4) + " × " + printNumber(f.scale, 2),
                       printNumber(bone.length, 1) + " mm"});
  }
  w.lines.push_back({"end to end", {}, printNumber(limb.length, 1) + " mm"});
  w.source = "Proportions in modules from the pattern; one module is " + printNumber(f.scale, 2) +
             " mm at this size.";
  whyLength_->set(w);
  bones_->setText(rows + QStringLiteral("</table>"));
}

} // namespace columna
