// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/file/write_file.h"

#include <nlohmann/json.hpp>

#include "project/file/all_parts.h"
#include "project/file/read_file.h"

namespace yemvo {
namespace {

template <class Owner>
std::string part_text(const PartKind<Owner>& kind, const Owner& owner) {
    LargeLists large;
    Json json{{"part", kind.key}, {"version", kind.version()}};
    json.update(kind.write(owner, large));
    return json_text(json, large);
}

std::string outline_text(const Project& p) {
    Json json{{"format", "yemvo-project"}, {"version", format_version}, {"part", "outline"}};
    json.update(write_outline(p));
    return json_text(json);
}

const AccessPointList* find_list(const Project& p, VariantId variant, FloorId floor) {
    for (const Variant& v : p.variants)
        if (v.id == variant) {
            const auto found = v.access_points.find(floor);
            return found == v.access_points.end() ? nullptr : &found->second;
        }
    return nullptr;
}

FilePart of_floor(const PartKind<Floor>& kind, const Floor& floor) {
    return {entry_of(kind, floor.id), [&] { return part_text(kind, floor); },
            [&](const Project& other) {
                const Floor* there = find_floor(other, floor.id);
                return there && kind.same && kind.same(floor, *there);
            }};
}

FilePart of_list(const PartKind<AccessPointList>& kind, VariantId variant, FloorId floor,
                 const AccessPointList& list) {
    return {entry_of(kind, variant, floor), [&] { return part_text(kind, list); },
            [&kind, variant, floor, &list](const Project& other) {
                const AccessPointList* there = find_list(other, variant, floor);
                return there && kind.same && kind.same(list, *there);
            }};
}

FilePart of_project(const PartKind<Project>& kind, const Project& p) {
    return {entry_of(kind), [&] { return part_text(kind, p); },
            [&](const Project& other) { return kind.same && kind.same(p, other); }};
}

}  // namespace

std::vector<FilePart> file_parts(const Project& p) {
    std::vector<FilePart> parts;
    parts.push_back({outline_entry, [&] { return outline_text(p); }, [](const Project&) { return false; }});
    for (const auto& kind : project_parts())
        if (!kind.is_empty || !kind.is_empty(p)) parts.push_back(of_project(kind, p));
    for (const Floor* floor : all_floors(p))
        for (const auto& kind : floor_parts()) parts.push_back(of_floor(kind, *floor));
    for (const Variant& v : p.variants)
        for (const auto& [floor, list] : v.access_points)
            for (const auto& kind : placed_parts()) parts.push_back(of_list(kind, v.id, floor, list));
    return parts;
}

}  // namespace yemvo
