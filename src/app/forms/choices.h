// SPDX-License-Identifier: GPL-3.0-or-later
// What a form lets choose from, by name.
#pragma once
#include <QStringList>
#include <vector>

#include "base/id.h"
#include "venue/wall_type.h"

namespace yemvo {
struct Project;
}

namespace yemvo::app {

/// Names of the types of a use, and their ids, in the order of the project.
std::vector<WallTypeId> types_of(const Project&, TypeUse);
QStringList type_names(const Project&, const std::vector<WallTypeId>&);
QStringList zone_kind_names();
QStringList zone_colour_names();
QStringList obstacle_kind_names();

}  // namespace yemvo::app
