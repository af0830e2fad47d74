// Aims, on two cores: the solid of a 160 mm figure with all its layers at 1 mm under 0.5 s; a plan from a
// guessed solid under 20 ms, so that the window never waits; a 0.5 mm mesh for export under 4 s.
#include "anatomy/sizing.h"
#include "judge/planning.h"
#include "plan/plan.h"
#include "solid/field.h"
#include "solid/mesh_files.h"
#include "solid/solid_mesh.h"
#include "wool/build_up.h"

#include <benchmark/benchmark.h>

namespace {

using namespace columna;

const Catalog& shelf() {
  static const Catalog catalog = loadCatalog(dataFolder()).value();
  return catalog;
}

constexpr std::array<const char*, 4> kAnimals{"red_fox", "dragon", "heron", "river_otter"};

Figure figureOf(long which) {
  return makeFigure(*shelf().pattern(kAnimals[static_cast<size_t>(which)]), {SizeBy::OverallHeight, 160})
      .value();
}

/// Volumes, shares, layers and surface at 1 mm.
void solidAtOneMm(benchmark::State& state) {
  const Figure figure = figureOf(state.range(0));
  SolidWish wish;
  wish.cell = 1;
  wish.coat = figure.coatThickness;
  wish.blend = usualBlend(figure);
  wish.skin = shelf().wool.skin;
  for (auto _ : state) benchmark::DoNotOptimize(bodySolid(figure, wish));
  state.SetLabel(figure.patternId);
}
BENCHMARK(solidAtOneMm)->DenseRange(0, 3)->Unit(benchmark::kMillisecond)->UseRealTime();

void solidWhileEditing(benchmark::State& state) {
  const Figure figure = figureOf(state.range(0));
  SolidWish wish;
  wish.cell = workingCell(figure);
  wish.coat = figure.coatThickness;
  wish.blend = usualBlend(figure);
  wish.skin = shelf().wool.skin;
  for (auto _ : state) benchmark::DoNotOptimize(makeSolid(figure, wish));
  state.SetLabel(figure.patternId);
}
BENCHMARK(solidWhileEditing)->DenseRange(0, 3)->Unit(benchmark::kMillisecond)->UseRealTime();

/// What a change costs while the exact solid is still to come.
void planFromAGuess(benchmark::State& state) {
  Project project;
  project.pattern = kAnimals[static_cast<size_t>(state.range(0))];
  project.size = {SizeBy::OverallHeight, 160, {}};
  const Plan first = plan(project, shelf()).value();
  project.size.mm = 170;
  for (auto _ : state) benchmark::DoNotOptimize(plan(project, shelf(), {first.solid, true}));
  state.SetLabel(project.pattern);
}
BENCHMARK(planFromAGuess)->DenseRange(0, 3)->Unit(benchmark::kMillisecond);

void meshForExport(benchmark::State& state) {
  const Figure figure = figureOf(state.range(0));
  MeshWish wish;
  wish.cell = 0.5;
  wish.blend = usualBlend(figure);
  for (auto _ : state) benchmark::DoNotOptimize(stlBytes(solidMesh(figure, wish), figure.patternId));
  state.SetLabel(figure.patternId);
}
BENCHMARK(meshForExport)->DenseRange(0, 2)->Unit(benchmark::kMillisecond)->UseRealTime()->Iterations(1);

void momentOfTheBuildUp(benchmark::State& state) {
  Project project;
  project.size = {SizeBy::OverallHeight, 108, {}};
  const Plan made = plan(project, shelf()).value();
  const std::vector<BuildStep> steps = buildSteps(made.figure, made.wool);
  std::vector<double> bundles(made.limbs.size(), 2);
  const double half = buildTotal(steps) / 2;
  for (auto _ : state)
    benchmark::DoNotOptimize(
        figureAtMoment(made.figure, made.wool, momentAt(steps, made.limbs.size(), half), bundles));
}
BENCHMARK(momentOfTheBuildUp)->Unit(benchmark::kMillisecond);

} // namespace

BENCHMARK_MAIN();
