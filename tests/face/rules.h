// The rules of the face that ship, for its tests.
#pragma once

#include "face/eye.h"
#include "measure/disk.h"

#include <gtest/gtest.h>

#include <filesystem>

namespace columna::test {

inline const FaceRules& rules() {
  static const FaceRules read = [] {
    auto made =
        readFaceRules(*readFile(std::filesystem::path(COLUMNA_DATA_DIR) / "work/face.json"), "face.json");
    EXPECT_TRUE(made) << made.problem().sentence();
    return std::move(made).value();
  }();
  return read;
}

} // namespace columna::test
