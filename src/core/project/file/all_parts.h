// SPDX-License-Identifier: GPL-3.0-or-later
// Every kind of part that a project file has.
#pragma once
#include <functional>
#include <span>

#include "project/file/part_kind.h"
#include "project/project.h"

namespace yemvo {

using AccessPointList = Shared<std::vector<AccessPoint>>;

std::span<const PartKind<Project>> project_parts();         ///< NAME.json
std::span<const PartKind<Floor>> floor_parts();             ///< floors/FLOOR/NAME.json
std::span<const PartKind<AccessPointList>> placed_parts();  ///< variants/VARIANT/FLOOR/NAME.json

std::string entry_of(const PartKind<Project>&);
std::string entry_of(const PartKind<Floor>&, FloorId);
std::string entry_of(const PartKind<AccessPointList>&, VariantId, FloorId);

/// The lists that are read while parsing, of a text that holds the whole project.
std::vector<LargeList> large_lists_of_whole();

/// What project.json says itself: name and settings, the buildings and floors with their heights, the names
/// of the variants and which floors they have access points on.
Json write_outline(const Project&);

/// Where what stands on a floor, and the access points of a variant on it, come from, given the object that
/// tells of the floor in the outline.
struct Contents {
    std::function<void(const Reader& told, Floor&)> floor;
    std::function<void(const Reader& told, VariantId, FloorId, AccessPointList&)> access_points;
};
void read_outline(const Reader&, Project&, const Contents&);

}  // namespace yemvo
