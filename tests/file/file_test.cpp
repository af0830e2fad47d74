#include "file/columna_file.h"

#include "file/migrations.h"
#include "file/project_json.h"
#include "file/salvage.h"
#include "project/history.h"
#include "report/plan_json.h"
#include "support.h"

#include <random>

#include <zlib.h>

using namespace columna;
using namespace columna::test;

namespace {

ProjectFile sample() {
  ProjectFile file;
  file.project = project("red_fox", 171.25, Construction::FoldedPair);
  file.project.name = "Fox “at dusk”";
  file.project.units = UnitSystem::Inch;
  file.project.use = Use::Handled;
  file.project.coat = 4.5;
  file.project.limbs["tail"] = {"copper-soft",    0.8, Firmness::Soft,  0.18e-3,
                                CoatWay::AllCoat, 4,   RootHold::Glued, PieceRules::Digits{5, 7.5, true}};
  file.project.wool.ball = {31, 2.9, Firmness::Firm};
  file.project.wool.core = {WoolForm::Batt, 0.0035, {}, Tone::Dark};
  file.project.wool.coat = {WoolForm::Top, {}, 85, Tone::Pale};
  file.project.wool.grip = WireGrip::Paper;
  file.project.wool.furShown = 25;
  file.project.wool.markings = {
      {"bib", Tone::Pale, View::Front, {{0, 0}, {0.1, 0}, {0.1, 0.25}}, false, "neck"}};
  file.project.wool.records = {{"tail", WrapRecord::What::Girth, 35, 61, "felted", "2026-11-25"},
                               {"tail", WrapRecord::What::Left, 0, 1.5, "", "2026-11-25"}};
  file.project.mostWires = 2;
  file.project.drawerOnly = true;
  file.project.handling = 900;
  file.project.drawer = {{"my copper", "copper-soft", 0.81, 0.1, 450, 6, Estimate{71, 60, 85}},
                         {"coil", "aluminium-annealed", 1.6, 0, 0, 1, {}}};
  file.project.allow.lap = 12;
  file.project.pieceAllow["tail"].loopInside = 4;
  file.project.routes["back"] = {{"hip", "nose"}};
  file.project.untied = {"foreleg"};
  file.others["photos/side.jpg"] = std::string(2000, 'p');
  return file;
}

std::string packed(const ProjectFile& file) {
  auto bytes = packProject(file);
  EXPECT_TRUE(bytes.ok());
  return std::move(bytes).value();
}

std::uint32_t le32(const std::string& s, size_t at) {
  std::uint32_t v = 0;
  for (int i = 3; i >= 0; --i) v = (v << 8U) | static_cast<unsigned char>(s[at + static_cast<size_t>(i)]);
  return v;
}

void put32(std::string& s, size_t at, std::uint32_t v) {
  for (size_t i = 0; i < 4; ++i) s[at + i] = static_cast<char>((v >> (8 * i)) & 0xffU);
}

} // namespace

TEST(ColumnaFile, EverythingComesBack) {
  const Scratch scratch;
  const std::string path = scratch.path("fox.columna");
  const ProjectFile out = sample();
  ASSERT_FALSE(saveProject(path, out).has_value());
  const auto in = openProject(path);
  ASSERT_TRUE(in.ok()) << in.problem().sentence();
  EXPECT_EQ(toJson(in->project), toJson(out.project));
  EXPECT_EQ(in->project.size.mm, 171.25);
  EXPECT_EQ(in->others, out.others);
  EXPECT_FALSE(in->readOnly);
  EXPECT_TRUE(in->messages.empty());
}

TEST(ColumnaFile, MimetypeIsFirstAndStored) {
  const std::string bytes = packed(sample());
  EXPECT_EQ(bytes.substr(30, 8), "mimetype");
  EXPECT_EQ(bytes.substr(38, kMimeType.size()), kMimeType);
}

