// The tables of fields: each field is written, read and described; its range holds to the last number; files
// of the version before come up to date.
#include "file/migrations.h"
#include "file/project_schema.h"
#include "file/readable.h"
#include "file/rich.h"
#include "project/project_fields.h"
#include "validate.h"

#include <functional>

using namespace columna;
using namespace columna::test;
using Json = nlohmann::json;

namespace {

/// A number somewhere in a project's JSON, with what it may be.
struct Place {
  Json::json_pointer at;
  Bounds bounds;
  bool whole = false;
};

template <class Value>
constexpr bool kWhole = std::is_same_v<typename Kept<Value>::Type, int>;

/// Walks all fields of a struct that a JSON of it holds: names each by its way ("drawer.[].count"), and notes
/// every number.
template <Tabled T>
void walk(const Json& json, const Json::json_pointer& at, const std::string& way, std::set<std::string>& seen,
          std::vector<Place>& numbers);

/// Numbers in nested lists and maps of a field: places, lengths by bone.
void within(const Json& json, const Json::json_pointer& at, const Place& like, std::vector<Place>& numbers) {
  if (json.is_number()) numbers.push_back({at, like.bounds, like.whole});
  if (json.is_object())
    for (const auto& [key, each] : json.items()) within(each, at / key, like, numbers);
  if (json.is_array())
    for (size_t i = 0; i < json.size(); ++i) within(json[i], at / i, like, numbers);
}

template <Tabled T>
void walk(const Json& json, const Json::json_pointer& at, const std::string& way, std::set<std::string>& seen,
          std::vector<Place>& numbers) {
  eachField<T>([&]<class Owner, class Value>(const Field<Owner, Value>& f) {
    const std::string key(f.key);
    if (!json.contains(key) || json[key].is_null()) return;
    const std::string name = way + key;
    seen.insert(name);
    using Inner = typename Kept<Value>::Type;
    if constexpr (!Tabled<Inner>) {
      within(json[key], at / key, {Json::json_pointer(), f.bounds, kWhole<Value>}, numbers);
    } else if constexpr (std::is_same_v<Value, std::vector<Inner>>) {
      for (size_t i = 0; i < json[key].size(); ++i)
        walk<Inner>(json[key][i], at / key / i, name + ".", seen, numbers);
    } else if constexpr (std::is_same_v<Value, std::map<std::string, Inner>>) {
      for (const auto& [own, each] : json[key].items())
        walk<Inner>(each, at / key / own, name + ".", seen, numbers);
    } else {
      walk<Inner>(json[key], at / key, name + ".", seen, numbers);
    }
  });
}

/// The ways to all fields there are.
template <Tabled T>
void all(const std::string& way, std::set<std::string>& out) {
  eachField<T>([&]<class Owner, class Value>(const Field<Owner, Value>& f) {
    const std::string name = way + std::string(f.key);
    out.insert(name);
    if constexpr (Tabled<typename Kept<Value>::Type>) all<typename Kept<Value>::Type>(name + ".", out);
  });
}

std::vector<Place> numbersOf(const Json& json) {
  std::set<std::string> seen;
  std::vector<Place> numbers;
  walk<Project>(json, Json::json_pointer(), "", seen, numbers);
  return numbers;
}

Result<Project> read(const Json& json) {
  bool newer = false;
  return projectFromJson(json, "bench.columna", newer);
}

} // namespace

TEST(Fields, TheRichProjectHasEachOfThem) {
  std::set<std::string> seen;
  std::vector<Place> numbers;
  walk<Project>(rich(), Json::json_pointer(), "", seen, numbers);
  std::set<std::string> every;
  all<Project>("", every);
  EXPECT_GT(every.size(), 120U);
  for (const std::string& field : every)
    EXPECT_TRUE(seen.contains(field)) << field << ": give it to rich() in tests/file/rich.h";
}

TEST(Fields, WhatIsWrittenIsReadAsItWas) {
  const Json json = rich();
  const auto project = read(json);
  ASSERT_TRUE(project) << project.problem().sentence();
  EXPECT_EQ(toJson(*project), json);
  EXPECT_FALSE(unreadable(*project));
}

TEST(Fields, RangesHoldToTheLastNumber) {
  const Json good = rich();
  size_t tried = 0;
  for (const Place& place : numbersOf(good)) {
    const auto with = [&](double value) {
      Json json = good;
      if (place.whole)
        json[place.at] = static_cast<long>(value);
      else
        json[place.at] = value;
      return read(json);
    };
    const auto beyond = [&](double value, double way) {
      return place.whole ? value + way : std::nextafter(value, way * std::numeric_limits<double>::infinity());
    };
    const auto refused = [&](double value) {
      const auto project = with(value);
      EXPECT_FALSE(project) << place.at << " = " << value;
      if (project) return;
      EXPECT_NE(project.problem().sentence().find("bench.columna"), std::string::npos);
      EXPECT_FALSE(project.problem().remedy.empty()) << place.at;
    };
    const Bounds& b = place.bounds;
    if (b.least > Bounds().least) {
      EXPECT_EQ(with(b.least).ok(), !b.above) << place.at << " = " << b.least;
      refused(beyond(b.least, -1));
      ++tried;
    }
    if (b.most < Bounds().most) {
      EXPECT_TRUE(with(b.most)) << place.at << " = " << b.most;
      refused(beyond(b.most, 1));
      ++tried;
    }
  }
  EXPECT_GT(tried, 150U);
  Json three = good;
  three["limbs"]["tail"]["wires"] = 3;
  EXPECT_FALSE(read(three)) << "three strands are not twisted";
  three["limbs"]["tail"]["wires"] = 2.5;
  EXPECT_FALSE(read(three)) << "nor two and a half";
}

