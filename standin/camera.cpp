#include "camera.h"

#include "felt_shot.h"

#include "file/columna_file.h"
#include "file/record_file.h"
#include "judge/face_sums.h"
#include "judge/planning.h"
#include "judge/pose_report.h"
#include "make/local_time.h"
#include "photo/photo_check.h"
#include "steps/figure_now.h"
#include "steps/steps_of.h"

#include <nlohmann/json.hpp>

#include <QImage>

#include <fmt/format.h>

#include <array>
#include <chrono>
#include <cstdio>
#include <filesystem>
#include <fstream>
#include <iostream>
#include <optional>
#include <random>
#include <thread>

namespace columna::standin {
namespace {

int complain(const std::string& sentence) {
  std::cerr << sentence << '\n';
  return 2;
}

/// "left-hindleg:+2".
std::optional<std::pair<std::string, double>> faultOf(const std::string& word) {
  const size_t colon = word.rfind(':');
  if (colon == std::string::npos) return std::nullopt;
  try {
    size_t used = 0;
    const double value = std::stod(word.substr(colon + 1), &used);
    if (colon + 1 + used != word.size() || !(std::abs(value) < 100)) return std::nullopt;
    return std::pair(word.substr(0, colon), value);
  } catch (const std::exception&) {
    return std::nullopt;
  }
}

nlohmann::json truthOf(const ShotWish& wish, const PhotoCamera& c) {
  nlohmann::json faults = nlohmann::json::object();
  for (const auto& [limb, fault] : wish.faults)
    faults[limb] = {
        {"fuller_mm", fault.fuller}, {"leaning_deg", fault.leaning / kDegree}, {"shorter_mm", fault.shorter}};
  return {{"view", id(wish.view)},
          {"yaw_deg", c.yaw / kDegree},
          {"pitch_deg", c.pitch / kDegree},
          {"roll_deg", c.roll / kDegree},
          {"turned_deg", wish.turned / kDegree},
          {"distance_mm", c.distance},
          {"px_per_mm", c.scale},
          {"faults", faults}};
}

/// One on a limb that shows from there, by chance.
void anyFault(ShotWish& wish, const Figure& figure) {
  std::mt19937 drawn(wish.seed);
  std::vector<std::string> limbs;
  for (const FigureLimb& limb : figure.limbs)
    if (limb.side != 0 && !limb.bones.empty() && limb.kind != LimbKind::Digits) limbs.push_back(limb.id);
  if (limbs.empty()) return;
  Fault& fault = wish.faults[limbs[drawn() % limbs.size()]];
  if (drawn() % 3 == 0)
    fault.leaning = (drawn() % 2 == 0 ? 5 : -5) * kDegree;
  else
    fault.fuller = 2.5 + 0.5 * static_cast<double>(drawn() % 4);
}

/// Whole before it has its name: whoever watches the folder finds no half of one.
bool written(const PhotoImage& photo, const std::filesystem::path& path) {
  QImage image(photo.rgb.data(), photo.width, photo.height, 3 * photo.width, QImage::Format_RGB888);
  image.setText(QStringLiteral("Software"), QStringLiteral("columna-standin"));
  const std::string part = path.string() + ".part";
  if (!image.save(QString::fromStdString(part), "PNG")) return false;
  std::error_code error;
  std::filesystem::rename(part, path, error);
  return !error;
}

} // namespace

void addOptions(CLI::App& app, CameraOptions& o) {
  app.add_option("file", o.file, "a .columna file")->required();
  app.add_option("--folder", o.folder, "that the pictures go into")->required();
  app.add_option("--view", o.view, "right, left, front, back or above");
  app.add_option("--yaw", o.yaw, "degrees off the view");
  app.add_option("--pitch", o.pitch, "degrees from above; with --mat 15 at least");
  app.add_option("--roll", o.roll, "degrees");
  app.add_option("--turned", o.turned, "degrees it stands turned on the mat");
  app.add_option("--distance", o.distance, "mm")->check(CLI::Range(100.0, 5000.0));
  app.add_option("--wrong", o.wrong, "limb:mm it is fuller, e.g. left-hindleg:+2");
  app.add_option("--lean", o.lean, "limb:degrees it is turned");
  app.add_option("--short", o.shorter, "limb:mm it is short");
  app.add_flag("--any-fault", o.anyFault, "one by chance");
  app.add_option("--girths", o.girths, "share each limb's are off by, at random")
      ->check(CLI::Range(0.0, 0.3));
  app.add_option("--noise", o.noise, "grey levels")->check(CLI::Range(0.0, 60.0));
  app.add_option("--fuzz", o.fuzz, "mm its edge is rough")->check(CLI::Range(0.0, 10.0));
  app.add_option("--blur", o.blur, "px")->check(CLI::Range(0.0, 30.0));
  app.add_option("--clutter", o.clutter, "0 to 1, things on the ground")->check(CLI::Range(0.0, 1.0));
  app.add_flag("--mat", o.mat, "on the photo mat");
  app.add_flag("--finished", o.finished, "the work is done, whatever its record says");
  app.add_flag("--truth", o.truth, "writes what is wrong beside it");
  app.add_option("--size", o.size, "pixels, e.g. 1200x900");
  app.add_option("--seed", o.seed, "the same seed, the same picture");
  app.add_option("--number", o.number, "of the first picture")->check(CLI::Range(0, 100000));
  app.add_option("--shots", o.shots, "how many")->check(CLI::Range(1, 10000));
  app.add_option("--every", o.every, "seconds between them")->check(CLI::Range(0.0, 3600.0));
}

int camera(const CameraOptions& o) {
  ShotWish wish;
  bool known = false;
  for (const PhotoView each : kPhotoViews)
    if (o.view == id(each)) {
      wish.view = each;
      known = true;
    }
  if (!known) return complain("--view " + o.view + ": give right, left, front, back or above");
  int used = 0;
  if (std::sscanf(o.size.c_str(), "%5dx%5d%n", &wish.width, &wish.height, &used) != 2 || // NOLINT: bounded
      static_cast<size_t>(used) != o.size.size() || std::min(wish.width, wish.height) < 200 ||
      std::max(wish.width, wish.height) > 4000)
    return complain("--size " + o.size + ": give pixels, e.g. 1200x900, each side 200 to 4000");
  const auto file = openProject(o.file);
  if (!file) return complain(file.problem().sentence());
  const auto shelf = loadCatalog(dataFolder(), ownPatternsFolder(), file->project.pattern);
  if (!shelf) return complain(shelf.problem().sentence());
  const auto planned = plan(file->project, *shelf);
  if (!planned) return complain(planned.problem().sentence());
  const auto face = faceSums(file->project, *shelf, *planned);
  const StepPlan steps = stepsOf(file->project, *shelf, *planned, face.get());
  const PatternPose& stance = file->project.stances.now;
  const Figure figure = o.finished
                            ? posedFigure(*planned, stance)
                            : figureNow(*planned, stance, steps,
                                        progressOf(steps, recordOf(o.file, *file).entries, secondsNow()));
  const auto read = [&](const std::vector<std::string>& words, const char* option, double Fault::*part,
                        double unit) -> std::optional<std::string> {
    for (const std::string& word : words) {
      const auto fault = faultOf(word);
      if (!fault) return fmt::format("{} {}: give a limb and a number, e.g. left-hindleg:2", option, word);
      if (!figure.limb(fault->first))
        return fmt::format("{} {}: the figure has no limb \"{}\"", option, word, fault->first);
      wish.faults[fault->first].*part = fault->second * unit;
    }
    return std::nullopt;
  };
  for (const auto& trouble :
       {read(o.wrong, "--wrong", &Fault::fuller, 1), read(o.lean, "--lean", &Fault::leaning, kDegree),
        read(o.shorter, "--short", &Fault::shorter, 1)})
    if (trouble) return complain(*trouble);
  const bool above = wish.view == PhotoView::Above;
  wish.yaw = above ? 0 : o.yaw * kDegree;
  wish.pitch = (above ? 1.5 : o.mat ? std::max(15.0, o.pitch) : o.pitch) * kDegree;
  wish.roll = o.roll * kDegree;
  wish.turned = o.turned * kDegree;
  wish.distance = o.distance;
  wish.girths = o.girths;
  wish.noise = o.noise;
  wish.fuzz = o.fuzz;
  wish.blur = o.blur;
  wish.clutter = o.clutter;
  wish.mat = o.mat;
  wish.seed = o.seed;
  wish.stand = standOf(figure);
  if (o.anyFault) anyFault(wish, figure);
  const PhotoModel model = photoModel(figure);
  if (model.empty())
    return complain("nothing of the figure is made yet; give --finished, or wind a part first");
  std::error_code error;
  std::filesystem::create_directories(o.folder, error);
  for (int i = 0; i < o.shots; ++i) {
    if (i > 0) std::this_thread::sleep_for(std::chrono::duration<double>(o.every));
    const auto path = std::filesystem::path(o.folder) / fmt::format("shot-{:03}.png", o.number + i);
    if (!written(shot(model, figure, wish), path))
      return complain(o.folder + ": the picture cannot be written there; give a folder of your own");
    if (o.truth)
      std::ofstream(path.string() + ".truth.json") << truthOf(wish, cameraOf(model, wish)).dump(2) << '\n';
    std::cout << path.string() << std::endl;
    ++wish.seed;
  }
  return 0;
}

} // namespace columna::standin
