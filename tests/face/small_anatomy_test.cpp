// Pads that may be laid on, of the head: where they lie, and a file that is wrong.
#include "face/small_anatomy.h"

#include "../head/heads.h"

#include <nlohmann/json.hpp>

#include <functional>

using namespace columna;
using namespace columna::test;

TEST(SmallAnatomy, EveryHeadHasItsPadsOnItsSurfaceAndReadsThemBack) {
  size_t pads = 0;
  for (const HeadPattern& head : shippedHeads()) {
    const HeadField field(head, 100);
    for (const HeadPadKind& kind : shelf().anatomy.head) {
      const auto pad = headPad(kind, head);
      if (!pad) continue;
      ++pads;
      EXPECT_EQ(pad->mode == FeatureMode::Press, kind.hollow);
      EXPECT_NEAR(field.distance(100 * pad->at), 0, 0.02) << head.id << ' ' << kind.id;
      EXPECT_NEAR(pad->up.dot(field.normal(100 * pad->at)), 1, 1e-3) << head.id << ' ' << kind.id;
      EXPECT_NEAR(pad->axis.dot(pad->up), 0, 1e-9);
      EXPECT_GE(pad->at.y(), 0);
      EXPECT_EQ(pad->twin, pad->at.y() > 0);
      EXPECT_LE(pad->blend, 2 * pad->thinnest());
      // It does what it says: the head is more, or less, there.
      HeadPattern with = head;
      with.features.push_back(*pad);
      const HeadField more(with, 100);
      const HeadVolumes volumes = more.volumes(2.5);
      EXPECT_GT(volumes.features.back() * (kind.hollow ? -1 : 1), 0) << head.id << ' ' << kind.id;
      // Symmetric to the last bit all the same.
      for (const Vec3& p : scattered(more.low(), more.high(), 60))
        EXPECT_EQ(more.distance(p), more.distance({p.x(), -p.y(), p.z()}));
    }
  }
  EXPECT_GT(pads, 3 * animals().size());
}

TEST(SmallAnatomy, ABadFileIsOneSentenceThatNamesTheField) {
  const auto good =
      nlohmann::json::parse(*readFile(std::filesystem::path(COLUMNA_DATA_DIR) / "work/anatomy.json"));
  ASSERT_TRUE(readSmallAnatomy(good.dump(), "anatomy.json"));
  const auto refused = [&](const char* what, const std::function<void(nlohmann::json&)>& harm) {
    nlohmann::json bad = good;
    harm(bad);
    const auto result = readSmallAnatomy(bad.dump(), "anatomy.json");
    ASSERT_FALSE(result) << what;
    EXPECT_NE(result.problem().sentence().find(what), std::string::npos) << result.problem().sentence();
  };
  refused("size", [](auto& j) { j["body"][0]["size"] = {0, 1, 1}; });
  refused("towards", [](auto& j) { j["body"][0]["towards"] = {0, 0, 0}; });
  refused("bones", [](auto& j) { j["body"][0]["bones"] = nlohmann::json::array(); });
  refused("at", [](auto& j) { j["body"][0]["at"] = 1.5; });
  refused("of", [](auto& j) { j["body"][0]["of"] = "tail"; });
  refused("from", [](auto& j) { j["head"][0].erase("from"); });
  refused("twice", [](auto& j) { j["head"][0]["id"] = j["body"][0]["id"]; });
  refused("source", [](auto& j) { j.erase("source"); });
  refused("schema", [](auto& j) { j["schema"] = 3; });
}
