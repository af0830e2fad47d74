#include "plan/plan_keys.h"

#include "hold/gauge_choice.h"
#include "plan/body_joins.h"
#include "plan/joint_wire.h"
#include "plan/own_head.h"
#include "plan/wire_stock.h"
#include "solid/field.h"
#include "wire/allowance.h"

#include <algorithm>
#include <cmath>

namespace columna {
namespace {

constexpr double kHurried = 3; ///< times the working cell, where somebody waits

/// The sections of a figure's parts where a needle meets wire: wool over the bundle at the thinnest place.
double coverOf(const Figure& figure, const FigureLimb& limb, double bundle) {
  double least = 1e9;
  for (const int b : limb.bones) {
    const FigureBone& bone = figure.bones[static_cast<size_t>(b)];
    if (!bone.wire) continue;
    // The very tip is left out: the wire ends before it.
    for (const Station& s : bone.stations)
      if (s.at <= 0.8) least = std::min({least, s.across / 2, s.deep / 2 - std::abs(s.lift)});
  }
  return least - bundle / 2;
}

class Planner {
public:
  Planner(const Project& project, const Catalog& catalog, const SolidOffer& offer, Plan begun)
      : project_(project), catalog_(catalog), offer_(offer), plan_(std::move(begun)), keys_(*plan_.keys) {
    // Parts of another figure are of no use.
    if (offer.before && offer.before->keys && offer.before->keys->whole &&
        offer.before->figure.same(plan_.figure))
      before_ = offer.before;
    plan_.woolRules = catalog.wool;
    plan_.poseRules = catalog.pose;
    plan_.construction = project.construction;
    plan_.bench = catalog.bench;
    WiresWanted wanted(plan_.figure->limbs.size());
    for (size_t l = 0; l < wanted.size(); ++l)
      if (const LimbChoice* choice = choiceOf(plan_.figure->limbs[l].id))
        wanted[l] = {choice->wires, choice->held};
    plan_.groups = wireGroups(plan_.figure, plan_.skeleton, project.construction, wanted);
    plan_.limbs.resize(plan_.figure->limbs.size());
  }

  Result<Plan> run() {
    if (auto problem = chooseMaterials()) return *problem;
    laid_ = laidCoat(project_, catalog_.wool);
    coat_ = laid_ + rowsDepth(project_.wool, catalog_.wool);
    takeSolid();
    for (const ReadyCore& core : project_.wool.ready)
      ready_.push_back(
          fitReadyCore(core, plan_.figure, usualBlend(plan_.figure), coat_ + catalog_.wool.readyCover));
    settleWire();
    wool();
    plan_.boneWool = masses(false);
    pieces();
    wireAtJoints();
    // Its weight loads the wire too; hardly ever does that ask for another.
    const std::vector<double> before = diameters();
    settleWire();
    if (diameters() != before) {
      pieces();
      wireAtJoints();
    }
    bodyJoins(project_, plan_);
    stock();
    plan_.standing = standing(*plan_.footing, plan_.loads.centre);
    totals();
    plan_.time = workTime(plan_.figure, plan_.wool, plan_.pieces, catalog_.pace, project_.finish);
    keys_.whole = true;
    plan_.keys = std::make_shared<const PlanKeys>(std::move(keys_));
    return std::move(plan_);
  }

private:
  [[nodiscard]] const LimbChoice* choiceOf(const std::string& limb) const {
    const auto found = project_.limbs.find(limb);
    return found == project_.limbs.end() ? nullptr : &found->second;
  }

  /// Each group's material: the maker's for any of its limbs, the stem for a tail, else the project's.
  std::optional<Problem> chooseMaterials() {
    for (size_t g = 0; g < plan_.groups.size(); ++g) {
      const WireGroup& group = plan_.groups[g];
      std::string wanted = group.stem ? "pipe-cleaner" : project_.material;
      for (const int l : group.limbs) {
        const LimbChoice* choice = choiceOf(plan_.figure->limbs[static_cast<size_t>(l)].id);
        if (choice && choice->material) {
          wanted = *choice->material;
          break;
        }
      }
      const Material* material = catalog_.material(wanted);
      if (!material)
        return Problem{say("the wire \"{}\" is not in the catalog", AsIs(wanted)), Name(named("project")),
                       say("choose another, or add its file to the data folder")};
      WireSection section;
      section.material = *material;
      // Stems are too springy for toes; they take binding wire.
      if (group.digits && material->strandsPerWire > 1 && catalog_.material("steel-binding"))
        section.material = *catalog_.material("steel-binding");
      section.lay = project_.allow.lay;
      section.diameter = section.material.diameters.front();
      plan_.sections.push_back(std::move(section));
      for (const int l : group.limbs) {
        plan_.limbs[static_cast<size_t>(l)].wired = true;
        plan_.limbs[static_cast<size_t>(l)].group = static_cast<int>(g);
      }
    }
    return std::nullopt;
  }

