// What is written on pages of a sheet.
#pragma once

#include "sheet/page.h"

#include <string>
#include <vector>

namespace columna::test {

inline std::string words(const std::vector<Page>& pages) {
  std::string all;
  for (const Page& page : pages)
    for (const Mark& m : page.marks) all += m.text + '\n';
  return all;
}

} // namespace columna::test
