#include "kit/say.h"

#include <QCoreApplication>

namespace columna {
namespace {

/// The context under which lupdate finds the core's sentences: its namespace.
constexpr const char* kContext = "columna";

class WindowLanguage : public Language {
public:
  std::string sentence(std::string_view english, std::string_view one, long count) const override {
    const QByteArray key(english.data(), static_cast<qsizetype>(english.size()));
    if (one.empty()) return other(english, QCoreApplication::translate(kContext, key.constData()));
    const QByteArray single(one.data(), static_cast<qsizetype>(one.size()));
    return other(english, QCoreApplication::translate(kContext, key.constData(), single.constData(),
                                                      static_cast<int>(count)));
  }
  std::string name(std::string_view english) const override {
    const QByteArray key(english.data(), static_cast<qsizetype>(english.size()));
    return other(english, QCoreApplication::translate(kContext, key.constData()));
  }
  std::string first(std::string text, Name::First first) const override {
    QString letters = QString::fromStdString(text);
    if (letters.isEmpty()) return text;
    letters[0] = first == Name::First::Upper ? letters[0].toUpper() : letters[0].toLower();
    return letters.toStdString();
  }

private:
  /// Empty where there is no translation, so that the English is put into words by its own rules.
  static std::string other(std::string_view english, const QString& found) {
    std::string text = found.toStdString();
    return text == english ? std::string() : text;
  }
};

} // namespace

const Language& windowLanguage() {
  static const WindowLanguage language;
  return language;
}

QString str(const Said& said, UnitSystem units) {
  return QString::fromStdString(render(said, {units, &windowLanguage()}));
}

QString str(const Name& name) { return str(Said(name), UnitSystem::Metric); }

QString sentence(const Problem& problem, UnitSystem units) {
  QString said = QString::fromStdString(problem.sentence({units, &windowLanguage()}));
  if (problem.where.empty() && !said.isEmpty()) said[0] = said[0].toUpper();
  if (!said.endsWith(u'.')) said += u'.';
  return said;
}

} // namespace columna
