// The booklet as a folder of pages for a browser: index.html, and a picture a step beside it.
#pragma once

#include "booklet/booklet.h"

#include <filesystem>
#include <functional>
#include <map>

namespace columna {

/// The bytes of a photo by its name in the project's file; null without it.
using BookletPhotos = std::function<const std::string*(const std::string&)>;

/// Its files by their names within the folder. `titlePng` are the bytes of the painted title picture; empty:
/// the drawn one stands in its place. It asks for nothing from outside.
[[nodiscard]] std::map<std::string, std::string> bookletFiles(const Booklet& booklet, const BookletWish& wish,
                                                              const std::string& titlePng = {},
                                                              const BookletPhotos& photos = {});

/// Writes them into a folder, which is made where it is not there. Errors: the path is a file; the folder
/// holds something other than a booklet; it cannot be written to.
[[nodiscard]] std::optional<Problem> writeBookletFolder(const std::filesystem::path& folder,
                                                        const std::map<std::string, std::string>& files);

} // namespace columna
