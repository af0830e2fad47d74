#include "commands.h"
#include "open.h"

#include "judge/pose_report.h"
#include "report/solid_export.h"

#include <fmt/format.h>

#include <iostream>

namespace columna::cli {

int exportSolid(const std::string& file, const ExportOptions& options) {
  const auto opened = openAndPlan(file);
  if (!opened) return complain(opened.problem().sentence());
  const Plan& plan = opened->plan;
  Figure figure = plan.figure;
  if (!options.pose.empty()) {
    const auto pose = poseNamed(opened->file.project.stances, plan.pattern, options.pose);
    if (!pose)
      return complain(fmt::format("{}: there is no pose \"{}\"; see the poses in `columna-cli plan --json`",
                                  file, options.pose));
    figure = posedFigure(plan, *pose);
  }
  ExportWish wish;
  wish.cell = options.cell;
  wish.core = options.core;
  wish.head = exportHead(opened->file.project, opened->shelf, figure);
  if (const auto problem =
          columna::exportSolid(options.output, plan, figure, opened->file.project.name, wish))
    return complain(problem->sentence());
  if (const std::string caution = render(exportCaution(figure, options.cell));
      !caution.empty() && !options.output.ends_with(".csv"))
    std::cerr << caution << '\n';
  std::cout << fmt::format("{} written\n", options.output);
  return kGood;
}

} // namespace columna::cli
