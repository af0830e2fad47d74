// What is said, put into words: units, forms, counts, other languages.
#include "measure/quantity.h"
#include "words/render.h"

#include <gtest/gtest.h>

#include <map>

using namespace columna;

namespace {

constexpr Manner kInches{UnitSystem::Inch, nullptr};

/// A figure at the beginning of a text.
double figureOf(const std::string& text) { return *parseNumber(text.substr(0, text.find(' '))); }

/// A language of a few words.
class Few : public Language {
public:
  explicit Few(std::map<std::string, std::string> words) : words_(std::move(words)) {}
  std::string sentence(std::string_view english, std::string_view one, long count) const override {
    return find(!one.empty() && count == 1 ? one : english);
  }
  std::string name(std::string_view english) const override { return find(english); }

private:
  [[nodiscard]] std::string find(std::string_view english) const {
    const auto found = words_.find(std::string(english));
    return found == words_.end() ? std::string() : found->second;
  }
  std::map<std::string, std::string> words_;
};

} // namespace

TEST(Render, MetricFiguresAreThoseOfTheSums) {
  EXPECT_EQ(render(Length(12.34, 1)), "12.3 mm");
  EXPECT_EQ(render(Length(339)), "339 mm");
  EXPECT_EQ(render(Length(8, Quantity::kShort)), "8 mm");
  EXPECT_EQ(render(Length(0.5, Quantity::kShort).figure()), "0.5");
  EXPECT_EQ(render(Length(1000).metres()), "1 m");
  EXPECT_EQ(render(Length(125, 1).centi()), "12.5");
  EXPECT_EQ(render(Mass(13.94)), "13.9 g");
  EXPECT_EQ(render(Density(0.19e-3, 2)), "0.19 g/cm³");
  EXPECT_EQ(render(AreaMass(120e-6, 0)), "120 g/m²");
  EXPECT_EQ(render(Volume(3210, 2)), "3.21 cm³");
  EXPECT_EQ(render(Surface(3210, 0)), "32 cm²");
  EXPECT_EQ(render(LinearMass(0.0042, 1)), "4.2 g");
  EXPECT_EQ(render(Angle(22 * kDegree, 0)), "22°");
  EXPECT_EQ(render(Number(2.50, 2)), "2.5");
}

TEST(Render, InchesAndOuncesAreByTheirDefinitions) {
  EXPECT_EQ(render(Length(25.4, 0), kInches), "1 in");
  EXPECT_EQ(render(Length(1.2, 2), kInches), "0.047 in");
  EXPECT_EQ(render(Length(6.25 * 25.4, 0), kInches), "6 1/4 in");
  EXPECT_EQ(render(Length(6.25 * 25.4, 0).sum(), kInches), "6.25") << "sums are reckoned with decimals";
  EXPECT_NEAR(figureOf(render(Mass(283.49523125), kInches)), 10, 1e-9);
  // 1 kgf is 9.80665 N and 35.27396 ounces.
  EXPECT_NEAR(figureOf(render(Force(9.80665, 2), kInches)), 35.27, 0.01);
  EXPECT_NEAR(figureOf(render(Moment(9.80665 * 25.4, 2), kInches)), 35.27, 0.01);
  // 1 psi is 16 ounces of force on a square inch, and 6894.757 Pa.
  EXPECT_NEAR(figureOf(render(Stress(6894.757e-6, 2), kInches)), 16, 0.01);
  EXPECT_NEAR(figureOf(render(Volume(16387.064, 2), kInches)), 1, 1e-4);
  EXPECT_NEAR(figureOf(render(Density(1e-3, 4), kInches)), 0.578037, 1e-4);
  // 1 oz on a square yard is 33.906 g on a square metre.
  EXPECT_NEAR(figureOf(render(AreaMass(33.906e-6, 3), kInches)), 1, 1e-4);
  EXPECT_EQ(render(Angle(22 * kDegree, 0), kInches), "22°");
}

TEST(Render, SumsComeOutInEitherSystem) {
  // Volume times density is mass; moment over lever is force; stress times volume is moment.
  for (const Manner& manner : {Manner{}, kInches}) {
    const double volume = figureOf(render(Volume(54321, 4).sum(), manner));
    const double density = figureOf(render(Density(0.187e-3, 5).sum(), manner));
    const double mass = figureOf(render(Mass(54321 * 0.187e-3, 4).sum(), manner));
    EXPECT_NEAR(volume * density, mass, 2e-3 * mass);
    const double moment = figureOf(render(Moment(812.5, 4).sum(), manner));
    const double lever = figureOf(render(Length(37.5, 4).sum(), manner));
    EXPECT_NEAR(moment / lever, figureOf(render(Force(812.5 / 37.5, 4).sum(), manner)),
                1e-3 * moment / lever);
    const double stress = figureOf(render(Stress(41.5, 4).sum(), manner));
    const double wide = figureOf(render(Length(1.6, 6).sum(), manner));
    EXPECT_NEAR(stress * wide * wide * wide / 6,
                figureOf(render(Moment(41.5 * 1.6 * 1.6 * 1.6 / 6, 5).sum(), manner)), 2e-3 * moment);
  }
}

TEST(Render, AValueNeverReadsTheSameAsTheLimitItMisses) {
  for (const Manner& manner : {Manner{}, kInches})
    for (const double off : {1e-1, 1e-2, 1e-3, 1e-6})
      for (const double limit : {0.5, 2.0, 10.0, 38.1})
        for (const double sign : {-1.0, 1.0}) {
          const double value = limit * (1 + sign * off);
          const std::string shown = render(Length(value, 1).apart(limit), manner);
          EXPECT_NE(shown, render(Length(limit, 1), manner)) << value << " beside " << limit;
          EXPECT_EQ(shown.find("nan"), std::string::npos);
        }
  EXPECT_EQ(render(Times(1.999).apart(2)), "1.999 times");
  EXPECT_EQ(render(Times(1.99999).apart(2)), "just under 2 times");
  EXPECT_EQ(render(Times(250)), "over 99 times");
  EXPECT_EQ(render(Times(0.01)), "less than 0.1 times");
  EXPECT_EQ(render(Times(1)), "1.0 times");
}

