// What the core says can be read by the tool that makes catalogues for translators.
#include "support.h"

#include <regex>

using namespace columna;

namespace fs = std::filesystem;

namespace {

/// The literals that follow a mark in a source, put together, with their escapes undone.
std::vector<std::string> marked(const std::string& source) {
  static const std::regex mark(R"re((?:^|[^\w])(?:say|named|many)\(\s*")re");
  std::vector<std::string> out;
  for (std::sregex_iterator each(source.begin(), source.end(), mark), end; each != end; ++each) {
    auto at = static_cast<size_t>(each->position() + each->length()) - 1; // the quotation mark
    std::string text;
    while (at < source.size() && source[at] == '"') {
      for (++at; source[at] != '"'; ++at) {
        if (source[at] == '\\') ++at;
        text += source[at];
      }
      at = source.find_first_not_of(" \n", at + 1);
    }
    out.push_back(text);
  }
  return out;
}

std::string unescaped(std::string text) {
  for (const auto& [entity, sign] :
       {std::pair{"&quot;", "\""}, {"&apos;", "'"}, {"&lt;", "<"}, {"&gt;", ">"}, {"&amp;", "&"}})
    for (size_t at = text.find(entity); at != std::string::npos; at = text.find(entity, at + 1))
      text.replace(at, std::string_view(entity).size(), sign);
  return text;
}

} // namespace

TEST(Catalogue, HoldsEverySentenceOfTheCore) {
  const test::Scratch scratch;
  const fs::path source = fs::path(COLUMNA_TESTS_DIR).parent_path();
  const std::string file = scratch.path("all.ts");
  const std::string command = "'" + (source / "columna").string() + "' words '" + file + "' >/dev/null 2>&1";
  ASSERT_EQ(std::system(command.c_str()), 0) << "./columna words makes the catalogue";
  const std::string catalogue = unescaped(test::Scratch::read(file));
  size_t count = 0;
  for (const auto& each : fs::recursive_directory_iterator(source / "core")) {
    if (each.path().extension() != ".h" && each.path().extension() != ".cpp") continue;
    if (each.path().filename() == "said.h") continue; // whose comments tell of the marks
    for (const std::string& text : marked(test::Scratch::read(each.path().string()))) {
      ++count;
      EXPECT_NE(catalogue.find("<source>" + text + "</source>"), std::string::npos)
          << each.path() << ": " << text;
    }
  }
  EXPECT_GT(count, 900U);
  EXPECT_NE(catalogue.find("numerus=\"yes\""), std::string::npos) << "what is counted has its forms";
  EXPECT_NE(catalogue.find("<name>columna::StudyCard</name>"), std::string::npos) << "the window's words too";
}
