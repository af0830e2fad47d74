#include "wire/wire_card.h"

#include "edit/remedies.h"
#include "kit/flow_layout.h"
#include "kit/say.h"
#include "measure/gauge.h"
#include "project/project_fields.h"
#include "session/changes.h"
#include "theme/theme.h"

#include <QCheckBox>
#include <QComboBox>
#include <QGridLayout>
#include <QLineEdit>
#include <QPushButton>
#include <QSpinBox>
#include <QVBoxLayout>

namespace columna {
WireCard::WireCard(Session& session, QWidget* parent) : CardPage(parent), session_(session) {
  auto* layout = new QVBoxLayout(this);
  layout->setContentsMargins(0, 0, 0, 0);
  layout->setSpacing(px(8));
  limb_ = new QWidget(this);
  auto* grid = new QGridLayout(limb_);
  grid->setContentsMargins(0, 0, 0, 0);
  grid->setHorizontalSpacing(px(12));
  grid->setVerticalSpacing(px(2));
  cut_ = new BigFigure(tr("cut"), limb_);
  wire_ = new BigFigure(tr("wire"), limb_);
  pieceName_ = textLabel(limb_, 13, QFont::Normal);
  gauges_ = textLabel(limb_, 13, QFont::Normal);
  grid->addWidget(cut_, 0, 0);
  grid->addWidget(wire_, 0, 1);
  grid->addWidget(pieceName_, 1, 0, Qt::AlignTop);
  grid->addWidget(gauges_, 1, 1, Qt::AlignTop);
  grid->setColumnStretch(0, 1);
  grid->setColumnStretch(1, 1);
  layout->addWidget(limb_);
  whyCut_ = new Why(this);
  whyNeed_ = new Why(this);
  layout->addWidget(whyCut_);
  layout->addWidget(whyNeed_);
  layout->addWidget(ruleLine(this));
  verdict_ = new VerdictView(this);
  layout->addWidget(verdict_);
  whyHold_ = new Why(this);
  whyEffort_ = new Why(this);
  layout->addWidget(whyHold_);
  layout->addWidget(whyEffort_);
  findings_ = textLabel(this, 13, QFont::Normal);
  layout->addWidget(findings_);

  help_ = new RemedyList(session_, tr("What would help?"), this);
  layout->addWidget(help_);

  auto* keys = new QHBoxLayout;
  keys->setSpacing(px(10));
  auto* thinner = new KeyButton(QStringLiteral(","), tr("thinner"), this);
  auto* thicker = new KeyButton(QStringLiteral("."), tr("thicker"), this);
  auto* twin = new KeyButton(QStringLiteral("\\"), tr("tie or untie"), this);
  twinKey_ = twin;
  keys->addWidget(thinner);
  keys->addWidget(thicker);
  keys->addStretch();
  layout->addLayout(keys);
  connect(thinner, &KeyButton::clicked, this,
          [this] { changes::stepWire(session_, session_.selected(), -1); });
  connect(thicker, &KeyButton::clicked, this,
          [this] { changes::stepWire(session_, session_.selected(), 1); });
  connect(twin, &KeyButton::clicked, this, [this] { changes::toggleTied(session_, session_.selected()); });
  back_ = new KeyButton(QStringLiteral("Del"), tr("wire as reckoned"), this);
  connect(back_, &KeyButton::clicked, this, [this] { changes::clearWire(session_, session_.selected()); });
  auto* more = new QBoxLayout(textScale() > 1.3 ? QBoxLayout::TopToBottom : QBoxLayout::LeftToRight);
  more->setSpacing(px(10));
  more->addWidget(twin);
  more->addWidget(back_);
  more->addStretch();
  layout->addLayout(more);

  auto* choose = new QGridLayout;
  choose->setHorizontalSpacing(px(8));
  auto* sizeLabel = textLabel(this, 13, QFont::Normal, false);
  sizeLabel->setText(tr("size"));
  diameter_ = new QLineEdit(this);
  diameter_->setAccessibleName(tr("Wire size"));
  auto* strandsLabel = textLabel(this, 13, QFont::Normal, false);
  strandsLabel->setText(tr("strands"));
  strands_ = new QComboBox(this);
  strands_->setAccessibleName(tr("Strands in the limb"));
  strands_->addItem(tr("as it is built"), -1);
  strands_->addItem(tr("no wire"), 0);
  strands_->addItem(tr("one wire"), 1);
  strands_->addItem(tr("twisted pair"), 2);
  strands_->addItem(tr("four strands"), 4);
  heldLabel_ = textLabel(this, 13, QFont::Normal, false);
  heldLabel_->setText(tr("held"));
  held_ = new QComboBox(this);
  held_->setAccessibleName(tr("How it is held to the body"));
  held_->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
  auto* metalLabel = textLabel(this, 13, QFont::Normal, false);
  metalLabel->setText(tr("metal"));
  material_ = new QComboBox(this);
  material_->setAccessibleName(tr("Wire material"));
  for (const Material& m : session_.catalog().materials) {
    material_->addItem(str(Name(m.name)), str(m.id));
    material_->setItemData(material_->count() - 1, str(materialWords(m), session_.units()), Qt::ToolTipRole);
  }
  useLabel_ = textLabel(this, 13, QFont::Normal, false);
  useLabel_->setText(tr("it will"));
  use_ = new QComboBox(this);
  use_->setAccessibleName(tr("What it has to bear"));
  use_->addItem(tr("stand in a case"), QStringLiteral("display"));
  use_->addItem(tr("stand on a shelf"), QStringLiteral("shelf"));
  use_->addItem(tr("be handled"), QStringLiteral("handled"));
  for (QComboBox* box : {use_, strands_}) {
    box->setMinimumWidth(px(60));
    box->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
  }
  choose->addWidget(sizeLabel, 0, 0);
  choose->addWidget(diameter_, 0, 1);
  choose->addWidget(strandsLabel, 1, 0);
  choose->addWidget(strands_, 1, 1);
  choose->addWidget(heldLabel_, 2, 0);
  choose->addWidget(held_, 2, 1);
  choose->addWidget(metalLabel, 3, 0);
  choose->addWidget(material_, 3, 1);
  choose->addWidget(useLabel_, 4, 0);
  choose->addWidget(use_, 4, 1);
  digitRow_ = new QWidget(this);
  auto* toes = new FlowLayout(digitRow_);
  digits_ = new QSpinBox(digitRow_);
  digits_->setRange(0, static_cast<int>(boundsOf(&PieceRules::Digits::count).most));
  digits_->setButtonSymbols(QAbstractSpinBox::NoButtons);
  digits_->setFixedWidth(px(40));
  digits_->setAccessibleName(tr("Toes or fingers of fine wire"));
  digits_->findChild<QLineEdit*>()->setAccessibleName(digits_->accessibleName());
  digitLength_ = new QLineEdit(digitRow_);
  digitLength_->setAccessibleName(tr("Length of a toe or finger"));
  auto* long_ = textLabel(digitRow_, 13, QFont::Normal, false);
  long_->setText(tr("toes of"));
  toes->addWidget(digits_);
  toes->addWidget(long_);
  digitLength_->setFixedWidth(px(76));
  toes->addWidget(digitLength_);
  pegs_ = new QCheckBox(tr("pegs"), digitRow_);
  pegs_->setToolTip(tr("each its own short wire instead of one woven out and back through the loop"));
  toes->addWidget(pegs_);
  if (textScale() > 1.3) toes->setSpacing(px(3));
  connect(pegs_, &QCheckBox::clicked, this, &WireCard::typedDigits);
  const int first = textScale() > 1.3 ? 0 : 1; // large text: over both columns
  choose->addWidget(digitRow_, 5, first, 1, 2 - first);
  connect(digits_, &QSpinBox::editingFinished, this, &WireCard::typedDigits);
  connect(digitLength_, &QLineEdit::editingFinished, this, &WireCard::typedDigits);
  choose->setColumnStretch(1, 1);
  layout->addLayout(choose);
  material_->setMinimumWidth(px(60));
  material_->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
  trouble_ = textLabel(this, 13, QFont::DemiBold);
  trouble_->setStyleSheet(trouble_->styleSheet() + QStringLiteral("color: %1;").arg(theme().madder.name()));
  trouble_->hide();
  layout->addWidget(trouble_);
  caution_ = textLabel(this, 13, QFont::Normal);
  setFaint(caution_);
  layout->addWidget(caution_);
  connect(diameter_, &QLineEdit::editingFinished, this, &WireCard::typed);
  connect(material_, &QComboBox::activated, this, [this](int i) {
    const QString id = material_->itemData(i).toString();
    if (session_.selected() < 0)
      changes::setMaterial(session_, id);
    else
      changes::setLimbMaterial(session_, session_.selected(), id);
  });
  connect(strands_, &QComboBox::activated, this, [this](int i) {
    if (session_.selected() < 0) return;
    const int wires = strands_->itemData(i).toInt();
    changes::setWires(session_, session_.selected(), wires < 0 ? std::nullopt : std::optional(wires));
  });
  connect(held_, &QComboBox::activated, this, [this](int i) {
    if (session_.selected() < 0) return;
    changes::setHeld(session_, session_.selected(), rootHold(held_->itemData(i).toString().toStdString()));
  });
  connect(use_, &QComboBox::activated, this, [this](int i) {
    if (const auto chosen = columna::use(use_->itemData(i).toString().toStdString()))
      changes::setUse(session_, *chosen);
  });
}

void WireCard::fillHeld(const FigureLimb& limb) {
  held_->clear();
  held_->addItem(tr("as it is built"), QString());
  for (const RootHold hold : holdsFor(limb)) {
    const QString words = hold == RootHold::Lashed    ? tr("lashed to the wire there")
                          : hold == RootHold::Glued   ? tr("glued into an awl hole")
                          : hold == RootHold::Through ? tr("pushed through the body")
                          : hold == RootHold::Thread  ? tr("strung on thread, no wire")
                                                      : tr("wound on a skewer, no wire");
    held_->addItem(words, str(std::string(id(hold))));
  }
  const auto own = session_.project().limbs.find(limb.id);
  const bool set = own != session_.project().limbs.end() && own->second.held;
  held_->setCurrentIndex(set ? held_->findData(str(std::string(id(*own->second.held)))) : 0);
}

void WireCard::typedDigits() {
  const int l = session_.selected();
  if (l < 0) return;
  const auto own = session_.project().limbs.find(session_.plan().figure->limbs[static_cast<size_t>(l)].id);
  const PieceRules::Digits none;
  const bool has = own != session_.project().limbs.end() && own->second.digits;
  const PieceRules::Digits& before = has ? *own->second.digits : none;
  if (digits_->value() == 0) {
    if (has) changes::setDigits(session_, l, std::nullopt);
    return;
  }
  const auto mm = parseLength(digitLength_->text().toStdString(), session_.units());
  if (!mm || !boundsOf(&PieceRules::Digits::length).hold(*mm)) {
    trouble_->setText(mm ? tr("A toe has to be longer than nothing, and under a metre.")
                         : sentence(mm.problem(), session_.units()));
    trouble_->show();
    return;
  }
  if (before.count == digits_->value() && std::abs(before.length - *mm) < 0.05 &&
      before.pegs == pegs_->isChecked())
    return;
  changes::setDigits(session_, l, PieceRules::Digits{digits_->value(), *mm, pegs_->isChecked()});
}

void WireCard::typed() {
  if (!diameter_->isModified() || session_.selected() < 0) return;
  diameter_->setModified(false);
  const auto mm = parseDiameter(diameter_->text().toStdString(), session_.units());
  trouble_->setVisible(!mm.ok());
  if (mm) {
    changes::setWire(session_, session_.selected(), *mm);
    return;
  }
  trouble_->setText(sentence(mm.problem(), session_.units()));
}

void WireCard::showFigure() {
  const Plan& plan = session_.plan();
  const UnitSystem units = session_.units();
  cut_->setCaption(tr("pieces to cut"));
  cut_->set(QString::number(plan.pieces.size()), {});
  wire_->setCaption(tr("wire in all"));
  wire_->set(units == UnitSystem::Metric ? str(printNumber(plan.totals.wireLength / 1000, 2))
                                         : str(printNumber(plan.totals.wireLength / 304.8, 1)),
             units == UnitSystem::Metric ? QStringLiteral("m") : QStringLiteral("ft"));
  pieceName_->setText(tr("weighs %1").arg(str(printMass(plan.totals.wireMass, units))));
  // Not of the armature: neither pieces of it nor in its weight.
  int ears = 0;
  for (const FlatWire& wire : plan.flatWires) ears += wire.take ? wire.count : 0;
  gauges_->setText(ears > 0 ? tr("and %n wire(s) for ears", nullptr, ears) : QString());
  for (Why* why : {whyCut_, whyNeed_, whyHold_, whyEffort_}) why->set({}, session_.units());
  Level worst = Level::Good;
  QStringList texts;
  for (const Finding& f : session_.findings()) {
    worst = std::max(worst, f.level);
    texts << str(f.text, session_.units());
  }
  verdict_->set(
      worst, session_.findings().empty()
                 ? tr("Every limb holds; it stands and tips at %1.").arg(str(printAngle(plan.standing.tip)))
                 : tr("%n thing(s) to look at.", nullptr, static_cast<int>(session_.findings().size())));
  findings_->setText(texts.join(QStringLiteral("\n\n")));
  findings_->setVisible(!texts.isEmpty());
  const int at = material_->findData(str(session_.project().material));
  material_->setCurrentIndex(at);
  const Material* metal = session_.catalog().material(session_.project().material);
  caution_->setText(metal ? str(Name(metal->caution)) : QString());
}

void WireCard::refresh() {
  const Plan& plan = session_.plan();
  const UnitSystem units = session_.units();
  diameter_->setPlaceholderText(tr("%1, 18 awg, 18 swg").arg(str(Length(1.2, 1), units)));
  const int l = session_.selected();
  const bool wired = l >= 0 && plan.limbs[static_cast<size_t>(l)].wired;
  diameter_->setEnabled(wired);
  use_->setVisible(l < 0);
  useLabel_->setVisible(l < 0);
  use_->setCurrentIndex(use_->findData(str(std::string(id(session_.project().use)))));
  trouble_->hide();
  digitRow_->hide();
  strands_->setEnabled(l >= 0);
  held_->setVisible(l >= 0 && !holdsFor(plan.figure->limbs[static_cast<size_t>(l)]).empty());
  heldLabel_->setVisible(held_->isVisibleTo(this));
  back_->setVisible(wired && plan.limbs[static_cast<size_t>(std::max(l, 0))].chosen);
  twinKey_->setVisible(l >= 0 && plan.figure->limbs[static_cast<size_t>(l)].twin >= 0);
  if (l < 0) {
    help_->offer(false, {}, {});
    diameter_->clear();
    diameter_->setModified(false);
    showFigure();
    return;
  }
  const LimbPlan& limb = plan.limbs[static_cast<size_t>(l)];
  const int p = plan.pieceOf(l);
  const LimbKind kind = plan.figure->limbs[static_cast<size_t>(l)].kind;
  digitRow_->setVisible(wired && (kind == LimbKind::Leg || kind == LimbKind::Arm));
  help_->offer(wired && limb.verdict != Level::Good && !session_.wireIn(l),
               plan.figure->limbs[static_cast<size_t>(l)].id, [this, l] {
                 return RemedyTry([project = session_.project(), catalog = session_.sharedCatalog(),
                                   plan = session_.plan(), l] {
                   std::vector<Remedy> found = remedies(project, *catalog, plan, l);
                   std::vector<RemedyOffer> out;
                   out.reserve(found.size());
                   for (Remedy& r : found)
                     out.push_back({std::move(r.words), std::move(r.result), r.verdict == Level::Good,
                                    std::move(r.project)});
                   return out;
                 });
               });
  const auto own = session_.project().limbs.find(plan.figure->limbs[static_cast<size_t>(l)].id);
  const bool toes = own != session_.project().limbs.end() && own->second.digits;
  digits_->setValue(toes ? own->second.digits->count : 0);
  pegs_->setChecked(toes && own->second.digits->pegs);
  if (!digitLength_->hasFocus())
    digitLength_->setText(str(printLength(toes ? own->second.digits->length : 8, units, 1)));
  strands_->setCurrentIndex(strands_->findData(
      own != session_.project().limbs.end() && own->second.wires ? *own->second.wires : -1));
  fillHeld(plan.figure->limbs[static_cast<size_t>(l)]);
  const bool bare = own != session_.project().limbs.end() &&
                    (own->second.held == RootHold::Thread || own->second.held == RootHold::Skewer);
  strands_->setEnabled(!bare);
  limb_->setVisible(wired);
  verdict_->set(limb.verdict, str(limb.sentence, session_.units()));
  QStringList texts;
  const FigureLimb& part = plan.figure->limbs[static_cast<size_t>(l)];
  for (const Finding& f : session_.findings())
    if (f.where == part.id ||
        (part.twin >= 0 && f.where == plan.figure->limbs[static_cast<size_t>(part.twin)].id))
      texts << str(f.text, session_.units());
  findings_->setText(texts.join(QStringLiteral("\n\n")));
  findings_->setVisible(!texts.isEmpty());
  if (!wired || p < 0) {
    for (Why* why : {whyCut_, whyNeed_, whyHold_, whyEffort_}) why->set({}, session_.units());
    return;
  }
  const Piece& piece = plan.pieces[static_cast<size_t>(p)];
  cut_->setCaption(tr("cut"));
  cut_->set(str(printLengthFigure(piece.cut, units, 0)), str(std::string(lengthUnit(units))));
  wire_->setCaption(limb.chosen ? tr("wire, your choice") : tr("wire"));
  wire_->set(str(printLengthFigure(limb.section.diameter, units, 2)), str(std::string(lengthUnit(units))));
  pieceName_->setText(tr("piece %1, %2").arg(str(piece.tag), str(Name(piece.name))));
  QString gauges =
      tr("%1 &nbsp;%2").arg(str(printAwg(limb.section.diameter)), str(printSwg(limb.section.diameter)));
  gauges += QStringLiteral("<br><span style='color:%1'>%2</span>")
                .arg(theme().faint.name(), limb.section.wires > 2   ? tr("four strands, twisted twice")
                                           : limb.section.wires > 1 ? tr("doubled, twisted")
                                           : limb.section.material.strandsPerWire > 1 ? tr("one stem")
                                                                                      : tr("single"));
  gauges_->setText(gauges);
  const auto ownAllow = session_.project().pieceAllow.find(piece.name);
  Working cut = cutWorking(piece, ownAllow == session_.project().pieceAllow.end() ? session_.project().allow
                                                                                  : ownAllow->second);
  whyCut_->set(cut, session_.units());
  whyNeed_->set(needWorking(plan.loads.limbs[static_cast<size_t>(l)], limb.need, plan.loads.nudge,
                            limb.section, plan.poseRules),
                session_.units());
  whyHold_->set(
      holdWorking(plan.loads.limbs[static_cast<size_t>(l)], limb.hold, limb.section, plan.poseRules),
      session_.units());
  whyEffort_->set(effortWorking(limb.hold, limb.section, part.length, plan.poseRules), session_.units());
  if (!diameter_->hasFocus() || !diameter_->isModified())
    diameter_->setText(str(printLength(limb.section.diameter, units, 2)));
  material_->setCurrentIndex(material_->findData(str(limb.section.material.id)));
  material_->setToolTip(str(materialWords(limb.section.material), session_.units()));
  caution_->setText(str(Name(limb.section.material.caution)));
}

} // namespace columna
