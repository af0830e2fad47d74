// Tables of what is in a drawer, as spreadsheets of all sorts write them.
#include "stores/store_list.h"
#include "support.h"

#include <random>
#include <set>

using namespace columna;
using namespace columna::test;

namespace {

const std::string kHead = "kind,name,amount,unit,colour\n";

StoreList readOf(const std::string& text) {
  auto out = readStoreList(text, "drawer.csv");
  EXPECT_TRUE(out) << (out ? "" : out.problem().sentence());
  return out ? std::move(out).value() : StoreList();
}

std::string whyNot(const std::string& text) {
  const auto out = readStoreList(text, "drawer.csv");
  if (!out) return out.problem().sentence();
  return out->problems.empty() ? std::string() : out->problems.front().sentence();
}

std::string utf16(const std::string& ascii, bool big) {
  std::string out = big ? "\xFE\xFF" : "\xFF\xFE";
  for (const char c : ascii) {
    if (big) out += '\0';
    out += c;
    if (!big) out += '\0';
  }
  return out;
}

} // namespace

TEST(StoreList, IsTheSameHoweverItWasSaved) {
  const std::string plain = kHead + "top,Brown,12.5,g,#42302a\n";
  const std::string semicolons = "kind;name;amount;unit;colour\r\ntop;Brown;12,5;g;#42302A\r\n";
  const std::string tabs = "kind\tname\tamount\tunit\tcolour\ntop\tBrown\t12.5\tg\t#42302A";
  const std::string kilos = kHead + "\"top\",\"Brown\",0.0125,kg,#42302A\n\n,,,,\n";
  for (const std::string& text :
       {plain, "\xEF\xBB\xBF" + plain, semicolons, tabs, kilos, utf16(plain, false), utf16(plain, true)}) {
    const StoreList list = readOf(text);
    ASSERT_EQ(list.rows.size(), 1U) << text;
    EXPECT_TRUE(list.problems.empty());
    EXPECT_EQ(list.rows[0].kind, StoreKind::Top);
    EXPECT_EQ(list.rows[0].name, "Brown");
    EXPECT_EQ(list.rows[0].amount, 12500);
    EXPECT_EQ(list.rows[0].colour, (Srgb{0x42, 0x30, 0x2A}));
  }
  // An old spreadsheet's letters are guessed, and said to be.
  const StoreList old = readOf(kHead + "yarn,caf\xE9 \x80,3,g,\n");
  EXPECT_EQ(old.rows[0].name, "caf\u00E9 \u20AC");
  EXPECT_EQ(old.coding, TextCoding::Windows1252);
  EXPECT_EQ(readOf(plain).coding, TextCoding::Utf8);
}

TEST(StoreList, QuotesHoldSeparatorsLinesAndQuotes) {
  const StoreList list =
      readOf("name,kind,amount,unit,note\n\"Brown, \"\"dark\"\"\",top,3,g,\"first\nsecond\"\n"
             "White,top,4,g,\n'=1+1,glue,20,g,'-x\n");
  ASSERT_EQ(list.rows.size(), 3U);
  EXPECT_EQ(list.rows[0].name, "Brown, \"dark\"");
  EXPECT_EQ(list.rows[0].note, "first\nsecond");
  EXPECT_EQ(list.rows[2].name, "=1+1") << "the apostrophe is for spreadsheets";
  EXPECT_EQ(list.rows[2].note, "-x");
}

TEST(StoreList, GivesBackWhatItWrote) {
  std::mt19937 draw(3);
  const auto pick = [&](int most) { return std::uniform_int_distribution<int>(0, most)(draw); };
  const std::string letters = "a Z,;\"'=+-@\n\t\u00E9\u20AC#0";
  const auto word = [&] {
    std::string out;
    for (int i = pick(6); i >= 0; --i) {
      size_t at = static_cast<size_t>(pick(static_cast<int>(letters.size()) - 1));
      while ((static_cast<unsigned char>(letters[at]) & 0xC0U) == 0x80U) --at;
      do out += letters[at++];
      while (at < letters.size() && (static_cast<unsigned char>(letters[at]) & 0xC0U) == 0x80U);
    }
    // Blanks round a cell are nobody's.
    return "x" + out + "x";
  };
  std::vector<StoreRow> rows;
  for (int i = 0; i < 300; ++i) {
    StoreRow r;
    r.kind = static_cast<StoreKind>(pick(kStoreKinds - 1));
    r.name = (pick(3) == 0 ? "=" : "") + word();
    r.amount = std::uniform_int_distribution<std::int64_t>(0, mostOf(unitOf(r.kind)))(draw);
    if (pick(1) == 0) r.colour = Srgb{1.0 * pick(255), 1.0 * pick(255), 1.0 * pick(255)};
    r.note = pick(1) == 0 ? word() : "";
    r.place = word();
    r.gotOn = "2026-0" + std::to_string(1 + pick(8)) + "-28";
    r.staple = 5 + 0.1 * pick(4000);
    r.material = "copper";
    r.size = 0.05 + 0.01 * pick(900);
    r.each = 360;
    r.gauge = 28 + pick(18);
    if (pick(2) == 0) r.extra["=mine"] = word();
    rows.push_back(std::move(r));
  }
  const std::string text = storeListText(rows);
  const StoreList back = readOf(text);
  EXPECT_TRUE(back.problems.empty()) << (back.problems.empty() ? "" : back.problems[0].sentence());
  ASSERT_EQ(back.rows.size(), rows.size());
  for (size_t i = 0; i < rows.size(); ++i) {
    EXPECT_EQ(back.rows[i].name, rows[i].name);
    EXPECT_EQ(back.rows[i].amount, rows[i].amount);
    EXPECT_EQ(back.rows[i].colour, rows[i].colour);
    EXPECT_EQ(back.rows[i].note, rows[i].note);
    EXPECT_EQ(back.rows[i].extra, rows[i].extra);
    EXPECT_EQ(back.rows[i].staple, rows[i].staple);
    EXPECT_EQ(back.rows[i].gauge, rows[i].gauge);
  }
  EXPECT_EQ(storeListText(back.rows), text);
}

