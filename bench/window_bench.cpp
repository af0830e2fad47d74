// Aims: first window under 1 s; a change shows on the mat within a frame, 16 ms.
#include "project/catalog.h"
#include "shell/main_window.h"
#include "theme/theme.h"

#include <QApplication>

#include <benchmark/benchmark.h>

namespace {

using namespace columna;

const Catalog& shelf() {
  static const Catalog catalog = loadCatalog(dataFolder()).value();
  return catalog;
}

QString demo() { return QString::fromStdString((dataFolder() / "demo" / "otter-on-watch.columna").string()); }

void firstWindow(benchmark::State& state) {
  for (auto _ : state) {
    Session session(shelf());
    (void)session.open(demo());
    MainWindow window(session);
    benchmark::DoNotOptimize(window.grab());
  }
}
BENCHMARK(firstWindow)->Unit(benchmark::kMillisecond);

void sizeDragged(benchmark::State& state) {
  Session session(shelf());
  (void)session.open(demo());
  session.setStage(static_cast<Stage>(state.range(0)));
  MainWindow window(session);
  window.resize(1280, 800);
  window.show();
  QApplication::processEvents();
  double mm = 90;
  for (auto _ : state) {
    mm = mm > 140 ? 90 : mm + 1;
    (void)session.setSize(SizeBy::ShoulderHeight, mm, QStringLiteral("drag"));
    window.mat()->repaint();
    QApplication::processEvents();
  }
}
BENCHMARK(sizeDragged)->DenseRange(0, 2)->Unit(benchmark::kMillisecond);

void matPainted(benchmark::State& state) {
  Session session(shelf());
  (void)session.open(demo());
  session.setStage(static_cast<Stage>(state.range(0)));
  MainWindow window(session);
  window.resize(1280, 800);
  window.show();
  QApplication::processEvents();
  for (auto _ : state) window.mat()->repaint();
}
BENCHMARK(matPainted)->DenseRange(0, 2)->Unit(benchmark::kMillisecond);

} // namespace

int main(int argc, char** argv) {
  if (!qEnvironmentVariableIsSet("QT_QPA_PLATFORM")) qputenv("QT_QPA_PLATFORM", "offscreen");
  QApplication app(argc, argv);
  loadFonts();
  QApplication::setFont(typeface(13));
  benchmark::Initialize(&argc, argv);
  benchmark::RunSpecifiedBenchmarks();
  return 0;
}
