#include "cli_run.h"

#include "file/columna_file.h"

#include <set>
#include <sstream>

using namespace columna;
using namespace columna::test;

TEST(Cli, FromAnAnimalToAPlan) {
  const Scratch scratch;
  const std::string file = scratch.path("o.columna");
  ASSERT_EQ(run(scratch, "new --pattern river_otter --shoulder '95 mm' -o " + file).code, 0);
  const Ran plan = run(scratch, "plan " + file + " --json");
  ASSERT_EQ(plan.code, 0) << plan.err;
  const auto json = nlohmann::json::parse(plan.out);
  EXPECT_NEAR(json["figure"]["shoulder_height_mm"].get<double>(), 95, 1e-9);
  EXPECT_EQ(json["limbs"].size(), 8U);
  EXPECT_EQ(plan.out, run(scratch, "plan " + file + " --json").out);
  const Ran text = run(scratch, "plan " + file);
  EXPECT_NE(text.out.find("left-foreleg"), std::string::npos);
  EXPECT_EQ(run(scratch, "check " + file).code, 0);
}

TEST(Cli, EveryOptionOfNewCounts) {
  const Scratch scratch;
  const std::string file = scratch.path("h.columna");
  ASSERT_EQ(run(scratch, "new --pattern heron --height '12 in' --construction folded-pair --material "
                         "copper-soft --use handled -o " +
                             file)
                .code,
            0);
  const auto json = nlohmann::json::parse(run(scratch, "plan " + file + " --json").out);
  EXPECT_NEAR(json["figure"]["height_mm"].get<double>(), 304.8, 1e-6);
  EXPECT_EQ(json["pieces"][0]["material"], "copper-soft");
}

TEST(Cli, PatternsAreListed) {
  const Scratch scratch;
  const Ran ran = run(scratch, "patterns --json");
  ASSERT_EQ(ran.code, 0);
  std::set<std::string> ids;
  for (const auto& p : nlohmann::json::parse(ran.out)) ids.insert(p["id"].get<std::string>());
  for (const char* id : {"river_otter", "red_fox", "heron"}) EXPECT_TRUE(ids.contains(id));
  EXPECT_NE(run(scratch, "patterns").out.find("River otter"), std::string::npos);
}

TEST(Cli, BadInputIsTwoAndOneLine) {
  const Scratch scratch;
  const std::string out = " -o " + scratch.path("x.columna");
  for (const std::string& words :
       {"new --pattern red_fox --height 0" + out, "new --pattern red_fox --height -3" + out,
        "new --pattern red_fox --height NaN" + out, "new --pattern red_fox --height '5 km'" + out,
        "new --pattern red_fox --height tall" + out, "new --pattern unicorn --height 160" + out,
        "new --pattern red_fox" + out, "new --pattern red_fox --height 160 --body 200" + out,
        "new --pattern red_fox --height 160 --material wood" + out,
        "new --pattern red_fox --height 160 --use daily" + out,
        "new --pattern red_fox --height 160 --construction glue" + out,
        std::string("new --pattern red_fox --height 160 -o /no/such/folder/x.columna"),
        std::string("plan /no/such.columna"), std::string("dance"), std::string(),
        "plan " + scratch.write("bad.columna", "hello"), "check " + scratch.write("bad.json", "{}"),
        "check " + scratch.write("cut.json", "{\"schema\":")}) {
    const Ran ran = run(scratch, words);
    EXPECT_EQ(ran.code, 2) << words;
    EXPECT_FALSE(ran.err.empty()) << words;
    EXPECT_EQ(std::count(ran.err.begin(), ran.err.end(), '\n'), 1) << words << ": " << ran.err;
  }
  EXPECT_FALSE(std::filesystem::exists(scratch.path("x.columna"))) << "nothing is written on bad input";
}

TEST(Cli, DataFilesOfAnyShapeAndOutputThatDoesNotFit) {
  const Scratch scratch;
  std::filesystem::copy(COLUMNA_DATA_DIR, scratch.path("data"), std::filesystem::copy_options::recursive);
  const std::string own =
      "XDG_DATA_HOME=" + scratch.path("none") + " COLUMNA_DATA=" + scratch.path("data") + " ";
  for (const char* file : {"pace", "posing", "wool", "joins"}) {
    const std::string name = std::string("data/work/") + file + ".json";
    const std::string before = Scratch::read(scratch.path(name));
    scratch.write(name, R"({"schema": 5})");
    const int status =
        std::system((own + COLUMNA_CLI + " patterns >/dev/null 2>" + scratch.path("err")).c_str());
    EXPECT_TRUE(WIFEXITED(status) && WEXITSTATUS(status) <= 2) << file;
    EXPECT_NE(Scratch::read(scratch.path("err")).find(std::string(file) + ".json"), std::string::npos);
    scratch.write(name, before);
  }
  const int full = std::system((own + COLUMNA_CLI + " patterns >/dev/full 2>" + scratch.path("err")).c_str());
  EXPECT_EQ(WEXITSTATUS(full), 2) << "what did not get out is told";
  EXPECT_FALSE(Scratch::read(scratch.path("err")).empty());
  for (const char* odd : {"/dev/zero", "/dev/null"})
    EXPECT_EQ(run(scratch, std::string("check ") + odd).code, 2);
}

