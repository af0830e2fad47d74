#include "report/pose_json.h"

#include "pose/posing.h"
#include "report/json_number.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace columna {
namespace {

using Json = nlohmann::json;

/// A factor, or null where there is no end to it.
constexpr double kMostBends = 1e4; ///< beyond that a number means nothing

Json vec(const Vec3& v) { return Json::array({v.x(), v.y(), v.z()}); }

Json poseJson(const PoseReport& r, const std::string& name) {
  Json joints = Json::array();
  for (const JointReport& j : r.joints)
    joints.push_back({{"id", j.hold.id},
                      {"moment_Nmm", j.hold.moment},
                      {"capacity_Nmm", j.hold.capacity},
                      {"hold_factor", orNone(j.hold.hold)},
                      {"nudge_factor", orNone(j.hold.nudge)},
                      {"effort_N", j.hold.effort},
                      {"life_bends", j.life.bends > kMostBends ? Json(nullptr) : orNone(j.life.bends)},
                      {"life_class", words(j.life.usable)},
                      {"recoil_Nmm", j.hold.recoil},
                      {"sag_mm", j.hold.sag},
                      {"verdict", word(j.level)}});
  Json findings = Json::array();
  for (const Finding& f : r.findings)
    findings.push_back({{"level", word(f.level)}, {"where", f.where}, {"text", render(f.text)}});
  const Standing& s = r.standing.base;
  return {{"name", name},
          {"joints", std::move(joints)},
          {"standing",
           {{"stands", r.standing.fixed || (s.stands && !r.standing.inLine)},
            {"margin_mm", s.margin},
            {"tip_deg", s.tip * 180 / std::numbers::pi},
            {"falls_towards", r.standing.towards}}},
          {"wobble", {{"usual_mm", r.wobble.usual}, {"worst_mm", r.wobble.worst}}},
          {"findings", std::move(findings)}};
}

} // namespace

std::vector<PatternPose> allPoses(const Project& project, const Plan& plan) {
  std::vector<PatternPose> out;
  out.push_back({"neutral", {}});
  for (const PatternPose& p : plan.pattern->poses)
    if (std::none_of(project.stances.saved.begin(), project.stances.saved.end(),
                     [&](const PatternPose& own) { return own.name == p.name; }))
      out.push_back(p);
  out.insert(out.end(), project.stances.saved.begin(), project.stances.saved.end());
  const PatternPose& now = project.stances.now;
  if (std::none_of(out.begin(), out.end(),
                   [&](const PatternPose& p) { return sameStance(plan.pattern, p, now); })) {
    out.push_back(now);
    out.back().name = "as posed";
  }
  return out;
}

Json posesJson(const Project& project, const Plan& plan, const Catalog& catalog) {
  Json out = Json::array();
  for (const PatternPose& pose : allPoses(project, plan))
    out.push_back(poseJson(poseReport(project, plan, catalog, pose), pose.name));
  return out;
}

Json frameJson(const PoseReport& r) {
  const Frame& f = r.sums.armature.frame;
  const FrameSolution& s = r.sums.under;
  Json nodes = Json::array();
  Json displacements = Json::array();
  Json reactions = Json::array();
  for (size_t n = 0; n < f.nodes.size(); ++n) {
    const FrameNode& each = f.nodes[n];
    Json fixed = Json::array();
    for (const bool held : each.fixed) fixed.push_back(held);
    nodes.push_back({{"id", each.id},
                     {"x", each.at.x()},
                     {"y", each.at.y()},
                     {"z", each.at.z()},
                     {"fixed", std::move(fixed)}});
    if (!r.sums.stable) continue;
    displacements.push_back(
        {{"node", each.id}, {"u_mm", vec(s.moved[n].head<3>())}, {"r_rad", vec(s.moved[n].tail<3>())}});
    if (std::any_of(each.fixed.begin(), each.fixed.end(), [](bool held) { return held; }))
      reactions.push_back({{"node", each.id},
                           {"F_N", vec(s.reactions[n].head<3>())},
                           {"M_Nmm", vec(s.reactions[n].tail<3>())}});
  }
  Json members = Json::array();
  Json moments = Json::array();
  const auto id = [&](int n) { return f.nodes[static_cast<size_t>(n)].id; };
  for (size_t m = 0; m < f.members.size(); ++m) {
    const FrameMember& each = f.members[m];
    members.push_back({{"id", each.id},
                       {"i", id(each.i)},
                       {"j", id(each.j)},
                       {"E_MPa", each.elastic},
                       {"G_MPa", each.shear},
                       {"A_mm2", each.area},
                       {"I_mm4", each.inertia},
                       {"J_mm4", each.torsion},
                       {"q_N_per_mm", vec(each.weight)}});
    if (!r.sums.stable) continue;
    moments.push_back({{"member", each.id}, {"end", "i"}, {"M_Nmm", s.ends[m].bendingI()}});
    moments.push_back({{"member", each.id}, {"end", "j"}, {"M_Nmm", s.ends[m].bendingJ()}});
  }
  Json loads = Json::array();
  for (const FrameLoad& load : f.loads)
    loads.push_back({{"node", id(load.node)}, {"F_N", vec(load.force)}, {"M_Nmm", vec(load.moment)}});
  const PoseLimits limits = poseLimits(r.sums.armature);
  return {{"pose", r.pose.name},
          {"nodes", std::move(nodes)},
          {"members", std::move(members)},
          {"loads", std::move(loads)},
          {"displacements", std::move(displacements)},
          {"end_moments", std::move(moments)},
          {"reactions", std::move(reactions)},
          {"buckling_factors", limits.buckling},
          {"collapse_factor", orNone(limits.collapse)},
          {"stable", r.sums.stable}};
}

} // namespace columna
