#include "stage/stage.h"

#include <algorithm>

namespace columna {

QString Stage::guide() const {
  const std::string_view key = id().key;
  return QString::fromUtf8(key.data(), static_cast<qsizetype>(key.size())) + QStringLiteral(".md");
}

QWidget* Stage::makeBand(QWidget* /*parent*/) { return nullptr; }
FirstBoard* Stage::makeBoard(QWidget* /*parent*/) { return nullptr; }
std::vector<StageKey> Stage::keys() { return {}; }
std::vector<std::unique_ptr<MatLayer>> Stage::makeLayers(Mat& /*mat*/) { return {}; }
std::unique_ptr<RoundLayer> Stage::makeRound() { return nullptr; }
std::vector<FindEntry> Stage::finds() { return {}; }
std::vector<Arrangement> Stage::arrangements() { return {}; }

Arrangement Stage::tabArrangement(int tabs, std::function<void(int)> set) {
  return {QStringLiteral("tab"), tr("1 to %1: the rack's tab").arg(tabs),
          [tabs, set = std::move(set)](const QString& value) {
            const int tab = value.toInt();
            if (tab < 1 || tab > tabs) return false;
            set(tab - 1);
            return true;
          }};
}

void Stage::lead(const Finding& finding) {
  session_.select(session_.plan().figure->limb(finding.where).value_or(-1));
}

int Stage::toLookAt() const {
  const auto& all = session_.findings();
  return static_cast<int>(std::count_if(all.begin(), all.end(), [this](const Finding& f) {
    return topic() == f.topic && f.level != Level::Good;
  }));
}

const Standing& Stage::standing() const { return session_.plan().standing; }

Stage& stageOn(const Stages& stages, const Session& session) {
  for (const auto& stage : stages)
    if (stage->id() == session.stage()) return *stage;
  return *stages.front();
}

Stage& stageFor(const Stages& stages, Topic topic) {
  for (const auto& stage : stages)
    if (stage->topic() == topic) return *stage;
  return *stages.front();
}

} // namespace columna
