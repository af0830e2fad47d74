// The commands of columna-cli. Each prints to standard output and returns 0, 1 for a finding that is wrong,
// or 2 for bad input with one line on standard error.
#pragma once

#include "judge/planning.h"

#include <optional>
#include <string>
#include <vector>

namespace columna::cli {

inline constexpr int kGood = 0;
inline constexpr int kWrong = 1;
inline constexpr int kBadInput = 2;

struct NewOptions {
  std::string pattern, height, shoulder, body, head, limb, scale; ///< limb: "foreleg=70 mm"
  std::string variant;
  std::string construction = "twisted-limbs";
  std::string material = "aluminium-annealed";
  std::string use = "shelf";
  std::string output;
};

struct FrameOptions {
  std::string pose; ///< a pose's name; the one on the mat when empty
  std::string feet; ///< "pin", "clamp", or as the project has it
  std::string deck; ///< a CalculiX deck to write
  bool json = false;
};

struct ExportOptions {
  std::string output;
  std::string pose;  ///< a pose's name; the neutral stance when empty
  double cell = 0.5; ///< mm
  bool core = false; ///< the felted core instead of the finished coat
};

struct StepOptions {
  bool ready = false;      ///< only what can be done now
  std::optional<int> fits; ///< what fits into so many minutes
  std::string at;          ///< the time it is; now when empty
  bool json = false;
};

struct SessionOptions {
  std::optional<std::string> calendar; ///< when it is worked on; else as the project says, else kUsualWeek
  std::string from;                    ///< "2026-12-01"; today when empty
  std::string ics;                     ///< a calendar file to write
  std::string at;                      ///< the time it is; now when empty
  bool json = false;
};

struct LogOptions {
  std::vector<std::string> add; ///< a step, what of it, and a value
  std::string withdraw;         ///< an entry's id
  std::string text;             ///< a note with it
  std::string csv;              ///< a table to write
  std::string story;            ///< a PDF to write: the story of the making
  std::string along;            ///< from the limb's root, of a girth
  std::string at;               ///< when it was; now when empty
};

struct BlendOptions {
  std::string to;    ///< "#5C4432"
  std::string list;  ///< a table of wools
  std::string grams; ///< of the blend; empty: shares alone
  std::string tried; ///< three colours: pale, dark, and what half of each came to
  int wools = 3;     ///< at most
  bool mottled = false;
  bool json = false;
};

/// One line on standard error; returns kBadInput.
int complain(const std::string& sentence);

int patterns(bool json);
/// Prints the JSON schema of a project file or a head file ("project", "head").
int schema(const std::string& of);
/// The wire materials with what is known of each.
int materials(bool json);
int create(const NewOptions& options);
int plan(const std::string& file, bool json);
int check(const std::string& file);
/// Whether a file says that it is a head.
bool isHead(const std::string& path);
int checkHead(const std::string& path);
/// The animals' heads.
int heads(bool json);
/// Writes the pattern of a flat part of the head, an ear say, at true size: .svg or .dxf by the name's
/// ending.
int flat(const std::string& file, const std::string& part, const std::string& output);
/// Writes the soles at true size: .svg or .dxf by the name's ending.
int soles(const std::string& file, const std::string& output);
/// What the head of a project's figure asks of the maker: pads, eyes, pins, ears.
int face(const std::string& file, bool json);
/// Prints a pose's joints, or its frame as JSON; writes it as a deck for an outside solver.
int frame(const std::string& file, const FrameOptions& options);
/// Writes the body as .stl, .obj or .glb, or its girths as .csv, by the name's ending.
int exportSolid(const std::string& file, const ExportOptions& options);
/// Blends of one's own wools for a colour.
int blend(const BlendOptions& options);
/// The steps of making a figure: what to fetch, how long, and what comes before.
int steps(const std::string& file, const StepOptions& options);
/// The same placed into a week's sessions, and when it will be finished.
int sessions(const std::string& file, const SessionOptions& options);
/// Lists the record of a figure's making, adds to it, withdraws of it.
int log(const std::string& file, const LogOptions& options);
/// Prints the height that a weight of core wool, or one length of wire, makes.
int size(const std::string& file, const std::string& core, const std::string& wire);
/// Writes the wire at true size: .svg or .dxf, or the cuts and bends as .csv, by the name's ending.
int sheet(const std::string& file, const std::string& output);
/// Writes the side, front and above outlines of a project, a pattern file or an animal's id as SVG, in mm.
int outlines(const std::string& what, const std::string& output);

struct LookOptions {
  std::string photo;
  std::string view = "front"; ///< how it was taken
  std::string above;          ///< a photo from above on the mat; empty for none
  bool finished = false;      ///< whatever the record says
  bool json = false;
};
/// What a photo shows beside the plan, by columna-app, which reads pictures.
int look(const std::string& file, const LookOptions& options);

struct BookletOptions {
  std::string output;       ///< a .pdf, or a folder
  std::string paper = "A4"; ///< or Letter
  bool grey = false;
  bool noGuide = false; ///< without the drawings at true size
  bool noNotes = false; ///< without the maker's own
};
/// Writes the booklet of a figure's making: a folder of pages for a browser, or, where columna-app is
/// installed too, a PDF.
int booklet(const std::string& file, const BookletOptions& options);

/// What the maker's records have shown of their hand.
struct LearnOptions {
  std::vector<std::string> add; ///< files whose record is taken in
  std::string strike, count;    ///< names of figures that do not count, or do again
  bool json = false;
};
[[nodiscard]] int learn(const LearnOptions& options);

} // namespace columna::cli
