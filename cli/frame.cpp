#include "commands.h"
#include "measure/disk.h"
#include "measure/json_text.h"
#include "open.h"

#include "hold/frame_deck.h"
#include "report/pose_json.h"

#include <fmt/format.h>

#include <algorithm>
#include <cmath>
#include <iostream>

namespace columna::cli {
namespace {

std::string factor(double value) { return std::isfinite(value) ? fmt::format("{:.2f}", value) : "-"; }

void printPose(const PoseReport& r, const PoseLimits& limits) {
  std::cout << fmt::format("{:28} {:>10} {:>7} {:>7} {:>8} {:>8} {:>7}  {}\n", "joint", "N mm", "holds",
                           "knock", "N", "bends", "sag mm", "");
  for (const JointReport& j : r.joints)
    std::cout << fmt::format("{:28} {:>10.2f} {:>7} {:>7} {:>8.1f} {:>8} {:>7.2f}  {}\n", j.hold.id,
                             j.hold.moment, factor(j.hold.hold), factor(j.hold.nudge), j.hold.effort,
                             std::isfinite(j.life.bends) ? fmt::format("{:.0f}", j.life.bends) : "-",
                             j.hold.sag, word(j.level));
  std::cout << fmt::format("\ngives way at {} times its weight, buckles at {} times\n",
                           factor(limits.collapse),
                           limits.buckling.empty() ? "-" : factor(limits.buckling.front()));
  for (const Finding& f : r.findings)
    std::cout << fmt::format("{:8} {}: {}\n", word(f.level), f.where, render(f.text));
}

} // namespace

int frame(const std::string& file, const FrameOptions& options) {
  auto opened = openAndPlan(file);
  if (!opened) return complain(opened.problem().sentence());
  Project project = opened->file.project;
  if (options.feet == "pin")
    project.stances.support.feet = Feet::Loose;
  else if (options.feet == "clamp")
    project.stances.support.feet = Feet::Glued;
  else if (!options.feet.empty())
    return complain("the feet are \"" + options.feet + "\"; give pin or clamp");
  PatternPose pose = project.stances.now;
  if (!options.pose.empty() && options.pose != "as posed") {
    const auto all = allPoses(project, opened->plan);
    const auto found =
        std::find_if(all.begin(), all.end(), [&](const PatternPose& p) { return p.name == options.pose; });
    if (found == all.end()) {
      std::string names;
      for (const PatternPose& p : all) names += (names.empty() ? "" : ", ") + p.name;
      return complain(fmt::format("there is no pose \"{}\"; there are {}", options.pose, names));
    }
    pose = *found;
  }
  const PoseReport report = poseReport(project, opened->plan, opened->shelf, pose);
  if (report.sums.armature.frame.members.empty())
    return complain("there is nothing to make a frame of; choose a construction with wire");
  if (!options.deck.empty()) {
    const std::string title = fmt::format("{}, {}", project.name, pose.name.empty() ? "neutral" : pose.name);
    if (const auto problem = writeAtomically(options.deck, calculixDeck(report.sums.armature.frame, title)))
      return complain(problem->sentence());
  }
  if (options.json)
    std::cout << writeJson(frameJson(report)) << '\n';
  else if (options.deck.empty())
    printPose(report, poseLimits(report.sums.armature));
  return report.level == Level::Wrong ? kWrong : kGood;
}

} // namespace columna::cli
