#include "study/character_panel.h"

#include "kit/parts.h"
#include "kit/say.h"
#include "session/changes.h"
#include "theme/theme.h"

#include <QCheckBox>
#include <QGridLayout>
#include <QLineEdit>
#include <QPushButton>
#include <QSlider>

#include <cmath>

namespace columna {
namespace {

constexpr std::array<double Character::*, 6> kDials{&Character::head,      &Character::muzzle,
                                                    &Character::legs,      &Character::eyes,
                                                    &Character::eyesLower, &Character::girth};
constexpr size_t kLower = 4;

/// The age whose numbers these are, or nothing when they were changed one by one.
std::optional<double> ageOf(const Character& c) {
  for (int i = -20; i <= 40; ++i) {
    Character at = characterAt(i / 20.0);
    at.girth = c.girth;
    bool same = true;
    for (const auto dial : kDials) same = same && std::abs(at.*dial - c.*dial) < 1e-9;
    if (same) return i / 20.0;
  }
  return std::nullopt;
}

} // namespace

CharacterPanel::CharacterPanel(Session& session, StudyView& study, QWidget* parent)
    : QWidget(parent), session_(session), study_(study) {
  auto* grid = new QGridLayout(this);
  grid->setContentsMargins(0, 0, px(8), 0);
  grid->setHorizontalSpacing(px(10));
  grid->setVerticalSpacing(px(4));
  const auto label = [this](const QString& text, bool faint = false) {
    auto* l = textLabel(this, 13, QFont::Normal, false);
    l->setText(text);
    if (faint) setFaint(l);
    return l;
  };
  const auto slider = [this](const QString& name, int low, int high) {
    auto* s = new QSlider(Qt::Horizontal, this);
    s->setRange(low, high);
    s->setAccessibleName(name);
    s->setMinimumWidth(frame(170));
    return s;
  };
  age_ = slider(tr("Age, from old over true to life to toy"), -20, 40);
  girth_ = slider(tr("Lean to stout"), 70, 140);
  auto* marks = new QHBoxLayout;
  marks->addWidget(label(tr("old"), true));
  marks->addStretch();
  marks->addWidget(label(tr("true to life"), true));
  marks->addStretch();
  marks->addWidget(label(tr("young"), true));
  marks->addStretch();
  marks->addWidget(label(tr("toy"), true));
  grid->addLayout(marks, 0, 0);
  grid->addWidget(age_, 1, 0);
  auto* ends = new QHBoxLayout;
  ends->addWidget(label(tr("lean"), true));
  ends->addStretch();
  ends->addWidget(label(tr("stout"), true));
  grid->addLayout(ends, 2, 0);
  grid->addWidget(girth_, 3, 0);
  const std::array<QString, 6> names{tr("head ×"), tr("muzzle ×"),      tr("legs ×"),
                                     tr("eyes ×"), tr("eyes lower, %"), tr("girth ×")};
  for (size_t i = 0; i < dials_.size(); ++i) {
    auto* field = new QLineEdit(this);
    field->setAccessibleName(names[i]);
    field->setFixedWidth(frame(70));
    const int row = static_cast<int>(i % 3);
    const int column = 1 + 2 * static_cast<int>(i / 3);
    auto* l = label(names[i]);
    l->setBuddy(field);
    grid->addWidget(l, row, column, Qt::AlignRight | Qt::AlignVCenter);
    grid->addWidget(field, row, column + 1);
    connect(field, &QLineEdit::editingFinished, this, [this, i] { typed(i); });
    dials_[i] = field;
  }
  halving_ = new QCheckBox(tr("halving rules over the front view"), this);
  putBack_ = new QPushButton(tr("Put all joints and girths back"), this);
  life_ = new QPushButton(tr("True to life"), this);
  grid->addWidget(halving_, 3, 1, 1, 4);
  grid->addWidget(life_, 0, 5);
  grid->addWidget(putBack_, 1, 5);
  grid->setColumnStretch(6, 1);
  grid->setRowStretch(4, 1);
  connect(age_, &QSlider::valueChanged, this, [this](int value) {
    Shape shape = session_.project().shape;
    const double girth = shape.character.girth;
    shape.character = characterAt(value / 20.0);
    shape.character.girth = girth;
    changes::setShape(session_, tr("character"), std::move(shape), false, QStringLiteral("age"));
  });
  connect(girth_, &QSlider::valueChanged, this, [this](int value) {
    Shape shape = session_.project().shape;
    shape.character.girth = value / 100.0;
    changes::setShape(session_, tr("girth"), std::move(shape), false, QStringLiteral("stout"));
  });
  for (QSlider* s : {age_, girth_}) connect(s, &QSlider::sliderReleased, &session_, &Session::endRun);
  connect(halving_, &QCheckBox::toggled, &study_, &StudyView::setHalving);
  connect(putBack_, &QPushButton::clicked, this, [this] { changes::putBack(session_, -1); });
  connect(life_, &QPushButton::clicked, this, [this] {
    Shape shape = session_.project().shape;
    shape.character = {};
    changes::setShape(session_, tr("true to life"), std::move(shape), false);
  });
  session_.onSettled(this, [this] {
    if (isVisible()) refresh();
  });
  connect(&study_, &StudyView::changed, this, [this] {
    if (isVisible()) refresh();
  });
  refresh();
}

void CharacterPanel::typed(size_t index) {
  QLineEdit* field = dials_[index];
  if (!field->isModified()) return;
  field->setModified(false);
  QString text = field->text();
  const auto number = parseNumber(text.remove(u'×').remove(u'%').trimmed().toStdString());
  if (!number) {
    session_.refuse(sentence(number.problem(), session_.units()));
    refresh();
    return;
  }
  Shape shape = session_.project().shape;
  shape.character.*kDials[index] = index == kLower ? *number / 100 : *number;
  changes::setShape(session_, tr("character"), std::move(shape), false);
  refresh();
}

void CharacterPanel::showEvent(QShowEvent* /*event*/) { refresh(); }

void CharacterPanel::refresh() {
  const Character& c = session_.project().shape.character;
  for (size_t i = 0; i < dials_.size(); ++i)
    if (!dials_[i]->hasFocus() || !dials_[i]->isModified())
      dials_[i]->setText(QString::fromStdString(
          printNumber(i == kLower ? c.*kDials[i] * 100 : c.*kDials[i], i == kLower ? 0 : 2)));
  const QSignalBlocker quietAge(age_);
  const QSignalBlocker quietGirth(girth_);
  const QSignalBlocker quietHalving(halving_);
  if (const auto age = ageOf(c)) age_->setValue(qRound(*age * 20));
  girth_->setValue(qRound(c.girth * 100));
  halving_->setChecked(study_.halving());
  Shape changed = session_.project().shape;
  changed.character = {};
  putBack_->setEnabled(!changed.none());
  life_->setEnabled(!(c == Character()));
}

} // namespace columna
