// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/file/floor_part.h"

#include "project/json_drawing.h"
#include "project/json_shapes.h"
#include "project/kinds/all.h"

namespace yemvo {
namespace {

template <class Thing>
constexpr bool is_in_slab = std::string_view(KindOf<Thing>::inside) == "slab";

template <class Thing>
void read_things(Floor& f, const Reader& r) {
    const bool needed = KindOf<Thing>::always_in_files;
    r.part([&] {
        if (const auto list = needed ? std::optional(r.at(KindOf<Thing>::key)) : r.find(KindOf<Thing>::key))
            KindOf<Thing>::edit(f) = read_list<Thing>(*list, KindOf<Thing>::read);
    });
}

Json write_slab(const Floor& f, LargeLists& large) {
    Json json{{"type", f.slab->type.value}, {"thickness_m", f.slab->thickness_m}};
    each_kind([&]<class Thing>() {
        if constexpr (is_in_slab<Thing>)
            json[KindOf<Thing>::key] = large.add(KindOf<Thing>::list(f), KindOf<Thing>::write);
    });
    return json;
}

/// The type is needed; without it the floor gets another later (salvage.h).
void read_slab(Floor& f, const Reader& r) {
    Slab& slab = f.slab.edit();
    r.part([&] { slab.type = r.at("type").id<WallTypeId>(); });
    r.part([&] {
        Slab plate;
        plate.thickness_m = r.at("thickness_m").number();
        slab.thickness_m = r.kept(plate).thickness_m;
    });
    each_kind([&]<class Thing>() {
        if constexpr (is_in_slab<Thing>) read_things<Thing>(f, r);
    });
}

Json write(const Floor& f, LargeLists& large) {
    Json json{{"slab", write_slab(f, large)}, {"drawings", write_list(*f.drawings, write_drawing)}};
    each_kind([&]<class Thing>() {
        if constexpr (!is_in_slab<Thing>)
            json[KindOf<Thing>::key] = large.add(KindOf<Thing>::list(f), KindOf<Thing>::write);
    });
    return json;
}

void read(const Reader& r, Floor& f) {
    r.part([&] { read_slab(f, r.at("slab")); });
    r.part([&] { f.drawings = read_list<Drawing>(r.at("drawings"), read_drawing); });
    each_kind([&]<class Thing>() {
        if constexpr (!is_in_slab<Thing>) read_things<Thing>(f, r);
    });
}

bool same(const Floor& a, const Floor& b) {
    bool same = a.slab.same(b.slab) && a.drawings.same(b.drawings);
    each_kind([&]<class Thing>() { same = same && &KindOf<Thing>::list(a) == &KindOf<Thing>::list(b); });
    return same;
}

std::vector<LargeList> large(std::string_view root) {
    std::vector<LargeList> lists;
    each_kind([&]<class Thing>() {
        lists.push_back(
            large_list<Thing, KindOf<Thing>::read>(is_in_slab<Thing> ? "slab" : root, KindOf<Thing>::key));
    });
    return lists;
}

}  // namespace

constinit const PartKind<Floor> things_on_floor{"things", write, read, same, large};

}  // namespace yemvo
