// What FaceCard says of a place on the head and of a step of the work.
#include "face/face_card.h"

#include "face/face_changes.h"
#include "kit/flow_layout.h"
#include "kit/say.h"
#include "measure/quantity.h"
#include "pose/held_head.h"

#include <QComboBox>
#include <QGridLayout>
#include <QLineEdit>
#include <QSignalBlocker>
#include <QSpinBox>
#include <QVBoxLayout>

#include <tuple>

namespace columna {

void FaceCard::makeHeld(QVBoxLayout* layout) {
  held_ = new QWidget(this);
  auto* grid = new QGridLayout(held_);
  grid->setContentsMargins(0, 0, 0, 0);
  int row = 0;
  for (const auto& [box, name] : {std::pair(&nod_, tr("nodding")), std::pair(&side_, tr("turned aside")),
                                  std::pair(&lean_, tr("leaning"))}) {
    *box = new QSpinBox(held_);
    (*box)->setSuffix(tr("°"));
    (*box)->setSingleStep(5);
    (*box)->setButtonSymbols(QAbstractSpinBox::NoButtons); // arrows and wheel turn it
    (*box)->setAccessibleName(tr("Head against the body, %1").arg(name));
    grid->addWidget(smallText(held_, name), row, 0);
    grid->addWidget(*box, row++, 1);
    connect(*box, &QSpinBox::valueChanged, this, [this] {
      view_.setTurn({nod_->value() * kDegree, side_->value() * kDegree, lean_->value() * kDegree});
    });
  }
  pin_ = textLabel(held_, 13, QFont::Normal);
  grid->addWidget(pin_, row, 0, 1, 2);
  layout->addWidget(held_);
}

void FaceCard::makeKinds(QVBoxLayout* layout) {
  kinds_ = new QWidget(this);
  auto* row = new FlowLayout(kinds_);
  kind_ = new QComboBox(kinds_);
  kind_->setAccessibleName(tr("which one of this animal it is"));
  row->addWidget(kind_);
  auto* next = new KeyButton(QStringLiteral("K"), tr("the next one"), kinds_);
  row->addWidget(next);
  layout->addWidget(kinds_);
  connect(kind_, &QComboBox::activated, this,
          [this](int i) { face::takeVariant(session_, kind_->itemData(i).toString().toStdString()); });
  connect(next, &KeyButton::clicked, this, [this] { face::nextVariant(session_); });
}

void FaceCard::showKinds() {
  const HeadPattern* head = session_.catalog().head(session_.project().pattern);
  const bool several = head && !head->variants.empty();
  seen(kinds_, several);
  if (!several) return;
  const QSignalBlocker quiet(kind_);
  kind_->clear();
  kind_->addItem(head->usual.empty() ? tr("the usual one") : str(Name(head->usual)), QString());
  for (const HeadVariant& variant : head->variants)
    kind_->addItem(str(Name(variant.name)), QString::fromStdString(variant.id));
  kind_->setCurrentIndex(
      std::max(0, kind_->findData(QString::fromStdString(session_.project().face.variant))));
}

void FaceCard::showHeld() {
  const Plan& plan = session_.plan();
  if (!plan.figure->head) return;
  seen(held_);
  const HeadTurns turns = headTurns(*plan.pattern, plan.figure);
  const Turn& now = view_.turn();
  for (const auto& [box, range, value] :
       {std::tuple(nod_, turns.flex, now.flex), std::tuple(side_, turns.side, now.side),
        std::tuple(lean_, turns.twist, now.twist)}) {
    const QSignalBlocker quiet(box);
    box->setRange(qCeil(range.low / kDegree), qFloor(range.high / kDegree));
    box->setValue(qRound(value / kDegree));
  }
  const double head = plan.figure->head->length;
  pin_->setText(
      tr("The head is %1 of the shoulder's height. To try it, pin it on with a doll needle of %2 or more.")
          .arg(QString::number(head / std::max(plan.figure->shoulderHeight, 1e-9), 'f', 2),
               length(session_.catalog().bench.pinFor(head), 0)));
}

void FaceCard::showPlace() {
  const UnitSystem units = session_.units();
  name_->setText(tr("Place on the head"));
  about_->setText(tr("from the nose tip; arrows move it"));
  seen(placeKeys_);
  const PlaceMeasures* found = view_.placeMeasures();
  for (QWidget* w : std::initializer_list<QWidget*>{first_, second_}) seen(w, found != nullptr);
  rows_->setText(tr("being measured"));
  if (!found) return;
  first_->setCaption(tr("tape"));
  first_->set(found->tape ? QString::fromStdString(printLengthFigure(*found->tape, units, 1)) : tr("none"),
              QString::fromStdString(std::string(lengthUnit(units))));
  second_->setCaption(tr("callipers"));
  second_->set(QString::fromStdString(printLengthFigure(found->straight, units, 1)),
               QString::fromStdString(std::string(lengthUnit(units))));
  const auto share = [](double of) { return QString::number(of, 'f', 2); };
  QStringList rows{
      found->aside > 0.05
          ? tr("%1 from the middle, %2 to its twin").arg(length(found->aside), length(2 * found->aside))
          : tr("on the middle line")};
  if (found->side)
    rows << tr("from the side %1 of the way forward, %2 of the height")
                .arg(share(found->side->x()), share(found->side->y()));
  rows_->setText(rows.join(QLatin1Char('\n')));
  if (!found->front) return;
  seen(field_);
  seen(fieldName_);
  fieldName_->setText(tr("by halving, out and up"));
  field_->setAccessibleName(tr("Shares of the way out and of the height, seen from the front"));
  if (!field_->hasFocus())
    field_->setText(tr("%1 %2").arg(share(std::abs(found->front->x())), share(found->front->y())));
}

void FaceCard::showStep(const FaceSums& sums, const FaceStep& step) {
  const UnitSystem units = session_.units();
  name_->setText(str(upperName(workName(step.work))));
  about_->setText(tr("step %1 of %2").arg(&step - sums.steps.data() + 1).arg(sums.steps.size()));
  const bool wool = step.grams >= session_.catalog().face.padLeast; // else a wisp
  BigFigure* const time = wool ? second_ : first_;
  seen(second_, wool && step.share > 0);
  seen(first_, wool || step.share > 0);
  if (wool) {
    first_->setCaption(tr("wool"));
    first_->set(QString::fromStdString(printMassFigure(step.grams, units)),
                QString::fromStdString(std::string(massUnit(units))));
  }
  time->setCaption(tr("of the face's time"));
  time->set(QString::number(100 * step.share, 'f', 0), QStringLiteral("%"));
  QStringList rows;
  for (const std::string& part : step.parts) rows << str(Name(pinName(part)));
  rows = QStringList{rows.join(tr(", "))};
  if (const Said advice = workAdvice(step.work); !advice.empty()) rows << str(advice, units);
  QStringList cautions;
  for (const HairRow& row : session_.plan().wool->hair)
    if ((step.work == FaceWork::Hair || step.work == FaceWork::Singles) &&
        std::find(step.parts.begin(), step.parts.end(), row.id) != step.parts.end())
      rows << tr("%1: %2").arg(str(upperName(row.name)), str(hairWords(row), units));
  for (const std::string& id : step.drying)
    if (const Drying* found = session_.catalog().drying.find(id)) {
      rows << tr("%1: %2").arg(str(upperName(found->name)), str(dryingWords(*found), units));
      if (!found->caution.empty()) cautions << str(Name(found->caution));
    }
  if (!step.drying.empty()) rows << tr("The label goes before these hours.");
  rows.removeAll(QString());
  rows_->setText(rows.join(QLatin1Char('\n')));
  if (const Said caution = workCaution(step.work); !caution.empty()) cautions << str(caution, units);
  seen(caution_, !cautions.isEmpty());
  caution_->setText(cautions.join(QLatin1Char('\n')));
}

void FaceCard::typedHalving(const QString& text) {
  const QStringList words =
      QString(text).replace(QLatin1Char(';'), QLatin1Char(' ')).split(QLatin1Char(' '), Qt::SkipEmptyParts);
  Vec2 shares(0, 0);
  bool good = words.size() == 2;
  for (int i = 0; good && i < 2; ++i) shares[i] = words[i].toDouble(&good);
  const auto at = good ? view_.byHalving(shares) : std::nullopt;
  if (!at) {
    refuse(tr("\"%1\" is no place on the face: give two shares from 0 to 1, out and up, like 0.5 0.25")
               .arg(text));
    return;
  }
  view_.choosePlace(*at);
}

} // namespace columna
