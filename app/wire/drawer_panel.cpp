#include "wire/drawer_panel.h"

#include "edit/wire_edit.h"
#include "kit/parts.h"
#include "kit/say.h"
#include "measure/gauge.h"
#include "project/project_fields.h"
#include "theme/theme.h"
#include "wire/bench_test.h"

#include <QCheckBox>
#include <QComboBox>
#include <QGridLayout>
#include <QHBoxLayout>
#include <QLineEdit>
#include <QListWidget>
#include <QSpinBox>
#include <QVBoxLayout>

namespace columna {
namespace {

constexpr Bounds kMostWires = boundsOf(&Project::mostWires);
constexpr Bounds kDiameter = boundsOf(&OwnWire::diameter);
constexpr Bounds kCoverOf = boundsOf(&OwnWire::cover);
constexpr Bounds kLengthOf = boundsOf(&OwnWire::length);

} // namespace
DrawerPanel::DrawerPanel(Session& session, QWidget* parent) : QWidget(parent), session_(session) {
  auto* row = new QHBoxLayout(this);
  row->setContentsMargins(0, 0, px(8), 0);
  row->setSpacing(px(12));
  const auto small = [this](const QString& words) {
    auto* label = textLabel(this, 13, QFont::Normal, false);
    label->setText(words);
    return label;
  };
  const auto field = [this](const QString& name, const QString& hint, int width) {
    auto* edit = new QLineEdit(this);
    edit->setAccessibleName(name);
    edit->setPlaceholderText(hint);
    edit->setFixedWidth(px(width));
    return edit;
  };

  auto* left = new QVBoxLayout;
  left->setSpacing(px(4));
  list_ = new QListWidget(this);
  list_->setAccessibleName(tr("Wires in the drawer"));
  list_->setFixedWidth(px(230));
  list_->setWordWrap(true);
  list_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  list_->setMinimumHeight(px(70));
  list_->setSizePolicy(QSizePolicy::Fixed, QSizePolicy::Ignored);
  list_->setStyleSheet(
      QStringLiteral("QListWidget { padding: 2px; } QListWidget::item { padding: 2px 4px; }"));
  left->addWidget(list_, 1);
  auto* buy = new QHBoxLayout;
  buy->addWidget(small(tr("buy at most")));
  most_ = new QSpinBox(this);
  most_->setRange(static_cast<int>(kMostWires.least), static_cast<int>(kMostWires.most));
  most_->setAccessibleName(tr("Different wires to buy at most"));
  buy->addWidget(most_);
  only_ = new QCheckBox(tr("none"), this);
  only_->setToolTip(tr("use what is in the drawer alone"));
  buy->addWidget(only_);
  buy->addStretch();
  left->addLayout(buy);
  row->addLayout(left);

  auto* form = new QGridLayout;
  form->setHorizontalSpacing(px(8));
  form->setVerticalSpacing(px(4));
  name_ = field(tr("Name of the wire"), tr("my words for it"), 100);
  material_ = new QComboBox(this);
  material_->setAccessibleName(tr("Metal of the wire"));
  material_->setFixedWidth(px(140));
  for (const Material& m : session_.catalog().materials) material_->addItem(str(Name(m.name)), str(m.id));
  size_ = field(tr("Measured size"), QString(), 80);
  cover_ = field(tr("Cover all round"), tr("bare"), 60);
  length_ = field(tr("Straight length"), tr("coil"), 70);
  count_ = new QSpinBox(this);
  count_->setRange(1, 9999);
  count_->setAccessibleName(tr("How many lengths"));
  add_ = new QPushButton(tr("Put in"), this);
  remove_ = new QPushButton(tr("Take out"), this);
  form->addWidget(name_, 0, 0);
  form->addWidget(material_, 0, 1, 1, 2);
  auto* sizes = new QHBoxLayout;
  sizes->setSpacing(px(6));
  sizes->addWidget(size_);
  sizes->addWidget(small(tr("cover")));
  sizes->addWidget(cover_);
  sizes->addStretch();
  form->addLayout(sizes, 1, 0, 1, 3);
  auto* lengths = new QHBoxLayout;
  lengths->setSpacing(px(6));
  lengths->addWidget(small(tr("lengths of")));
  lengths->addWidget(length_);
  lengths->addWidget(small(tr("×")));
  lengths->addWidget(count_);
  lengths->addStretch();
  form->addLayout(lengths, 2, 0, 1, 3);
  auto* acts = new QHBoxLayout;
  acts->addWidget(add_);
  acts->addWidget(remove_);
  acts->addStretch();
  form->addLayout(acts, 3, 0, 1, 3);
  form->setRowStretch(4, 1);
  row->addLayout(form);

  auto* tests = new QGridLayout;
  tests->setHorizontalSpacing(px(6));
  tests->setVerticalSpacing(px(4));
  turns_ = new QSpinBox(this);
  turns_->setRange(0, 200);
  turns_->setValue(20);
  turns_->setAccessibleName(tr("Close turns on a pencil"));
  turnsLength_ = field(tr("Length of the turns"), QString(), 66);
  mass_ = field(tr("Mass hung at the tip"), QString(), 64);
  overhang_ = field(tr("Length that sticks out"), QString(), 66);
  tests->addWidget(small(tr("turns on a pencil")), 0, 0);
  tests->addWidget(turns_, 0, 1);
  tests->addWidget(small(tr("take")), 0, 2);
  tests->addWidget(turnsLength_, 0, 3);
  tests->addWidget(small(tr("set by 5° under")), 1, 0);
  tests->addWidget(mass_, 1, 1);
  tests->addWidget(small(tr("at")), 1, 2);
  tests->addWidget(overhang_, 1, 3);
  result_ = textLabel(this, 13, QFont::Normal);
  result_->setText(
      tr("Clamp it level, hang weights from the tip until it stays bent by 5°: the selected wire's yield."));
  setFaint(result_);
  tests->addWidget(result_, 2, 0, 1, 4);
  tests->setRowStretch(3, 1);
  tests->setColumnStretch(4, 1);
  row->addLayout(tests, 1);

  for (QSpinBox* box : {most_, count_, turns_}) {
    box->setButtonSymbols(QAbstractSpinBox::NoButtons); // the arrow keys and the wheel step them
    box->setFixedWidth(px(48));
    box->findChild<QLineEdit*>()->setAccessibleName(box->accessibleName());
  }
  connect(add_, &QPushButton::clicked, this, &DrawerPanel::add);
  connect(remove_, &QPushButton::clicked, this, [this] {
    const int at = list_->currentRow();
    if (at < 0) return;
    (void)session_.apply(tr("wire out of the drawer"),
                         edit::wireRemoved(session_.project(), static_cast<size_t>(at)));
  });
  connect(most_, &QSpinBox::valueChanged, this, [this](int value) {
    if (value != session_.project().mostWires)
      (void)session_.apply(tr("wires to buy"), edit::boughtAtMost(session_.project(), value));
  });
  connect(only_, &QCheckBox::toggled, this, [this](bool on) {
    if (on != session_.project().drawerOnly)
      (void)session_.apply(tr("buying"), edit::fromDrawer(session_.project(), on));
  });
  connect(turnsLength_, &QLineEdit::returnPressed, this, &DrawerPanel::count);
  connect(overhang_, &QLineEdit::returnPressed, this, &DrawerPanel::hang);
  connect(mass_, &QLineEdit::returnPressed, this, &DrawerPanel::hang);
  connect(list_, &QListWidget::currentRowChanged, this, [this](int at) { remove_->setEnabled(at >= 0); });
  session_.onSettled(this, [this] {
    if (isVisible()) refresh();
  });
}

void DrawerPanel::showEvent(QShowEvent* /*event*/) { refresh(); }

void DrawerPanel::refresh() {
  const Project& p = session_.project();
  size_->setPlaceholderText(str(Length(0.8, 1), p.units));
  turnsLength_->setPlaceholderText(str(Length(16.4, 1), p.units));
  mass_->setPlaceholderText(str(Mass(10), p.units));
  overhang_->setPlaceholderText(str(Length(60, 0), p.units));
  const int at = list_->currentRow();
  list_->clear();
  for (const OwnWire& w : p.drawer) {
    const Material* m = session_.catalog().material(w.material);
    QString text = QStringLiteral("%1: %2 %3")
                       .arg(str(w.name), str(printLength(w.diameter, p.units, 2)),
                            m ? str(Name(m->shortName)) : str(w.material));
    text += w.length > 0 ? tr(", %1 × %2").arg(w.count).arg(str(printLength(w.length, p.units, 0)))
                         : tr(", coil");
    if (w.yield) text += tr(", yields at %1").arg(str(Stress(w.yield->value, 0), p.units));
    auto* item = new QListWidgetItem(text, list_);
    item->setToolTip(QStringLiteral("%1, %2").arg(str(printAwg(w.diameter)), str(printSwg(w.diameter))));
  }
  if (p.drawer.empty()) {
    auto* none = new QListWidgetItem(tr("nothing in it yet"), list_);
    none->setFlags(Qt::NoItemFlags);
  }
  list_->setCurrentRow(p.drawer.empty() ? -1 : std::min(at, list_->count() - 1));
  remove_->setEnabled(list_->currentRow() >= 0);
  most_->setValue(p.mostWires);
  most_->setEnabled(!p.drawerOnly);
  only_->setChecked(p.drawerOnly);
}

void DrawerPanel::add() {
  const auto refuse = [this](const QString& sentence) { session_.refuse(sentence); };
  OwnWire w;
  w.material = material_->currentData().toString().toStdString();
  const auto d = parseDiameter(size_->text().toStdString(), session_.units());
  if (!d) return refuse(sentence(d.problem(), session_.units()));
  if (*d < kDiameter.least)
    return refuse(tr("A wire is at least %1 thick; measure it, or count turns on a stick.")
                      .arg(str(printLength(kDiameter.least, session_.units()))));
  w.diameter = *d;
  if (!cover_->text().trimmed().isEmpty()) {
    const auto cover = parseLength(cover_->text().toStdString(), session_.units());
    if (!cover) return refuse(sentence(cover.problem(), session_.units()));
    if (!kCoverOf.hold(*cover))
      return refuse(tr("A cover is up to %1 thick; measure it over and without.")
                        .arg(str(Length(kCoverOf.most, 0), session_.units())));
    w.cover = *cover;
  }
  if (!length_->text().trimmed().isEmpty()) {
    const auto length = parseLength(length_->text().toStdString(), session_.units());
    if (!length) return refuse(sentence(length.problem(), session_.units()));
    if (!(*length > 0 && *length <= kLengthOf.most))
      return refuse(tr("A straight length is above 0 and up to %1; leave it empty for a coil.")
                        .arg(str(Length(kLengthOf.most).metres(), session_.units())));
    w.length = *length;
  }
  w.count = count_->value();
  w.name = name_->text().trimmed().toStdString();
  if (w.name.empty()) w.name = tr("wire %1").arg(session_.project().drawer.size() + 1).toStdString();
  if (session_.apply(tr("wire into the drawer"), edit::wireAdded(session_.project(), w))) return;
  for (QLineEdit* f : {name_, size_, cover_, length_}) f->clear();
}

void DrawerPanel::count() {
  const auto length = parseLength(turnsLength_->text().toStdString(), session_.units());
  const auto d = length ? diameterByTurns(turns_->value(), *length) : Result<Estimate>(length.problem());
  if (!d) {
    session_.refuse(sentence(d.problem(), session_.units()));
    return;
  }
  size_->setText(str(printLength(d->value, session_.units(), 2)));
  result_->setText(tr("%1, give or take %2: %3, %4")
                       .arg(str(printLength(d->value, session_.units(), 2)),
                            str(printLength((d->high - d->low) / 2, session_.units(), 3)),
                            str(printAwg(d->value)), str(printSwg(d->value))));
}

void DrawerPanel::hang() {
  const int at = list_->currentRow();
  if (at < 0) {
    session_.refuse(tr("Choose the wire that was tested in the drawer first."));
    return;
  }
  const auto grams = parseMass(mass_->text().toStdString(), session_.units());
  const auto length = parseLength(overhang_->text().toStdString(), session_.units());
  if (!grams || !length) {
    session_.refuse(sentence(grams ? length.problem() : grams.problem(), session_.units()));
    return;
  }
  const auto y =
      yieldByHangingMass(*grams, *length, session_.project().drawer[static_cast<size_t>(at)].diameter);
  if (!y) {
    session_.refuse(sentence(y.problem(), session_.units()));
    return;
  }
  (void)session_.apply(tr("yield as tested"),
                       edit::wireTested(session_.project(), static_cast<size_t>(at), *y));
  result_->setText(tr("It yields at %1, plausibly %2 to %3.")
                       .arg(str(Stress(y->value, 0), session_.units()),
                            str(Stress(y->low, 0).figure(), session_.units()),
                            str(Stress(y->high, 0).figure(), session_.units())));
}

} // namespace columna
