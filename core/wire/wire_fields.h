// The fields of what is settled of wire: what the hand takes, toes and fingers, a wire's strength.
#pragma once

#include "measure/field.h"
#include "wire/allowance.h"
#include "wire/construction.h"
#include "wire/piece.h"

namespace columna {

template <>
struct Choices<Construction> {
  static constexpr auto all = kConstructions;
  static std::string_view word(Construction construction) { return id(construction); }
};

template <>
struct Choices<RootHold> {
  static constexpr auto all = kRootHolds;
  static std::string_view word(RootHold hold) { return id(hold); }
};

template <>
struct Table<Allowances> {
  static constexpr std::tuple fields = std::tuple_cat(allowanceFields);
};

template <>
struct Table<Estimate> {
  static constexpr std::tuple fields{
      field("value", &Estimate::value).must().within(1, 3000).in(unit::kMegapascal),
      field("low", &Estimate::low).must().within(0.1, 3000).in(unit::kMegapascal),
      field("high", &Estimate::high).must().within(1, 6000).in(unit::kMegapascal)};
};

template <>
struct Table<PieceRules::Digits> {
  using Digits = PieceRules::Digits;
  static constexpr std::tuple fields{
      field("count", &Digits::count).must().within(0, 100),
      field("length_mm", &Digits::length).must().within(0.1, 1000).in(unit::kMm),
      field("pegs", &Digits::pegs).always().about("a single peg each instead of one woven piece")};
};

} // namespace columna