  [[nodiscard]] WireSection sectionOf(size_t g, size_t member) const {
    WireSection section = plan_.sections[g];
    section.wires = plan_.groups[g].wires[member];
    return section;
  }

  /// The offered solid if it is this figure's, or a guess from it when there is hurry; else made anew.
  void takeSolid() {
    SolidWish wish = solidWish(plan_.figure, coat_, catalog_.wool);
    wish.cell *= offer_.coarser;
    const std::uint64_t key = solidKey(plan_.figure, wish.coat, wish.skin);
    if (before_ && before_->solid->key == key && (before_->solid->exact || offer_.hurried) &&
        !(offer_.known && offer_.known->key == key))
      plan_.solid = before_->solid;
    else if (offer_.known && offer_.known->key == key)
      plan_.solid = offer_.known;
    else if (auto guess = offer_.known && offer_.hurried ? guessSolid(plan_.figure, wish.coat, *offer_.known)
                                                         : std::nullopt)
      plan_.solid = std::make_shared<const KnownSolid>(std::move(*guess));
    else if (offer_.hurried) {
      // Another animal: roughly at first.
      wish.cell *= kHurried;
      KnownSolid rough = makeSolid(plan_.figure, wish);
      rough.exact = false;
      plan_.solid = std::make_shared<const KnownSolid>(std::move(rough));
    } else
      plan_.solid = std::make_shared<const KnownSolid>(makeSolid(plan_.figure, wish));
  }

  /// What is settled of the wool, with the wire as it is chosen so far.
  [[nodiscard]] WoolInput woolInput() const {
    WoolInput in;
    in.coat = coat_;
    in.laid = laid_;
    in.ready = ready_;
    in.wish = project_.wool;
    for (size_t l = 0; l < plan_.figure->limbs.size(); ++l) {
      const FigureLimb& limb = plan_.figure->limbs[l];
      const LimbChoice* choice = choiceOf(limb.id);
      LimbWoolInput out;
      out.firmness = choice && choice->firmness ? *choice->firmness : limb.firmness;
      if (choice) {
        out.density = choice->density;
        out.way = choice->coatWay;
      }
      const int group = plan_.limbs[l].group;
      if (group >= 0) {
        const auto g = static_cast<size_t>(group);
        for (size_t m = 0; m < plan_.groups[g].limbs.size(); ++m)
          if (plan_.groups[g].limbs[m] == static_cast<int>(l)) out.bundle = sectionOf(g, m).bundle();
      }
      in.limbs.push_back(out);
    }
    return in;
  }

  /// The wool with the wire as it is chosen so far; of limbs that are as they were it is known.
  void wool() {
    WoolKey& key = keys_.wool;
    key.input = woolInput();
    key.rules = catalog_.wool;
    const bool same = before_ && before_->solid == plan_.solid && before_->keys->wool.alike(key);
    if (same && before_->keys->wool.input.limbs == key.input.limbs) {
      key.alone = before_->keys->wool.alone;
      plan_.wool = before_->wool;
      return;
    }
    const LimbsBefore known{same ? before_->keys->wool.input : key.input,
                            same ? before_->keys->wool.alone : key.alone};
    key.alone = limbsAlone(plan_.figure, *plan_.solid, key.input, catalog_.wool, same ? &known : nullptr);
    plan_.wool = planWool(plan_.figure, *plan_.solid, key.input, catalog_.wool, key.alone);
  }

  void stock() {
    keys_.stock = {project_.drawer, project_.drawerOnly, flatWiresOf(project_, catalog_, plan_)};
    plan_.flatWires = keys_.stock.flats;
    const bool same = before_ && before_->pieces.same(plan_.pieces) && before_->keys->stock == keys_.stock;
    plan_.stock = same ? before_->stock : Shared(cutFromStock(project_, catalog_, plan_));
  }

