#include "kit/picture.h"
#include "support.h"

using namespace columna;
using namespace columna::test;

TEST(Picture, BadOnesAreOneSentence) {
  const Scratch scratch;
  const auto said = [&](const QString& path) {
    const auto read = readPicture(path);
    return read.ok() ? std::string("it was read") : read.problem().sentence();
  };
  EXPECT_NE(
      said(QString::fromStdString(scratch.write("text.png", "not a picture at all"))).find("not a picture"),
      std::string::npos);
  EXPECT_NE(said(QString::fromStdString(scratch.path("gone.png"))).find("not there"), std::string::npos);
  const QString dot = QString::fromStdString(scratch.path("dot.png"));
  QImage(1, 1, QImage::Format_RGB32).save(dot);
  EXPECT_NE(said(dot).find("nothing to trace"), std::string::npos) << said(dot);
  const QString strip = QString::fromStdString(scratch.path("strip.png"));
  QImage(30000, 10, QImage::Format_RGB32).save(strip);
  EXPECT_NE(said(strip).find("strip"), std::string::npos) << said(strip);
  const QString whole = QString::fromStdString(scratch.path("whole.jpg"));
  QImage photo(900, 600, QImage::Format_RGB32);
  photo.fill(Qt::darkGreen);
  photo.save(whole, "JPEG");
  const std::string bytes = Scratch::read(whole.toStdString());
  const auto cut = readPicture(QString::fromStdString(scratch.write("cut.jpg", bytes.substr(0, 200))));
  EXPECT_FALSE(cut.ok());
  // A chunk that claims to be a gigabyte longer than the file is not given that room.
  const QString png = QString::fromStdString(scratch.path("small.png"));
  photo.scaled(90, 80).save(png);
  std::string claims = Scratch::read(png.toStdString());
  EXPECT_TRUE(readPicture(png).ok());
  const size_t end = claims.find("IEND");
  ASSERT_NE(end, std::string::npos);
  claims.replace(end - 4, 8, std::string("\x56\x00\x00\x00tEXt", 8));
  EXPECT_FALSE(readPicture(QString::fromStdString(scratch.write("claims.png", claims))).ok());
}

TEST(Picture, FormatsAreReadWhateverTheyAreCalledAndTurnedUpright) {
  const Scratch scratch;
  QImage photo(300, 200, QImage::Format_RGB32);
  photo.fill(Qt::red);
  for (const char* format : {"PNG", "JPEG", "WEBP", "TIFF"}) {
    const QString path = QString::fromStdString(scratch.path("picture.dat"));
    ASSERT_TRUE(photo.save(path, format)) << format;
    const auto read = readPicture(path);
    ASSERT_TRUE(read.ok()) << format << read.problem().sentence();
    EXPECT_EQ(read->image.size(), QSize(300, 200));
  }
  // A camera held on its side writes the turn into EXIF: orientation 6 is a quarter turn.
  const QString path = QString::fromStdString(scratch.path("turned.jpg"));
  photo.save(path, "JPEG");
  std::string bytes = Scratch::read(path.toStdString());
  const std::string exif("\xff\xe1\x00\x22"
                         "Exif\0\0"
                         "MM\0\x2a\0\0\0\x08"
                         "\0\x01"
                         "\x01\x12\0\x03\0\0\0\x01\0\x06\0\0"
                         "\0\0\0\0",
                         36);
  bytes.insert(2, exif);
  const auto turned = readPicture(QString::fromStdString(scratch.write("turned.jpg", bytes)));
  ASSERT_TRUE(turned.ok()) << turned.problem().sentence();
  EXPECT_EQ(turned->image.size(), QSize(200, 300));
}
