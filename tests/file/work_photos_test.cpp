// Photos of the work are on the disk before they are told, and in the project's file once it is saved.
#include "support.h"

#include "file/work_photos.h"

using namespace columna;
using namespace columna::test;

TEST(WorkPhotos, AreOnTheDiskAtOnceAndFoldedInWhenTheProjectIsSaved) {
  const Scratch scratch;
  const std::string path = scratch.path("otter.columna");
  ProjectFile file;
  file.project = project("river_otter", 108);
  const auto name = keepPhoto(path, file, "a1", "a picture");
  ASSERT_TRUE(name) << name.problem().sentence();
  EXPECT_EQ(*name, std::string(kWorkPhotos) + "a1.jpg");
  // Killed here, it is there when the project is opened again.
  ProjectFile again;
  takePhotos(path, again);
  EXPECT_EQ(again.others.at(*name), "a picture");
  file.others[*name] = "a picture";
  ASSERT_FALSE(saveProject(path, file));
  foldPhotos(path, file);
  EXPECT_FALSE(std::filesystem::exists(photosBeside(path)));
  const auto opened = openProject(path);
  ASSERT_TRUE(opened);
  EXPECT_EQ(opened->others.at(*name), "a picture");
}

TEST(WorkPhotos, WhatIsNotInTheFileStaysBesideIt) {
  const Scratch scratch;
  const std::string path = scratch.path("otter.columna");
  ProjectFile file;
  const auto one = keepPhoto(path, file, "a1", "one");
  const auto two = keepPhoto(path, file, "b2", "two");
  ASSERT_TRUE(one && two);
  file.others[*one] = "one";
  file.others[*two] = "another two"; // of another window
  foldPhotos(path, file);
  ProjectFile left;
  takePhotos(path, left);
  EXPECT_FALSE(left.others.contains(*one));
  EXPECT_EQ(left.others.at(*two), "two");
  takePhotos(path, file);
  EXPECT_EQ(file.others.at(*two), "another two") << "the file has its own";
  // What is no photo is left alone.
  scratch.write(".otter.columna.photos/notes.txt", "mine");
  ProjectFile none;
  takePhotos(path, none);
  EXPECT_EQ(none.others.size(), 1U);
}

TEST(WorkPhotos, HaveAnEndAndSayWhereTheyCannotBeKept) {
  const Scratch scratch;
  ProjectFile full;
  for (size_t i = 0; i < kMostWorkPhotos; ++i) full.others[kWorkPhotos + std::to_string(i) + ".jpg"] = "x";
  const auto more = keepPhoto(scratch.path("o.columna"), full, "z", "one too many");
  ASSERT_FALSE(more);
  EXPECT_FALSE(more.problem().remedy.empty());
  EXPECT_FALSE(keepPhoto(scratch.path("o.columna"), {}, "z", std::string(9U << 20U, 'x')));
  scratch.write(".taken.columna.photos", "a file where a folder should be");
  EXPECT_FALSE(keepPhoto(scratch.path("taken.columna"), {}, "z", "x"));
}
