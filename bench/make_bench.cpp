// Aims, on one core: the first sessions of 150 steps under 50 ms, sessions of 400 searched under a second,
// steps of the demo under 50 ms; an entry on the disk under 100 ms.
#include "../tests/make/drawn_work.h"

#include "file/record_file.h"
#include "judge/face_sums.h"
#include "judge/planning.h"
#include "make/local_time.h"
#include "make/session_search.h"
#include "steps/progress.h"
#include "steps/steps_of.h"

#include <benchmark/benchmark.h>

#include <filesystem>

namespace {

using namespace columna;

const Catalog& shelf() {
  static const Catalog catalog = loadCatalog(dataFolder()).value();
  return catalog;
}

std::filesystem::path demo() { return dataFolder() / "demo" / "otter-on-watch.columna"; }

OpenTime evenings() {
  using namespace std::chrono;
  return OpenTime({readWeek(kUsualWeek).value(), {}}, Date{2026y / 12 / 1});
}

/// Drawn figures of so many steps: the rules alone, or searched.
void sessionsOf(benchmark::State& state) {
  const test::DrawnWork work(static_cast<int>(state.range(0)), 1);
  const OpenTime time = evenings();
  SearchWish wish;
  wish.seed = 1;
  wish.placings = state.range(1) == 0 ? 0 : -1;
  double over = 0;
  for (auto _ : state) {
    const SearchedPlan found = searchedPlan(work.list, time, wish);
    over = static_cast<double>(time.before(found.plan.finish)) / time.before(found.bound.finish) - 1;
  }
  state.counters["over the bound, %"] = 100 * over;
}
BENCHMARK(sessionsOf)
    ->ArgNames({"steps", "searched"})
    ->ArgsProduct({{60, 150, 400}, {0, 1}})
    ->Unit(benchmark::kMillisecond);

/// The demo's steps, and how far they are by its record.
void stepsOfDemo(benchmark::State& state) {
  const ProjectFile file = openProject(demo()).value();
  const Record record = recordOf(demo(), file);
  const Plan made = plan(file.project, shelf()).value();
  const auto face = faceSums(file.project, shelf(), made);
  for (auto _ : state) {
    const StepPlan steps = stepsOf(file.project, shelf(), made, face.get());
    benchmark::DoNotOptimize(progressOf(steps, record.entries, secondsNow()));
  }
  state.counters["entries"] = static_cast<double>(record.entries.size());
}
BENCHMARK(stepsOfDemo)->Unit(benchmark::kMillisecond);

/// An entry of the record, until it is on the disk.
void entryKept(benchmark::State& state) {
  const auto folder = std::filesystem::temp_directory_path() / "columna-bench-record";
  std::filesystem::create_directories(folder);
  const auto path = folder / "figure.columna";
  std::filesystem::copy_file(demo(), path, std::filesystem::copy_options::overwrite_existing);
  Record record = recordOf(path, openProject(path).value());
  Entry note;
  note.at = "2026-11-26T20:14:05+01:00";
  note.text = "a note";
  for (auto _ : state) benchmark::DoNotOptimize(keepEntry(path, record, note));
  std::error_code error;
  std::filesystem::remove_all(folder, error);
}
BENCHMARK(entryKept)->Unit(benchmark::kMillisecond)->Iterations(200);

} // namespace

BENCHMARK_MAIN();
