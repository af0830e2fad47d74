#include "wrap/coat_panel.h"

#include "edit/wool_edit.h"
#include "kit/parts.h"
#include "kit/say.h"
#include "measure/quantity.h"
#include "session/changes.h"
#include "theme/theme.h"

#include <QCheckBox>
#include <QComboBox>
#include <QGridLayout>
#include <QLineEdit>
#include <QListWidget>
#include <QPushButton>

#include <cmath>

namespace columna {

CoatPanel::CoatPanel(Session& session, WrapView& view, QWidget* parent)
    : QWidget(parent), session_(session), view_(view) {
  setAccessibleName(tr("Coat and markings"));
  auto* grid = new QGridLayout(this);
  grid->setContentsMargins(0, px(2), px(8), 0);
  grid->setHorizontalSpacing(px(10));
  grid->setVerticalSpacing(px(6));
  list_ = new QListWidget(this);
  list_->setAccessibleName(tr("Markings"));
  list_->setMinimumWidth(px(220));
  const bool narrow = textScale() > 1.4; // large text: what stands beside goes under
  const int top = narrow ? 1 : 0;
  if (narrow)
    grid->addWidget(list_, 0, 0, 1, 3);
  else
    grid->addWidget(list_, 0, 0, 3, 1);
  draw_ = new QPushButton(tr("Draw a marking"), this);
  draw_->setCheckable(true);
  draw_->setToolTip(tr("Draw round the area on the side, front or above view"));
  whole_ = new QPushButton(tr("Mark the whole part"), this);
  remove_ = new QPushButton(tr("Remove"), this);
  grid->addWidget(draw_, top, narrow ? 0 : 1);
  grid->addWidget(whole_, top + 1, narrow ? 0 : 1);
  grid->addWidget(remove_, top + 2, narrow ? 0 : 1);
  name_ = new QLineEdit(this);
  name_->setAccessibleName(tr("Name of the marking"));
  name_->setPlaceholderText(tr("name"));
  tone_ = new QComboBox(this);
  tone_->setAccessibleName(tr("Colour of the marking"));
  tone_->addItems({tr("pale"), tr("mid"), tr("dark")});
  both_ = new QCheckBox(tr("on both sides"), this);
  grid->addWidget(name_, top, narrow ? 1 : 2);
  grid->addWidget(tone_, top + 1, narrow ? 1 : 2);
  grid->addWidget(both_, top + 2, narrow ? 1 : 2);
  finish_ = new QComboBox(this);
  finish_->setAccessibleName(tr("How the coat is made"));
  finish_->addItems({tr("felted in thin layers"), tr("felted and brushed up"), tr("yarn, laid and combed"),
                     tr("fur in rows"), tr("feathers in rows")});
  finish_->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
  finish_->setMinimumContentsLength(10);
  fur_ = new QLineEdit(this);
  fur_->setAccessibleName(tr("Length to be seen"));
  fur_->setPlaceholderText(tr("length seen"));
  offer_ = new QPushButton(this);
  auto* made = new QHBoxLayout;
  made->setSpacing(px(6));
  made->addWidget(finish_, 1);
  made->addWidget(fur_);
  fur_->setMaximumWidth(px(96));
  if (narrow) {
    grid->addLayout(made, 4, 0, 1, 3);
    grid->addWidget(offer_, 6, 0, 1, 3, Qt::AlignLeft);
  } else {
    grid->addLayout(made, 0, 3, 1, 2);
    grid->addWidget(offer_, 2, 3, 1, 2, Qt::AlignLeft);
  }
  words_ = textLabel(this, 13, QFont::Normal);
  words_->setAlignment(Qt::AlignTop);
  if (narrow)
    grid->addWidget(words_, 5, 0, 1, 3);
  else
    grid->addWidget(words_, 1, 3, 1, 2);
  grid->setColumnStretch(narrow ? 2 : 4, 1);
  grid->setRowStretch(narrow ? 6 : 3, 1);
  connect(draw_, &QPushButton::clicked, &view_, &WrapView::setMarking);
  connect(whole_, &QPushButton::clicked, this, [this] {
    const int l = session_.selected();
    if (l < 0) {
      session_.refuse(tr("Choose a part first; all of it is marked then."));
      return;
    }
    const FigureLimb& limb = session_.plan().figure->limbs[static_cast<size_t>(l)];
    Marking m;
    m.name = limb.part;
    m.tone = static_cast<Tone>(tone_->currentIndex());
    m.limb = limb.family;
    m.outline = {{-50, -50}, {50, -50}, {50, 50}, {-50, 50}};
    (void)session_.apply(tr("mark the %1").arg(str(Name(limb.part))),
                         edit::marked(session_.project(), std::move(m)));
  });
  connect(remove_, &QPushButton::clicked, this, [this] {
    const int row = list_->currentRow();
    if (row >= 0)
      (void)session_.apply(tr("take off a marking"),
                           edit::markingRemoved(session_.project(), static_cast<size_t>(row)));
  });
  connect(list_, &QListWidget::currentRowChanged, this, [this] { refresh(); });
  connect(tone_, &QComboBox::activated, this, &CoatPanel::setTone);
  connect(both_, &QCheckBox::clicked, this, [this](bool on) {
    const int row = list_->currentRow();
    if (row >= 0)
      (void)session_.apply(tr("marking's sides"),
                           edit::markingOnBoth(session_.project(), static_cast<size_t>(row), on));
  });
  connect(name_, &QLineEdit::editingFinished, this, [this] {
    const int row = list_->currentRow();
    if (!name_->isModified() || row < 0) return;
    name_->setModified(false);
    (void)session_.apply(tr("marking's name"),
                         edit::markingCalled(session_.project(), static_cast<size_t>(row),
                                             name_->text().trimmed().toStdString()));
  });
  connect(fur_, &QLineEdit::editingFinished, this, [this] {
    if (!fur_->isModified()) return;
    fur_->setModified(false);
    if (fur_->text().trimmed().isEmpty()) {
      (void)session_.apply(tr("no rows"), edit::rowsOf(session_.project(), std::nullopt));
      return;
    }
    const auto mm = parseLength(fur_->text().toStdString(), session_.units());
    if (mm)
      (void)session_.apply(tr("length of the coat"), edit::rowsOf(session_.project(), *mm));
    else
      session_.refuse(sentence(mm.problem(), session_.units()));
  });
  connect(finish_, &QComboBox::activated, this, [this](int i) {
    (void)session_.apply(finish_->itemText(i),
                         edit::coatFinished(session_.project(), session_.plan(), static_cast<CoatFinish>(i)));
  });
  connect(offer_, &QPushButton::clicked, this, [this] {
    if (const auto offer = pelt())
      (void)session_.apply(tr("coat like the living pelt"),
                           edit::coatLike(session_.project(), offer->finish, offer->shown));
  });
  session_.onSettled(this, [this] { refresh(); });
  connect(&view_, &WrapView::changed, this, &CoatPanel::refresh);
  connect(&session_, &Session::selectionChanged, this, &CoatPanel::refresh);
  refresh();
}

std::optional<CoatOffer> CoatPanel::pelt() const {
  const Plan& plan = session_.plan();
  return coatOffer(plan.pattern->coatKind, plan.figure->coatThickness, plan.wool->coatLaid, plan.woolRules);
}

void CoatPanel::setTone(int tone) {
  const int row = list_->currentRow();
  if (row >= 0)
    (void)session_.apply(
        tr("marking's colour"),
        edit::markingOfTone(session_.project(), static_cast<size_t>(row), static_cast<Tone>(tone)));
}

void CoatPanel::refresh() {
  const WoolWish& wool = session_.project().wool;
  const Plan& plan = session_.plan();
  const UnitSystem units = session_.units();
  const QSignalBlocker quiet(list_);
  const int row = std::min(list_->currentRow(), static_cast<int>(wool.markings.size()) - 1);
  list_->clear();
  for (size_t m = 0; m < wool.markings.size(); ++m) {
    const double grams = m < plan.wool->markings.size() ? plan.wool->markings[m].grams : 0;
    const double area = m < plan.wool->markings.size() ? plan.wool->markings[m].area : 0;
    list_->addItem(tr("%1 · %2 · %3 · %4")
                       .arg(str(wool.markings[m].name), str(Name(word(wool.markings[m].tone))),
                            str(Surface(area, area < 1000 ? 1 : 0), units), str(printMass(grams, units))));
  }
  list_->setCurrentRow(row < 0 && !wool.markings.empty() ? 0 : row);
  const int now = list_->currentRow();
  draw_->setChecked(view_.marking());
  draw_->setText(view_.marking() ? tr("Now draw it") : tr("Draw a marking"));
  for (QWidget* w : std::initializer_list<QWidget*>{remove_, name_, both_}) w->setEnabled(now >= 0);
  if (now >= 0) {
    const Marking& m = wool.markings[static_cast<size_t>(now)];
    if (!name_->hasFocus()) name_->setText(str(m.name));
    tone_->setCurrentIndex(static_cast<int>(m.tone));
    both_->setChecked(m.both);
  }
  if (!fur_->hasFocus())
    fur_->setText(wool.furShown ? str(printLength(*wool.furShown, units, 0)) : QString());
  const int l = session_.selected();
  const double need = hidingMass(wool.core.tone, wool.coat.tone, plan.woolRules);
  finish_->setCurrentIndex(static_cast<int>(wool.finish));
  fur_->setVisible(inRows(wool.finish));
  const auto offer = pelt();
  offer_->setVisible(offer.has_value() && !inRows(wool.finish));
  if (offer)
    offer_->setText((offer->finish == CoatFinish::Feathers ? tr("Feathers of %1, like the bird's")
                                                           : tr("Fur of %1, like its pelt"))
                        .arg(str(printLength(std::round(offer->shown), units, 0))));
  QString words = tr("%1 wool over a %2 core wants %3; this coat lays %4.")
                      .arg(str(Name(word(wool.coat.shown()))), str(Name(word(wool.core.shown()))),
                           str(AreaMass(need, 0), units),
                           str(AreaMass(plan.wool->coatLaid * plan.woolRules.coatDensity, 0), units));
  if (!wool.coat.tone)
    words += tr(" Say how dark your wool is under Wool at hand; a middle one is reckoned with.");
  if (wool.furShown) {
    int tufts = 0;
    double grams = 0;
    const FurRows* rows = nullptr;
    for (size_t i = 0; i < plan.wool->limbs.size(); ++i) {
      tufts += plan.wool->limbs[i].furRows.tufts;
      grams += plan.wool->limbs[i].fur;
      if (plan.wool->limbs[i].furRows.tufts > 0 && (!rows || static_cast<int>(i) == l))
        rows = &plan.wool->limbs[i].furRows;
    }
    if (rows)
      words +=
          (wool.finish == CoatFinish::Yarn ? tr(" %1 lengths of yarn cut %2, %3 in all; rows %4 apart, %5. "
                                                "Comb each out when it is needled down.")
           : wool.finish == CoatFinish::Feathers ? tr(" %1 feathers cut %2, %3 in all; rows %4 apart, %5.")
                                                 : tr(" %1 tufts cut %2, %3 in all; rows %4 apart, %5."))
              .arg(tufts)
              .arg(str(printLength(rows->cut, units, 0)), str(printMass(grams, units)),
                   str(printLength(rows->spacing, units, 0)), str(Name(rows->way)));
    if (rows && wool.finish != CoatFinish::Yarn)
      words += tr(" %1 % of the staple is left over.").arg(str(printNumber(rows->waste * 100, 0)));
  }
  words_->setText(words);
}

} // namespace columna
