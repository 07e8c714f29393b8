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
    std::string text() const {
        std::string words;
        const auto say = [&](int n, const char* what) {
            if (n > 0) words += (words.empty() ? "" : ", ") + std::to_string(n) + " " + what;
        };
        say(added, "added");
        say(changed, "changed");
        say(removed, "removed");
        return words;
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
    void compare(const std::string& what, const Shared<std::vector<T>>& before,
                 const Shared<std::vector<T>>& after) {
        if (!before.same(after)) compare(what, *before, *after);
    }
    template <class T>
    void compare(const std::string& what, const std::vector<T>& before, const std::vector<T>& after) {
        if (const Counts c = count(before, after); c.any()) lines.push_back(what + ": " + c.text());
    }
    void say(bool differs, const std::string& what) {
        if (differs) lines.push_back(what);
    }
    std::vector<std::string> lines;
};

void compare_floors(Lines& l, const std::string& title, const Floor& a, const Floor& b) {
    l.say(a.name != b.name || a.elevation_m != b.elevation_m || a.height_m != b.height_m ||
              !(a.slope == b.slope) || a.plate != b.plate,
          title + ": its name, heights or plate");
    l.say(!(a.slab->type == b.slab->type) || a.slab->thickness_m != b.slab->thickness_m, title + ": slab");
    const std::string on = title + ": ";
    each_kind([&]<class Thing>() {
        if (!KindOf<Thing>::same(a, b))
            l.compare(on + KindOf<Thing>::plural, KindOf<Thing>::list(a), KindOf<Thing>::list(b));
    });
    l.compare(on + "drawings", a.drawings, b.drawings);
}

void compare_variants(Lines& l, const Project& before, const Project& after) {
    const auto named = [](const Project& p, VariantId id) -> const Variant* {
        const auto v =
            std::find_if(p.variants.begin(), p.variants.end(), [&](const Variant& x) { return x.id == id; });
        return v == p.variants.end() ? nullptr : &*v;
    };
    for (const Variant& v : before.variants) l.say(!named(after, v.id), "Variant " + v.name + ": removed");
    for (const Variant& v : after.variants) {
        const Variant* old = named(before, v.id);
        l.say(!old, "Variant " + v.name + ": added");
        if (!old) continue;
        l.say(old->name != v.name, "Variant " + v.name + ": its name");
        for (const Floor* f : all_floors(after)) {
            const auto in = [&](const Variant& x) {
                const auto found = x.access_points.find(f->id);
                return found == x.access_points.end() ? Shared<std::vector<AccessPoint>>() : found->second;
            };
            l.compare(floor_title(after, *f) + ": access points of variant " + v.name, in(*old), in(v));
        }
    }
}

}  // namespace

std::vector<std::string> differences(const Project& before, const Project& after) {
    Lines l;
    l.say(before.name != after.name, "The project's name");
    l.say(!(before.settings == after.settings), "Settings of the site");
    const auto old_floors = all_floors(before), new_floors = all_floors(after);
    for (const Floor* f : old_floors) l.say(!find_floor(after, f->id), floor_title(before, *f) + ": removed");
    for (const Floor* f : new_floors) {
        const Floor* old = find_floor(before, f->id);
        if (old)
            compare_floors(l, floor_title(after, *f), *old, *f);
        else
            l.say(true, floor_title(after, *f) + ": added");
    }
    for (const Building& b : after.buildings) {
        const Building* old = find_building(before, b.id);
        l.say(old && (old->name != b.name || !(old->placement == b.placement) || old->level_m != b.level_m ||
                      old->kind != b.kind),
              b.name + ": its name, place or level");
    }
    compare_variants(l, before, after);
    l.compare("Wall types", before.wall_types, after.wall_types);
    l.compare("Models", before.models, after.models);
    l.compare("Requirement sets", before.requirement_sets, after.requirement_sets);
    l.say(!(before.clients == after.clients), "Client profiles");
    l.say(!(before.waivers == after.waivers), "Waivers");
    l.say(!(before.probes == after.probes), "Probes");
    l.say(before.variant != after.variant, "Another variant is the current one");
    l.say(before.display.hidden != after.display.hidden || before.display.locked != after.display.locked,
          "What is hidden or locked");
    l.say(before.display.colours != after.display.colours, "Colours of the map");
    if (l.lines.empty() && !(before == after)) l.lines.push_back("Order of things, or drawings' files");
    return l.lines;
}

}  // namespace yemvo
