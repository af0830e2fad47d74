// Taking one out of a list by its number.
#pragma once

#include <cstddef>
#include <vector>

namespace columna::edit {

/// Nothing happens past the end.
template <class T>
void eraseAt(std::vector<T>& list, size_t index) {
  if (index < list.size()) list.erase(list.begin() + static_cast<std::ptrdiff_t>(index));
}

} // namespace columna::edit