TEST(Fields, AnUnsetOneStaysUnset) {
  // Core wool is undyed as a rule, but a maker may not know.
  Project p;
  p.wool.core.tone.reset();
  const auto back = read(toJson(p));
  ASSERT_TRUE(back);
  EXPECT_EQ(back->wool.core.tone, std::nullopt);
  EXPECT_EQ(*back, p);
  Json null = rich();
  for (const char* at :
       {"/coat_mm", "/limbs/tail/diameter_mm", "/stances/times", "/wool/test_ball", "/drawer/0/yield_MPa"})
    null[Json::json_pointer(at)] = nullptr;
  const auto less = read(null);
  ASSERT_TRUE(less) << less.problem().sentence();
  EXPECT_FALSE(less->coat || less->limbs.at("tail").diameter || less->stances.times || less->wool.ball ||
               less->drawer[0].yield);
}

TEST(Fields, APoseOfANameIsTheLastOfIt) {
  Json json = rich();
  json["stances"]["saved"].push_back({{"name", "bow"}, {"turns_deg", {{"neck1", {{"flex", 5}}}}}});
  const auto project = read(json);
  ASSERT_TRUE(project);
  ASSERT_EQ(project->stances.saved.size(), 2U);
  EXPECT_NEAR(project->stances.saved[1].turns.at("neck1").flex, 5 * kDegree, 1e-12);
  json["stances"]["saved"].push_back({{"name", ""}});
  EXPECT_FALSE(read(json)) << "one without a name is not found again";
}

TEST(Schema, IsMadeOfTheFields) {
  std::ifstream in(std::string(COLUMNA_TESTS_DIR) + "/../docs/schema/project.schema.json");
  EXPECT_EQ(Json::parse(in), projectSchema()) << "columna-cli schema > docs/schema/project.schema.json";
}

TEST(Schema, TakesWhatTheReaderTakesAndNothingElse) {
  const Scratch scratch;
  const Json good = rich();
  std::vector<std::string> files{scratch.write("good.json", good.dump())};
  std::set<std::string> refused;
  const auto add = [&](const Json& json) {
    files.push_back(scratch.write(std::to_string(files.size()) + ".json", json.dump()));
    if (!read(json)) refused.insert(files.back());
  };
  for (const Place& place : numbersOf(good))
    for (const double value :
         {place.bounds.least, place.bounds.most, place.bounds.least - 1, place.bounds.most + 1}) {
      if (std::abs(value) >= Bounds().most) continue;
      Json json = good;
      json[place.at] = value;
      add(json);
    }
  for (const char* wrong : {"/use", "/size/by", "/wool/grip", "/stances/hands", "/drawer/0/name", "/untied/0",
                            "/photos/0/view", "/drawer_only"}) {
    Json json = good;
    json[Json::json_pointer(wrong)] = 7;
    add(json);
  }
  for (const char* gone : {"name", "size", "use"}) {
    Json json = good;
    json.erase(gone);
    add(json);
  }
  EXPECT_GT(refused.size(), 100U);
  EXPECT_GT(files.size() - refused.size(), 100U);
  EXPECT_EQ(invalid(scratch, "project", files), refused);
}

TEST(Migrations, AShownLengthMeantFurInVersion1) {
  Project p;
  p.wool.furShown = 12;
  p.wool.finish = CoatFinish::Fur;
  Json json = toJson(p);
  json["wool"].erase("coat_finish");
  json["schema"] = "columna-project/1";
  const auto old = read(json);
  ASSERT_TRUE(old) << old.problem().sentence();
  EXPECT_EQ(old->wool.finish, CoatFinish::Fur);
  json["wool"]["coat_finish"] = "felted";
  EXPECT_EQ(read(json)->wool.finish, CoatFinish::Felted) << "what was said then counts";
  json["wool"].erase("coat_finish");
  json["schema"] = "columna-project/" + std::to_string(kProjectVersion);
  EXPECT_EQ(read(json)->wool.finish, CoatFinish::Felted) << "today nothing is meant by it";
  for (const Json& odd : {Json(), Json(7), Json::array(), Json("fur")}) {
    Json strange = json;
    strange["schema"] = "columna-project/1";
    strange["wool"] = odd;
    EXPECT_FALSE(read(strange)) << odd << ": named by the reader, not died of";
  }
}

TEST(Migrations, TodaysVersionIsLeftAsItIs) {
  Json json = rich();
  const Json before = json;
  migrate(json, kProjectVersion);
  EXPECT_EQ(json, before);
  migrate(json, 1);
  migrate(json, 1);
  EXPECT_EQ(json, before) << "what is up to date already is not changed by any step";
}