TEST(Cli, AWrongFindingIsOne) {
  const Scratch scratch;
  const std::string file = scratch.path("w.columna");
  ProjectFile weak;
  weak.project = project("river_otter", 160);
  weak.project.limbs["tail"].diameter = 0.5;
  ASSERT_FALSE(saveProject(file, weak).has_value());
  const Ran ran = run(scratch, "check " + file);
  EXPECT_EQ(ran.code, 1);
  EXPECT_NE(ran.out.find("wrong"), std::string::npos);
  EXPECT_EQ(run(scratch, "plan " + file + " --json").code, 1);
}

TEST(Cli, ChecksPatterns) {
  const Scratch scratch;
  EXPECT_EQ(run(scratch, std::string("check ") + COLUMNA_DATA_DIR + "/patterns/heron.json").code, 0);
}

TEST(Cli, SizesByScaleByLimbAndByWhatIsAtHand) {
  const Scratch scratch;
  const std::string file = scratch.path("f.columna");
  ASSERT_EQ(run(scratch, "new --pattern red_fox --scale 1:4 -o " + file).code, 0);
  const auto figure = [&] { return nlohmann::json::parse(run(scratch, "plan " + file + " --json").out); };
  EXPECT_NEAR(figure()["figure"]["shoulder_height_mm"].get<double>(), 380.0 / 4, 1e-6);
  const Ran height = run(scratch, "size " + file + " --core '40 g'");
  ASSERT_EQ(height.code, 0) << height.err;
  // To the millimetre that was printed; a part may be just thick enough for a core there, and its coat
  // becomes core at once.
  const double found = std::stod(height.out);
  const auto coreAt = [&](double mm) {
    EXPECT_EQ(run(scratch, "new --pattern red_fox --height " + std::to_string(mm) + " -o " + file).code, 0);
    return figure()["totals"]["core_g"].get<double>();
  };
  EXPECT_LT(coreAt(found - 1), 40 + 1.2);
  EXPECT_GT(coreAt(found + 1), 40 - 1.2);
  ASSERT_EQ(run(scratch, "new --pattern red_fox --limb foreleg=7cm -o " + file).code, 0);
  const nlohmann::json made = figure();
  for (const auto& limb : made["limbs"])
    if (limb["id"] == "left-foreleg") {
      EXPECT_NEAR(limb["length_mm"].get<double>(), 70, 1e-6);
    }
  for (const std::string bad :
       {"new --pattern red_fox --scale 1:0 -o x", "new --pattern red_fox --limb antler=7cm -o x",
        "new --pattern red_fox --limb foreleg -o x", "size /nowhere --core 40g"}) {
    const Ran ran = run(scratch, bad);
    EXPECT_EQ(ran.code, 2) << bad;
    EXPECT_EQ(std::count(ran.err.begin(), ran.err.end(), '\n'), 1) << ran.err;
  }
}

TEST(Cli, OutlinesAreSvgInMillimetres) {
  const Scratch scratch;
  const std::string svg = scratch.path("o.svg");
  ASSERT_EQ(run(scratch, "outline river_otter -o " + svg).code, 0);
  const std::string text = Scratch::read(svg);
  for (const char* id : {"id=\"side\"", "id=\"front\"", "id=\"above\""})
    EXPECT_NE(text.find(id), std::string::npos);
  // One user unit is a millimetre: the side view spans the height of 160 mm.
  double low = 1e9;
  double high = -1e9;
  const size_t from = text.find(" d=\"", text.find("id=\"side\"")) + 4;
  std::string path = text.substr(from, text.find('"', from) - from);
  for (char& c : path)
    if (c == 'M' || c == 'L' || c == 'Z') c = ' ';
  std::istringstream numbers(path);
  for (double x = 0, y = 0; numbers >> x >> y;) {
    low = std::min(low, y);
    high = std::max(high, y);
  }
  EXPECT_NEAR(high - low, 160, 1);
  EXPECT_EQ(run(scratch, "outline nothing.columna -o " + svg).code, 2);
}

