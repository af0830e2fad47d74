#include "report/solid_export.h"

#include "file/columna_file.h"
#include "head/wearing.h"
#include "measure/disk.h"
#include "project/heads.h"
#include "report/painted_groups.h"
#include "report/wool_plan_json.h"
#include "solid/field.h"
#include "solid/mesh_files.h"

#include <cmath>
#include <numbers>

namespace columna {
namespace {

constexpr double kFinest = 0.1;
constexpr double kCoarsest = 5;
/// Of a part's thickness: with two of them one corner at least lies within it, with fewer it may break.
constexpr double kCellsAcross = 2;
constexpr double kTip = 0.95;      ///< of a bone: its very tip may be lost
constexpr double kMostCells = 4e9; ///< of the box round the figure: beyond that a mesh is of no use to anyone

std::optional<Problem> write(const std::filesystem::path& path, const std::string& bytes) {
  return writeAtomically(path, bytes);
}

} // namespace

Said exportCaution(const Figure& figure, double cell) {
  double thinnest = 1e9;
  std::string name;
  const auto take = [&](double thick, int bone) {
    if (thick >= thinnest) return;
    thinnest = thick;
    name = lowerFirst(figure.limbs[static_cast<size_t>(figure.bones[static_cast<size_t>(bone)].limb)].name);
  };
  for (size_t b = 0; b < figure.bones.size(); ++b)
    for (const Station& s : figure.bones[b].stations)
      if (s.at < kTip) take(std::min(s.across, s.deep), static_cast<int>(b));
  for (const FigureFlat& flat : figure.flats) take(flat.thickness, flat.bone);
  if (cell <= thinnest / kCellsAcross) return {};
  return say("Cells of {} are coarse for the {}, {} thick at its thinnest: it may come out broken. Take {} "
             "or less to be sure.",
             Length(cell, Quantity::kShort), Name(name), Length(thinnest, 1),
             Length(std::max(kFinest, thinnest / kCellsAcross), 2));
}

std::shared_ptr<const HeadPattern> exportHead(const Project& project, const Catalog& catalog,
                                              const Figure& figure) {
  const auto head = headOf(project, catalog);
  if (!head || !figure.head) return nullptr;
  return std::make_shared<HeadPattern>(asTaken(*head, project.face, *figure.head));
}

std::vector<std::array<float, 3>> limbColours(const Figure& figure) {
  std::vector<std::array<float, 3>> out;
  for (size_t l = 0; l < figure.limbs.size(); ++l) {
    // Hues a golden angle apart, pale as wool; twins alike.
    const size_t hue =
        figure.limbs[l].side < 0 && figure.limbs[l].twin >= 0 ? static_cast<size_t>(figure.limbs[l].twin) : l;
    const double turn = std::fmod(static_cast<double>(hue) * 0.61803398875, 1.0) * 2 * std::numbers::pi;
    std::array<float, 3> colour{};
    for (size_t c = 0; c < 3; ++c)
      colour[c] = static_cast<float>(
          0.72 + 0.16 * std::cos(turn - static_cast<double>(c) * 2 * std::numbers::pi / 3));
    out.push_back(colour);
  }
  return out;
}

std::optional<Problem> exportSolid(const std::filesystem::path& path, const Plan& plan, const Figure& figure,
                                   const std::string& title, const ExportWish& wish) {
  std::string ending = path.extension().string();
  for (char& c : ending) c = static_cast<char>(std::tolower(static_cast<unsigned char>(c)));
  if (ending == ".csv") return write(path, girthsCsv(plan));
  if (ending != ".stl" && ending != ".obj" && ending != ".glb")
    return Problem{say("it is not known what to write"), path.string(),
                   say("end the name in .stl, .obj, .glb or .csv")};
  if (!(wish.cell >= kFinest && wish.cell <= kCoarsest))
    return Problem{
        say("a cell of {}", Length(wish.cell, Quantity::kShort)), path.string(),
        say("give {} to {}", Number(kFinest, Quantity::kShort), Length(kCoarsest, Quantity::kShort))};
  MeshWish mesh;
  mesh.cell = wish.cell;
  mesh.blend = usualBlend(figure);
  mesh.depth = wish.core ? plan.wool->coatThickness : 0;
  mesh.stop = wish.stop;
  mesh.progress = wish.progress;
  const WoolField field(figure, 0);
  const Vec3 box = field.high() - field.low();
  if (box.prod() / std::pow(wish.cell, 3) > kMostCells)
    return Problem{
        say("cells of {} are too fine for a figure of this size", Length(wish.cell, Quantity::kShort)),
        path.string(), say("give {} or more", Length(std::cbrt(box.prod() / kMostCells) + 0.05, 1))};
  const SolidMesh solid = solidMesh(figure, mesh);
  if (wish.stop && *wish.stop) return Problem{say("stopped, nothing was written"), path.string(), {}};
  if (solid.faces.empty())
    return Problem{say("nothing of it is thicker than a cell"), path.string(),
                   say("give a finer cell, or the finished coat")};
  if (ending == ".stl") return write(path, stlBytes(solid, title));
  const std::vector<MeshGroup> groups = wish.head && !wish.core
                                            ? paintedGroups(figure, solid, *wish.head)
                                            : groupsOf(figure, solid, limbColours(figure));
  if (ending == ".glb") return write(path, glbBytes(solid, groups));
  std::filesystem::path beside = path;
  beside.replace_extension(".mtl");
  const ObjFiles files = objText(solid, groups, beside.filename().string());
  if (auto problem = write(beside, files.mtl)) return problem;
  return write(path, files.obj);
}

} // namespace columna