TEST(ColumnaFile, UnknownKeysAndEntriesSurvive) {
  const Scratch scratch;
  ProjectFile file = sample();
  file.project.unknown = std::make_shared<const nlohmann::json>(nlohmann::json{
      {"future", {{"glaze", 3}}}, {"limbs", {{"tail", {{"bead", "blue"}}}, {"head", {{"hat", true}}}}}});
  const std::string path = scratch.write("f.columna", packed(file));
  auto in = openProject(path);
  ASSERT_TRUE(in.ok());
  ProjectFile again = std::move(in).value();
  again.project.limbs.erase("tail");
  again.project.name = "renamed";
  ASSERT_FALSE(saveProject(path, again).has_value());
  const auto json = toJson(openProject(path)->project);
  EXPECT_EQ(json["future"]["glaze"], 3);
  EXPECT_EQ(json["limbs"]["tail"]["bead"], "blue");
  EXPECT_FALSE(json["limbs"]["tail"].contains("diameter_mm")) << "what was taken back is gone";
  EXPECT_EQ(json["limbs"]["head"]["hat"], true);
  EXPECT_EQ(json["name"], "renamed");
  EXPECT_TRUE(openProject(path)->others.contains("photos/side.jpg"));
}

TEST(ColumnaFile, LastGoodCopyIsKeptAndAFailedSaveTouchesNothing) {
  const Scratch scratch;
  const std::string path = scratch.path("a.columna");
  ProjectFile file = sample();
  ASSERT_FALSE(saveProject(path, file).has_value());
  const std::string first = Scratch::read(path);
  file.project.name = "second";
  ASSERT_FALSE(saveProject(path, file).has_value());
  EXPECT_EQ(Scratch::read(path + "~"), first);
  EXPECT_EQ(openProject(path)->project.name, "second");
  const auto failed = saveProject(scratch.path("no such folder/a.columna"), file);
  ASSERT_TRUE(failed.has_value());
  EXPECT_NE(failed->sentence().find("untouched"), std::string::npos);
  size_t files = 0;
  for ([[maybe_unused]] const auto& each :
       std::filesystem::directory_iterator(std::filesystem::path(path).parent_path()))
    ++files;
  EXPECT_EQ(files, 2U) << "no half-written file is left";
}

TEST(ColumnaFile, CutShortItSavesWhatItCan) {
  const Scratch scratch;
  ProjectFile file = sample();
  std::mt19937 random(7);
  std::string noise(20000, '\0');
  for (char& c : noise) c = static_cast<char>(random());
  file.others["photos/side.jpg"] = noise;
  const std::string whole = packed(file);
  // Cut within the photo: the project is whole.
  const auto cut = openProject(scratch.write("cut.columna", whole.substr(0, whole.size() - 3000)));
  ASSERT_TRUE(cut.ok()) << cut.problem().sentence();
  EXPECT_EQ(cut->project.name, file.project.name);
  ASSERT_EQ(cut->messages.size(), 1U);
  EXPECT_NE(render(cut->messages[0]).find("photos/side.jpg"), std::string::npos)
      << "what was lost is named: " << cut->messages[0];
  // Cut anywhere: either it opens, or one clear sentence; never a crash.
  for (size_t n = 0; n < whole.size(); n += 211) {
    const auto opened = openProject(scratch.write("n.columna", whole.substr(0, n)));
    if (!opened.ok()) {
      EXPECT_NE(opened.problem().sentence().find("n.columna"), std::string::npos);
    } else {
      EXPECT_FALSE(opened->messages.empty());
    }
  }
}

TEST(ColumnaFile, FlippedBytesNeverCrash) {
  const Scratch scratch;
  const std::string whole = packed(sample());
  std::mt19937 random(11);
  for (int round = 0; round < 400; ++round) {
    std::string spoilt = whole;
    for (int k = 0; k < 4; ++k) spoilt[random() % spoilt.size()] = static_cast<char>(random());
    const auto opened = openProject(scratch.write("spoilt.columna", spoilt));
    if (!opened.ok()) {
      EXPECT_FALSE(opened.problem().what.empty());
    }
  }
}

TEST(ColumnaFile, WrongMimetypeIsNotOurs) {
  const Scratch scratch;
  std::string bytes = packed(sample());
  const size_t at = bytes.find(kMimeType);
  bytes.replace(at, 4, "text");
  const auto opened = openProject(scratch.write("odt.columna", bytes));
  ASSERT_FALSE(opened.ok());
  EXPECT_NE(opened.problem().sentence().find("not a Columna project"), std::string::npos);
  EXPECT_FALSE(openProject(scratch.write("text.columna", "just some words")).ok());
  EXPECT_FALSE(openProject(scratch.write("empty.columna", "")).ok());
  EXPECT_FALSE(openProject(scratch.path("absent.columna")).ok());
  EXPECT_FALSE(openProject(std::filesystem::path(scratch.path("x")).parent_path()).ok()) << "a folder";
}

