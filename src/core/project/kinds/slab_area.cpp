// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/kinds/slab_area.h"

#include "project/json_shapes.h"
#include "project/rule_parts.h"

namespace yemvo {

using namespace rule;

void check(const SlabArea& a) {
    text("name", mark("name"), a.name, limits::name);
    corners("outline", a.outline, 3);
}

Json KindOf<SlabArea>::write(const SlabArea& a) {
    Json json{
        {"id", a.id.value}, {"name", a.name}, {"type", a.type.value}, {"outline", write_points(a.outline)}};
    write_group(json, a.group);
    return json;
}

SlabArea KindOf<SlabArea>::read(const Reader& r) {
    return r.kept(SlabArea{r.at("id").id<SlabAreaId>(), r.at("name").text(), r.at("type").id<WallTypeId>(),
                           read_points(r.at("outline")), read_group(r)});
}

}  // namespace yemvo