TEST(Cli, CheckFindsWhatIsWrongWithAPattern) {
  const Scratch scratch;
  auto json =
      nlohmann::json::parse(Scratch::read(std::string(COLUMNA_DATA_DIR) + "/patterns/river_otter.json"));
  EXPECT_EQ(run(scratch, "check " + scratch.write("good.json", json.dump())).code, 0);
  json["joints"]["scapula_top"] = {0.8, 0.06, 1.6};
  const Ran ran = run(scratch, "check " + scratch.write("bad.json", json.dump()));
  EXPECT_EQ(ran.code, 1);
  EXPECT_NE(ran.out.find("bones.scapula"), std::string::npos) << ran.out;
}

TEST(Cli, MaterialsTellTheirRangeAndSource) {
  const Scratch scratch;
  const auto json = nlohmann::json::parse(run(scratch, "materials --json").out);
  ASSERT_EQ(json.size(), shelf().materials.size());
  for (const auto& m : json) {
    EXPECT_LT(m["yield_MPa"]["low"], m["yield_MPa"]["high"]);
    EXPECT_FALSE(m["source"].get<std::string>().empty());
    for (const auto& size : m["sizes"]) EXPECT_TRUE(size.contains("awg") && size.contains("swg"));
  }
  EXPECT_NE(run(scratch, "materials").out.find("plausibly"), std::string::npos);
}

TEST(Cli, SheetsAreWrittenAndPlansTellOfBendsAndStock) {
  const Scratch scratch;
  const std::string file = scratch.path("h.columna");
  ASSERT_EQ(run(scratch, "new --pattern heron --height 200 --construction spine-and-crosspieces --material "
                         "steel-florist -o " +
                             file)
                .code,
            0);
  const auto json = nlohmann::json::parse(run(scratch, "plan " + file + " --json").out);
  EXPECT_EQ(json["construction"], "spine-and-crosspieces");
  double cut = 0;
  for (const auto& piece : json["pieces"]) {
    cut += piece["cut_mm"].get<double>();
    for (const auto& bend : piece["bends"])
      EXPECT_GE(bend["tool_angle_deg"].get<double>(), bend["angle_deg"].get<double>());
  }
  double stock = 0;
  for (const auto& bar : json["stock"]) {
    EXPECT_LE(bar["length_mm"].get<double>(), bar["coil"].get<bool>() ? 1e9 : 360.0);
    for (const auto& each : bar["cuts"]) stock += each["length_mm"].get<double>();
  }
  EXPECT_NEAR(stock, cut, 1e-6) << "every piece is cut from something";
  EXPECT_FALSE(json["joins"].empty());
  for (const char* name : {"s.svg", "s.dxf", "s.csv"}) {
    ASSERT_EQ(run(scratch, "sheet " + file + " -o " + scratch.path(name)).code, 0) << name;
    EXPECT_GT(Scratch::read(scratch.path(name)).size(), 400U);
  }
  EXPECT_EQ(run(scratch, "sheet " + file + " -o " + scratch.path("s.doc")).code, 2);
  EXPECT_EQ(run(scratch, "sheet " + file + " -o /no/such/folder/s.svg").code, 2);
}

