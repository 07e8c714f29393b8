// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/kinds/slab_void.h"

#include "project/json_shapes.h"
#include "project/rule_parts.h"

namespace yemvo {

using namespace rule;

void check(const SlabVoid& v) {
    text("name", mark("name"), v.name, limits::name);
    corners("outline", v.outline, 3);
}

Json KindOf<SlabVoid>::write(const SlabVoid& v) {
    Json json{{"id", v.id.value}, {"name", v.name}, {"outline", write_points(v.outline)}};
    write_group(json, v.group);
    return json;
}

SlabVoid KindOf<SlabVoid>::read(const Reader& r) {
    return r.kept(
        SlabVoid{r.at("id").id<VoidId>(), r.at("name").text(), read_points(r.at("outline")), read_group(r)});
}

}  // namespace yemvo
