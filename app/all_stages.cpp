#include "all_stages.h"

#include "face/face_stage.h"
#include "make/make_stage.h"
#include "pose/pose_stage.h"
#include "study/study_stage.h"
#include "wire/wire_stage.h"
#include "wrap/wrap_stage.h"

#include <array>

namespace columna {
namespace {

template <class Kind>
std::unique_ptr<Stage> make(Session& session) {
  return std::make_unique<Kind>(session);
}

struct Listed {
  StageId id;
  std::unique_ptr<Stage> (*make)(Session&);
};

constexpr std::array kList{Listed{kStudy, make<StudyStage>}, Listed{kWire, make<WireStage>},
                           Listed{kPose, make<PoseStage>},   Listed{kWrap, make<WrapStage>},
                           Listed{kFace, make<FaceStage>},   Listed{kMake, make<MakeStage>}};

} // namespace

Stages allStages(Session& session) {
  Stages out;
  for (const Listed& entry : kList) out.push_back(entry.make(session));
  return out;
}

QStringList stageKeys() {
  QStringList out;
  for (const Listed& entry : kList)
    out << QString::fromUtf8(entry.id.key.data(), static_cast<qsizetype>(entry.id.key.size()));
  return out;
}

} // namespace columna
