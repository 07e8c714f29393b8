// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/model/next_things.h"

#include <algorithm>

#include "project/project.h"

namespace yemvo::app {

static NextKinds usual(const Project& p) {
    const auto known = [&](const char* key, TypeUse use) {
        const WallTypeId id = find_type(p, key);
        return id ? id : first_type(p, use);
    };
    NextKinds n;
    n.wall_type = known("plasterboard", TypeUse::wall);
    n.door_type = first_type(p, TypeUse::door);
    n.window_type = first_type(p, TypeUse::window);
    n.model = p.models->empty() ? ModelId{} : p.models->front().id;
    n.obstacle_type = known("stack-books", TypeUse::obstacle);
    n.column_type = known("column-concrete", TypeUse::obstacle);
    n.ceiling_type = known("ceiling-mineral", TypeUse::ceiling);
    n.slab_type = known("slab-timber", TypeUse::slab);
    n.ramp_type = known("slab-concrete-300", TypeUse::slab);
    n.shaft_type = known("concrete-200", TypeUse::wall);
    return n;
}

void NextThings::start(const Project& p) {
    const ZoneKind zone = kinds_.zone_kind;
    kinds_ = usual(p);
    kinds_.zone_kind = zone;
}

bool NextThings::drop_what_is_gone(const Project& p) {
    bool dropped = false;
    std::optional<NextKinds> instead;
    const auto keep = [&](const auto& list, auto NextKinds::*field) {
        const auto id = kinds_.*field;
        if (!id || std::ranges::any_of(list, [&](const auto& thing) { return thing.id == id; })) return;
        if (!instead) instead = usual(p);
        kinds_.*field = (*instead).*field;
        dropped = true;
    };
    for (const auto field : {&NextKinds::wall_type, &NextKinds::door_type, &NextKinds::window_type,
                             &NextKinds::obstacle_type, &NextKinds::column_type, &NextKinds::ceiling_type,
                             &NextKinds::slab_type, &NextKinds::shaft_type, &NextKinds::ramp_type})
        keep(*p.wall_types, field);
    keep(*p.models, &NextKinds::model);
    return dropped;
}

}  // namespace yemvo::app