TEST(ColumnaFile, AClaimOfTwoGigabytesIsRefusedBeforeReading) {
  const Scratch scratch;
  std::string bytes = packed(sample());
  // In the central directory the entry of project.json claims 2 GB uncompressed.
  const std::string mark("PK\x01\x02", 4);
  for (size_t at = bytes.find(mark); at != std::string::npos; at = bytes.find(mark, at + 4)) {
    const size_t name = at + 46;
    if (bytes.compare(name, 12, "project.json") != 0) continue;
    put32(bytes, at + 24, 0x7fffffffU);
    EXPECT_EQ(le32(bytes, at + 24), 0x7fffffffU);
  }
  const auto opened = openProject(scratch.write("bomb.columna", bytes));
  ASSERT_FALSE(opened.ok());
  EXPECT_NE(opened.problem().sentence().find("claims"), std::string::npos) << opened.problem().sentence();
}

TEST(ColumnaFile, ANewerOneOpensForLookingOnly) {
  const Scratch scratch;
  ProjectFile file = sample();
  std::string bytes = packed(file);
  // Through JSON, since the writer always writes its own version.
  auto json = toJson(file.project);
  json["schema"] = "columna-project/7";
  bool newer = false;
  EXPECT_TRUE(projectFromJson(json, "f", newer).ok());
  EXPECT_TRUE(newer);
  json["schema"] = "columna-project/x";
  EXPECT_FALSE(projectFromJson(json, "f", newer).ok());
}

TEST(ColumnaFile, ANewerFileIsReadOnlyWithAPlainMessage) {
  // Entries without a directory, as a program that was cut off leaves them; stored, so that no packer is
  // needed.
  const auto entry = [](const std::string& name, const std::string& content) {
    std::string header("PK\x03\x04", 4);
    header.resize(30, '\0');
    put32(header, 14,
          static_cast<std::uint32_t>(crc32(0, reinterpret_cast<const unsigned char*>(content.data()),
                                           static_cast<unsigned>(content.size()))));
    put32(header, 18, static_cast<std::uint32_t>(content.size()));
    put32(header, 22, static_cast<std::uint32_t>(content.size()));
    header[26] = static_cast<char>(name.size());
    return header + name + content;
  };
  const Scratch scratch;
  auto json = toJson(sample().project);
  json["schema"] = "columna-project/" + std::to_string(kProjectVersion + 1);
  json["glaze"] = "blue";
  const auto opened = openProject(scratch.write("new.columna", entry("mimetype", std::string(kMimeType)) +
                                                                   entry("project.json", json.dump())));
  ASSERT_TRUE(opened.ok()) << opened.problem().sentence();
  EXPECT_TRUE(opened->readOnly);
  EXPECT_EQ(opened->project.name, sample().project.name) << "what is known is read";
  bool said = false;
  for (const Said& m : opened->messages) said = said || render(m).find("newer Columna") != std::string::npos;
  EXPECT_TRUE(said);
}

TEST(ColumnaFile, NestedDeepItIsRefusedNotDiedOf) {
  const Scratch scratch;
  ProjectFile deep = sample();
  nlohmann::json within = 1;
  for (int i = 0; i < 40; ++i) within = nlohmann::json::array({within});
  deep.project.unknown = std::make_shared<const nlohmann::json>(nlohmann::json{{"later", within}});
  scratch.write("forty.columna", packed(deep));
  EXPECT_TRUE(openProject(scratch.path("forty.columna")).ok());
  for (int i = 0; i < 40; ++i) within = nlohmann::json::array({within});
  deep.project.unknown = std::make_shared<const nlohmann::json>(nlohmann::json{{"later", within}});
  scratch.write("eighty.columna", packed(deep));
  const auto read = openProject(scratch.path("eighty.columna"));
  ASSERT_FALSE(read.ok());
  EXPECT_EQ(render(read.problem().where.said), "eighty.columna");
}

