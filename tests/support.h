// What the tests share: the shipped catalog, a project of an animal at a size, and a scratch folder.
#pragma once

#include "judge/planning.h"
#include "plan/plan.h"

#include <gtest/gtest.h>

#include <filesystem>
#include <fstream>
#include <functional>
#include <map>
#include <memory>
#include <string>
#include <vector>

#include <unistd.h>

namespace columna {

/// What is said, where a test tells of it.
inline std::ostream& operator<<(std::ostream& out, const Said& said) { return out << render(said); }

} // namespace columna

namespace columna::test {

inline const Catalog& shelf() {
  static const Catalog catalog = [] {
    auto loaded = loadCatalog(COLUMNA_DATA_DIR);
    EXPECT_TRUE(loaded.ok()) << (loaded.ok() ? "" : loaded.problem().sentence());
    EXPECT_TRUE(loaded->problems.empty());
    return std::move(loaded).value();
  }();
  return catalog;
}

/// The animals a test goes through: all of them. Under a sanitizer, which takes many times as long and looks
/// for faults that are no animal's own, every sixth.
inline const std::vector<std::reference_wrapper<const Pattern>>& animals() {
#ifdef COLUMNA_SANITIZED
  constexpr size_t every = 6;
#else
  constexpr size_t every = 1;
#endif
  static const std::vector<std::reference_wrapper<const Pattern>> chosen = [] {
    std::vector<std::reference_wrapper<const Pattern>> out;
    for (size_t i = 0; i < shelf().patterns.size(); i += every) out.emplace_back(shelf().patterns[i]);
    return out;
  }();
  return chosen;
}

inline Project project(const std::string& pattern, double height,
                       Construction construction = Construction::TwistedLimbs) {
  Project p;
  p.pattern = pattern;
  p.size = {SizeBy::OverallHeight, height};
  p.construction = construction;
  return p;
}

/// With a solid of its own, of cells so many times the working ones.
inline Plan plannedExactly(const Project& p, double coarser = 2.5) {
  auto made = plan(p, shelf(), {nullptr, false, coarser});
  EXPECT_TRUE(made.ok()) << (made.ok() ? "" : made.problem().sentence());
  return std::move(made).value();
}

/// With the wool guessed from the first figure of that animal, as the window does under the hand: quick, and
/// exact for another size.
inline Plan planned(const Project& p) {
  static std::map<std::string, std::shared_ptr<const KnownSolid>> known;
  std::shared_ptr<const KnownSolid>& mine = known[p.pattern];
  auto made = plan(p, shelf(), {mine, mine != nullptr, 2.5});
  if (made && !mine) mine = made->solid;
  EXPECT_TRUE(made.ok()) << (made.ok() ? "" : made.problem().sentence());
  return std::move(made).value();
}

/// Another value of a plan's part, for what no project gives.
template <class T, class Act>
void alter(Shared<T>& part, Act act) {
  T value = *part;
  act(value);
  part = std::move(value);
}

/// A folder of its own for each test, gone afterwards.
class Scratch {
public:
  Scratch() {
    const auto* info = ::testing::UnitTest::GetInstance()->current_test_info();
    folder_ = std::filesystem::temp_directory_path() /
              ("columna-" + std::string(info->test_suite_name()) + info->name() + std::to_string(::getpid()));
    std::filesystem::create_directories(folder_);
  }
  ~Scratch() {
    std::error_code error;
    std::filesystem::remove_all(folder_, error);
  }
  Scratch(const Scratch&) = delete;
  Scratch& operator=(const Scratch&) = delete;

  [[nodiscard]] std::string path(const std::string& name) const { return (folder_ / name).string(); }
  std::string write(const std::string& name, const std::string& bytes) const {
    std::ofstream(path(name), std::ios::binary) << bytes;
    return path(name);
  }
  static std::string read(const std::string& path) {
    std::ifstream in(path, std::ios::binary);
    return {std::istreambuf_iterator<char>(in), {}};
  }

private:
  std::filesystem::path folder_;
};

/// One of the data files of the work: "pace.json".
inline std::string workFile(const std::string& name) {
  return Scratch::read((std::filesystem::path(COLUMNA_DATA_DIR) / "work" / name).string());
}

/// A figure of one straight bone along x, for closed forms.
inline std::string rodPattern(double length, double across0, double deep0, double across1, double deep1) {
  const auto n = [](double v) { return std::to_string(v); };
  return R"({"schema":"columna-pattern/1","id":"rod","name":"Rod","family":"test","about":"a rod","module":{"name":"m","means":"m"},
  "life":{"measure":"length","mm":100,"modules":1},"measures":{"shoulder_height":{"modules":1,"means":"x"},"body_length":{"modules":1,"means":"x"}},
  "joints":{"a":[0,0,5],"b":[)" +
         n(length) + R"(,0,5]},
  "limbs":[{"id":"trunk","name":"trunk","kind":"trunk","twin":false,"bones":["rod"]}],
  "bones":[{"id":"rod","from":"a","to":"b","parent":null,"twin":false,"ends":"flat","up":[0,0,1],
   "stations":[{"at":0,"across":)" +
         n(across0) + R"(,"deep":)" + n(deep0) + R"(,"lift":0},{"at":1,"across":)" + n(across1) +
         R"(,"deep":)" + n(deep1) +
         R"(,"lift":0}]}],
  "flats":[],"eyes":{"at":[0,0,0],"diameter":0.01},"coat":{"thickness":0.1,"kind":"plush"},"poses":[],"facts":[]})";
}

} // namespace columna::test