  [[nodiscard]] std::vector<BoneMass> masses(bool withWire) const {
    const Figure& figure = plan_.figure;
    std::vector<BoneMass> out(figure.bones.size());
    const std::vector<double> grams = boneGrams(figure, *plan_.solid, woolInput(), catalog_.wool);
    for (size_t b = 0; b < out.size(); ++b) {
      const BoneShare& share = plan_.solid->solid.bones[b];
      out[b] = {grams[b], share.centre, share.coreAt};
    }
    // Known once the wool is planned; the wire is settled again then.
    for (size_t l = 0; l < plan_.wool->limbs.size(); ++l)
      if (const LimbWool& w = plan_.wool->limbs[l]; w.area > 0)
        for (const int b : figure.limbs[l].bones)
          out[static_cast<size_t>(b)].grams +=
              w.rowsOver * plan_.solid->area[static_cast<size_t>(b)] / w.area;
    if (!withWire) return out;
    for (size_t b = 0; b < joints_.size(); ++b) addWeight(out[b], joints_[b].grams, joints_[b].centre);
    for (size_t g = 0; g < plan_.groups.size(); ++g)
      for (size_t m = 0; m < plan_.groups[g].limbs.size(); ++m) {
        const WireSection section = sectionOf(g, m);
        const double perMm = section.wires * section.lengthFactor() * section.linearMass();
        for (const WireRun& run : plan_.skeleton->limbs[static_cast<size_t>(plan_.groups[g].limbs[m])])
          for (size_t s = 0; s + 1 < run.points.size(); ++s)
            if (run.segmentBone[s] >= 0)
              out[static_cast<size_t>(run.segmentBone[s])].grams +=
                  perMm * plan_.skeleton->segmentLength(run, s);
      }
    return out;
  }

  [[nodiscard]] std::vector<double> diameters() const {
    std::vector<double> out;
    for (const WireSection& section : plan_.sections) out.push_back(section.diameter);
    return out;
  }

  /// The wire's own weight loads it, so loads and choice are repeated until nothing changes.
  void settleWire() {
    for (int round = 0; round < 8; ++round) {
      plan_.loads = figureLoads(plan_.figure, plan_.skeleton, plan_.footing, masses(round > 0), project_.use);
      if (!chooseDiameters() && round > 0) break;
    }
    for (size_t g = 0; g < plan_.groups.size(); ++g)
      for (size_t m = 0; m < plan_.groups[g].limbs.size(); ++m) {
        const auto l = static_cast<size_t>(plan_.groups[g].limbs[m]);
        LimbPlan& limb = plan_.limbs[l];
        limb.section = sectionOf(g, m);
        limb.hold = holdOf(plan_.loads.limbs[l], plan_.loads.nudge, limb.section,
                           plan_.figure->limbs[l].length, catalog_.pose);
        limb.hold.cover = coverOf(plan_.figure, plan_.figure->limbs[l], limb.section.bundle());
      }
  }

  /// All groups' wires together, so that no more different ones are bought than the maker likes.
  bool chooseDiameters() {
    std::vector<GaugeWish> wishes;
    for (size_t g = 0; g < plan_.groups.size(); ++g) {
      const WireGroup& group = plan_.groups[g];
      GaugeWish wish{plan_.sections[g].material.id, group.digits ? kSmallestWire : 0,
                     static_cast<double>(group.limbs.size()), std::nullopt};
      for (size_t m = 0; m < group.limbs.size(); ++m) {
        const auto l = static_cast<size_t>(group.limbs[m]);
        LimbPlan& limb = plan_.limbs[l];
        limb.need = neededWire(plan_.loads.limbs[l], plan_.loads.nudge, sectionOf(g, m), catalog_.pose);
        wish.need = std::max(wish.need, limb.need.diameter);
        const LimbChoice* choice = choiceOf(plan_.figure->limbs[l].id);
        if (choice && choice->diameter && !wish.fixed) wish.fixed = choice->diameter;
      }
      wishes.push_back(std::move(wish));
    }
    std::vector<GaugeOffer> offers;
    for (const OwnWire& own : project_.drawer)
      if (own.length <= 0 || own.count > 0) offers.push_back({own.material, own.diameter, true});
    if (!project_.drawerOnly)
      for (const WireSection& section : plan_.sections)
        for (const double d : section.material.diameters) offers.push_back({section.material.id, d, false});
    const GaugeChoice choice = chooseGauges(wishes, offers, project_.drawerOnly ? 0 : project_.mostWires);
    plan_.wiresBought = choice.bought;
    plan_.wiresLeast = choice.least;
    plan_.gaugeExcess = choice.excess;
    bool changed = false;
    for (size_t g = 0; g < plan_.groups.size(); ++g) {
      WireSection& section = plan_.sections[g];
      changed = changed || section.diameter != choice.diameters[g];
      section.diameter = std::max(0.05, choice.diameters[g]);
      section.material =
          asMeasured(*catalog_.material(section.material.id), project_.drawer, section.diameter);
      for (const int l : plan_.groups[g].limbs) {
        plan_.limbs[static_cast<size_t>(l)].chosen = wishes[g].fixed.has_value();
        plan_.limbs[static_cast<size_t>(l)].fits = choice.fits[g];
      }
    }
    return changed;
  }

