// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/forms/choices.h"

#include "project/project.h"
#include "render/tr.h"

namespace yemvo::app {

std::vector<WallTypeId> types_of(const Project& project, TypeUse use) {
    std::vector<WallTypeId> ids;
    for (const WallType& t : *project.wall_types)
        if (t.use == use) ids.push_back(t.id);
    return ids;
}

QStringList type_names(const Project& project, const std::vector<WallTypeId>& ids) {
    QStringList names;
    for (WallTypeId id : ids) names << QString::fromStdString(wall_type(project, id).name);
    return names;
}

QStringList zone_colour_names() {
    return {tr("Slate"),  tr("Sand"),   tr("Moss"), tr("Mauve"),
            tr("Lagoon"), tr("Violet"), tr("Clay"), tr("Olive")};
}

QStringList zone_kind_names() {
    return {tr("Served"), tr("No service needed"), tr("Served, no mounting"), tr("Outside")};
}

QStringList obstacle_kind_names() {
    return {tr("Column"), tr("Shelving"), tr("Racking"),     tr("Machinery"), tr("Vehicles"),
            tr("Crowd"),  tr("Foliage"),  tr("Metal boxes"), tr("Other")};
}

}  // namespace yemvo::app