TEST(StoreList, SaysWhichCellIsWrongAndKeepsTheRest) {
  const StoreList list = readOf(kHead + "top,Brown,12,g,#42302A\ntop,White,twenty,g,\ntop,Cream,3,g,\n");
  EXPECT_EQ(list.rows.size(), 2U);
  ASSERT_EQ(list.problems.size(), 1U);
  const std::string why = list.problems[0].sentence();
  for (const char* part : {"drawer.csv", "line 3", "amount", "twenty"})
    EXPECT_NE(why.find(part), std::string::npos) << part;
  for (const char* bad :
       {"wool,Brown,1,g,", "top,,1,g,", "top,Brown,-5,g,", "top,Brown,1e9,g,", "top,Brown,nan,g,",
        "top,Brown,1,m,", "eye,Glass,2,pc,", "needle,36,1.5,pc,", "top,Brown,1,g,#12G", "coil,Wire,2,m,",
        "top,Brown,1,g,,one too many", "top,Brown,\"1,5\",g,"})
    EXPECT_NE(whyNot(kHead + bad + "\n").find("line 2"), std::string::npos) << bad;
  EXPECT_NE(whyNot("kind,name,amount,unit,got_on\ntop,Brown,1,g,2026-02-30\n"), "") << "no such day";
  EXPECT_NE(whyNot("kind,name,amount,unit,price\ntop,Brown,1,g,3.20\n"), "") << "for how much";
  EXPECT_NE(whyNot("kind;name;amount;unit\ntop;Brown;1.5;g\n"), "")
      << "half of a thousand, or one and a half";
}

TEST(StoreList, IsRefusedAsAWholeInOneSentence) {
  for (const std::string& bad :
       {std::string(), std::string("\n\n"), std::string("name,amount\nBrown,3\n"),
        std::string("kind,name,amount,unit,name\n"), kHead + "top,\"Brown,3,g,\n",
        kHead + "\"top\"x,Brown,3,g,\n", std::string("kind\0name", 9), std::string(kMostCsvBytes + 1, 'x')}) {
    const auto out = readStoreList(bad, "drawer.csv");
    ASSERT_FALSE(out) << bad.substr(0, 40);
    EXPECT_NE(out.problem().sentence().find("drawer.csv"), std::string::npos);
    EXPECT_EQ(out.problem().sentence().find('\n'), std::string::npos);
  }
  std::string many = kHead;
  for (size_t i = 0; i <= kMostCsvRows; ++i) many += "top,x,1,g,\n";
  EXPECT_FALSE(readStoreList(many, "drawer.csv"));
  // Noise is told, never more.
  std::mt19937 draw(5);
  for (int round = 0; round < 300; ++round) {
    std::string noise = kHead;
    for (int i = 0; i < 60; ++i) noise += "\"',;\n\r\tg1#\xFF\xC3\x80 top"[draw() % 18];
    const auto out = readStoreList(noise, "drawer.csv");
    if (out) {
      for (const StoreRow& row : out->rows) EXPECT_GE(row.amount, 0);
    }
  }
}

TEST(StoreKinds, AreFoundByTheirIds) {
  std::set<std::string_view> names;
  for (int k = 0; k < kStoreKinds; ++k) {
    const auto kind = static_cast<StoreKind>(k);
    EXPECT_EQ(storeKind(id(kind)), kind);
    EXPECT_TRUE(names.insert(name(kind)).second) << name(kind);
    EXPECT_GT(mostOf(unitOf(kind)), 0);
  }
  EXPECT_FALSE(storeKind("wool"));
  EXPECT_EQ(familyOf(StoreKind::RecycledCore), StoreFamily::Wool);
  EXPECT_EQ(unitOf(StoreKind::Coil), StoreUnit::Micrometre);
}
