// The house: no room knows a higher one, and there are no circles. Read from the includes themselves.
#include "support.h"

#include <functional>
#include <regex>
#include <set>

using namespace columna;

namespace {

namespace fs = std::filesystem;

const fs::path kSource = fs::path(COLUMNA_TESTS_DIR).parent_path();

using Rooms =
    std::map<std::string, std::map<std::string, std::set<std::string>>>; ///< room, known room, by whom

std::string roomOf(const fs::path& file, const fs::path& house) {
  const fs::path rel = fs::relative(file, house);
  return rel.has_parent_path() ? rel.begin()->string() : std::string("main");
}

Rooms read(const fs::path& house, const std::vector<fs::path>& roots) {
  static const std::regex include("^#include \"([^\"]+)\"");
  Rooms out;
  for (const auto& each : fs::recursive_directory_iterator(house)) {
    const std::string ending = each.path().extension().string();
    if (ending != ".h" && ending != ".cpp") continue;
    const std::string mine = roomOf(each.path(), house);
    out[mine];
    std::ifstream in(each.path());
    for (std::string line; std::getline(in, line);) {
      std::smatch found;
      if (!std::regex_search(line, found, include)) continue;
      for (const fs::path& root : roots) {
        if (!fs::exists(root / found[1].str())) continue;
        const std::string other =
            root == house ? roomOf(root / found[1].str(), house) : root.filename().string();
        if (other != mine) out[mine][other].insert(fs::relative(each.path(), kSource).string());
        break;
      }
    }
  }
  return out;
}

/// Each room may know those on the floors under it.
void expectFloors(const Rooms& rooms, const std::vector<std::set<std::string>>& floors) {
  std::map<std::string, size_t> floor;
  for (size_t f = 0; f < floors.size(); ++f)
    for (const std::string& room : floors[f]) floor[room] = f;
  for (const auto& [room, known] : rooms) {
    ASSERT_TRUE(floor.contains(room))
        << room << " is a room without a floor: put it into this test and docs/rooms.md";
    for (const auto& [other, files] : known)
      for (const std::string& file : files)
        if (floor.contains(other)) {
          EXPECT_LT(floor[other], floor[room]) << file << " in " << room << " knows " << other;
        }
  }
}

} // namespace

TEST(Rooms, NoneOfCoreKnowsAHigherOne) {
  const fs::path core = kSource / "core";
  expectFloors(read(core, {core}), {{"words", "instrument"},
                                    {"measure"},
                                    {"anatomy", "colour"},
                                    {"head"},
                                    {"pose", "wire", "solid"},
                                    {"hold", "wool"},
                                    {"face", "photo", "stores"},
                                    {"make"},
                                    {"project"},
                                    {"file", "plan"},
                                    {"judge"},
                                    {"edit", "steps"},
                                    {"report", "sheet", "built"},
                                    {"booklet"}});
}

TEST(Rooms, NoneOfTheWindowKnowsAHigherOne) {
  const fs::path app = kSource / "app";
  expectFloors(read(app, {app}),
               {{"theme"},
                {"kit"},
                {"device"},
                {"session", "print"},
                {"stage"},
                {"turn"},
                {"mat"},
                {"study", "wire", "pose", "wrap", "face", "make", "shell"}, // none knows another
                {"main"}});
}

TEST(Rooms, AStageIsNamedInItsFolderAndInTheOneListAlone) {
  const fs::path app = kSource / "app";
  static const std::regex declared("constexpr StageId (k\\w+)\\{\"(\\w+)\"\\}");
  std::map<std::string, std::string> folderOf; // of a stage's constant
  for (const auto& each : fs::recursive_directory_iterator(app)) {
    if (each.path().extension() != ".h") continue;
    const std::string text = test::Scratch::read(each.path().string());
    for (std::sregex_iterator found(text.begin(), text.end(), declared), end; found != end; ++found) {
      folderOf[(*found)[1]] = roomOf(each.path(), app);
      EXPECT_EQ(roomOf(each.path(), app), (*found)[2]) << "its folder is called as it is";
    }
  }
  ASSERT_GE(folderOf.size(), 4U);
  for (const auto& each : fs::recursive_directory_iterator(app)) {
    if (each.path().extension() != ".h" && each.path().extension() != ".cpp") continue;
    if (each.path().filename() == "all_stages.cpp") continue;
    const std::string text = test::Scratch::read(each.path().string());
    for (const auto& [name, folder] : folderOf)
      if (roomOf(each.path(), app) != folder) {
        EXPECT_FALSE(std::regex_search(text, std::regex("\\b" + name + "\\b")))
            << each.path() << " names " << name;
      }
  }
}

TEST(Rooms, CoreKnowsNothingOfWindowsNorTheCommandLineOfQt) {
  for (const char* house : {"core", "cli"})
    for (const auto& each : fs::recursive_directory_iterator(kSource / house)) {
      if (each.path().extension() != ".h" && each.path().extension() != ".cpp") continue;
      const std::string text = test::Scratch::read(each.path().string());
      EXPECT_EQ(text.find("#include <Q"), std::string::npos) << each.path();
    }
}

TEST(Rooms, FilesAreOneIdea) {
  for (const char* house : {"core", "app", "cli"})
    for (const auto& each : fs::recursive_directory_iterator(kSource / house)) {
      if (each.path().extension() != ".h" && each.path().extension() != ".cpp") continue;
      const std::string text = test::Scratch::read(each.path().string());
      EXPECT_LE(std::count(text.begin(), text.end(), '\n'), 410) << each.path() << " is long: part it";
    }
}

TEST(Rooms, TheMapNamesThemAll) {
  const std::string map = test::Scratch::read((kSource / "docs" / "rooms.md").string());
  for (const char* house : {"core", "app"})
    for (const auto& each : fs::directory_iterator(kSource / house))
      if (each.is_directory()) {
        EXPECT_NE(map.find(each.path().filename().string() + "`"), std::string::npos) << each.path();
      }
}
