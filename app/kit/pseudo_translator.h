// A language for testers: longer and accented, so that a text that is not translated, or that a longer
// language would cut off, is seen at once. Switched on with --language pseudo.
#pragma once

#include "words/render.h"

#include <QTranslator>

#include <string_view>

namespace columna {

class PseudoTranslator : public QTranslator {
public:
  using QTranslator::QTranslator;
  [[nodiscard]] QString translate(const char* context, const char* text, const char* one,
                                  int count) const override {
    // Qt's own words, such as the names of keys, stay.
    if (!std::string_view(context).starts_with("columna")) return {};
    // What the core counts comes with its own form for one; elsewhere that place holds a translator's note.
    const bool single = count == 1 && one && std::string_view(text).find('{') != std::string_view::npos;
    return QString::fromStdString(pseudo(single ? one : text));
  }
  [[nodiscard]] bool isEmpty() const override { return false; }
};

} // namespace columna
