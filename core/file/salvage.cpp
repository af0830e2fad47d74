#include "file/salvage.h"

#include "measure/json_text.h"

#include <zlib.h>

#include <optional>
#include <string_view>
#include <vector>

namespace columna {
namespace {

constexpr size_t kHeader = 30; // fixed part of a local file header

std::uint32_t number(const std::string& bytes, size_t at, int size) {
  std::uint32_t value = 0;
  for (int i = size - 1; i >= 0; --i)
    value = (value << 8U) | static_cast<unsigned char>(bytes[at + static_cast<size_t>(i)]);
  return value;
}

/// Inflates from `at` until the stream ends; nothing if it does not, or grows past the limit.
std::optional<std::string> inflateAt(const std::string& bytes, size_t at, std::uint64_t limit) {
  z_stream stream{};
  if (inflateInit2(&stream, -MAX_WBITS) != Z_OK) return std::nullopt;
  stream.next_in =
      reinterpret_cast<Bytef*>(const_cast<char*>(bytes.data() + at)); // NOLINT: zlib takes it non-const
  stream.avail_in = static_cast<uInt>(bytes.size() - at);
  std::string out;
  int state = Z_OK;
  while (state == Z_OK && out.size() <= limit) {
    char chunk[16384];
    stream.next_out = reinterpret_cast<Bytef*>(chunk); // NOLINT
    stream.avail_out = sizeof chunk;
    state = inflate(&stream, Z_NO_FLUSH);
    out.append(chunk, sizeof chunk - stream.avail_out);
    if (state == Z_OK && stream.avail_in == 0 && stream.avail_out != 0) break;
  }
  inflateEnd(&stream);
  if (state != Z_STREAM_END || out.size() > limit) return std::nullopt;
  return out;
}

/// A name as UTF-8: old programs wrote those of the first personal computers (code page 437).
std::string entryName(const std::string& name) {
  static constexpr std::string_view upper =
      "ÇüéâäàåçêëèïîìÄÅÉæÆôöòûùÿÖÜ¢£¥₧ƒáíóúñÑªº¿⌐¬½¼¡«»░▒▓│┤╡╢╖╕╣║╗╝╜╛┐"
      "└┴┬├─┼╞╟╚╔╩╦╠═╬╧╨╤╥╙╘╒╓╫╪┘┌█▄▌▐▀αßΓπΣσµτΦΘΩδ∞φε∩≡±≥≤⌠⌡÷≈°∙·√ⁿ²■\u00A0";
  if (asUtf8(name) == name) return name;
  std::vector<std::string_view> letters;
  for (size_t i = 0; i < upper.size(); i += utf8Length(upper, i))
    letters.push_back(upper.substr(i, utf8Length(upper, i)));
  std::string out;
  for (const char c : name) {
    const auto byte = static_cast<unsigned char>(c);
    out += byte < 0x80 ? std::string_view(&c, 1) : letters[byte - 0x80U];
  }
  return out;
}

std::uint32_t sumOf(const std::string& content) {
  return static_cast<std::uint32_t>(
      crc32(0, reinterpret_cast<const Bytef*>(content.data()), static_cast<uInt>(content.size()))); // NOLINT
}

} // namespace

Salvaged salvageZip(const std::string& bytes, std::uint64_t limit) {
  Salvaged out;
  static const std::string mark("PK\x03\x04", 4);
  for (size_t at = bytes.find(mark); at != std::string::npos; at = bytes.find(mark, at + 4)) {
    if (at + kHeader > bytes.size()) break;
    const std::uint32_t flags = number(bytes, at + 6, 2);
    const std::uint32_t method = number(bytes, at + 8, 2);
    const std::uint32_t sum = number(bytes, at + 14, 4);
    const std::uint32_t packed = number(bytes, at + 18, 4);
    const size_t nameLength = number(bytes, at + 26, 2);
    const size_t begin = at + kHeader + nameLength + number(bytes, at + 28, 2);
    if (begin > bytes.size()) break;
    out.anyEntry = true;
    const std::string name = entryName(bytes.substr(at + kHeader, nameLength));
    const bool later = (flags & 8U) != 0; // sizes and sum follow the data
    std::optional<std::string> content;
    if (method == 0 && !later && packed <= limit && begin + packed <= bytes.size())
      content = bytes.substr(begin, packed);
    if (method == 8) content = inflateAt(bytes, begin, limit);
    if (content && !later && sumOf(*content) != sum) content.reset();
    if (content)
      out.whole[name] = *std::move(content);
    else
      out.broken.push_back(name);
  }
  return out;
}

} // namespace columna
