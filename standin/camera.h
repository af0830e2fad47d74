// A camera that takes no photos: it draws the figure of a file with the faults it is told to have into a
// folder.
#pragma once

#include <CLI/CLI.hpp>

#include <string>
#include <vector>

namespace columna::standin {

struct CameraOptions {
  std::string file;
  std::string folder;
  std::string view = "front";
  double yaw = 5, pitch = 8, roll = 0; ///< degrees
  double turned = 0;                   ///< degrees on the mat
  double distance = 600;               ///< mm
  std::vector<std::string> wrong;      ///< "left-hindleg:+2", mm fuller
  std::vector<std::string> lean;       ///< "left-foreleg:4", degrees
  std::vector<std::string> shorter;    ///< "right-hindleg:3", mm
  bool anyFault = false;               ///< one by chance
  double girths = 0.03;                ///< share that each limb's are off by, at random
  double noise = 6, fuzz = 0.4, blur = 1.2, clutter = 0;
  bool mat = false;
  bool finished = false; ///< whatever the record says
  bool truth = false;    ///< writes what is wrong beside it
  std::string size = "1200x900";
  unsigned seed = 7;
  int number = 1; ///< of the first
  int shots = 1;
  double every = 5; ///< s between them
};

void addOptions(CLI::App& app, CameraOptions& options);
/// Exit code; what is wrong is said on standard error.
int camera(const CameraOptions& options);

} // namespace columna::standin
