// A project that has something of everything: every field there is, so that tests which walk the fields of
// its JSON reach each of them (fields_test.cpp makes sure).
#pragma once

#include "file/project_json.h"
#include "support.h"

#include <nlohmann/json.hpp>

namespace columna::test {

inline nlohmann::json rich() {
  Project p = project("red_fox", 171, Construction::FoldedPair);
  p.shape.character.head = 1.2;
  p.shape.moved["nose"] = {0.1, 0, 0.02};
  p.size = {SizeBy::Limb, 70, "foreleg"};
  p.shape.lengths["thigh"] = 1.1;
  p.shape.girths["thigh@0"] = {1.1, 1, 0};
  p.made = {{"trunk", 118, 47, "2026-11-21"}, {"head", 63, {}, "2026-11-22"}};
  Photo photo;
  photo.entry = "photos/side.jpg";
  photo.width = photo.height = 600;
  photo.mmPerPixel = 0.3;
  photo.straighten = 0.02;
  photo.landmarks["nose"] = {3, 4};
  p.photos = {photo};
  p.limbs["left-foreleg"].digits = PieceRules::Digits{4, 7, true};
  p.wool.ball = TestBall{31, 2.9, Firmness::Firm, {30, 32}};
  p.wool.core = {WoolForm::Batt, 0.0035, 60, Tone::Dark};
  p.wool.coat = {WoolForm::Top, 0.004, 85, Tone::Pale};
  p.wool.grip = WireGrip::Sleeve;
  p.wool.markings = {{"bib", Tone::Pale, View::Front, {{0, 0}, {0.1, 0}, {0.1, 0.25}}, false, "neck"},
                     {"star", Tone::Pale, View::Front, {{0, 1}, {0.1, 1}, {0.1, 1.25}}, false, "head"}};
  p.wool.records = {{"tail", WrapRecord::What::Girth, 35, 61, "felted", "2026-11-25"},
                    {"tail", WrapRecord::What::Left, 0, 1.5, "", "2026-11-25"}};
  p.wool.ready = {{"trunk", ReadyKind::Foam, 40, 30, 30, 2, 0.5}};
  p.drawer = {{"my copper", "copper-soft", 0.81, 0.1, 450, 6, Estimate{71, 60, 85}},
              {"coil", "aluminium-annealed", 1.6, 0, 0, 1, {}}};
  const Allowances usual;
  for (const AllowanceField& each : allowanceFields)
    p.allow.*each.member = usual.*each.member == each.bounds.most ? each.bounds.least : each.bounds.most;
  p.pieceAllow["tail"]; // all usual, so each differs from the figure's
  p.routes["tail"] = {{"hip", "tail1"}, {"tail1", "tail2"}};
  p.mostWires = 5;
  p.drawerOnly = true;
  p.handling = 900;
  p.coat = 1.5;
  p.finish = Finish::Fine;
  p.untied = {"foreleg"};
  p.make = {"tue 20:00-21:30, sat 10:00-12:00", "2026-12-24 off, 2026-12-26 10:00-12:00",
            "coat/trunk 2026-12-26 10:00", 30, 5};
  p.face.generic = true;
  p.face.eye = 6;
  p.face.eyeKind = EyeKind::Painted;
  p.face.features["cheek"] = {1.2, {0.01, 0, -0.02}, true};
  p.face.moved["eye"] = {{0.01, 0.02, -0.01}};
  p.face.thick["ear"] = 3;
  HeadFeature knob;
  knob.id = "pad-1";
  knob.kind = FeatureKind::Pad;
  knob.mode = FeatureMode::Press;
  knob.twin = true;
  knob.at = {0.4, 0.2, 0.1};
  knob.radii = {0.05, 0.06, 0.07};
  knob.axis = {0, 1, 0};
  knob.up = {1, 0, 0};
  knob.blend = 0.02;
  knob.colour = "dark";
  HeadFeature rod = knob;
  rod.id = "pad-2";
  rod.to = Vec3(0.5, 0.2, 0.1);
  rod.radii = {0.05, 0.06};
  p.face.own = {{knob, "brow"}, {rod, ""}};
  p.face.body["elbow"] = 1.2;
  p.face.school = FaceSchool::EyesFirst;
  p.face.hairFirst = true;
  p.face.eyeGlue = p.face.partGlue = "epoxy";
  p.face.variant = "silver";
  p.face.measured = {{"eye", true, 24.5, 9}, {"eye", false, 24, 9}};
  p.limbs["tail"] = {"copper-soft", 0.8, Firmness::Soft, 0.18e-3, CoatWay::AllCoat, 2, RootHold::Glued, {}};
  p.wool.finish = CoatFinish::Feathers;
  p.wool.furShown = 9;
  p.stances.now = {"watch", {{"neck1", {0.3, 0.1, 0.2}}}, {0.1, 0.2, 0.3}};
  p.stances.saved = {p.stances.now, {"bow", {{"neck1", {-0.3, 0, 0}}}, {}}};
  p.stances.support = {Feet::Base, "left-elbow", 120, 60, 250};
  p.stances.hands = Hands::Sore;
  p.stances.legError = 2;
  p.stances.times = 40;
  p.stances.goThrough = {"watch", "bow"};
  p.stances.glued = {"left-elbow"};
  p.stances.made = {{"", "watch", "2026-11-25", std::map<std::string, double>{{"neck1", 0.5}}}};
  p.stances.stands = p.stances.now;
  return toJson(p);
}

} // namespace columna::test