TEST(Render, CountsHaveAFormForOne) {
  const auto pieces = [](int n) {
    return render(counted(many("{} pieces of {}", "{} piece of {}"), n, Length(9, 0)));
  };
  EXPECT_EQ(pieces(0), "0 pieces of 9 mm");
  EXPECT_EQ(pieces(1), "1 piece of 9 mm");
  EXPECT_EQ(pieces(2), "2 pieces of 9 mm");
  const Few few({{"{} pieces of {}", "{1}: {0} Stücke"}, {"{} piece of {}", "{1}: ein Stück"}});
  const Manner german{UnitSystem::Metric, &few};
  EXPECT_EQ(render(counted(many("{} pieces of {}", "{} piece of {}"), 1, Length(9, 0)), german),
            "9 mm: ein Stück");
  EXPECT_EQ(render(counted(many("{} pieces of {}", "{} piece of {}"), 3, Length(9, 0)), german),
            "9 mm: 3 Stücke");
}

TEST(Render, ALanguageMayTurnASentenceRoundAndALackOfItIsEnglish) {
  const Few few({{"{} holds {}", "{1} werden von {0} gehalten"}, {"left foreleg", "linkes Vorderbein"}});
  const Manner manner{UnitSystem::Metric, &few};
  const Said said = say("{} holds {}", Name("left foreleg"), Mass(2));
  EXPECT_EQ(render(said, manner), "2 g werden von linkes Vorderbein gehalten");
  EXPECT_EQ(render(say("{} breaks", Name("left foreleg")), manner), "linkes Vorderbein breaks");
  EXPECT_EQ(render(say("{} breaks", AsIs("left foreleg")), manner), "left foreleg breaks")
      << "what the maker typed stays";
}

TEST(Render, ASlipInATranslationDoesNotSilenceTheSum) {
  for (const char* slip : {"{} {} {} zu viele", "{7}", "{", "{0:d}", "}"}) {
    const Few few(std::map<std::string, std::string>{{"{} holds {}", slip}});
    EXPECT_EQ(render(say("{} holds {}", Name("wire"), Mass(2)), {UnitSystem::Metric, &few}), "wire holds 2 g")
        << slip;
  }
}

TEST(Render, NamesStandAtTheBeginningOrWithin) {
  EXPECT_EQ(render(Said(upperName("left foreleg"))), "Left foreleg");
  EXPECT_EQ(render(Said(lowerName("Left foreleg"))), "left foreleg");
  EXPECT_EQ(render(say("It falls {}", Name("forward")).with(Name::First::Lower)), "it falls forward");
  EXPECT_EQ(render(Said(upperName(""))), "");
  EXPECT_EQ(render(Said(upperName("über"))), "über")
      << "what is not of the alphabet of twenty-six stays as it is";
}

TEST(Said, IsEqualByTemplateAndArguments) {
  const auto one = [](double mm) { return say("{} is {}", Name("neck"), Length(mm, 1)); };
  EXPECT_EQ(one(3), one(3));
  EXPECT_NE(one(3), one(3.0001)) << "by the value, not by what is shown";
  EXPECT_NE(one(3), say("{} was {}", Name("neck"), Length(3, 1)));
  EXPECT_NE(say("({})", one(3)), say("({})", one(4)));
  EXPECT_EQ(Said(), Said(Name("")));
  EXPECT_TRUE(Said(AsIs("")).empty());
  EXPECT_FALSE(one(3).empty());
  EXPECT_NE(counted(many("{} a", "{} b"), 1), counted(many("{} a", "{} b"), 2));
}

TEST(Said, SentencesFollowEachOther) {
  const Said a = say("wire");
  const Said b = say("wool");
  EXPECT_EQ(render(together(a, {})), "wire");
  EXPECT_EQ(render(together({}, b)), "wool");
  EXPECT_EQ(render(together(a, b)), "wire wool");
}

TEST(Pseudo, LeavesAloneWhatIsNoText) {
  EXPECT_EQ(pseudo("{0} %1 %n &nbsp; <b>"), "{0} %1 %n &nbsp; <b>");
  EXPECT_NE(pseudo("{} holds {}").find("{}"), std::string::npos);
  EXPECT_EQ(pseudo(""), "");
  EXPECT_EQ(pseudo("12.5 × 3"), "12.5 × 3");
  EXPECT_EQ(pseudo("{ open").substr(0, 2), "{ ") << "a bracket that is not closed is a text like others";
  EXPECT_EQ(pseudo("100 %"), "100 %");
  const std::string longer = pseudo("take thinner wire, or build the figure larger");
  EXPECT_GT(longer.size(), std::string_view("take thinner wire, or build the figure larger").size() * 4 / 3);
  EXPECT_EQ(longer.find("wire"), std::string::npos);
}

TEST(Pseudo, SpeaksOfEveryPartOfASentence) {
  const std::string text = render(say("{}: {} of {}", upperName("left foreleg"),
                                      say("only {} is covered", Length(3, 0)), AsIs("my own wire")),
                                  {UnitSystem::Metric, &pseudoLanguage()});
  EXPECT_EQ(text.find("foreleg"), std::string::npos);
  EXPECT_EQ(text.find("covered"), std::string::npos);
  EXPECT_NE(text.find("3 mm"), std::string::npos);
  EXPECT_NE(text.find("my own wire"), std::string::npos);
}
