#include "measure/json_text.h"

#include "measure/number_file.h"

#include <gtest/gtest.h>

#include <array>
#include <random>

using namespace columna;

TEST(JsonText, NestingIsBoundedBeforeAnythingIsBuilt) {
  const auto nested = [](int depth) {
    return std::string(static_cast<size_t>(depth), '[') + std::string(static_cast<size_t>(depth), ']');
  };
  EXPECT_TRUE(parseJson(nested(kDeepestJson), "f").ok());
  for (const int depth : {kDeepestJson + 1, 1000, 5'000'000}) {
    const auto read = parseJson(nested(depth), "f.json");
    ASSERT_FALSE(read.ok());
    EXPECT_EQ(render(read.problem().where.said), "f.json");
    EXPECT_FALSE(read.problem().remedy.empty());
  }
  EXPECT_FALSE(parseJson(std::string(100'000, '['), "f").ok());
  EXPECT_FALSE(parseJson("{\"a\":" + std::string(100'000, '{'), "f").ok());
  // Brackets in a text are no nesting, whatever stands before its quotes.
  EXPECT_TRUE(parseJson(R"({"a": ")" + std::string(200, '[') + R"(\"[[[\\"})", "f").ok());
  EXPECT_FALSE(parseJson("{\"a\": 1", "f").ok());
}

TEST(JsonText, WhatIsNotUtf8IsReadAndWrittenAllTheSame) {
  const auto read = parseJson("{\"name\": \"caf\xe9\"}", "f");
  ASSERT_TRUE(read.ok());
  EXPECT_EQ((*read)["name"], "caf\uFFFD");
  nlohmann::json name;
  name["name"] = "a\xff\xfe";
  const auto again = nlohmann::json::parse(writeJson(name), nullptr, false);
  ASSERT_FALSE(again.is_discarded());
  EXPECT_EQ(again["name"], "a\uFFFD\uFFFD");
}

TEST(JsonText, Utf8IsToldAsTheWriterTellsIt) {
  // Drawn bytes: what is kept is what the JSON writer takes, and mending twice is mending once.
  std::mt19937 draw(3);
  constexpr std::array<unsigned char, 14> edges{0x00, 0x22, 0x7f, 0x80, 0x8f, 0x90, 0x9f,
                                                0xa0, 0xbf, 0xc0, 0xc2, 0xe0, 0xed, 0xf4};
  for (int round = 0; round < 20'000; ++round) {
    std::string text;
    for (auto n = draw() % 6; n > 0; --n)
      text += static_cast<char>(draw() % 2 ? draw() % 256 : edges[draw() % edges.size()]);
    bool good = true;
    try {
      (void)nlohmann::json(text).dump();
    } catch (const nlohmann::json::exception&) {
      good = false;
    }
    EXPECT_EQ(asUtf8(text) == text, good);
    EXPECT_EQ(asUtf8(asUtf8(text)), asUtf8(text));
    EXPECT_NO_THROW((void)nlohmann::json(asUtf8(text)).dump());
  }
}

TEST(JsonText, ANumberFileOfAnyShapeIsOneSentence) {
  constexpr std::array<std::string_view, 1> keys{"a"};
  for (const char* text :
       {"", "[]", "5", "null", "{}", R"({"schema": 5})", R"({"schema": null})", R"({"schema": ["x"]})",
        R"({"schema": "x"})", R"({"schema": "x", "a": 5})", R"({"schema": "x", "a": {"value": "5"}})",
        R"({"schema": "x", "a": {"value": -1}})", R"({"schema": "x", "a": {"value": 1}})",
        R"({"schema": "x", "a": {"value": 1, "source": 7}})"}) {
    const auto read = readNumbers(text, "x", keys, "n.json");
    ASSERT_FALSE(read.ok()) << text;
    EXPECT_EQ(render(read.problem().where.said), "n.json") << text;
  }
  EXPECT_TRUE(readNumbers(R"({"schema": "x", "a": {"value": 1, "source": "s"}})", "x", keys, "n.json").ok());
}
