// SPDX-License-Identifier: GPL-3.0-or-later
// Finding the part of a project that an edit changes. For the edits' own use.
#pragma once
#include <algorithm>
#include <stdexcept>

#include "project/project.h"

namespace yemvo {

template <class List, class IdType>
auto& entry(List& list, IdType id) {
    const auto found = std::find_if(list.begin(), list.end(), [&](const auto& e) { return e.id == id; });
    if (found == list.end()) throw std::logic_error("an id that the project does not have");
    return *found;
}

template <class List, class IdType>
void erase_id(List& list, IdType id) {
    entry(list, id);
    std::erase_if(list, [&](const auto& e) { return e.id == id; });
}

inline Building& building_of(Project& project, FloorId id) {
    for (Building& building : project.buildings)
        for (const Floor& floor : building.floors)
            if (floor.id == id) return building;
    throw std::logic_error("a floor that the project does not have");
}

inline Floor& floor_of(Project& project, FloorId id) { return entry(building_of(project, id).floors, id); }

}  // namespace yemvo
