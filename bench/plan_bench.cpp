// Aims, on one core: plan of the demo under 20 ms, of any animal in any construction under 50 ms; opening a
// file under 100 ms.
#include "anatomy/outline.h"
#include "file/columna_file.h"
#include "judge/planning.h"
#include "judge/pose_report.h"
#include "plan/plan.h"

#include <benchmark/benchmark.h>

#include <chrono>

namespace {

using namespace columna;

const Catalog& shelf() {
  static const Catalog catalog = loadCatalog(dataFolder()).value();
  return catalog;
}

std::filesystem::path demo() { return dataFolder() / "demo" / "otter-on-watch.columna"; }

void planDemo(benchmark::State& state) {
  const ProjectFile file = openProject(demo()).value();
  for (auto _ : state) benchmark::DoNotOptimize(plan(file.project, shelf()));
}
BENCHMARK(planDemo)->Unit(benchmark::kMillisecond);

/// Pose, frame and verdicts of the animal with most bones: the aim is 5 ms.
void poseOf(benchmark::State& state) {
  Project project;
  project.pattern = state.range(0) == 0 ? "river_otter" : "dragon";
  project.size = {SizeBy::OverallHeight, 160, {}};
  const Plan made = plan(project, shelf()).value();
  const PatternPose& pose = made.pattern->poses.front();
  for (auto _ : state) benchmark::DoNotOptimize(poseReport(project, made, shelf(), pose));
  state.counters["bones"] = static_cast<double>(made.figure->bones.size());
}
BENCHMARK(poseOf)->Arg(0)->Arg(1)->Unit(benchmark::kMillisecond);

/// Buckling and collapse, which are reckoned beside the window.
void limitsOf(benchmark::State& state) {
  Project project;
  project.pattern = "dragon";
  project.size = {SizeBy::OverallHeight, 160, {}};
  const Plan made = plan(project, shelf()).value();
  const PoseReport report = poseReport(project, made, shelf(), made.pattern->poses.front());
  for (auto _ : state) benchmark::DoNotOptimize(poseLimits(report.sums.armature));
}
BENCHMARK(limitsOf)->Unit(benchmark::kMillisecond);

/// The slowest of all animals in a construction at 160 mm, routed and cut from stock.
void planEvery(benchmark::State& state) {
  const Construction built = kConstructions[static_cast<size_t>(state.range(0))];
  double worst = 0;
  std::string which;
  for (auto _ : state)
    for (const Pattern& p : shelf().patterns) {
      Project project;
      project.pattern = p.id;
      project.size = {SizeBy::OverallHeight, 160, {}};
      project.construction = built;
      const auto begun = std::chrono::steady_clock::now();
      benchmark::DoNotOptimize(plan(project, shelf()));
      const double ms =
          std::chrono::duration<double, std::milli>(std::chrono::steady_clock::now() - begun).count();
      if (ms > worst) {
        worst = ms;
        which = p.id;
      }
    }
  state.counters["worst_ms"] = worst;
  state.SetLabel(std::string(id(built)) + ", worst " + which);
}
BENCHMARK(planEvery)->DenseRange(0, 7)->Unit(benchmark::kMillisecond)->Iterations(2);

/// The same cut from stems of 360 mm, which is an integer programme for each wire.
void planFromStems(benchmark::State& state) {
  double worst = 0;
  std::string which;
  for (auto _ : state)
    for (const Pattern& p : shelf().patterns) {
      Project project;
      project.pattern = p.id;
      project.size = {SizeBy::OverallHeight, 320, {}};
      project.material = "steel-florist";
      const auto begun = std::chrono::steady_clock::now();
      benchmark::DoNotOptimize(plan(project, shelf()));
      const double ms =
          std::chrono::duration<double, std::milli>(std::chrono::steady_clock::now() - begun).count();
      if (ms > worst) {
        worst = ms;
        which = p.id;
      }
    }
  state.counters["worst_ms"] = worst;
  state.SetLabel("worst " + which);
}
BENCHMARK(planFromStems)->Unit(benchmark::kMillisecond)->Iterations(1);

void openFile(benchmark::State& state) {
  for (auto _ : state) benchmark::DoNotOptimize(openProject(demo()));
}
BENCHMARK(openFile)->Unit(benchmark::kMillisecond);

void readCatalog(benchmark::State& state) {
  for (auto _ : state) benchmark::DoNotOptimize(loadCatalog(dataFolder()));
}
BENCHMARK(readCatalog)->Unit(benchmark::kMillisecond);

void silhouetteOf(benchmark::State& state) {
  const Figure figure =
      makeFigure(shelf().patterns[static_cast<size_t>(state.range(0))], {SizeBy::OverallHeight, 160}).value();
  for (auto _ : state) benchmark::DoNotOptimize(silhouette(figure, View::Side));
  state.SetLabel(figure.patternId);
}
BENCHMARK(silhouetteOf)->DenseRange(0, 2)->Unit(benchmark::kMillisecond);

} // namespace

BENCHMARK_MAIN();
