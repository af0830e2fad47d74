#include "face/face_card.h"

#include "edit/face_edit.h"
#include "face/face_changes.h"
#include "kit/flow_layout.h"
#include "kit/say.h"
#include "measure/quantity.h"
#include "theme/theme.h"

#include <QApplication>
#include <QGridLayout>
#include <QLineEdit>
#include <QPointer>
#include <QVBoxLayout>

#include <algorithm>

namespace columna {

FaceCard::FaceCard(Session& session, FaceView& view, QWidget* parent)
    : CardPage(parent), session_(session), view_(view) {
  auto* layout = new QVBoxLayout(this);
  layout->setContentsMargins(0, 0, 0, 0);
  layout->setSpacing(px(8));
  name_ = textLabel(this, 18, QFont::DemiBold);
  about_ = textLabel(this, 13, QFont::Normal);
  layout->addWidget(name_);
  layout->addWidget(about_);
  makeKinds(layout);
  auto* figures = new QGridLayout;
  first_ = new BigFigure(QString(), this);
  second_ = new BigFigure(QString(), this);
  figures->addWidget(first_, 0, 0);
  figures->addWidget(second_, 0, 1);
  figures->setColumnStretch(0, 1);
  figures->setColumnStretch(1, 1);
  layout->addLayout(figures);
  rows_ = textLabel(this, 14, QFont::Normal);
  layout->addWidget(rows_);
  auto* typing = new QHBoxLayout;
  fieldName_ = textLabel(this, 13, QFont::Normal, false);
  field_ = new QLineEdit(this);
  typing->addWidget(fieldName_);
  typing->addWidget(field_, 1);
  layout->addLayout(typing);
  trouble_ = textLabel(this, 13, QFont::Normal);
  layout->addWidget(trouble_);
  connect(field_, &QLineEdit::editingFinished, this, &FaceCard::typed);

  padKeys_ = new QWidget(this);
  auto* pads = new FlowLayout(padKeys_);
  less_ = new KeyButton(QStringLiteral("["), tr("smaller"), padKeys_);
  more_ = new KeyButton(QStringLiteral("]"), tr("larger"), padKeys_);
  out_ = new KeyButton(QStringLiteral("Del"), tr("leave out"), padKeys_);
  back_ = new KeyButton(QStringLiteral("O"), tr("the animal's own"), padKeys_);
  for (KeyButton* key : {less_, more_, out_, back_}) pads->addWidget(key);
  layout->addWidget(padKeys_);
  connect(less_, &KeyButton::clicked, this, [this] { face::padSized(session_, view_, 1 / kPadStep); });
  connect(more_, &KeyButton::clicked, this, [this] { face::padSized(session_, view_, kPadStep); });
  connect(out_, &KeyButton::clicked, this, [this] { face::padOut(session_, view_); });
  connect(back_, &KeyButton::clicked, this, [this] { face::padsOwn(session_, view_); });
  eyeKeys_ = new QWidget(this);
  auto* eyes = new FlowLayout(eyeKeys_);
  for (const int step : {-1, 1}) {
    auto* key = new KeyButton(step < 0 ? QStringLiteral(",") : QStringLiteral("."),
                              step < 0 ? tr("smaller") : tr("larger"), eyeKeys_);
    eyes->addWidget(key);
    connect(key, &KeyButton::clicked, this, [this, step] { face::eyeStep(session_, view_, step); });
  }
  layout->addWidget(eyeKeys_);
  placeKeys_ = new QWidget(this);
  auto* lay = new FlowLayout(placeKeys_);
  for (const bool hollow : {false, true}) {
    auto* key = new KeyButton(hollow ? tr("Shift P") : QStringLiteral("P"),
                              hollow ? tr("press a hollow here") : tr("lay a pad here"), placeKeys_);
    lay->addWidget(key);
    connect(key, &KeyButton::clicked, this, [this, hollow] { face::layPad(session_, view_, hollow); });
  }
  layout->addWidget(placeKeys_);
  round_ = new KeyButton(QStringLiteral("R"), tr("take a round head"), this);
  layout->addWidget(round_, 0, Qt::AlignLeft);
  connect(round_, &KeyButton::clicked, this, [this] { face::roundHead(session_); });
  makeHeld(layout);
  layout->addWidget(ruleLine(this));
  verdict_ = new VerdictView(this);
  layout->addWidget(verdict_);
  mend_ = new KeyButton(QStringLiteral("M"), tr("mend it"), this);
  layout->addWidget(mend_, 0, Qt::AlignLeft);
  connect(mend_, &KeyButton::clicked, this, [this] {
    if (const Finding* found = finding()) (void)face::mend(session_, view_, *found);
  });
  caution_ = textLabel(this, 13, QFont::Normal);
  setFaint(caution_);
  layout->addWidget(caution_);
  layout->addStretch();
  connect(&view_, &FaceView::changed, this, &FaceCard::refresh);
  refresh();
}

QString FaceCard::length(double mm, int decimals) const {
  return QString::fromStdString(printLength(mm, session_.units(), decimals));
}

const Finding* FaceCard::finding() const {
  const auto& all = view_.findings();
  const auto own = std::find_if(all.begin(), all.end(), [&](const Finding& f) {
    if (const FaceStep* step = view_.step())
      return std::find(step->parts.begin(), step->parts.end(), f.where) != step->parts.end();
    return view_.pick().kind != FacePick::Kind::None && f.where == view_.pick().id;
  });
  if (own != all.end()) return &*own;
  return all.empty() || view_.pick().kind != FacePick::Kind::None ? nullptr : &all.front();
}

void FaceCard::refresh() {
  // Hiding a row lets go of the focus: who works in a box by the keyboard goes on in it.
  const QPointer<QWidget> hand = QApplication::focusWidget();
  fill();
  // Once all is told: what was there and stays must not be laid out anew.
  for (const auto& [widget, on] : seen_) widget->setVisible(on);
  seen_.clear();
  if (hand && hand != QApplication::focusWidget() && isAncestorOf(hand) && hand->isVisible())
    hand->setFocus(Qt::OtherFocusReason);
}

void FaceCard::fill() {
  const FaceSums* sums = view_.sums();
  for (QWidget* w :
       std::initializer_list<QWidget*>{first_, second_, rows_, field_, fieldName_, padKeys_, eyeKeys_,
                                       placeKeys_, held_, kinds_, verdict_, mend_, trouble_, caution_})
    seen(w, false);
  seen(round_, !session_.plan().figure->head);
  if (!sums) {
    name_->setText(tr("Head"));
    about_->setText(
        session_.plan().figure->head
            ? tr("being worked out")
            : tr("There is no head for this animal yet. Its file would go into the folder of your "
                 "heads; until then the plan's own tubes are its head."));
    return;
  }
  for (QWidget* w : std::initializer_list<QWidget*>{first_, second_, rows_}) seen(w);
  const FacePick& pick = view_.pick();
  bool shown = false;
  if (pick.kind == FacePick::Kind::Pad)
    for (size_t i = 0; i < sums->report.pads.size(); ++i)
      if (sums->report.pads[i].feature->id == pick.id) {
        showPad(*sums, sums->report.pads[i], i + 1);
        shown = true;
      }
  if (pick.kind == FacePick::Kind::Eye)
    for (const FaceEye& eye : sums->report.eyes)
      if (eye.eye->id == pick.id) {
        showEye(*sums, eye);
        shown = true;
      }
  if (pick.kind == FacePick::Kind::Flat)
    for (const FaceFlat& flat : sums->report.flats)
      if (flat.flat->id == pick.id) {
        showFlat(*sums, flat);
        shown = true;
      }
  if (pick.kind == FacePick::Kind::Pin)
    for (const FacePin& pin : sums->report.pins)
      if (pin.id == pick.id) {
        showPin(*sums, pin);
        shown = true;
      }
  if (pick.kind == FacePick::Kind::Place) {
    showPlace();
    shown = true;
  }
  if (const FaceStep* step = view_.step()) {
    showStep(*sums, *step);
    shown = true;
  }
  if (!shown) showHead(*sums);
  if (view_.body()) showHeld();
  const Finding* found = finding();
  seen(verdict_);
  if (found) {
    verdict_->set(found->level, str(found->text, session_.units()), str(found->brief, session_.units()));
    const auto ways = edit::faceRemedies(session_.project(), *sums, *found, session_.catalog().face);
    seen(mend_, !ways.empty());
    if (!ways.empty()) {
      mend_->setText(str(ways.front().text, session_.units()));
      mend_->setAccessibleName(mend_->text());
    }
  } else {
    verdict_->set(Level::Good,
                  shown ? tr("Nothing to look at here.") : tr("Nothing about this face is doubtful."));
  }
}

void FaceCard::offerBack(bool on) {
  seen(padKeys_, on);
  for (KeyButton* key : {less_, more_, out_}) seen(key, false);
  seen(back_, on);
}

void FaceCard::showHead(const FaceSums& sums) {
  const UnitSystem units = session_.units();
  double pads = 0;
  for (const FacePad& pad : sums.report.pads) pads += pad.grams;
  name_->setText(tr("Head"));
  about_->setText(tr("%1 long, felted; wound it begins a third larger").arg(length(sums.report.length, 0)));
  first_->setCaption(tr("wool"));
  first_->set(QString::fromStdString(printMassFigure(sums.report.bodyGrams + pads, units)),
              QString::fromStdString(std::string(massUnit(units))));
  const bool eyes = !sums.report.eyes.empty();
  seen(second_, eyes);
  if (eyes) {
    second_->setCaption(tr("eyes"));
    second_->set(QString::fromStdString(printLengthFigure(sums.report.eyes.front().choice.take, units, 1)),
                 QString::fromStdString(std::string(lengthUnit(units))));
  }
  rows_->setText(tr("%1 of it in %n pad(s)", nullptr, static_cast<int>(sums.report.pads.size()))
                     .arg(QString::fromStdString(printMass(pads, units))));
  showKinds();
  // What was changed, moved or left out comes back.
  offerBack(!session_.project().face.features.empty() || !session_.project().face.moved.empty());
  seen(caution_);
  caution_->setText(
      tr("Set glass eyes last, or shield them: a needle shatters glass. Glued eyes come off; nothing "
         "small for children under three."));
}

void FaceCard::showPad(const FaceSums& sums, const FacePad& pad, size_t step) {
  const UnitSystem units = session_.units();
  const HeadFeature& f = *pad.feature;
  const bool press = f.mode == FeatureMode::Press;
  name_->setText(str(Name(pinName(f.id))));
  about_->setText(
      tr("step %1 of %2%3").arg(step).arg(sums.report.pads.size()).arg(f.twin ? tr(", a pair") : QString()));
  first_->setCaption(press ? tr("pressed") : f.twin ? tr("both") : tr("wool"));
  if (press)
    first_->set(QString::fromStdString(printLengthFigure(pad.width / 2, units, 1)),
                QString::fromStdString(std::string(lengthUnit(units))));
  else
    first_->set(QString::fromStdString(printMassFigure(pad.grams, units)),
                QString::fromStdString(std::string(massUnit(units))));
  second_->setCaption(tr("long"));
  second_->set(QString::fromStdString(printLengthFigure(pad.length, units, 1)),
               QString::fromStdString(std::string(lengthUnit(units))));
  rows_->setText(press ? tr("%1 across; the wool stays below it").arg(length(pad.width))
                       : tr("%1 across; roll it looser, a third longer and wider").arg(length(pad.width)));
  seen(padKeys_);
  for (KeyButton* key : {less_, more_, out_}) seen(key);
  seen(back_, session_.project().face.features.contains(f.id));
}

void FaceCard::showEye(const FaceSums& /*sums*/, const FaceEye& eye) {
  const UnitSystem units = session_.units();
  name_->setText(str(Name(pinName(eye.eye->id))));
  about_->setText(tr("%1 would be true to life").arg(length(eye.choice.wanted)));
  first_->setCaption(tr("take"));
  first_->set(QString::fromStdString(printLengthFigure(eye.choice.take, units, 1)),
              QString::fromStdString(std::string(lengthUnit(units))));
  second_->setCaption(tr("apart"));
  second_->set(QString::fromStdString(printLengthFigure(eye.apart, units, 1)),
               QString::fromStdString(std::string(lengthUnit(units))));
  QStringList rows{tr("socket %1 deep, %2 open").arg(length(eye.socket.deep), length(eye.socket.opening)),
                   tr("%1 each").arg(QString::fromStdString(printMass(eye.grams, units)))};
  if (eye.stem.length > 0)
    rows << tr("stem %1 in the wool at %2, %3 clear")
                .arg(length(eye.stem.length, 0), QString::fromStdString(printAngle(eye.stem.azimuth)),
                     length(eye.stem.clear));
  offerBack(session_.project().face.moved.contains(eye.eye->id));
  if (eye.cutForWire)
    rows << (eye.stem.length > 0 ? tr("cut shorter: wire is in its way") : tr("no stem: wire is in its way"));
  rows_->setText(rows.join(QLatin1Char('\n')));
  seen(eyeKeys_);
  seen(field_);
  seen(fieldName_);
  fieldName_->setText(tr("take"));
  field_->setAccessibleName(tr("Size of the eyes"));
  if (!field_->hasFocus()) field_->setText(length(eye.choice.take));
  seen(caution_);
  caution_->setText(tr("Make the hole with an awl, away from the hand that holds the head."));
}

void FaceCard::showFlat(const FaceSums& sums, const FaceFlat& flat) {
  const UnitSystem units = session_.units();
  name_->setText(str(Name(pinName(flat.flat->id))));
  about_->setText(tr("%1 long, %2 wide").arg(length(flat.length), length(flat.width)));
  first_->setCaption(tr("thick"));
  first_->set(QString::fromStdString(printLengthFigure(flat.thickness, units, 1)),
              QString::fromStdString(std::string(lengthUnit(units))));
  second_->setCaption(tr("each"));
  second_->set(QString::fromStdString(printMassFigure(flat.grams, units)),
               QString::fromStdString(std::string(massUnit(units))));
  offerBack(session_.project().face.moved.contains(flat.flat->id));
  QStringList rows{flat.flat->stands == FlatStands::Hang   ? tr("hangs")
                   : flat.flat->stands == FlatStands::Wire ? tr("is held by wire")
                   : flat.standing.verdict == Stands::Well ? tr("stands by itself")
                                                           : tr("does not stand by itself for certain")};
  if (const FlatWire* wire = sums.wireOf(flat.flat->id))
    rows
        << (wire->take
                ? tr("wire of %1 round its edge, %2 inside it, cut %3 for each; its ends go %4 into the head")
                      .arg(length(*wire->take, 2), length(wire->inset, 0), length(wire->cut, 0),
                           length(wire->into, 0))
                : tr("no wire that is sold here holds it: another material, or a smaller ear"));
  rows_->setText(rows.join(QLatin1Char('\n')));
  seen(field_);
  seen(fieldName_);
  fieldName_->setText(tr("thickness"));
  field_->setAccessibleName(tr("Thickness"));
  if (!field_->hasFocus()) field_->setText(length(flat.thickness));
}

void FaceCard::showPin(const FaceSums& /*sums*/, const FacePin& pin) {
  const UnitSystem units = session_.units();
  name_->setText(str(Name(pinName(pin.id))));
  about_->setText(tr("from the nose tip, the tape pulled tight"));
  first_->setCaption(tr("tape"));
  first_->set(pin.tape ? QString::fromStdString(printLengthFigure(*pin.tape, units, 1)) : tr("none"),
              QString::fromStdString(std::string(lengthUnit(units))));
  second_->setCaption(tr("callipers"));
  second_->set(QString::fromStdString(printLengthFigure(pin.straight, units, 1)),
               QString::fromStdString(std::string(lengthUnit(units))));
  rows_->setText(pin.aside > 0.05
                     ? tr("%1 from the middle, %2 to its twin").arg(length(pin.aside), length(2 * pin.aside))
                     : tr("on the middle line"));
}

void FaceCard::refuse(const QString& sentence) {
  trouble_->setVisible(true);
  trouble_->setText(sentence);
}

void FaceCard::typed() {
  if (!field_->isVisible() || !view_.sums()) return;
  const QString text = field_->text().trimmed();
  if (view_.pick().kind == FacePick::Kind::Place) {
    if (field_->isModified()) typedHalving(text);
    field_->setModified(false);
    return;
  }
  std::optional<double> mm;
  if (!text.isEmpty()) {
    const auto value = parseLength(text.toStdString(), session_.units());
    if (!value) {
      refuse(sentence(value.problem(), session_.units()));
      return;
    }
    mm = *value;
  }
  const FacePick& pick = view_.pick();
  if (pick.kind == FacePick::Kind::Eye)
    (void)session_.apply(tr("eyes"), edit::eyesOf(session_.project(), mm));
  else if (pick.kind == FacePick::Kind::Flat)
    (void)session_.apply(tr("thickness"), edit::flatThick(session_.project(), pick.id, mm));
}

} // namespace columna
