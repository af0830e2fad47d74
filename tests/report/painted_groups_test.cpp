// A mesh in the animal's own colours.
#include "report/painted_groups.h"

#include "report/solid_export.h"
#include "support.h"

#include <map>
#include <set>

using namespace columna;
using namespace columna::test;

namespace {

struct Painted {
  Project project;
  Plan plan;
  std::shared_ptr<const HeadPattern> head;
  SolidMesh mesh;
  std::vector<MeshGroup> groups;
  explicit Painted(const char* animal) : project(test::project(animal, 100)), plan(planned(project)) {
    head = exportHead(project, shelf(), plan.figure);
    MeshWish wish;
    wish.cell = 1.2;
    wish.blend = usualBlend(plan.figure);
    mesh = solidMesh(plan.figure, wish);
    groups = paintedGroups(plan.figure, mesh, *head);
  }
};

} // namespace

TEST(PaintedGroups, EveryFaceIsInOneOfThem) {
  for (const char* animal : {"red_fox", "owl", "cow"}) {
    const Painted painted(animal);
    std::vector<int> seen(painted.mesh.faces.size(), 0);
    std::set<std::string> names;
    for (const MeshGroup& group : painted.groups) {
      EXPECT_TRUE(names.insert(group.name).second) << animal << group.name << " twice";
      EXPECT_FALSE(group.faces.empty()) << animal << group.name;
      for (const int i : group.faces) ++seen[static_cast<size_t>(i)];
    }
    for (const int count : seen) ASSERT_EQ(count, 1) << animal;
    EXPECT_GT(painted.groups.size(), groupsOf(painted.plan.figure, painted.mesh, {}).size() + 2) << animal;
  }
}

TEST(PaintedGroups, TheNoseIsForemostAndThePairAlike) {
  const Painted fox("red_fox");
  const std::string nose = "head " + fox.head->nose.colour;
  float foremost = -1e9F;
  std::string first; // the group of the face that is farthest forward
  std::map<std::string, double> sizes;
  for (const MeshGroup& group : fox.groups) {
    sizes[group.name] = static_cast<double>(group.faces.size());
    for (const int i : group.faces) {
      const MeshFace& face = fox.mesh.faces[static_cast<size_t>(i)];
      if (const float x = fox.mesh.vertices[static_cast<size_t>(face.corners[0])].x(); x > foremost) {
        foremost = x;
        first = group.name;
      }
    }
  }
  EXPECT_EQ(first, nose);
  int pairs = 0;
  for (const auto& [name, size] : sizes)
    if (name.starts_with("left-ear")) {
      ++pairs;
      EXPECT_NEAR(sizes["right" + name.substr(4)], size, 0.1 * size + 6) << name;
    }
  EXPECT_GE(pairs, 2) << "an ear has a face and a back";
}

TEST(PaintedGroups, BodyIsOfTheCoatsColourAndTheCoreOfNone) {
  const Painted fox("red_fox");
  std::array<float, 3> coat{};
  for (const MeshGroup& group : fox.groups)
    if (group.name == "trunk") coat = group.colour;
  for (const MeshGroup& group : fox.groups)
    if (group.name == "tail" || group.name == "left-foreleg") {
      EXPECT_EQ(group.colour, coat) << group.name;
    }
  const Scratch scratch;
  ExportWish wish;
  wish.cell = 1.5;
  wish.head = fox.head;
  ASSERT_FALSE(exportSolid(scratch.path("fox.obj"), fox.plan, fox.plan.figure, "fox", wish));
  const std::string painted = Scratch::read(scratch.path("fox.mtl"));
  EXPECT_NE(painted.find("head_" + fox.head->nose.colour), std::string::npos);
  wish.core = true;
  ASSERT_FALSE(exportSolid(scratch.path("core.obj"), fox.plan, fox.plan.figure, "fox", wish));
  EXPECT_EQ(Scratch::read(scratch.path("core.mtl")).find("head_" + fox.head->nose.colour), std::string::npos);
}

TEST(PaintedGroups, AFigureWithoutAHeadIsOfOneColour) {
  Painted fox("red_fox");
  Figure bare = fox.plan.figure;
  bare.head.reset();
  std::set<std::array<float, 3>> colours;
  for (const MeshGroup& group : paintedGroups(bare, fox.mesh, *fox.head)) colours.insert(group.colour);
  EXPECT_EQ(colours.size(), 1U);
  Project none = fox.project;
  none.pattern = "no_such_animal";
  EXPECT_EQ(exportHead(none, shelf(), bare), nullptr);
}
