// Changes of the face: pads larger, moved or left out, the eyes that are taken, ears' thickness, pins
// measured.
#pragma once

#include "judge/face_sums.h"

namespace columna::edit {

/// A pad or hollow `factor` times as large as it is now, within what a file holds.
[[nodiscard]] Project padSized(Project project, const std::string& feature, double factor);
/// Moved by so much, head modules; of a pair both, told as the left one's.
[[nodiscard]] Project padMoved(Project project, const std::string& feature, const Vec3& by);
/// Left out, or put back as it was; one of the maker's own is taken away.
[[nodiscard]] Project padOut(Project project, const std::string& feature, bool out);
/// An eye or a flat part, the same way.
[[nodiscard]] Project partMoved(Project project, const std::string& part, const Vec3& by);
[[nodiscard]] Project partOwn(Project project, const std::string& part);
/// As the animal's own: one, or all of them, those left out too, with eyes and flat parts where they were.
[[nodiscard]] Project padOwn(Project project, const std::string& feature);
[[nodiscard]] Project allPadsOwn(Project project);

/// The animal as another sex, breed or colour has it, by its id; empty: as usual. Error: it has none such.
[[nodiscard]] Result<Project> headVariant(Project project, const Catalog& catalog, const std::string& id);
/// The variant listed next, as usual after the last; where the head has none nothing changes.
[[nodiscard]] Project nextVariant(Project project, const Catalog& catalog);

/// A round head for an animal that has none of its own, or none again.
[[nodiscard]] Project roundHead(Project project, bool on);

/// The eyes that are taken, mm; nothing: the nearest sold. Error: none such is made.
[[nodiscard]] Result<Project> eyesOf(Project project, std::optional<double> mm);
/// What they are; nothing: as the animal's head has them.
[[nodiscard]] Project eyesMadeAs(Project project, std::optional<EyeKind> kind);
/// The next size sold above or below.
[[nodiscard]] Project eyeStep(Project project, const FaceSums& face, const FaceRules& rules, int step);

/// Thickness of an ear or another flat part, mm; nothing: the animal's own. Error: out of range.
[[nodiscard]] Result<Project> flatThick(Project project, const std::string& flat, std::optional<double> mm);

/// What is set first, and whether hair goes before the ears.
[[nodiscard]] Project faceSchool(Project project, FaceSchool school);
[[nodiscard]] Project hairFirst(Project project, bool on);
/// What eyes, or horns and bills, are set with; empty: the usual. Error: no such glue.
enum class GluedPart { Eyes, Parts };
[[nodiscard]] Result<Project> gluedWith(Project project, GluedPart what, const std::string& glue,
                                        const DryingTimes& drying);

/// What was measured of a pin on one side; nothing takes it back. Error: out of range.
[[nodiscard]] Result<Project> pinMeasured(Project project, const std::string& pin, bool right,
                                          std::optional<double> tape, std::optional<double> aside);

/// What would mend a finding of the face, the best first; empty where only the maker's hand does.
struct FaceRemedy {
  Said text; ///< "take 5 mm eyes"
  Project project;
};
[[nodiscard]] std::vector<FaceRemedy> faceRemedies(const Project& project, const FaceSums& face,
                                                   const Finding& finding, const FaceRules& rules);

} // namespace columna::edit
