// A project, and each group of its fields, to and from the JSON of docs/schema/project.schema.json.
#pragma once

#include "measure/result.h"
#include "project/project.h"

#include <nlohmann/json.hpp>

namespace columna {

/// The project as the JSON of docs/schema/project.schema.json, unknown keys of the file it came from kept.
[[nodiscard]] nlohmann::json toJson(const Project& project);

/// Shape, made parts and photos of a project, to and from its JSON (used by the two around).
void studyToJson(const Project& project, nlohmann::json& out);
/// Errors name the field.
[[nodiscard]] std::optional<Problem> studyFromJson(const nlohmann::json& in, const std::string& file,
                                                   Project& project);

/// The same for what is settled of the wire, and of one limb's.
void wireToJson(const Project& project, nlohmann::json& out);
void limbWireToJson(const LimbChoice& choice, nlohmann::json& in);
[[nodiscard]] std::optional<Problem> wireFromJson(const nlohmann::json& in, const std::string& file,
                                                  Project& project);
[[nodiscard]] std::optional<Problem> limbWireFromJson(const nlohmann::json& in, const std::string& at,
                                                      const std::string& file, LimbChoice& choice);

/// The same for what is settled of the wool, and of one limb's.
void woolToJson(const WoolWish& wool, nlohmann::json& out);
void limbWoolToJson(const LimbChoice& choice, nlohmann::json& in);
[[nodiscard]] std::optional<Problem> woolFromJson(const nlohmann::json& in, const std::string& file,
                                                  WoolWish& wool);
[[nodiscard]] std::optional<Problem> limbWoolFromJson(const nlohmann::json& in, const std::string& at,
                                                      const std::string& file, LimbChoice& choice);

/// A project from its JSON. Errors name the field: a missing or mistyped one, a size no figure can have, an
/// unknown construction, use or firmness. Pattern and material ids are checked when planning. `newer` is set
/// when the schema is later than this program's; what is known is read all the same.
[[nodiscard]] Result<Project> projectFromJson(const nlohmann::json& json, const std::string& file,
                                              bool& newer);

/// The same for the field "stances".
void stancesToJson(const Stances& stances, nlohmann::json& out);
[[nodiscard]] std::optional<Problem> stancesFromJson(const nlohmann::json& in, const std::string& file,
                                                     Stances& stances);

} // namespace columna
