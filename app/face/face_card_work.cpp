// What FaceCard says of a place on the head and of a step of the work.
#include "face/face_card.h"

#include "kit/say.h"

#include <QLineEdit>

namespace columna {

void FaceCard::showPlace() {
  const UnitSystem units = session_.units();
  name_->setText(tr("Place on the head"));
  about_->setText(tr("from the nose tip; arrows move it"));
  placeKeys_->setVisible(true);
  const PlaceMeasures* found = view_.placeMeasures();
  for (QWidget* w : std::initializer_list<QWidget*>{first_, second_}) w->setVisible(found != nullptr);
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
  field_->setVisible(true);
  fieldName_->setVisible(true);
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
  second_->setVisible(wool && step.share > 0);
  first_->setVisible(wool || step.share > 0);
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
  for (const std::string& id : step.drying)
    if (const Drying* found = session_.catalog().drying.find(id)) {
      rows << tr("%1: %2").arg(str(upperName(found->name)), str(dryingWords(*found), units));
      if (!found->caution.empty()) cautions << str(Name(found->caution));
    }
  if (!step.drying.empty()) rows << tr("The label goes before these hours.");
  rows.removeAll(QString());
  rows_->setText(rows.join(QLatin1Char('\n')));
  if (const Said caution = workCaution(step.work); !caution.empty()) cautions << str(caution, units);
  caution_->setVisible(!cautions.isEmpty());
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
