// The rules of thumb wool is planned by: densities, pads, strips, what hides a core, fur, needles.
#pragma once

#include "anatomy/pattern.h"
#include "measure/result.h"

#include <string>
#include <string_view>

namespace columna {

/// From data/work/wool.json, where each number has its unit and source; most are estimates [E]. In mm, g and
/// g/mm3 here, and g/mm2 for what hides a core.
struct WoolRules {
  double wrapped = 0;                                 ///< g/mm3 as wound by hand
  double allCoatBelow = 0;                            ///< mm across
  double skin = 0;                                    ///< mm felted
  double padLeast = 0, padShare = 0;                  ///< g; of the part's core
  double looseEnd = 0;                                ///< mm at an end that will be joined
  double stripLongest = 0, overlap = 0;               ///< mm, share of the width
  double windings = 3;                                ///< times a part is wound over
  double stripShare = 0, stripNarrowest = 0;          ///< of the wound diameter; mm
  double draftLeast = 0;                              ///< g/mm, the finest wisp
  double tubeLimb = 1, tubeOther = 1, rollGrowth = 1; ///< of parts without wire, times their length
  double battArea = 0, battStrip = 0;                 ///< g/mm2, mm
  double sliver = 0, sliverWide = 0;                  ///< g/mm, mm
  double top = 0, topWide = 0;                        ///< g/mm, mm
  double roving = 0, rovingWide = 0;                  ///< g/mm, mm
  double staple = 0;                                  ///< mm
  double coatDensity = 0;                             ///< g/mm3
  double coatLeast = 0;                               ///< mm
  double brushedMore = 1;                             ///< times a felted coat
  double readyCover = 0;                              ///< mm of wool over a ready core
  double hideDark = 0, hideMid = 0, hidePale = 0, hideAlike = 0; ///< g/mm2
  double furRowShare = 0, furRowLeast = 0, furTuftWide = 0, furFold = 0, furTuft = 0;
  double hairTuftWide = 0, hairFeatherLeast = 0, hairSetIn = 0; ///< mm: on a head, smaller than on a body
  double featherRowShare = 0, featherWide = 0, feather = 0;     ///< of the shown length, mm, g/mm
  double yarnWide = 0, yarn = 0;                                ///< mm one length covers, g/mm
  double furOffer = 0;                                          ///< mm of pelt over the coat worth laying
  double careful = 0;                                           ///< mm from wire
  double passesSoft = 0, passesMedium = 0, passesFirm = 0;
  double ballLeast = 0;                     ///< g
  double densityLeast = 0, densityMost = 0; ///< g/mm3

  [[nodiscard]] double passes(Firmness firmness) const {
    return firmness == Firmness::Soft ? passesSoft : firmness == Firmness::Medium ? passesMedium : passesFirm;
  }

  [[nodiscard]] bool operator==(const WoolRules&) const = default;
};

/// Errors name the file and the key: one missing, not a number, below zero, or without a source.
[[nodiscard]] Result<WoolRules> readWoolRules(std::string_view json, const std::string& file);

} // namespace columna
