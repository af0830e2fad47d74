// The picture of a step: the figure as it is when the step is done, the part lit, its girths at their places;
// of wire the pieces as bars and as they lie in the figure; of pads their outline; of the head its two sides.
// Drawn, not painted, so that it prints sharp and reads in grey.
#pragma once

#include "booklet/picture_scene.h"
#include "judge/face_sums.h"
#include "steps/step.h"
#include "wool/build_up.h"

#include <array>
#include <vector>

namespace columna {

class StepPictures {
public:
  /// All of them outlive it; `face` may be null.
  StepPictures(const Plan& plan, const FaceSums* face, const StepPlan& steps, const Manner& manner);

  /// As large as fits into so many mm. When all steps up to this one are done, in the plan's order. Without
  /// marks where there is nothing to be seen of a step.
  [[nodiscard]] Drawn of(size_t step, double wide, double high) const;
  /// The finished figure from the side, with its flat parts.
  [[nodiscard]] Drawn finished(double wide, double high) const;

private:
  /// The finished figure's outline, made once.
  [[nodiscard]] const std::vector<Polygon>& whole(View view) const;
  [[nodiscard]] bool begins(size_t step, const char* verb) const;
  [[nodiscard]] std::string words(const Said& said) const { return render(said, manner_); }
  [[nodiscard]] PictureScene sceneFor(View view, bool mirrored, double wide, double high) const;
  /// The figure when the steps up to this one are done.
  [[nodiscard]] Figure figureAfter(size_t step) const;
  [[nodiscard]] std::vector<LimbMoment> momentAfter(size_t step) const;
  void body(Drawn& out, const PictureScene& scene, size_t step, int lit) const;
  void wire(Drawn& out, const PictureScene& scene, size_t step, int lit) const;
  void girths(Drawn& out, const PictureScene& scene, const Figure& now, size_t step) const;
  [[nodiscard]] Drawn figureOf(size_t step, int limb, double wide, double high) const;
  [[nodiscard]] Drawn head(size_t step, double wide, double high) const;
  [[nodiscard]] Drawn flats(int limb, double wide, double high) const;
  [[nodiscard]] Drawn bars(size_t step, double wide) const;
  [[nodiscard]] Drawn heaps(double wide) const;
  void strip(Drawn& out, int piece, double wide) const;
  void padShape(Drawn& out, const Pad& pad, double wide, double high) const;

  const Plan& plan_;
  const FaceSums* face_;
  const StepPlan& steps_;
  Manner manner_;
  std::vector<BuildStep> builds_;
  std::vector<double> bundles_;
  mutable std::array<std::vector<Polygon>, 3> whole_; ///< by view
};

/// The places of a piece's bends in words, as they are made from the left end: "23 mm: 40°". One a bend.
[[nodiscard]] std::vector<Said> bendWords(const Piece& piece);

} // namespace columna
