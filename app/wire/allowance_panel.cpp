#include "wire/allowance_panel.h"

#include "edit/wire_edit.h"
#include "kit/parts.h"
#include "kit/say.h"
#include "project/project_fields.h"
#include "theme/theme.h"

#include <QCheckBox>
#include <QGridLayout>
#include <QLineEdit>
#include <QPushButton>

namespace columna {
namespace {

constexpr Bounds kHandling = boundsOf(&Project::handling);

} // namespace
AllowancePanel::AllowancePanel(Session& session, QWidget* parent) : QWidget(parent), session_(session) {
  auto* grid = new QGridLayout(this);
  grid->setContentsMargins(0, 0, px(8), 0);
  grid->setHorizontalSpacing(px(10));
  grid->setVerticalSpacing(px(4));
  const auto add = [&](int index, const QString& words, const QString& unit, const QString& range) {
    const int column = (index / 4) * 3;
    const int row = index % 4;
    auto* label = textLabel(this, 13, QFont::Normal, false);
    label->setText(unit.isEmpty() ? words : tr("%1, %2").arg(words, unit));
    auto* field = new QLineEdit(this);
    field->setFixedWidth(px(64));
    field->setAccessibleName(words);
    field->setToolTip(range);
    label->setBuddy(field);
    grid->addWidget(label, row, column, Qt::AlignRight);
    grid->addWidget(field, row, column + 1);
    grid->setColumnMinimumWidth(column + 2, px(10));
    return field;
  };
  const auto& known = allowanceFields;
  for (size_t i = 0; i < known.size(); ++i) {
    QLineEdit* field =
        add(static_cast<int>(i), str(Name(known[i].words)),
            isLength(known[i]) ? QString() : str(std::string(known[i].unit.sign)),
            tr("%1 to %2")
                .arg(shownOf(known[i], known[i].bounds.least), shownOf(known[i], known[i].bounds.most)));
    fields_.push_back(field);
    connect(field, &QLineEdit::editingFinished, this, [this, i] { typed(i); });
  }
  handling_ = add(static_cast<int>(known.size()), tr("longest wire to work with"), QString(),
                  tr("%1 to %2")
                      .arg(str(Length(kHandling.least, 0), session_.units()),
                           str(Length(kHandling.most).metres(), session_.units())));
  connect(handling_, &QLineEdit::editingFinished, this, &AllowancePanel::typedHandling);
  usual_ = new QPushButton(tr("The usual ones"), this);
  grid->addWidget(usual_, 3, 6, 1, 2);
  piece_ = new QCheckBox(this);
  grid->addWidget(piece_, 4, 0, 1, 8);
  grid->setColumnStretch(8, 1);
  grid->setRowStretch(5, 1);
  connect(usual_, &QPushButton::clicked, this, [this] {
    (void)session_.apply(
        tr("usual allowances"),
        edit::allowancesUsual(session_.project(), piece_->isChecked() ? pieceName() : std::string()));
  });
  connect(piece_, &QCheckBox::toggled, this, &AllowancePanel::refresh);
  const auto follow = [this] {
    if (isVisible()) refresh();
  };
  session_.onSettled(this, follow);
  connect(&session_, &Session::selectionChanged, this, follow);
}

void AllowancePanel::showEvent(QShowEvent* /*event*/) { refresh(); }

std::string AllowancePanel::pieceName() const {
  const int p = session_.selected() < 0 ? -1 : session_.plan().pieceOf(session_.selected());
  return p < 0 ? std::string() : session_.plan().pieces[static_cast<size_t>(p)].name;
}

bool AllowancePanel::isLength(const AllowanceField& field) { return field.unit.sign == unit::kMm.sign; }

QString AllowancePanel::shownOf(const AllowanceField& field, double value) const {
  return isLength(field) ? str(Length(value, 1), session_.units()) : str(printNumber(value, 1));
}

void AllowancePanel::refresh() {
  const std::string name = pieceName();
  piece_->setVisible(!name.empty());
  piece_->setText(tr("for the piece “%1” alone").arg(str(Name(name))));
  const Project& p = session_.project();
  const auto own = p.pieceAllow.find(name);
  const Allowances& allow =
      !name.empty() && piece_->isChecked() && own != p.pieceAllow.end() ? own->second : p.allow;
  const Allowances usual;
  for (size_t i = 0; i < fields_.size(); ++i) {
    const double value = allow.*allowanceFields[i].member;
    if (!fields_[i]->hasFocus() || !fields_[i]->isModified())
      fields_[i]->setText(shownOf(allowanceFields[i], value));
    const bool changed = value != usual.*allowanceFields[i].member;
    fields_[i]->setStyleSheet(changed ? QStringLiteral("border: 2px solid %1;").arg(theme().woad.name())
                                      : QString());
  }
  if (!handling_->hasFocus() || !handling_->isModified())
    handling_->setText(str(printLength(p.handling, session_.units(), 0)));
}

void AllowancePanel::typed(size_t index) {
  QLineEdit* field = fields_[index];
  if (!field->isModified()) return;
  field->setModified(false);
  const AllowanceField& f = allowanceFields[index];
  const std::string piece = piece_->isChecked() ? pieceName() : std::string();
  const std::string text = field->text().trimmed().toStdString();
  const auto value = isLength(f) ? parseLength(text, session_.units()) : parseNumber(text);
  const auto refusal = value ? session_.apply(tr("allowance: %1").arg(str(Name(f.words))),
                                              edit::allowanceSet(session_.project(), piece, f, *value))
                             : std::optional(session_.refuse(sentence(value.problem(), session_.units())));
  if (refusal) refresh();
}

void AllowancePanel::typedHandling() {
  if (!handling_->isModified()) return;
  handling_->setModified(false);
  const auto mm = parseLength(handling_->text().toStdString(), session_.units());
  const auto refusal = mm ? session_.apply(tr("longest wire"), edit::handlingSet(session_.project(), *mm))
                          : std::optional(session_.refuse(sentence(mm.problem(), session_.units())));
  if (refusal) refresh();
}

} // namespace columna
