// The order of work at a face: what is done, of which parts, what it needs before it, and what has to dry.
//
// Pads keep the order of their head's file, which is the order its surface is made of. What is set on by
// itself (eyes before the nose, hair before the ears) goes by the maker's school.
#pragma once

#include "face/drying.h"
#include "face/face_report.h"
#include "head/head_wish.h"
#include "wool/hair.h"

#include <string>
#include <vector>

namespace columna {

enum class FaceWork {
  Ahead, ///< what bakes or dries by itself while the head is felted
  Pins,
  Body,
  Forehead,
  NoseBridge,
  Sockets,
  Brows,
  Nose,
  Lips,
  Cheeks,
  Others,
  Filling,
  Eyes,
  Mouth,
  Ears,
  Hard,
  Colours,
  Hair,
  Singles,
  Look
};

struct FaceStep {
  FaceWork work = FaceWork::Look;
  std::vector<std::string> parts;  ///< ids of pads, eyes, flat parts, horns or hair; may be empty
  int pieces = 0;                  ///< how many there are of them, both of a pair
  double grams = 0;                ///< of wool laid on in it
  double share = 0;                ///< of the time that the face takes
  std::vector<size_t> needs;       ///< the steps that have to be done before, rising
  std::vector<std::string> drying; ///< ids of what dries after it
};

/// What of the maker's wish the order follows from.
[[nodiscard]] std::vector<FaceStep> faceSteps(const HeadPattern& head, const HeadField& field,
                                              const FaceReport& report, const std::vector<HairRow>& hair,
                                              const FaceWish& wish, const DryingTimes& drying,
                                              const FaceRules& rules);

/// What a kind of feature is done with.
[[nodiscard]] FaceWork workOf(FeatureKind kind);
/// "press the sockets".
[[nodiscard]] std::string_view workName(FaceWork work);
/// What to mind in it; empty where there is nothing beyond the parts themselves.
[[nodiscard]] Said workAdvice(FaceWork work);
/// A caution that stands beside it; empty without any.
[[nodiscard]] Said workCaution(FaceWork work);

} // namespace columna
