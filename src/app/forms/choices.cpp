// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/forms/choices.h"

#include "project/project.h"

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
    return {"Slate", "Sand", "Moss", "Mauve", "Lagoon", "Violet", "Clay", "Olive"};
}

QStringList zone_kind_names() { return {"Served", "No service needed", "Served, no mounting", "Outside"}; }

QStringList obstacle_kind_names() {
    return {"Column", "Shelving", "Racking",     "Machinery", "Vehicles",
            "Crowd",  "Foliage",  "Metal boxes", "Other"};
}

}  // namespace yemvo::app