TEST(Cli, PosesAndTheirFrame) {
  const Scratch scratch;
  const std::string file = scratch.path("otter.columna");
  ProjectFile made;
  made.project = project("river_otter", 108);
  made.project.stances.saved = {{"bow", {{"neck1", {0.4, 0, 0}}}}};
  ASSERT_FALSE(saveProject(file, made).has_value());
  const auto plan = nlohmann::json::parse(run(scratch, "plan " + file + " --json").out);
  std::set<std::string> names;
  for (const auto& pose : plan["poses"]) {
    names.insert(pose["name"].get<std::string>());
    EXPECT_GT(pose["joints"].size(), 10U);
    std::set<std::string> ids;
    for (const auto& joint : pose["joints"]) {
      EXPECT_TRUE(ids.insert(joint["id"].get<std::string>()).second) << joint["id"] << " is there twice";
      for (const char* key : {"moment_Nmm", "capacity_Nmm", "effort_N", "sag_mm"})
        EXPECT_TRUE(joint[key].is_number()) << key;
    }
    EXPECT_TRUE(pose["standing"]["stands"].is_boolean());
  }
  EXPECT_TRUE(names.contains("neutral") && names.contains("walk") && names.contains("bow"));

  for (const char* feet : {"pin", "clamp"}) {
    const Ran ran = run(scratch, "frame " + file + " --pose bow --json --feet " + feet);
    ASSERT_NE(ran.code, 2) << ran.err;
    const auto frame = nlohmann::json::parse(ran.out);
    std::map<std::string, std::array<double, 3>> at;
    for (const auto& n : frame["nodes"]) {
      at[n["id"].get<std::string>()] = {n["x"].get<double>(), n["y"].get<double>(), n["z"].get<double>()};
      EXPECT_EQ(n["fixed"].size(), 6U);
    }
    // Weights, loads and reactions are in balance, from what is printed alone.
    std::array<double, 3> sum{};
    double weight = 0;
    for (const auto& m : frame["members"]) {
      const auto& a = at.at(m["i"].get<std::string>());
      const auto& b = at.at(m["j"].get<std::string>());
      const double length = std::hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);
      for (size_t k = 0; k < 3; ++k) sum[k] += m["q_N_per_mm"][k].get<double>() * length;
      EXPECT_GT(m["E_MPa"].get<double>() * m["I_mm4"].get<double>(), 0);
    }
    for (const auto& l : frame["loads"])
      for (size_t k = 0; k < 3; ++k) sum[k] += l["F_N"][k].get<double>();
    weight = -sum[2];
    for (const auto& r : frame["reactions"])
      for (size_t k = 0; k < 3; ++k) sum[k] += r["F_N"][k].get<double>();
    EXPECT_GT(weight, 0.5);
    for (const double left : sum) EXPECT_NEAR(left, 0, 1e-8 * weight) << feet;
    EXPECT_EQ(frame["end_moments"].size(), 2 * frame["members"].size());
    EXPECT_GT(frame["buckling_factors"][0].get<double>(), 0);
    EXPECT_GT(frame["collapse_factor"].get<double>(), 0);
  }
  const std::string deck = scratch.path("otter.inp");
  ASSERT_NE(run(scratch, "frame " + file + " --deck " + deck).code, 2);
  std::ifstream in(deck);
  const std::string text((std::istreambuf_iterator<char>(in)), std::istreambuf_iterator<char>());
  EXPECT_NE(text.find("*ELEMENT,TYPE=B32R"), std::string::npos);
  for (const std::string& words : {"frame " + file + " --pose somersault", "frame " + file + " --feet wings",
                                   "frame " + file + " --deck /no/such/folder/x.inp"}) {
    const Ran bad = run(scratch, words);
    EXPECT_EQ(bad.code, 2) << words;
    EXPECT_EQ(std::count(bad.err.begin(), bad.err.end(), '\n'), 1) << bad.err;
  }
}

TEST(Cli, ExportsTheBodyByTheNamesEnding) {
  const Scratch scratch;
  const std::string file = scratch.path("fox.columna");
  ASSERT_EQ(run(scratch, "new --pattern red_fox --height '80 mm' -o " + file).code, 0);
  for (const char* name : {"fox.stl", "fox.obj", "fox.glb", "fox.csv"}) {
    const Ran ran = run(scratch, "export " + file + " --cell 1.5 -o " + scratch.path(name));
    EXPECT_EQ(ran.code, 0) << ran.err;
    EXPECT_GT(std::filesystem::file_size(scratch.path(name)), 500U) << name;
  }
  EXPECT_TRUE(std::filesystem::exists(scratch.path("fox.mtl")));
  EXPECT_TRUE(Scratch::read(scratch.path("fox.glb")).starts_with("glTF"));
  // Another pose and the core are other bodies; the same asked twice is the same to the byte.
  const auto bytes = [&](const std::string& more) {
    EXPECT_EQ(run(scratch, "export " + file + " --cell 2 -o " + scratch.path("x.stl") + more).code, 0)
        << more;
    return Scratch::read(scratch.path("x.stl"));
  };
  const std::string plain = bytes("");
  EXPECT_EQ(plain, bytes(""));
  EXPECT_NE(plain, bytes(" --core"));
  const std::string pose = shelf().pattern("red_fox")->poses.front().name;
  EXPECT_NE(plain, bytes(" --pose '" + pose + "'"));
  for (const std::string& bad : std::vector<std::string>{
           "export " + file + " -o " + scratch.path("fox.ply"), "export " + file + " --cell 0 -o x.stl",
           "export " + file + " --pose dancing -o x.stl", "export /nowhere -o x.stl",
           "export " + file + " -o /nowhere/x.stl --cell 2"}) {
    const Ran ran = run(scratch, bad);
    EXPECT_EQ(ran.code, 2) << bad;
    EXPECT_EQ(std::count(ran.err.begin(), ran.err.end(), '\n'), 1) << ran.err;
  }
}
