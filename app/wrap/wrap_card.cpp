#include "wrap/wrap_card.h"

#include "shell/say.h"
#include "theme/theme.h"

#include <QComboBox>
#include <QGridLayout>
#include <QLineEdit>
#include <QVBoxLayout>

#include <cmath>

namespace columna {
namespace {

QString str(const std::string& s) { return QString::fromStdString(s); }

/// The working is in mm and g; its title repeats the figure as it is shown.
Working titled(Working working, const std::string& figure) {
  working.title = "why " + figure;
  return working;
}

Working totalWorking(const char* what, const Plan& plan, bool core, UnitSystem units) {
  Working w;
  double total = 0;
  for (size_t l = 0; l < plan.figure.limbs.size(); ++l) {
    const FigureLimb& limb = plan.figure.limbs[l];
    const double g = core ? plan.wool.limbs[l].core : plan.wool.limbs[l].coat;
    total += g;
    if (limb.side < 0) continue;
    w.lines.push_back({limb.side > 0 ? "both " + limb.family + "s" : limb.family,
                       limb.side > 0 ? "2 × " + printMass(g, units) : std::string(),
                       printMass(limb.side > 0 ? 2 * g : g, units)});
  }
  w.lines.push_back({what, {}, printMass(total, units)});
  w.title = "why " + printMassFigure(total, units);
  w.source = "Twins are weighed alike. Volumes count joints once, to about " +
             printNumber(plan.wool.volumeError * 100, 0) + " %.";
  return w;
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
  firmRow_ = new QWidget(this);
  auto* row = new QGridLayout(firmRow_);
  row->setContentsMargins(0, 0, 0, 0);
  row->setHorizontalSpacing(px(8));
  auto* firmLabel = textLabel(firmRow_, 13, QFont::Normal, false);
  firmLabel->setText(tr("felted"));
  firm_ = new QComboBox(firmRow_);
  firm_->setAccessibleName(tr("How firm"));
  firm_->addItems({tr("soft"), tr("medium"), tr("firm")});
  auto* softer = new KeyButton(QStringLiteral("["), tr("softer"), firmRow_);
  auto* firmer = new KeyButton(QStringLiteral("]"), tr("firmer"), firmRow_);
  row->addWidget(firmLabel, 0, 0);
  row->addWidget(firm_, 0, 1);
  auto* keys = new QHBoxLayout;
  keys->addWidget(softer);
  keys->addWidget(firmer);
  keys->addStretch();
  row->addLayout(keys, 1, 0, 1, 2);
  row->setColumnStretch(1, 1);
  layout->addWidget(firmRow_);
  auto* coatRow = new QHBoxLayout;
  auto* coatLabel = textLabel(this, 13, QFont::Normal, false);
  coatLabel->setText(tr("coat all over"));
  coat_ = new QLineEdit(this);
  coat_->setAccessibleName(tr("Coat thickness"));
  coatRow->addWidget(coatLabel);
  coatRow->addWidget(coat_, 1);
  layout->addLayout(coatRow);
  trouble_ = textLabel(this, 13, QFont::DemiBold);
  trouble_->setStyleSheet(trouble_->styleSheet() + QStringLiteral("color: %1;").arg(theme().madder.name()));
  trouble_->hide();
  layout->addWidget(trouble_);
  ladder_ = textLabel(this, 13, QFont::Normal);
  ladder_->setTextFormat(Qt::RichText);
  layout->addWidget(ladder_);
  whyWound_ = new Why(this);
  layout->addWidget(whyWound_);
  caution_ = textLabel(this, 13, QFont::Normal);
  setFaint(caution_);
  caution_->setText(tr("Needles pierce fingers and snap on wire: slow, straight, beside the wire, eyes "
                       "covered. Wear a mask with dusty wool."));
  layout->addWidget(caution_);
  connect(softer, &KeyButton::clicked, this, [this] { session_.stepFirmness(session_.selected(), -1); });
  connect(firmer, &KeyButton::clicked, this, [this] { session_.stepFirmness(session_.selected(), 1); });
  connect(firm_, &QComboBox::activated, this, [this](int i) {
    if (session_.selected() >= 0) session_.setFirmness(session_.selected(), static_cast<Firmness>(i));
  });
  connect(coat_, &QLineEdit::editingFinished, this, [this] {
    if (!coat_->isModified()) return;
    coat_->setModified(false);
    const auto mm = parseLength(coat_->text().toStdString(), session_.units());
    std::optional<QString> trouble;
    if (mm)
      trouble = session_.setCoat(*mm);
    else
      trouble = sentence(mm.problem());
    trouble_->setVisible(trouble.has_value());
    if (trouble) trouble_->setText(*trouble);
  });
}

void WrapCard::refresh() {
  const Plan& plan = session_.plan();
  const UnitSystem units = session_.units();
  const int l = session_.selected();
  const QString grams = str(std::string(massUnit(units)));
  firmRow_->setVisible(l >= 0);
  ladder_->setVisible(l >= 0);
  trouble_->hide();
  if (!coat_->hasFocus() || !coat_->isModified())
    coat_->setText(str(printLength(plan.wool.coatThickness, units, 1)));
  if (l < 0) {
    coreG_->setCaption(tr("core wool in all"));
    coreG_->set(str(printMassFigure(plan.wool.core, units)), grams);
    coatG_->set(str(printMassFigure(plan.wool.coat, units)), grams);
    coreUnder_->clear();
    coatUnder_->clear();
    whyCore_->set(totalWorking("core in all", plan, true, units));
    whyCoat_->set(totalWorking("coat in all", plan, false, units));
    whyWound_->set({});
    return;
  }
  const LimbWool& w = plan.wool.limbs[static_cast<size_t>(l)];
  const FigureLimb& limb = plan.figure.limbs[static_cast<size_t>(l)];
  coreG_->setCaption(tr("core wool to weigh"));
  coreG_->set(str(printMassFigure(w.core, units)), grams);
  coatG_->set(str(printMassFigure(w.coat, units)), grams);
  coreUnder_->setText(tr("%1 to %2, %3 of sliver")
                          .arg(str(printMassFigure(w.coreLow, units)), str(printMass(w.coreHigh, units)),
                               units == UnitSystem::Metric && w.stripLength >= 1000
                                   ? str(printNumber(w.stripLength / 1000, 1)) + tr(" m")
                                   : str(printLength(w.stripLength, units, 0))));
  coatUnder_->setText(tr("%1 thick").arg(str(printLength(plan.wool.coatThickness, units, 1))));
  if (w.core <= 0) coreUnder_->setText(tr("all coat wool"));
  whyCore_->set(titled(coreWorking(w, plan.wool.volumeError), printMass(w.core, units)));
  whyCoat_->set(titled(coatWorking(w, plan.wool.coatThickness), printMass(w.coat, units)));
  firm_->setCurrentIndex(static_cast<int>(w.firmness));
  QString html = QStringLiteral("<p style='margin-bottom:4px'><b>%1</b></p><table width='100%' "
                                "cellpadding='2'><tr style='color:%2'><td>%3</td><td align='right'>%4</td>"
                                "<td align='right'>%5</td><td align='right'>%6</td></tr>")
                     .arg(tr("Girths, tape round"), theme().faint.name(), tr("from root"), tr("wound"),
                          tr("felted"), tr("coated"));
  const auto say = [&](double mm) {
    return mm > 0 ? str(printLengthFigure(mm, units, 0)) : QStringLiteral("–");
  };
  const Girth* widest = nullptr;
  for (const Girth& g : w.girths) {
    html += QStringLiteral("<tr><td>%1</td><td align='right'>%2</td><td align='right'><b>%3</b></td><td "
                           "align='right'>%4</td></tr>")
                .arg(say(g.along), say(g.wound), say(g.felted), say(g.finished));
    if (!widest || g.felted > widest->felted) widest = &g;
  }
  ladder_->setText(html + QStringLiteral("</table>"));
  if (widest && widest->felted > 0)
    whyWound_->set(titled(woundWorking(*widest, limb.kind),
                          printLengthFigure(widest->wound, units, 0) + " before felting"));
  else
    whyWound_->set({});
}

} // namespace columna
