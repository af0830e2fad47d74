#include "look.h"

#include "judge/pose_report.h"
#include "kit/picture.h"
#include "kit/say.h"
#include "make/local_time.h"
#include "make/photo_work.h"
#include "report/photo_json.h"
#include "steps/figure_now.h"
#include "steps/steps_of.h"

#include <nlohmann/json.hpp>

#include <iostream>

namespace columna {
namespace {

/// A picture's check, or why there is none.
Result<PhotoCheck> looked(PhotoAsk ask, const QString& path) {
  const auto picture = readPicture(path);
  if (!picture) return picture.problem();
  ask.photo = pixelsOf(picture->image);
  return checkPhoto(ask);
}

} // namespace

void addLookOptions(QCommandLineParser& parser) {
  parser.addOptions(
      {{QStringLiteral("look"), QStringLiteral("say what a photo of the work shows"),
        QStringLiteral("photo")},
       {QStringLiteral("taken"), QStringLiteral("how it was taken: right, left, front, back or above"),
        QStringLiteral("view"), QStringLiteral("front")},
       {QStringLiteral("look-above"), QStringLiteral("one taken from above on the mat just before"),
        QStringLiteral("photo")},
       {QStringLiteral("finished"), QStringLiteral("the work is done, whatever its record says")},
       {QStringLiteral("json"), QStringLiteral("as JSON")}});
}

std::optional<QString> lookAtPhoto(Session& session, const QCommandLineParser& parser) {
  session.finishSolid();
  PhotoAsk ask;
  const QString taken = parser.value(QStringLiteral("taken"));
  bool known = false;
  for (const PhotoView each : kPhotoViews)
    if (taken.toStdString() == id(each)) {
      ask.view = each;
      known = true;
    }
  if (!known)
    return QStringLiteral("There is no view \"%1\"; give right, left, front, back or above.").arg(taken);
  const Plan& plan = session.plan();
  const PatternPose& stance = session.project().stances.now;
  if (parser.isSet(QStringLiteral("finished"))) {
    ask.figure = posedFigure(plan, stance);
  } else {
    const auto face = faceSums(session.project(), session.catalog(), plan);
    const StepPlan steps = stepsOf(session.project(), session.catalog(), plan, face.get());
    ask.figure = figureNow(plan, stance, steps, progressOf(steps, session.record(), secondsNow()));
  }
  ask.stand = standOf(ask.figure);
  if (parser.isSet(QStringLiteral("look-above"))) {
    PhotoAsk above = ask;
    above.view = PhotoView::Above;
    const auto check = looked(std::move(above), parser.value(QStringLiteral("look-above")));
    if (!check) return sentence(check.problem(), session.units());
    if (!check->turned)
      return QStringLiteral(
          "No mat shows in the photo from above; leave --above away, or take it on the mat.");
    ask.turned = check->turned;
  }
  const Figure figure = ask.figure;
  const auto check = looked(std::move(ask), parser.value(QStringLiteral("look")));
  if (!check) return sentence(check.problem(), session.units());
  if (parser.isSet(QStringLiteral("json"))) {
    std::cout << toJson(*check, figure).dump(2) << '\n';
    return std::nullopt;
  }
  const auto tell = [&](const Said& said) { std::cout << str(said, session.units()).toStdString() << '\n'; };
  tell(photoTaken(*check));
  const auto findings = photoFindings(*check, figure);
  if (findings.empty()) tell(say("Nothing is off by more than this photo can tell."));
  for (const PhotoFinding& each : findings) tell(each.text);
  for (const Said& each : photoLimits(*check, figure)) tell(each);
  return std::nullopt;
}

} // namespace columna
