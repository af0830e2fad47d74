// What an instrument says, as it comes down a line: in halves, in floods, as noise.
#include "instrument/line_reader.h"

#include <gtest/gtest.h>

#include <random>

using namespace columna;

namespace {

std::vector<Reading> all(LineReader& reader, std::string_view bytes) { return reader.feed(bytes, 0); }

Reading one(std::string_view line) {
  LineReader reader;
  const auto got = reader.feed(std::string(line) + "\n", 0);
  EXPECT_EQ(got.size(), 1U) << line;
  return got.empty() ? Reading{} : got.front();
}

} // namespace

TEST(LineReader, ReadsNumbersWithTheirUnits) {
  EXPECT_DOUBLE_EQ(*one("+0012.34 g").value, 12.34);
  EXPECT_DOUBLE_EQ(one("+0012.34 g").step, 0.01);
  EXPECT_DOUBLE_EQ(*one("12,5 g").value, 12.5);
  EXPECT_NEAR(*one("0.441 oz").value, 12.502, 5e-4);
  EXPECT_DOUBLE_EQ(*one("0.5 kg").value, 500);
  EXPECT_EQ(one("12.7 mm").of, Reading::Of::Span);
  EXPECT_DOUBLE_EQ(*one("1.5 cm").value, 15);
  EXPECT_DOUBLE_EQ(*one("0.5 in").value, 12.7);
  EXPECT_DOUBLE_EQ(*one("-3g").value, -3);
  EXPECT_TRUE(one("+0012.34 g ?").moving);
  EXPECT_FALSE(one("---- g").value);
}

TEST(LineReader, WhatIsNoReadingIsCountedAndDropped) {
  LineReader reader;
  for (const char* wrong :
       {"12.34", "g", "twelve g", "1.2.3 g", "12 stone", "1234567890 g", "+ g", "- g", "12 g g"})
    EXPECT_TRUE(all(reader, std::string(wrong) + "\n").empty()) << wrong;
  EXPECT_EQ(reader.dropped(), 9);
  EXPECT_TRUE(all(reader, "# a scale\n\n   \n").empty());
  EXPECT_EQ(reader.dropped(), 9) << "what is for people is no error";
  EXPECT_TRUE(all(reader, std::string(75, ' ') + "12.3 g \n").empty()) << "82 bytes";
  EXPECT_EQ(all(reader, "7 g\n").size(), 1U);
}

TEST(LineReader, HalvesAreOneLineAndBothEndsAreOneEnd) {
  LineReader reader;
  EXPECT_TRUE(all(reader, "+0012.").empty());
  const auto rest = all(reader, "34 g\r\n");
  ASSERT_EQ(rest.size(), 1U);
  EXPECT_DOUBLE_EQ(*rest[0].value, 12.34);
  EXPECT_EQ(all(reader, "1 g\r2 g\n3 g\r\n4 g\r").size(), 4U);
  EXPECT_TRUE(all(reader, "\n").empty()) << "the other half of the last end";
  // Cut anywhere it is the same.
  const std::string text = "1.5 g\r\n2.5 g ?\r\n---- g\r\n";
  for (size_t cut = 0; cut <= text.size(); ++cut) {
    LineReader each;
    auto got = all(each, text.substr(0, cut));
    for (const Reading& r : all(each, text.substr(cut))) got.push_back(r);
    EXPECT_EQ(got.size(), 3U) << cut;
  }
}

TEST(LineReader, NoiseAndFloodsLeaveItReading) {
  LineReader reader;
  std::mt19937 draw(9);
  std::string noise;
  for (int i = 0; i < 10'000'000; ++i) noise += static_cast<char>(draw() & 0xFFU);
  for (const Reading& r : all(reader, noise)) {
    EXPECT_TRUE(!r.value || std::abs(*r.value) < 1e12);
  }
  EXPECT_GT(reader.dropped(), 1000);
  EXPECT_LE(reader.raw().size(), 10U);
  ASSERT_EQ(all(reader, "\n12.5 g\n").size(), 1U);
  std::string flood;
  for (int i = 0; i < 500'000; ++i) flood += std::to_string(i) + " g\n";
  const auto newest = all(reader, flood);
  ASSERT_EQ(newest.size(), LineReader::kNewest);
  EXPECT_EQ(*newest.back().value, 499'999);
  EXPECT_FALSE(reader.endless());
  EXPECT_TRUE(all(reader, std::string(LineReader::kEndless + 1, 'x')).empty());
  EXPECT_TRUE(reader.endless());
  reader.reset();
  EXPECT_EQ(all(reader, "1 g\n").size(), 1U);
}

TEST(LineReader, OthersAreReadByTheirColumns) {
  LineReader reader;
  reader.setOwnLine(OwnLine{0, 10, "g"});
  const auto got = all(reader, "ST,+ 12.50  N\n");
  EXPECT_TRUE(got.empty()) << "not a number there";
  reader.setOwnLine(OwnLine{3, 10, "g"});
  const auto good = all(reader, "ST,+ 12.50  N\n");
  ASSERT_EQ(good.size(), 1U);
  EXPECT_DOUBLE_EQ(*good[0].value, 12.5);
  for (const OwnLine& wrong : {OwnLine{5, 5, "g"}, OwnLine{3, 99, "g"}, OwnLine{3, 10, "stone"}}) {
    reader.setOwnLine(wrong);
    EXPECT_TRUE(all(reader, "ST,+ 12.50  N\n").empty());
  }
}

TEST(Steadiness, IsThreeReadingsAlikeOverHalfASecond) {
  LineReader reader;
  Steadiness rest;
  const auto say = [&](const char* line, std::int64_t at) {
    for (const Reading& r : reader.feed(std::string(line) + "\n", at)) rest.take(r);
    return rest.steady();
  };
  EXPECT_FALSE(say("12.34 g", 0));
  EXPECT_FALSE(say("12.34 g", 200));
  EXPECT_FALSE(say("12.35 g", 400)) << "not half a second yet";
  EXPECT_TRUE(say("12.34 g", 900));
  EXPECT_FALSE(say("12.36 g", 1400)) << "two steps off";
  EXPECT_FALSE(say("12.36 g ?", 1900)) << "it says itself that it moves";
  EXPECT_FALSE(say("12.36 g", 2400));
  EXPECT_FALSE(say("12.36 g", 2900));
  EXPECT_DOUBLE_EQ(*say("12.36 g", 3400), 12.36);
  EXPECT_FALSE(say("---- g", 3900));
  EXPECT_FALSE(say("12.36 mm", 4400)) << "another kind of reading";
}

TEST(Steadiness, OfAQuickInstrumentIsOverTheSameTime) {
  LineReader reader;
  Steadiness rest;
  std::int64_t at = 0;
  const auto say = [&](const char* line) {
    for (const Reading& r : reader.feed(std::string(line) + "\n", at += 200)) rest.take(r);
    return rest.steady();
  };
  EXPECT_FALSE(say("5.00 g ?"));
  EXPECT_FALSE(say("7.00 g"));
  EXPECT_FALSE(say("7.00 g"));
  EXPECT_FALSE(say("7.00 g")) << "0.4 s";
  EXPECT_DOUBLE_EQ(*say("7.01 g"), 7.01) << "five lines a second come to rest too";
  EXPECT_FALSE(say("7.03 g"));
  for (int i = 0; i < 500; ++i) {
    at -= 199; // a flood: a line a millisecond
    (void)say("8.00 g");
  }
  EXPECT_FALSE(rest.last()->moving);
  at += 600;
  (void)say("8.00 g");
  (void)say("8.00 g");
  EXPECT_TRUE(say("8.00 g"));
}
