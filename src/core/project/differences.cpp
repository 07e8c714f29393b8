// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/differences.h"

#include <algorithm>
#include <map>

#include "project/kinds/all.h"

namespace yemvo {
namespace {

struct Counts {
    int added = 0, removed = 0, changed = 0;
    bool any() const { return added + removed + changed > 0; }
    Said text() const {
        std::vector<Said> parts;
        const auto tell = [&](int n, const char* what) {
            if (n > 0) parts.push_back(say(what, n));
        };
        tell(added, mark("%1 added"));
        tell(changed, mark("%1 changed"));
        tell(removed, mark("%1 removed"));
        return Said::joined(", ", std::move(parts));
    }
};

template <class List>
Counts count(const List& before, const List& after) {
    Counts c;
    std::map<std::uint32_t, const typename List::value_type*> old;
    for (const auto& thing : before) old[thing.id.value] = &thing;
    for (const auto& thing : after) {
        const auto found = old.find(thing.id.value);
        if (found == old.end()) {
            ++c.added;
            continue;
        }
        c.changed += !(*found->second == thing);
        old.erase(found);
    }
    c.removed = static_cast<int>(old.size());
    return c;
}

class Lines {
public:
    template <class T>
    void compare(const Said& what, const Shared<std::vector<T>>& before,
                 const Shared<std::vector<T>>& after) {
        if (!before.same(after)) compare(what, *before, *after);
    }
    template <class T>
    void compare(const Said& what, const std::vector<T>& before, const std::vector<T>& after) {
        if (const Counts c = count(before, after); c.any())
            lines.push_back(said_joined(": ", what, c.text()));
    }
    void tell(bool differs, const Said& what) {
        if (differs) lines.push_back(what);
    }
    std::vector<Said> lines;
};

void compare_floors(Lines& l, const std::string& title, const Floor& a, const Floor& b) {
    l.tell(a.name != b.name || a.elevation_m != b.elevation_m || a.height_m != b.height_m ||
               !(a.slope == b.slope) || a.plate != b.plate,
           say("%1: its name, heights or plate", title));
    l.tell(!(a.slab->type == b.slab->type) || a.slab->thickness_m != b.slab->thickness_m,
           say("%1: slab", title));
    each_kind([&]<class Thing>() {
        if (!KindOf<Thing>::same(a, b))
            l.compare(said_joined(": ", title, said_mark(KindOf<Thing>::plural)), KindOf<Thing>::list(a),
                      KindOf<Thing>::list(b));
    });
    l.compare(say("%1: drawings", title), a.drawings, b.drawings);
}

void compare_variants(Lines& l, const Project& before, const Project& after) {
    const auto named = [](const Project& p, VariantId id) -> const Variant* {
        const auto v =
            std::find_if(p.variants.begin(), p.variants.end(), [&](const Variant& x) { return x.id == id; });
        return v == p.variants.end() ? nullptr : &*v;
    };
    for (const Variant& v : before.variants) l.tell(!named(after, v.id), say("Variant %1: removed", v.name));
    for (const Variant& v : after.variants) {
        const Variant* old = named(before, v.id);
        l.tell(!old, say("Variant %1: added", v.name));
        if (!old) continue;
        l.tell(old->name != v.name, say("Variant %1: its name", v.name));
        for (const Floor* f : all_floors(after)) {
            const auto in = [&](const Variant& x) {
                const auto found = x.access_points.find(f->id);
                return found == x.access_points.end() ? Shared<std::vector<AccessPoint>>() : found->second;
            };
            l.compare(say("%1: access points of variant %2", floor_title(after, *f), v.name), in(*old),
                      in(v));
        }
    }
}

}  // namespace

std::vector<Said> differences(const Project& before, const Project& after) {
    Lines l;
    l.tell(before.name != after.name, say("The project's name"));
    l.tell(!(before.settings == after.settings), say("Settings of the site"));
    const auto old_floors = all_floors(before), new_floors = all_floors(after);
    for (const Floor* f : old_floors)
        l.tell(!find_floor(after, f->id), say("%1: removed", floor_title(before, *f)));
    for (const Floor* f : new_floors) {
        const Floor* old = find_floor(before, f->id);
        if (old)
            compare_floors(l, floor_title(after, *f), *old, *f);
        else
            l.tell(true, say("%1: added", floor_title(after, *f)));
    }
    for (const Building& b : after.buildings) {
        const Building* old = find_building(before, b.id);
        l.tell(old && (old->name != b.name || !(old->placement == b.placement) || old->level_m != b.level_m ||
                       old->kind != b.kind),
               say("%1: its name, place or level", b.name));
        l.tell(old && !(old->axes == b.axes), say("%1: its axes", b.name));
    }
    compare_variants(l, before, after);
    l.compare(say("Wall types"), before.wall_types, after.wall_types);
    l.compare(say("Models"), before.models, after.models);
    l.compare(say("Antennas"), before.antennas, after.antennas);
    l.tell(!(before.cables == after.cables), say("Cables"));
    l.compare(say("Requirement sets"), before.requirement_sets, after.requirement_sets);
    l.tell(!(before.clients == after.clients), say("Client profiles"));
    l.tell(!(before.demand.applications == after.demand.applications), say("Applications"));
    l.tell(!(before.demand.networks == after.demand.networks), say("Networks"));
    l.tell(before.demand.hours != after.demand.hours, say("Busy hours"));
    l.tell(before.demand.hour != after.demand.hour, say("Another busy hour is looked at"));
    l.tell(!(before.demand.uplink == after.demand.uplink), say("The site's uplink"));
    l.tell(!(before.waivers == after.waivers), say("Waivers"));
    l.tell(!(before.cabling == after.cabling), say("How cables are counted"));
    l.tell(!(before.handover == after.handover), say("Report, names, place on Earth"));
    l.tell(!(before.air == after.air), say("Limits of rules, channels with radar"));
    l.tell(!(before.probes == after.probes), say("Probes"));
    l.tell(before.variant != after.variant, say("Another variant is the current one"));
    l.tell(before.display.hidden != after.display.hidden || before.display.locked != after.display.locked,
           say("What is hidden or locked"));
    l.tell(before.display.colours != after.display.colours, say("Colours of the map"));
    if (l.lines.empty() && !(before == after)) l.lines.push_back(say("Order of things, or drawings' files"));
    return l.lines;
}

}  // namespace yemvo
