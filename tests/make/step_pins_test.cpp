#include "make/step_pins.h"

#include "support.h"

using namespace columna;

TEST(StepPins, AreReadAsTheyAreWritten) {
  const auto pins = readPins(" coat/trunk 2026-12-05 10:00 ,face/eyes 2026-12-08 20:05,");
  ASSERT_TRUE(pins) << pins.problem().sentence();
  ASSERT_EQ(pins->size(), 2U);
  EXPECT_EQ((*pins)[0].step, "coat/trunk");
  EXPECT_EQ((*pins)[1].minute, 20 * 60 + 5);
  EXPECT_EQ(pinsText(*pins), "coat/trunk 2026-12-05 10:00, face/eyes 2026-12-08 20:05");
  EXPECT_EQ(*readPins(pinsText(*pins)), *pins);
  EXPECT_TRUE(readPins("")->empty());
  for (const char* bad :
       {"coat/trunk", "coat/trunk 10:00", "coat/trunk 2026-12-05", "coat/trunk 2026-02-30 10:00",
        "coat/trunk 2026-12-05 24:00", "coat/trunk 2026-12-05 10:60", "coat/trunk 2026-12-05 ten",
        "a 2026-12-05 10:00, a 2026-12-06 10:00"}) {
    const auto none = readPins(bad);
    EXPECT_FALSE(none) << bad;
    if (!none) {
      EXPECT_FALSE(none.problem().remedy.empty()) << bad;
    }
  }
}

TEST(StepPins, AMomentOfACalendarIsADayAndItsMinute) {
  const Date first = *dateOf("2026-12-01");
  for (const int moment : {0, 1200, 1439, 1440, 5 * 1440 + 615, -1, -1440, -1500}) {
    const StepPin pin = pinAt("x", first, moment);
    EXPECT_GE(pin.minute, 0);
    EXPECT_LT(pin.minute, kDay);
    EXPECT_EQ(pin.moment(first), moment);
  }
  EXPECT_EQ(pinsText({pinAt("wind/trunk", first, 4 * kDay + 600)}), "wind/trunk 2026-12-05 10:00");
}
