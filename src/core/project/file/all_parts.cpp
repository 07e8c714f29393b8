// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/file/all_parts.h"

#include <array>

#include "project/file/floor_part.h"
#include "project/file/project_parts.h"
#include "project/json_gear.h"
#include "project/json_lists.h"

namespace yemvo {
namespace {

Json write_access_points(const AccessPointList& list, LargeLists& large) {
    return {{"access_points", large.add(*list, write_access_point)}};
}
void read_access_points(const Reader& r, AccessPointList& list) {
    list = read_list<AccessPoint>(r.at("access_points"), read_access_point);
}
bool same_access_points(const AccessPointList& a, const AccessPointList& b) { return a.same(b); }
std::vector<LargeList> large_access_points(std::string_view root) {
    return {large_list<AccessPoint, read_access_point>(root, "access_points")};
}

constinit const PartKind<AccessPointList> access_points_part{
    "access_points", write_access_points, read_access_points, same_access_points, large_access_points};

}  // namespace

std::span<const PartKind<Project>> project_parts() {
    static const std::array all{types_part,   gear_part,     demand_part,       air_part,
                                cabling_part, handover_part, requirements_part, findings_part,
                                probes_part,  display_part,  aside_part};
    return all;
}

std::span<const PartKind<Floor>> floor_parts() {
    static const std::array all{things_on_floor};
    return all;
}

std::span<const PartKind<AccessPointList>> placed_parts() {
    static const std::array all{access_points_part};
    return all;
}

std::string entry_of(const PartKind<Project>& kind) { return std::string(kind.key) + ".json"; }

std::string entry_of(const PartKind<Floor>& kind, FloorId floor) {
    return "floors/" + std::to_string(floor.value) + "/" + kind.key + ".json";
}

std::string entry_of(const PartKind<AccessPointList>& kind, VariantId variant, FloorId floor) {
    return "variants/" + std::to_string(variant.value) + "/" + std::to_string(floor.value) + "/" + kind.key +
           ".json";
}

std::vector<LargeList> large_lists_of_whole() {
    std::vector<LargeList> all;
    const auto add = [&](const auto& kinds) {
        for (const auto& kind : kinds)
            if (kind.large)
                for (const LargeList& list : kind.large("floors")) all.push_back(list);
    };
    add(floor_parts());
    add(placed_parts());
    return all;
}

}  // namespace yemvo
