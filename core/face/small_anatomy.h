// What lies under the skin and may be brought out by a pad or a hollow: on the body a shoulder blade's ridge,
// an elbow, a knee cap, a collarbone's hollow; on the head a brow's ridge, the angle of a jaw. All are a
// maker's choice, none is on by itself. Sizes are estimates, a third more or less.
#pragma once

#include "anatomy/laid_pad.h"
#include "head/head_field.h"
#include "measure/result.h"

#include <map>
#include <string>
#include <string_view>
#include <vector>

namespace columna {

enum class SizeOf { Bone, Trunk };
struct BodyPadKind {
  std::string id, name;
  std::vector<std::string> bones; ///< of patterns: the first that is there, or
  bool each = false;              ///< all that are
  bool hollow = false;
  double at = 0;                    ///< 0..1 on that bone
  Vec3 towards = Vec3(0, 0, 1);     ///< in the pattern's axes, y outwards
  Vec3 size = Vec3(0.1, 0.1, 0.05); ///< long, wide, high: shares of
  SizeOf of = SizeOf::Bone;         ///< the bone's length, or the trunk's depth
  bool longOfBone = false;          ///< its length is of the bone all the same
};

enum class HeadPlace { Eye, Ear, Throat };
struct HeadPadKind {
  std::string id, name;
  HeadPlace from = HeadPlace::Eye;
  bool hollow = false;
  Vec3 shift = Vec3(0, 0, 0);       ///< head modules from there
  Vec3 along = Vec3(1, 0, 0);       ///< the way its length runs
  Vec3 size = Vec3(0.1, 0.1, 0.05); ///< long, wide, high; head modules
};

struct SmallAnatomy {
  std::string source; ///< where the sizes come from
  std::vector<BodyPadKind> body;
  std::vector<HeadPadKind> head;
  [[nodiscard]] const BodyPadKind* bodyPad(std::string_view id) const;
  [[nodiscard]] const HeadPadKind* headPad(std::string_view id) const;
};

/// From data/work/anatomy.json. Errors name the file and the field: one missing, mistyped or out of range, an
/// id twice, a direction that points nowhere.
[[nodiscard]] Result<SmallAnatomy> readSmallAnatomy(std::string_view json, const std::string& file);

/// A pad of the body on a pattern in its neutral stance, `factor` times as large; empty where the pattern has
/// no such bone.
[[nodiscard]] std::vector<PatternPad> bodyPads(const BodyPadKind& kind, const Pattern& pattern,
                                               double factor = 1);

/// A pad of the head; none where it has no such place.
[[nodiscard]] std::optional<HeadFeature> headPad(const HeadPadKind& kind, const HeadPattern& head);

/// A pad or a hollow at a place on a head's surface, head modules; its third radius is the way out. Both of a
/// pair where the place is off the middle.
[[nodiscard]] HeadFeature padAt(const HeadField& field, const Vec3& at, const Vec3& along, const Vec3& size,
                                bool hollow);

/// What a pad of the body comes to on a figure: wool beyond what stands, mm3, all that go by that id
/// together; of hollows what is pressed. By 24 cells across each.
[[nodiscard]] double laidVolume(const Figure& figure, const std::string& id);

} // namespace columna
