// The named changes of the window: each asks core/edit for the changed project and gives the step its name.
// All return a sentence when they are refused, which has been told by then.
#pragma once

#include "pose/reach.h"
#include "session/session.h"

namespace columna::changes {

using Refusal = std::optional<QString>;

// The figure as a whole.
Refusal setSize(Session& session, SizeBy by, double mm, const QString& run = {});
Refusal setSizing(Session& session, const Sizing& sizing, const QString& name);
Refusal setPattern(Session& session, const QString& id);
Refusal resizeBy(Session& session, double factor);
void setConstruction(Session& session, Construction construction);
void setUse(Session& session, Use use);
void setMaterial(Session& session, const QString& id);
void setName(Session& session, const QString& name);
void setUnits(Session& session, UnitSystem units);
void setFinish(Session& session, Finish finish);
/// When it is worked on.
Refusal setMakeWish(Session& session, const MakeWish& wish);
void toggleTied(Session& session, int limb);
[[nodiscard]] bool tied(const Session& session, int limb);
/// What a change of a limb is called: "forelegs" where its twin changes with it.
[[nodiscard]] QString tiedName(const Session& session, int limb);

// Study.
Refusal setShape(Session& session, const QString& name, Shape shape, bool keepScale, const QString& run = {});
/// Moves a joint (sided id) to a place in mm; `carry` takes along all that hangs on it.
Refusal moveJoint(Session& session, const std::string& joint, const Vec3& place, bool carry,
                  const QString& run);
Refusal setBoneLength(Session& session, int bone, double mm);
Refusal changeGirth(Session& session, int bone, int place, double across, double deep, double lift,
                    const QString& run = {});
/// Back to the animal's own: one bone, or (-1) all of it, character dials kept.
void putBack(Session& session, int bone);
Refusal setMade(Session& session, const MadePart& part);
Refusal setPhotos(Session& session, const QString& name, std::vector<Photo> photos, const QString& run = {});

// Wire.
/// Next thicker or thinner wire for the limb, and its twin when tied.
Refusal stepWire(Session& session, int limb, int step);
Refusal setWire(Session& session, int limb, double mm);
void setLimbMaterial(Session& session, int limb, const QString& id);
/// Back to what the sums propose.
void clearWire(Session& session, int limb);
void setDigits(Session& session, int limb, std::optional<PieceRules::Digits> digits);
void setWires(Session& session, int limb, std::optional<int> wires);
void setHeld(Session& session, int limb, std::optional<RootHold> held);
Refusal moveEnd(Session& session, int piece, bool atEnd, int point);

// Pose.
/// The stance on the mat changed, name and all; limits hold.
void setStance(Session& session, const QString& name, PatternPose pose, const QString& run = {});
/// Drags a joint towards a place of the posed figure, mm; says when it is as far as it goes.
void dragJoint(Session& session, const SidedJoint& joint, const Vec3& mm, bool planted, const QString& run);
/// A saved pose or the animal's; "" is the neutral stance.
void takePose(Session& session, const QString& name);
/// Steps through the poses there are, the neutral one first.
void stepPose(Session& session, int step);
Refusal savePose(Session& session, const QString& name);
void removePose(Session& session, const QString& name);
/// All there are to step through, the neutral one first; of each whether it is the maker's own.
[[nodiscard]] std::vector<std::pair<PatternPose, bool>> poses(const Session& session);

// Wrap.
void setFirmness(Session& session, int limb, Firmness firmness);
void stepFirmness(Session& session, int limb, int step);
/// g/cm3 of felt of a limb (and its twin when tied); nothing for the usual.
Refusal setDensity(Session& session, int limb, std::optional<double> perCm3);
void setCoatWay(Session& session, int limb, CoatWay way);
/// mm; nothing: what hides the core.
Refusal setCoat(Session& session, std::optional<double> mm, const QString& run = {});

} // namespace columna::changes