  void pieces() {
    PieceRules rules;
    rules.allow = project_.allow;
    rules.own = project_.pieceAllow;
    rules.handling = project_.handling;
    rules.routes = project_.routes;
    for (size_t l = 0; l < plan_.figure->limbs.size(); ++l)
      if (const LimbChoice* choice = choiceOf(plan_.figure->limbs[l].id))
        if (choice->digits && plan_.limbs[l].wired) {
          PieceRules::Digits wish = *choice->digits;
          wish.count = std::min(wish.count, static_cast<int>(catalog_.bench.digitsMost));
          rules.digits[static_cast<int>(l)] = wish;
        }
    PieceKey& key = keys_.pieces;
    key = {plan_.groups, plan_.sections, {}, fineWire(), std::move(rules), {}};
    for (const WireSection& section : plan_.sections)
      key.longest.push_back(longestOf(project_, catalog_, section.material.id, section.diameter));
    if (before_ && before_->keys->pieces.alike(key)) {
      key.joins = before_->keys->pieces.joins;
      plan_.pieces = before_->pieces;
      plan_.routes = before_->routes;
    } else {
      PiecePlan made = makePieces(plan_.figure, plan_.skeleton, key.groups, key.sections, key.longest,
                                  key.fine, key.rules);
      plan_.pieces = std::move(made.pieces);
      plan_.routes = std::move(made.choices);
      key.joins = std::move(made.joins);
    }
    plan_.joins = key.joins;
  }

  void wireAtJoints() {
    joints_ = columna::wireAtJoints(plan_);
    plan_.carried = plan_.boneWool;
    for (size_t b = 0; b < joints_.size(); ++b)
      addWeight(plan_.carried[b], joints_[b].grams, joints_[b].centre);
  }

  /// Lashings are of the project's metal at about half a millimetre; stems are lashed with binding wire.
  [[nodiscard]] WireSection fineWire() const {
    const Material* material = catalog_.material(project_.material);
    if (!material || material->strandsPerWire > 1) material = catalog_.material("steel-binding");
    WireSection fine;
    fine.material = material ? *material : catalog_.materials.front();
    fine.diameter = thinnestAtLeast(fine.material, 0.5).value_or(fine.material.diameters.back());
    // Wire that is used anyway does for lashings if it is fine enough.
    for (const WireSection& section : plan_.sections)
      if (section.material.strandsPerWire == 1 && section.diameter >= 0.4 && section.diameter <= 0.65) {
        fine = section;
        fine.wires = 1;
        break;
      }
    return fine;
  }

  void totals() {
    Totals& t = plan_.totals;
    for (const Piece& piece : plan_.pieces) {
      t.wireLength += piece.cut;
      t.wireMass += piece.mass;
      for (const Feature& f : piece.features)
        if (f.kind == "waste" && piece.cut > 0) t.waste += piece.mass * f.takes / piece.cut;
    }
    t.core = plan_.wool->core;
    t.coat = plan_.wool->coat;
    t.ready = plan_.wool->ready;
    t.mass = t.core + t.coat + t.ready + plan_.wool->hard + t.wireMass - t.waste;
  }

  const Project& project_;
  const Catalog& catalog_;
  SolidOffer offer_;
  Plan plan_;
  PlanKeys keys_;
  const Plan* before_ = nullptr; ///< of the same figure
  double laid_ = 0, coat_ = 0;   ///< mm of felted coat, and of all of it
  std::vector<ReadyFit> ready_;
  std::vector<BoneMass> joints_; ///< of each bone, what wire takes at its joints
};

} // namespace

double laidCoat(const Project& project, const WoolRules& rules) {
  return project.coat.value_or(usualCoat(project.wool, rules));
}

SolidWish solidWish(const Figure& figure, double coat, const WoolRules& rules) {
  SolidWish wish;
  wish.cell = workingCell(figure);
  wish.coat = coat;
  wish.blend = usualBlend(figure);
  wish.skin = rules.skin;
  return wish;
}

SolidWish solidWish(const Plan& plan) {
  return solidWish(plan.figure, plan.wool->coatThickness, plan.woolRules);
}

Result<Plan> sums(const Project& project, const Catalog& catalog, const SolidOffer& offer) {
  auto begun = planFigure(project, catalog, offer.before);
  if (!begun) return begun.problem();
  return Planner(project, catalog, offer, std::move(begun).value()).run();
}

} // namespace columna
