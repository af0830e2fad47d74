// The two forms of what is counted in the window's own English: "%n page(s)" is "1 page" or "3 pages". Any
// other language has its forms in its catalogue.
#pragma once

#include <QTranslator>

namespace columna {

class EnglishPlurals : public QTranslator {
public:
  using QTranslator::QTranslator;
  [[nodiscard]] QString translate(const char* /*context*/, const char* text, const char* /*note*/,
                                  int count) const override {
    if (count < 0 || !QByteArrayView(text).contains("(s)")) return {};
    return QString::fromUtf8(text).replace(QStringLiteral("(s)"),
                                           count == 1 ? QString() : QStringLiteral("s"));
  }
  [[nodiscard]] bool isEmpty() const override { return false; }
};

} // namespace columna
