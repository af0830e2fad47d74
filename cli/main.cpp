#include "commands.h"

#include "make/make_wish.h"

#include <CLI/CLI.hpp>

#include <iostream>
#include <sstream>
#include <string>

namespace {

/// Reads the words of the command line and runs what they ask for.
template <class Run>
int spoken(CLI::App& app, int argc, char** argv, const Run& run) {
  try {
    app.parse(argc, argv);
  } catch (const CLI::Success& e) {
    return app.exit(e);
  } catch (const CLI::ParseError& e) {
    return columna::cli::complain(std::string(e.what()) + "; see columna-cli --help");
  }
  const int code = run();
  // What did not get out was not said.
  if (!std::cout.flush())
    return columna::cli::complain("the output could not be written; make room, or send it elsewhere");
  return code;
}

} // namespace

int main(int argc, char** argv) {
  using namespace columna;
  CLI::App app("Columna plans the wire and wool of a needle-felted animal.", "columna-cli");
  app.require_subcommand(1);
  app.set_version_flag("--version", "columna-cli " COLUMNA_VERSION);

  bool json = false;
  std::string file;
  cli::NewOptions fresh;

  auto* patterns = app.add_subcommand("patterns", "List the animals there are.");
  patterns->add_flag("--json", json, "as JSON");

  auto* materials = app.add_subcommand("materials", "List the wires there are, with ranges and sources.");
  materials->add_flag("--json", json, "as JSON");

  std::string of = "project";
  auto* schema = app.add_subcommand("schema", "Print the JSON schema of a project or head file.");
  schema->add_option("of", of, "project or head; project by default");

  auto* create = app.add_subcommand("new", "Start a project from an animal and a size.");
  create->add_option("--pattern", fresh.pattern, "the animal's id, from `patterns`")->required();
  create->add_option("--variant", fresh.variant, "its sex, breed or colour, an id from `heads`");
  auto* size = create->add_option_group("size");
  size->add_option("--height", fresh.height, "overall height, e.g. \"16 cm\" or \"6 1/4 in\"");
  size->add_option("--shoulder", fresh.shoulder, "height at the shoulder");
  size->add_option("--body", fresh.body, "body length; what that is of the animal is printed");
  size->add_option("--head", fresh.head, "length of the head");
  size->add_option("--limb", fresh.limb, "length of any limb, e.g. foreleg=70mm");
  size->add_option("--scale", fresh.scale, "share of life, e.g. 1:8");
  size->require_option(1);
  create->add_option("--construction", fresh.construction,
                     "twisted-limbs, folded-pair, spine-and-crosspieces, legs-and-tail, through-pegs, "
                     "part-wired, thread-joints or no-wire");
  create->add_option("--material", fresh.material, "wire, e.g. aluminium-annealed");
  create->add_option("--use", fresh.use, "display, shelf or handled");
  create->add_option("-o,--output", fresh.output, "the .columna file to write")->required();

  auto* plan = app.add_subcommand("plan", "Print the wire and wool of a project.");
  plan->add_option("file", file, "a .columna file")->required();
  plan->add_flag("--json", json, "as JSON");

  auto* check = app.add_subcommand("check", "Check a project, a pattern or a head and list what to look at.");
  check->add_option("file", file, "a .columna file, or the .json of a pattern or a head")->required();

  auto* heads = app.add_subcommand("heads", "List the animals' heads.");
  heads->add_flag("--json", json, "as JSON");

  auto* face = app.add_subcommand("face", "Print what the head asks of the maker: pads, eyes, pins, ears.");
  face->add_option("file", file, "a .columna file")->required();
  face->add_flag("--json", json, "as JSON");

  std::string part = "ear";
  std::string drawn;
  auto* flat = app.add_subcommand("flat", "Write the pattern of an ear, or another flat part, at true size.");
  flat->add_option("file", file, "a .columna file")->required();
  flat->add_option("--part", part, "which, from `face`; ear by default");
  flat->add_option("-o,--output", drawn, "the file to write: .svg or .dxf")->required();

  auto* soles = app.add_subcommand("soles", "Write the soles with their pads at true size.");
  soles->add_option("file", file, "a .columna file")->required();
  soles->add_option("-o,--output", drawn, "the file to write: .svg or .dxf")->required();

  std::string core;
  std::string wire;
  auto* sizing = app.add_subcommand("size", "What height so much core wool, or one length of wire, makes.");
  sizing->add_option("file", file, "a .columna file")->required();
  auto* amount = sizing->add_option_group("amount");
  amount->add_option("--core", core, "core wool, e.g. \"40 g\"");
  amount->add_option("--wire", wire, "one wire's length, e.g. \"900 mm\"");
  amount->require_option(1);

  std::string output;
  auto* outline =
      app.add_subcommand("outline", "Write the outlines from the side, the front and above as SVG.");
  outline->add_option("what", file, "an animal's id, a pattern .json or a .columna file")->required();
  outline->add_option("-o,--output", output, "the .svg file to write")->required();

  cli::FrameOptions framed;
  auto* frame =
      app.add_subcommand("frame", "Print a pose's wire frame: sag, moments, reactions, buckling, collapse.");
  frame->add_option("file", file, "a .columna file")->required();
  frame->add_option("--pose", framed.pose, "a pose's name; the one the file is left in by default");
  frame->add_option("--feet", framed.feet, "pin or clamp, whatever the file says");
  frame->add_flag("--json", framed.json, "as JSON");
  frame->add_option("--deck", framed.deck, "write an input deck for CalculiX to this .inp file");

  cli::ExportOptions exported;
  auto* exporting = app.add_subcommand("export", "Write the body as a mesh, or its girths as a table.");
  exporting->add_option("file", file, "a .columna file")->required();
  exporting->add_option("-o,--output", exported.output, "the file to write: .stl, .obj, .glb or .csv")
      ->required();
  exporting->add_option("--cell", exported.cell, "fineness in mm, 0.1 to 5; 0.5 by default");
  exporting->add_option("--pose", exported.pose, "a pose's name; the neutral stance by default");
  exporting->add_flag("--core", exported.core, "the felted core without its coat");

  cli::BlendOptions blending;
  auto* blend =
      app.add_subcommand("blend", "Blend a colour of your own wools: what to weigh, how near it comes.");
  blend->add_option("--to", blending.to, "the colour, e.g. #5C4432")->required();
  blend->add_option("--list", blending.list, "a table (CSV) of your wools: kind, name, amount, unit, colour")
      ->required();
  blend->add_option("--grams", blending.grams, "how much is wanted, e.g. \"14 g\"");
  blend->add_option("--wools", blending.wools, "of so many at most, 1 to 4; 3 by default")
      ->check(CLI::Range(1, 4));
  blend->add_flag("--mottled", blending.mottled, "streaks are wanted");
  blend->add_option("--tried", blending.tried,
                    "a test blend of yours: the pale wool, the dark one, and what half of each came to");
  blend->add_flag("--json", blending.json, "as JSON");

  cli::StepOptions stepping;
  auto* steps = app.add_subcommand("steps", "Print the steps of making a figure, in order.");
  steps->add_option("file", file, "a .columna file")->required();
  steps->add_flag("--ready", stepping.ready, "only those that can be begun");
  steps->add_option("--fits", stepping.fits, "what fits into so many minutes, begun now");
  steps->add_flag("--json", stepping.json, "as JSON");
  steps->add_option("--at", stepping.at, "the time it is, e.g. 2026-12-01T20:00:00+01:00; now by default");

  cli::SessionOptions placing;
  auto* sessions =
      app.add_subcommand("sessions", "Place the steps into a week's sessions and tell when it ends.");
  sessions->add_option("file", file, "a .columna file")->required();
  sessions->add_option("--calendar", placing.calendar,
                       std::string("when you work; as the file says, else \"") + columna::kUsualWeek + '"');
  sessions->add_option("--from", placing.from, "the first day, e.g. 2026-12-01; today by default");
  sessions->add_option("--ics", placing.ics, "write a calendar file");
  sessions->add_flag("--json", placing.json, "as JSON");
  sessions->add_option("--at", placing.at, "the time it is, e.g. 2026-12-01T20:00:00+01:00; now by default");

  cli::LogOptions logged;
  auto* log =
      app.add_subcommand("log", "List the record of a figure's making, add to it, or withdraw of it.");
  log->add_option("file", file, "a .columna file")->required();
  log->add_option("--add", logged.add, "a step, what of it, and a value: wind/trunk weight \"38.6 g\"")
      ->expected(1, 4);
  log->add_option("--text", logged.text, "a note with it");
  log->add_option("--along", logged.along, "of a girth: how far from the part's root, \"90 mm\"");
  log->add_option("--withdraw", logged.withdraw, "an entry's id: it does not count any more");
  log->add_option("--csv", logged.csv, "write it as a table");
  log->add_option("--story", logged.story, "write the story of the making, a .pdf to print");
  log->add_option("--at", logged.at, "when it was, e.g. 2026-12-01T20:00:00+01:00; now by default");

  cli::BookletOptions booklet;
  auto* booking = app.add_subcommand("booklet", "Write the booklet of a figure's making, step by step.");
  booking->add_option("file", file, "a .columna file")->required();
  booking->add_option("-o,--output", booklet.output, "a .pdf, or a folder of pages for a browser")
      ->required();
  booking->add_option("--paper", booklet.paper, "A4 or Letter");
  booking->add_flag("--grey", booklet.grey, "to be read without colours");
  booking->add_flag("--no-guide", booklet.noGuide, "without the drawings at true size");
  booking->add_flag("--no-notes", booklet.noNotes, "without what you noted at the steps");

  cli::LookOptions looking;
  auto* look = app.add_subcommand("look", "Say what a photo of the work shows beside the plan.");
  look->add_option("file", file, "a .columna file")->required();
  look->add_option("photo", looking.photo, "a PNG, JPEG, WebP or TIFF")->required();
  look->add_option("--view", looking.view, "how it was taken: right, left, front, back or above");
  look->add_option("--above", looking.above, "one taken from above on the mat just before");
  look->add_flag("--finished", looking.finished, "the work is done, whatever its record says");
  look->add_flag("--json", looking.json, "as JSON");

  cli::LearnOptions learnt;
  auto* learning = app.add_subcommand("learn", "Tell what your records have shown of your hand.");
  learning->add_option("--add", learnt.add, "a .columna file whose record is taken in");
  learning->add_option("--strike", learnt.strike, "the name of a figure that does not count");
  learning->add_option("--count", learnt.count, "the name of one that counts again");
  learning->add_flag("--json", learnt.json, "as JSON");

  auto* sheet = app.add_subcommand("sheet", "Write the wire at true size, or its cuts and bends.");
  sheet->add_option("file", file, "a .columna file")->required();
  sheet->add_option("-o,--output", output, "the file to write: .svg, .dxf or .csv")->required();

  return spoken(app, argc, argv, [&] {
    if (patterns->parsed()) return cli::patterns(json);
    if (schema->parsed()) return cli::schema(of);
    if (materials->parsed()) return cli::materials(json);
    if (create->parsed()) return cli::create(fresh);
    if (sizing->parsed()) return cli::size(file, core, wire);
    if (outline->parsed()) return cli::outlines(file, output);
    if (exporting->parsed()) return cli::exportSolid(file, exported);
    if (blend->parsed()) return cli::blend(blending);
    if (sheet->parsed()) return cli::sheet(file, output);
    if (steps->parsed()) return cli::steps(file, stepping);
    if (learning->parsed()) return cli::learn(learnt);
    if (look->parsed()) return cli::look(file, looking);
    if (booking->parsed()) return cli::booklet(file, booklet);
    if (log->parsed()) return cli::log(file, logged);
    if (sessions->parsed()) return cli::sessions(file, placing);
    if (frame->parsed()) return cli::frame(file, framed);
    if (plan->parsed()) return cli::plan(file, json);
    if (heads->parsed()) return cli::heads(json);
    if (face->parsed()) return cli::face(file, json);
    if (soles->parsed()) return cli::soles(file, drawn);
    if (flat->parsed()) return cli::flat(file, part, drawn);
    return cli::check(file);
  });
}
