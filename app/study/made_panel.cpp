#include "study/made_panel.h"

#include "kit/parts.h"
#include "kit/say.h"
#include "session/changes.h"
#include "theme/theme.h"

#include <QDate>
#include <QGridLayout>
#include <QLineEdit>
#include <QPushButton>

namespace columna {
MadePanel::MadePanel(Session& session, QWidget* parent) : QWidget(parent), session_(session) {
  grid_ = new QGridLayout(this);
  grid_->setContentsMargins(0, 0, px(8), 0);
  grid_->setHorizontalSpacing(px(12));
  grid_->setVerticalSpacing(px(4));
  summary_ = textLabel(this, 13, QFont::DemiBold, false);
  session_.onSettled(this, [this] {
    if (isVisible()) refresh();
  });
  rebuild();
}

void MadePanel::rebuild() {
  for (Row& row : rows_)
    for (QWidget* w : std::array<QWidget*, 5>{row.name, row.length, row.across, row.words, row.out})
      w->deleteLater();
  rows_.clear();
  grid_->removeWidget(summary_);
  pattern_ = session_.plan().figure->patternId;
  int line = 1;
  grid_->addWidget(summary_, 0, 0, 1, 5);
  for (const FigureLimb& limb : session_.plan().figure->limbs) {
    if (limb.side < 0) continue;
    Row row;
    row.limb = str(limb.family); // its id
    row.name = textLabel(this, 13, QFont::Normal, false);
    QString name = limb.side == 0 ? str(Name(limb.name)) : tr("%1, either").arg(str(Name(limb.part)));
    name[0] = name[0].toUpper();
    row.name->setText(name);
    row.length = new QLineEdit(this);
    row.length->setAccessibleName(tr("Length of the made %1").arg(str(Name(limb.part))));
    row.across = new QLineEdit(this);
    row.across->setAccessibleName(tr("Width of the made %1").arg(str(Name(limb.part))));
    for (QLineEdit* field : {row.length, row.across}) {
      field->setFixedWidth(px(120));
      connect(field, &QLineEdit::editingFinished, this, [this, limbId = row.limb] { typed(limbId); });
    }
    row.words = textLabel(this, 13, QFont::Normal, false);
    row.out = new QPushButton(tr("not made"), this);
    row.out->setAccessibleName(tr("%1 is not made yet").arg(name));
    connect(row.out, &QPushButton::clicked, this, [this, limbId = row.limb] {
      (void)changes::setMade(session_, {limbId.toStdString(), {}, {}, {}});
    });
    grid_->addWidget(row.name, line, 0);
    grid_->addWidget(row.length, line, 1);
    grid_->addWidget(row.across, line, 2);
    grid_->addWidget(row.words, line, 3);
    grid_->addWidget(row.out, line, 4);
    ++line;
    rows_.push_back(row);
  }
  grid_->setColumnStretch(3, 1);
  grid_->setRowStretch(line, 1);
  refresh();
}

void MadePanel::typed(const QString& limb) {
  for (const Row& row : rows_) {
    if (row.limb != limb || (!row.length->isModified() && !row.across->isModified())) continue;
    std::array<std::optional<double>, 2> values;
    const std::array<QLineEdit*, 2> fields{row.length, row.across};
    for (size_t i = 0; i < 2; ++i) {
      fields[i]->setModified(false);
      if (fields[i]->text().trimmed().isEmpty()) continue;
      const auto mm = parseLength(fields[i]->text().toStdString(), session_.units());
      if (!mm) {
        session_.refuse(sentence(mm.problem(), session_.units()));
        refresh();
        return;
      }
      values[i] = *mm;
    }
    (void)changes::setMade(session_, {limb.toStdString(), values[0], values[1],
                                      QDate::currentDate().toString(Qt::ISODate).toStdString()});
    refresh();
    return;
  }
}

void MadePanel::showEvent(QShowEvent* /*event*/) { refresh(); }

void MadePanel::refresh() {
  const Plan& plan = session_.plan();
  if (plan.figure->patternId != pattern_) {
    rebuild();
    return;
  }
  const UnitSystem units = session_.units();
  const Theme& t = theme();
  const auto& made = session_.project().made;
  if (made.empty())
    summary_->setText(
        tr("Measure a part that is made: the rest is sized from it, and it stays as it came out."));
  else
    summary_->setText(tr("The rest is %1 % of the planned size: %2 high.")
                          .arg(str(printNumber(plan.made->ratio * 100, 1)),
                               str(printLength(plan.figure->overallHeight, units))));
  for (const Row& row : rows_) {
    const auto limb = plan.figure->limb(row.limb.toStdString());
    const auto left = plan.figure->limb("left-" + row.limb.toStdString());
    const FigureLimb& part = plan.figure->limbs[static_cast<size_t>(limb ? *limb : *left)];
    const MadePart* mine = nullptr;
    for (const MadePart& each : made)
      if (each.limb == row.limb.toStdString()) mine = &each;
    const auto set = [&](QLineEdit* field, const std::optional<double>& measured, const QString& planned) {
      if (!field->hasFocus() || !field->isModified())
        field->setText(measured ? str(printLength(*measured, units, 1)) : QString());
      field->setPlaceholderText(planned);
      field->setStyleSheet(QStringLiteral("color: %1;").arg((measured ? t.logwood : t.ink).name()));
    };
    set(row.length, mine ? mine->length : std::nullopt,
        tr("%1 long").arg(str(printLength(part.length, units))));
    set(row.across, mine ? mine->across : std::nullopt,
        tr("%1 across").arg(str(printLength(widestAcross(plan.figure, part), units))));
    row.length->setEnabled(part.length > 0);
    row.out->setVisible(mine != nullptr);
    QString words;
    for (const MadeResidual& r : plan.made->residuals)
      if (r.limb == row.limb.toStdString()) words = str(r.words, session_.units());
    if (mine) words += tr(", measured %1").arg(str(mine->date));
    row.words->setText(words);
    row.words->setStyleSheet(
        QStringLiteral("font-size: %1px; color: %2;").arg(px(13)).arg((mine ? t.logwood : t.faint).name()));
  }
}

QLineEdit* MadePanel::lengthField(const QString& limb) const {
  for (const Row& row : rows_)
    if (row.limb == limb) return row.length;
  return nullptr;
}

QLineEdit* MadePanel::acrossField(const QString& limb) const {
  for (const Row& row : rows_)
    if (row.limb == limb) return row.across;
  return nullptr;
}

QString MadePanel::wordsOf(const QString& limb) const {
  for (const Row& row : rows_)
    if (row.limb == limb) return row.words->text();
  return {};
}

} // namespace columna
