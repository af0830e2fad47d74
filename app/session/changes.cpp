#include "session/changes.h"

#include "anatomy/joint_names.h"
#include "edit/figure_edit.h"
#include "edit/pose_edit.h"
#include "edit/study_edit.h"
#include "edit/wire_edit.h"
#include "edit/wool_edit.h"
#include "kit/say.h"
#include "session/stance_view.h"

namespace columna::changes {
namespace {

QString tr(const char* words) { return Session::tr(words); }

const FigureLimb& limbOf(const Session& session, int limb) {
  return session.plan().figure->limbs[static_cast<size_t>(limb)];
}

/// "forelegs: firm" where the twin changes too, else "left foreleg: firm".
QString limbStep(const Session& session, int limb, const QString& words) {
  const FigureLimb& part = limbOf(session, limb);
  return tr("%1: %2").arg(
      edit::tied(session.project(), part) ? tiedName(session, limb) : str(lowerName(part.name)), words);
}

} // namespace

Refusal setSize(Session& session, SizeBy by, double mm, const QString& run) {
  return session.apply(tr("size"), edit::sized(session.project(), {by, mm, {}}), run);
}

Refusal setSizing(Session& session, const Sizing& sizing, const QString& name) {
  return session.apply(name, edit::sized(session.project(), sizing));
}

Refusal setPattern(Session& session, const QString& id) {
  return session.apply(tr("animal"), edit::ofAnimal(session.project(), session.catalog(), id.toStdString()));
}

Refusal resizeBy(Session& session, double factor) {
  return session.apply(tr("size"), edit::grown(session.project(), session.plan(), factor));
}

void setConstruction(Session& session, Construction construction) {
  (void)session.apply(tr("construction"), edit::constructedAs(session.project(), construction));
}

void setUse(Session& session, Use use) {
  (void)session.apply(tr("use"), edit::usedFor(session.project(), use));
}

void setMaterial(Session& session, const QString& id) {
  (void)session.apply(tr("wire material"),
                      edit::ofMetal(session.project(), session.catalog(), id.toStdString()));
}

void setName(Session& session, const QString& name) {
  if (!name.trimmed().isEmpty())
    (void)session.apply(tr("name"), edit::called(session.project(), name.trimmed().toStdString()));
}

void setUnits(Session& session, UnitSystem units) {
  (void)session.apply(units == UnitSystem::Metric ? tr("millimetres") : tr("inches"),
                      edit::shownIn(session.project(), units));
}

void setFinish(Session& session, Finish finish) {
  (void)session.apply(tr("finish"), edit::finishedAs(session.project(), finish));
}

Refusal setMakeWish(Session& session, const MakeWish& wish) {
  return session.apply(tr("sessions"), edit::workedOn(session.project(), wish));
}

bool tied(const Session& session, int limb) { return edit::tied(session.project(), limbOf(session, limb)); }

QString tiedName(const Session& session, int limb) {
  return str(Name(edit::tiedName(session.project(), limbOf(session, limb))));
}

void toggleTied(Session& session, int limb) {
  if (limb < 0) return;
  const QString pair = str(Name(limbOf(session, limb).part));
  (void)session.apply(tied(session, limb) ? tr("untie %1s").arg(pair) : tr("tie %1s").arg(pair),
                      edit::tieToggled(session.project(), session.plan(), limb));
}

Refusal setShape(Session& session, const QString& name, Shape shape, bool keepScale, const QString& run) {
  return session.apply(
      name, edit::shaped(session.project(), session.catalog(), session.plan(), std::move(shape), keepScale),
      run);
}

Refusal moveJoint(Session& session, const std::string& joint, const Vec3& place, bool carry,
                  const QString& run) {
  QString words = str(withoutSide(session.plan().pattern, joint));
  words.replace(u'_', u' ');
  return session.apply(
      tr("move %1").arg(words),
      edit::jointMoved(session.project(), session.catalog(), session.plan(), joint, place, carry), run);
}

Refusal setBoneLength(Session& session, int bone, double mm) {
  return session.apply(
      tr("length of the %1").arg(str(Name(session.plan().figure->bones[static_cast<size_t>(bone)].name))),
      edit::boneLong(session.project(), session.catalog(), session.plan(), bone, mm));
}

Refusal changeGirth(Session& session, int bone, int place, double across, double deep, double lift,
                    const QString& run) {
  const FigureLimb& limb = limbOf(session, session.plan().figure->bones[static_cast<size_t>(bone)].limb);
  return session.apply(
      tr("girth of the %1").arg(str(limb.twin >= 0 ? Name(limb.part) : lowerName(limb.name))),
      edit::girthChanged(session.project(), session.catalog(), session.plan(), bone, place, across, deep,
                         lift),
      run);
}

void putBack(Session& session, int bone) {
  (void)session.apply(
      bone < 0
          ? tr("all put back")
          : tr("%1 put back").arg(str(Name(session.plan().figure->bones[static_cast<size_t>(bone)].name))),
      edit::putBack(session.project(), session.catalog(), session.plan(), bone));
}

Refusal setMade(Session& session, const MadePart& part) {
  return session.apply(part.length || part.across ? tr("%1 is made").arg(str(part.limb))
                                                  : tr("%1 not made yet").arg(str(part.limb)),
                       edit::partMade(session.project(), part));
}

Refusal setPhotos(Session& session, const QString& name, std::vector<Photo> photos, const QString& run) {
  return session.apply(name, edit::withPhotos(session.project(), std::move(photos)), run);
}

Refusal stepWire(Session& session, int limb, int step) {
  if (limb < 0) return session.refuse(tr("Select a limb that has wire first."));
  return session.apply(limbStep(session, limb, step > 0 ? tr("thicker wire") : tr("thinner wire")),
                       edit::wireStepped(session.project(), session.plan(), limb, step));
}

Refusal setWire(Session& session, int limb, double mm) {
  const double now = session.plan().limbs[static_cast<size_t>(limb)].section.diameter;
  return session.apply(limbStep(session, limb, mm > now ? tr("thicker wire") : tr("thinner wire")),
                       edit::wireOf(session.project(), session.plan(), limb, mm));
}

void setLimbMaterial(Session& session, int limb, const QString& id) {
  (void)session.apply(tr("wire material"),
                      edit::metalOf(session.project(), session.plan(), limb, id.toStdString()));
}

void clearWire(Session& session, int limb) {
  (void)session.apply(tr("wire as reckoned"), edit::wireAsReckoned(session.project(), session.plan(), limb));
}

void setDigits(Session& session, int limb, std::optional<PieceRules::Digits> digits) {
  (void)session.apply(tr("digits"), edit::digitsOf(session.project(), session.plan(), limb, digits));
}

void setWires(Session& session, int limb, std::optional<int> wires) {
  (void)session.apply(tr("%1: strands").arg(tiedName(session, limb)),
                      edit::strandsOf(session.project(), session.plan(), limb, wires));
}

void setHeld(Session& session, int limb, std::optional<RootHold> held) {
  (void)session.apply(tr("%1: how held").arg(tiedName(session, limb)),
                      edit::heldBy(session.project(), session.plan(), limb, held));
}

Refusal moveEnd(Session& session, int piece, bool atEnd, int point) {
  return session.apply(tr("end of piece %1").arg(str(session.plan().pieces[static_cast<size_t>(piece)].tag)),
                       edit::endMoved(session.project(), session.plan(), piece, atEnd, point));
}

void setStance(Session& session, const QString& name, PatternPose pose, const QString& run) {
  (void)session.apply(name, edit::stanceTaken(session.project(), session.plan(), std::move(pose)), run);
}

void dragJoint(Session& session, const SidedJoint& joint, const Vec3& mm, bool planted, const QString& run) {
  auto dragged = edit::jointDragged(session.project(), session.plan(), session.stance().plan().figure, joint,
                                    mm, planted);
  if (!dragged) return;
  (void)session.apply(tr("pose"), std::move(dragged->project), run);
  if (dragged->limited) session.note(tr("A joint is as far as it goes."));
}

void takePose(Session& session, const QString& name) {
  (void)session.apply(name.isEmpty() ? tr("neutral stance") : tr("pose %1").arg(name),
                      edit::poseTaken(session.project(), session.plan(), name.toStdString()));
}

void stepPose(Session& session, int step) {
  takePose(session, str(edit::poseAfter(session.project(), session.plan(), step)));
}

Refusal savePose(Session& session, const QString& name) {
  return session.apply(tr("save pose %1").arg(name.trimmed()),
                       edit::poseKept(session.project(), name.trimmed().toStdString()));
}

void removePose(Session& session, const QString& name) {
  (void)session.apply(tr("remove pose %1").arg(name),
                      edit::poseRemoved(session.project(), name.toStdString()));
}

std::vector<std::pair<PatternPose, bool>> poses(const Session& session) {
  return edit::posesOf(session.project(), session.plan());
}

void setFirmness(Session& session, int limb, Firmness firmness) {
  (void)session.apply(limbStep(session, limb, str(Name(word(firmness)))),
                      edit::felted(session.project(), session.plan(), limb, firmness));
}

void stepFirmness(Session& session, int limb, int step) {
  if (limb < 0) return;
  const int now = static_cast<int>(session.plan().wool->limbs[static_cast<size_t>(limb)].firmness);
  setFirmness(session, limb, static_cast<Firmness>(std::clamp(now + step, 0, 2)));
}

Refusal setDensity(Session& session, int limb, std::optional<double> perCm3) {
  return session.apply(limbStep(session, limb, perCm3 ? tr("own felt") : tr("usual felt")),
                       edit::densityOf(session.project(), session.plan(), limb, perCm3));
}

void setCoatWay(Session& session, int limb, CoatWay way) {
  (void)session.apply(limbStep(session, limb, str(Name(word(way)))),
                      edit::coatWayOf(session.project(), session.plan(), limb, way));
}

Refusal setCoat(Session& session, std::optional<double> mm, const QString& run) {
  return session.apply(mm ? tr("coat") : tr("usual coat"), edit::coatLaid(session.project(), mm), run);
}

} // namespace columna::changes
