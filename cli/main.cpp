#include "commands.h"

#include <CLI/CLI.hpp>

#include <sstream>

int main(int argc, char** argv) {
  using namespace columna;
  CLI::App app("Columna plans the wire and wool of a needle-felted animal.", "columna-cli");
  app.require_subcommand(1);
  app.set_version_flag("--version", "columna-cli 0.1.0");

  bool json = false;
  std::string file;
  cli::NewOptions fresh;

  auto* patterns = app.add_subcommand("patterns", "List the animals there are.");
  patterns->add_flag("--json", json, "as JSON");

  auto* create = app.add_subcommand("new", "Start a project from an animal and a size.");
  create->add_option("--pattern", fresh.pattern, "the animal's id, from `patterns`")->required();
  auto* size = create->add_option_group("size");
  size->add_option("--height", fresh.height, "overall height, e.g. \"16 cm\" or \"6 1/4 in\"");
  size->add_option("--shoulder", fresh.shoulder, "height at the shoulder");
  size->add_option("--body", fresh.body, "body length");
  size->require_option(1);
  create->add_option("--construction", fresh.construction, "folded-pair or twisted-limbs");
  create->add_option("--material", fresh.material, "wire, e.g. aluminium-annealed");
  create->add_option("--use", fresh.use, "display, shelf or handled");
  create->add_option("-o,--output", fresh.output, "the .columna file to write")->required();

  auto* plan = app.add_subcommand("plan", "Print the wire and wool of a project.");
  plan->add_option("file", file, "a .columna file")->required();
  plan->add_flag("--json", json, "as JSON");

  auto* check = app.add_subcommand("check", "Check a project or a pattern and list what to look at.");
  check->add_option("file", file, "a .columna or pattern .json file")->required();

  try {
    app.parse(argc, argv);
  } catch (const CLI::Success& e) {
    return app.exit(e);
  } catch (const CLI::ParseError& e) {
    return cli::complain(std::string(e.what()) + "; see columna-cli --help");
  }
  if (patterns->parsed()) return cli::patterns(json);
  if (create->parsed()) return cli::create(fresh);
  if (plan->parsed()) return cli::plan(file, json);
  return cli::check(file);
}
