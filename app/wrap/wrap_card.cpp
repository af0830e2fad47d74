#include "wrap/wrap_card.h"

#include "kit/say.h"
#include "measure/quantity.h"
#include "session/build_view.h"
#include "session/changes.h"
#include "theme/theme.h"
#include "wrap/build_band.h"

#include <QComboBox>
#include <QGridLayout>
#include <QLineEdit>
#include <QSlider>
#include <QVBoxLayout>

#include <algorithm>
#include <cmath>

namespace columna {
namespace {

/// The working is in mm and g; its title repeats the figure as it is shown.
QLabel* richLabel(QWidget* parent) {
  QLabel* label = textLabel(parent, 13, QFont::Normal);
  label->setTextFormat(Qt::RichText);
  return label;
}

} // namespace

WrapCard::WrapCard(Session& session, QWidget* parent) : CardPage(parent), session_(session) {
  auto* layout = new QVBoxLayout(this);
  layout->setContentsMargins(0, 0, 0, 0);
  layout->setSpacing(px(8));
  auto* grid = new QGridLayout;
  grid->setHorizontalSpacing(px(12));
  grid->setVerticalSpacing(px(2));
  coreG_ = new BigFigure(tr("core wool to weigh"), this);
  coatG_ = new BigFigure(tr("coat wool"), this);
  coreUnder_ = textLabel(this, 13, QFont::Normal);
  coatUnder_ = textLabel(this, 13, QFont::Normal);
  whyCore_ = new Why(this);
  whyCoat_ = new Why(this);
  grid->addWidget(coreG_, 0, 0);
  grid->addWidget(coatG_, 0, 1);
  grid->addWidget(coreUnder_, 1, 0, Qt::AlignTop);
  grid->addWidget(coatUnder_, 1, 1, Qt::AlignTop);
  grid->setColumnStretch(0, 1);
  grid->setColumnStretch(1, 1);
  layout->addLayout(grid);
  layout->addWidget(whyCore_);
  layout->addWidget(whyCoat_);
  layout->addWidget(ruleLine(this));
  next_ = new VerdictView(this);
  layout->addWidget(next_);
  makeFirmness(layout);
  makeCoat(layout);
  trouble_ = textLabel(this, 13, QFont::DemiBold);
  trouble_->setStyleSheet(trouble_->styleSheet() + QStringLiteral("color: %1;").arg(theme().madder.name()));
  trouble_->hide();
  layout->addWidget(trouble_);
  ladder_ = richLabel(this);
  layout->addWidget(ladder_);
  whyWound_ = new Why(this);
  layout->addWidget(whyWound_);
  pads_ = richLabel(this);
  layout->addWidget(pads_);
  whyPad_ = new Why(this);
  layout->addWidget(whyPad_);
  needles_ = richLabel(this);
  layout->addWidget(needles_);
  makeReady(layout);
  makeFinish(layout);
  caution_ = textLabel(this, 13, QFont::Normal);
  setFaint(caution_);
  caution_->setText(
      tr("Needles pierce fingers and snap on wire: slow, straight, beside the wire, eyes covered. Wear a "
         "mask with dusty or dyed wool."));
  layout->addWidget(caution_);
}

void WrapCard::makeFirmness(QVBoxLayout* layout) {
  firmRow_ = new QWidget(this);
  auto* row = new QGridLayout(firmRow_);
  row->setContentsMargins(0, 0, 0, 0);
  row->setHorizontalSpacing(px(8));
  const auto label = [&](const QString& text) {
    auto* made = textLabel(firmRow_, 13, QFont::Normal, false);
    made->setText(text);
    return made;
  };
  firm_ = new QComboBox(firmRow_);
  firm_->setAccessibleName(tr("How firm"));
  firm_->addItems({tr("soft"), tr("medium"), tr("firm")});
  density_ = new QLineEdit(firmRow_);
  density_->setAccessibleName(tr("Own density of the felt"));
  density_->setToolTip(tr("how dense your own felt is on this part; empty for the usual"));
  way_ = new QComboBox(firmRow_);
  way_->setAccessibleName(tr("Core and coat, or all coat"));
  way_->addItems({tr("as advised"), tr("core and coat"), tr("all coat")});
  row->addWidget(label(tr("felted")), 0, 0);
  row->addWidget(firm_, 0, 1);
  row->addWidget(density_, 0, 2);
  row->addWidget(label(tr("wool")), 1, 0);
  row->addWidget(way_, 1, 1, 1, 2);
  auto* softer = new KeyButton(QStringLiteral("["), tr("softer"), firmRow_);
  auto* firmer = new KeyButton(QStringLiteral("]"), tr("firmer"), firmRow_);
  auto* keys = new QHBoxLayout;
  keys->setSpacing(px(10));
  keys->addWidget(softer);
  keys->addWidget(firmer);
  keys->addStretch();
  row->addLayout(keys, 2, 0, 1, 3);
  row->setColumnStretch(1, 1);
  density_->setMaximumWidth(px(112)); // "0.0867 oz/in³"
  layout->addWidget(firmRow_);
  connect(softer, &KeyButton::clicked, this,
          [this] { changes::stepFirmness(session_, session_.selected(), -1); });
  connect(firmer, &KeyButton::clicked, this,
          [this] { changes::stepFirmness(session_, session_.selected(), 1); });
  connect(firm_, &QComboBox::activated, this, [this](int i) {
    if (session_.selected() >= 0)
      changes::setFirmness(session_, session_.selected(), static_cast<Firmness>(i));
  });
  connect(way_, &QComboBox::activated, this, [this](int i) {
    if (session_.selected() >= 0) changes::setCoatWay(session_, session_.selected(), static_cast<CoatWay>(i));
  });
  connect(density_, &QLineEdit::editingFinished, this, [this] {
    if (!density_->isModified() || session_.selected() < 0) return;
    density_->setModified(false);
    const QString text = density_->text().trimmed();
    const auto value = parseDensity(text.toStdString(), session_.units());
    std::optional<QString> trouble;
    if (text.isEmpty())
      trouble = changes::setDensity(session_, session_.selected(), std::nullopt);
    else if (value)
      trouble = changes::setDensity(session_, session_.selected(), *value * 1000);
    else
      trouble = sentence(value.problem(), session_.units());
    trouble_->setVisible(trouble.has_value());
    if (trouble) trouble_->setText(*trouble);
  });
}

void WrapCard::makeCoat(QVBoxLayout* layout) {
  auto* row = new QHBoxLayout;
  auto* label = textLabel(this, 13, QFont::Normal, false);
  label->setText(tr("coat all over"));
  coat_ = new QLineEdit(this);
  coat_->setAccessibleName(tr("Coat thickness"));
  coat_->setToolTip(tr("felted down; empty for what hides the core"));
  row->addWidget(label);
  row->addWidget(coat_, 1);
  layout->addLayout(row);
  connect(coat_, &QLineEdit::editingFinished, this, [this] {
    if (!coat_->isModified()) return;
    coat_->setModified(false);
    std::optional<QString> trouble;
    if (coat_->text().trimmed().isEmpty()) {
      (void)changes::setCoat(session_, std::nullopt);
      return;
    }
    const auto mm = parseLength(coat_->text().toStdString(), session_.units());
    if (mm)
      trouble = changes::setCoat(session_, *mm);
    else
      trouble = sentence(mm.problem(), session_.units());
    trouble_->setVisible(trouble.has_value());
    if (trouble) trouble_->setText(*trouble);
  });
  // Words follow the knob a little later than the picture, which must not wait for them.
  following_.setSingleShot(true);
  following_.setInterval(70);
  connect(&following_, &QTimer::timeout, this, [this] {
    if (isVisible()) refresh();
  });
  connect(&session_.build(), &BuildView::changed, this, [this] {
    if (!following_.isActive()) following_.start();
  });
}

void WrapCard::refresh() {
  const Plan& plan = session_.plan();
  const UnitSystem units = session_.units();
  const int l = session_.selected();
  const QString grams = str(std::string(massUnit(units)));
  for (QWidget* w : std::initializer_list<QWidget*>{firmRow_, ladder_, pads_, needles_, whyWound_, whyPad_})
    w->setVisible(l >= 0);
  trouble_->hide();
  finishRow_->setVisible(l < 0);
  whyHours_->set(l < 0 ? timeWorking(session_.plan().time, session_.catalog().pace) : Working(),
                 session_.units());
  finish_->setCurrentIndex(static_cast<int>(session_.project().finish));
  ready_->setVisible(l >= 0);
  if (l >= 0)
    showReady(l);
  else
    whyReady_->set({}, session_.units());
  if (!coat_->hasFocus() || !coat_->isModified())
    coat_->setText(str(printLength(plan.wool->coatLaid, units, 1)));
  if (l >= 0) {
    refreshLimb(l);
    return;
  }
  coreG_->setCaption(tr("core wool in all"));
  coreG_->set(str(printMassFigure(plan.wool->core, units)), grams);
  coatG_->set(str(printMassFigure(plan.wool->coat, units)), grams);
  coreUnder_->setText(plan.wool->handFactor == 1 ? QString() : tr("by your own test ball"));
  coatUnder_->setText(tr("%1 thick").arg(str(printLength(plan.wool->coatLaid, units, 1))));
  whyCore_->set(totalWorking(plan.figure, plan.wool, true), units);
  whyCoat_->set(totalWorking(plan.figure, plan.wool, false), units);
  judge(-1);
}

void WrapCard::refreshLimb(int l) {
  const Plan& plan = session_.plan();
  const UnitSystem units = session_.units();
  const QString grams = str(std::string(massUnit(units)));
  const LimbWool& w = plan.wool->limbs[static_cast<size_t>(l)];
  const FigureLimb& limb = plan.figure->limbs[static_cast<size_t>(l)];
  coreG_->setCaption(tr("core wool to weigh"));
  coreG_->set(str(printMassFigure(w.core, units)), grams);
  coatG_->set(str(printMassFigure(w.coat, units)), grams);
  const Winding& wind = w.winding;
  const QString strips = wind.strips == 0 ? QString()
                                          : tr("%n strip(s) of %1, %2 wide, %3", nullptr, wind.strips)
                                                .arg(str(printLength(wind.length, units, 0)),
                                                     str(printLengthFigure(wind.width, units, 0)),
                                                     str(Name(draftWords(wind.draft))));
  coreUnder_->setText(w.allCoat ? tr("all coat: %1").arg(str(w.coatReason, session_.units()))
                                : tr("%1 to %2; %3")
                                      .arg(str(printMassFigure(w.coreLow, units)),
                                           str(printMass(w.coreHigh, units)), strips));
  QString coat = w.allCoat ? strips : tr("%1 thick").arg(str(printLength(plan.wool->coatLaid, units, 1)));
  if (!w.allCoat && w.hides > 0)
    coat += w.hides < 0.95  ? tr(", lets the core show")
            : w.hides < 1.1 ? tr(", just hides the core")
                            : tr(", hides the core %1 times over").arg(str(printNumber(w.hides, 1)));
  if (!w.allCoat && w.someCoat)
    coat += tr("; its ends are all coat, %1").arg(str(w.coatReason, session_.units()));
  coatUnder_->setText(coat);
  whyCore_->set(w.core > 0 ? coreWorking(w, plan.wool->volumeError) : Working(), session_.units());
  whyCoat_->set(coatWorking(w, plan.wool->coatLaid), session_.units());
  firm_->setCurrentIndex(static_cast<int>(w.firmness));
  way_->setCurrentIndex([&] {
    const auto found = session_.project().limbs.find(limb.id);
    return found == session_.project().limbs.end() ? 0 : static_cast<int>(found->second.coatWay);
  }());
  if (!density_->hasFocus()) {
    density_->setText(str(Density(w.density, 3), units));
    density_->setStyleSheet(w.ownDensity ? QStringLiteral("color: %1;").arg(theme().logwood.name())
                                         : QString());
    density_->setModified(false);
  }
  const LimbMoment moment = session_.build().moment()[static_cast<size_t>(l)];
  ladder_->setText(ladderHtml(w, moment));
  const Girth* chief = chiefGirth(w);
  if (chief && chief->wound > 0)
    whyWound_->set(woundWorking(*chief, limb.kind, w, plan.woolRules), session_.units());
  else
    whyWound_->set({}, session_.units());
  pads_->setVisible(!w.pads.empty());
  pads_->setText(padsHtml(w));
  if (w.pads.empty())
    whyPad_->set({}, session_.units());
  else
    whyPad_->set(padWorking(w.pads.front(), w), session_.units());
  needles_->setText(needlesHtml(w));
  judge(l);
}

void WrapCard::judge(int l) {
  const Plan& plan = session_.plan();
  const UnitSystem units = session_.units();
  if (session_.build().finished() || l < 0) {
    const int at = stepAt(session_.build().steps(), session_.build().built());
    if (l < 0) {
      next_->set(Level::Good,
                 at < 0 ? tr("%1 portions to weigh, %2 of wool in all.")
                              .arg(session_.build().steps().size())
                              .arg(str(printMass(buildTotal(session_.build().steps()), units)))
                        : tr("Now %1.").arg(str(session_.build().steps()[static_cast<size_t>(at)].words,
                                                session_.units())));
      return;
    }
    const LimbWool& w = plan.wool->limbs[static_cast<size_t>(l)];
    const Girth* g = chiefGirth(w);
    const double felted = g ? (g->felted > 0 ? g->felted : g->finished) : 0;
    next_->set(Level::Good,
               tr("Felt it until the tape reads %1 at its widest.").arg(str(printLength(felted, units, 0))));
    return;
  }
  // What is left of this limb's wool, and what the tape should read now.
  double on = 0;
  double all = 0;
  const BuildStep* current = nullptr;
  for (const BuildStep& s : session_.build().steps()) {
    if (s.limb != l) continue;
    all += s.grams;
    on += std::clamp(session_.build().built() - s.from, 0.0, s.grams);
    if (!current && session_.build().built() < s.from + s.grams - 1e-9) current = &s;
  }
  const Girth* g = chiefGirth(plan.wool->limbs[static_cast<size_t>(l)]);
  const double now = g ? girthAtMoment(*g, session_.build().moment()[static_cast<size_t>(l)]) : 0;
  QString words = on <= 0 ? tr("Not begun: %1 to weigh out.").arg(str(printMass(all, units)))
                          : tr("%1 left of %2; the tape should read %3 at its widest.")
                                .arg(str(printMass(all - on, units)), str(printMass(all, units)),
                                     str(printLength(now, units, 0)));
  if (current && on > 0) words += tr(" Next: %1.").arg(str(current->words, session_.units()));
  next_->set(on >= all - 1e-9 ? Level::Good : Level::Doubtful, words,
             on >= all - 1e-9 ? tr("done")
             : on > 0         ? tr("not there yet")
                              : tr("to come"));
}

} // namespace columna