TEST(ColumnaFile, ANameThatIsNotUtf8CanBeSaved) {
  const Scratch scratch;
  ProjectFile file = sample();
  file.project.name = "Fox \xe9 \xff";
  const std::string path = scratch.path("fox.columna");
  ASSERT_FALSE(saveProject(path, file));
  const auto in = openProject(path);
  ASSERT_TRUE(in.ok());
  EXPECT_EQ(in->project.name, "Fox \uFFFD \uFFFD");
  EXPECT_FALSE(saveProject(path, *in));
}

TEST(ColumnaFile, WhatWasSalvagedCanBeSaved) {
  // Entry names of an old packer, its directory cut off.
  const Scratch scratch;
  ProjectFile file = sample();
  file.others["photo-_-.txt"] = "a note";
  std::string bytes = packed(file);
  for (size_t at = bytes.find("photo-_-"); at != std::string::npos; at = bytes.find("photo-_-", at + 1))
    bytes[at + 6] = '\x84'; // an a with two dots
  bytes.resize(bytes.find("PK\x01\x02"));
  const std::string path = scratch.write("old.columna", bytes);
  const auto in = openProject(path);
  ASSERT_TRUE(in.ok()) << in.problem().sentence();
  EXPECT_FALSE(in->messages.empty());
  EXPECT_EQ(in->others.at("photo-ä-.txt"), "a note");
  ASSERT_FALSE(saveProject(path, *in));
  const auto again = openProject(path);
  ASSERT_TRUE(again.ok());
  EXPECT_TRUE(again->messages.empty());
  EXPECT_EQ(again->others, in->others);
  EXPECT_EQ(toJson(again->project), toJson(in->project));
}

TEST(ColumnaFile, APictureOfNoSizeIsNamed) {
  for (const double size : {1e308, -1e308, 0.0, 20001.0, 0.5}) {
    nlohmann::json json = toJson(sample().project);
    json["photos"] = nlohmann::json::array(
        {{{"entry", "photos/side.jpg"}, {"view", "side"}, {"width", size}, {"height", 600}}});
    bool newer = false;
    EXPECT_FALSE(projectFromJson(json, "f", newer).ok()) << size;
  }
}

TEST(ColumnaFile, BadFieldsAreNamed) {
  const auto good = toJson(sample().project);
  struct Case {
    const char* field;
    nlohmann::json value;
  };
  for (const Case& c :
       {Case{"size", {{"by", "height"}, {"mm", 0}}}, Case{"size", {{"by", "girth"}, {"mm", 5}}},
        Case{"construction", "glue"}, Case{"use", 3}, Case{"coat_mm", -1},
        Case{"limbs", nlohmann::json::array()}, Case{"units", "cubit"}, Case{"name", nullptr}}) {
    auto json = good;
    json[c.field] = c.value;
    bool newer = false;
    const auto read = projectFromJson(json, "f.columna", newer);
    ASSERT_FALSE(read.ok()) << c.field;
    EXPECT_NE(read.problem().sentence().find(c.field), std::string::npos) << read.problem().sentence();
  }
}

TEST(History, UndoesByNameAndRunsAsOne) {
  History h(project("red_fox", 100));
  const auto to = [&](double mm, const char* run = "") {
    Project p = h.now();
    p.size.mm = mm;
    h.change("size", p, run);
  };
  EXPECT_FALSE(h.canUndo());
  to(110);
  h.markSaved();
  for (double mm = 120; mm <= 150; mm += 1) to(mm, "drag");
  h.endRun();
  to(200, "drag");
  EXPECT_TRUE(h.changed());
  EXPECT_EQ(h.undoName(), "size");
  h.undo();
  EXPECT_EQ(h.now().size.mm, 150);
  h.undo();
  EXPECT_EQ(h.now().size.mm, 110) << "the drag was one step";
  EXPECT_FALSE(h.changed()) << "back at what was saved";
  h.redo();
  EXPECT_EQ(h.now().size.mm, 150);
  to(99);
  EXPECT_FALSE(h.canRedo()) << "a new change ends what could be redone";
  h.undo();
  h.undo();
  h.undo();
  h.undo();
  EXPECT_EQ(h.now().size.mm, 100);
  EXPECT_FALSE(h.canUndo());
}
