// SPDX-License-Identifier: GPL-3.0-or-later
// Names of access points by a scheme, counted by position in reading order.
#pragma once
#include <span>

#include "project/project.h"

namespace yemvo {

/// What a pattern may hold.
struct NamePart {
    const char* placeholder;  ///< "{floor}"
    const char* what;         ///< marked: "name of the floor"
};
std::span<const NamePart> name_parts();

struct NewName {
    FloorId floor;
    AccessPointId access_point;
    int number = 0;
    std::string before, name;
    bool doubled = false;  ///< another access point has or gets the same
};

/// Names for `only` (empty: all) of the current variant, those of a floor in reading order: rows from north
/// to south, in each from west to east. Access points that are not named keep theirs. Throws Error for a
/// pattern with an unknown placeholder, or without {n}.
std::vector<NewName> names_by(const Project&, const NamingScheme&, std::span<const AccessPointId> only = {});

/// Gives them. Throws Error where a name is doubled.
void give_names(Project&, const std::vector<NewName>&);

/// The access points of a floor in reading order. Those whose distance from north differs by less than a
/// row's height stand in one row.
std::vector<const AccessPoint*> in_reading_order(const std::vector<AccessPoint>&);

}  // namespace yemvo
