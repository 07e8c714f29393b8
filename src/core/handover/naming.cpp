// SPDX-License-Identifier: GPL-3.0-or-later
#include "handover/naming.h"

#include <algorithm>
#include <map>
#include <set>

#include "base/error.h"
#include "handover/tables.h"
#include "project/edits.h"

namespace yemvo {
namespace {

/// Access points that hang in a line on paper are seldom so on site.
constexpr double row_m = 3;

constexpr NamePart parts[] = {{"{building}", mark("name of the building or yard")},
                              {"{floor}", mark("name of the floor")},
                              {"{zone}", mark("name of the zone that it hangs in")},
                              {"{n}", mark("its number, counted in reading order")}};

std::string padded(int n, int digits) {
    std::string text = std::to_string(n);
    return std::string(std::max<std::size_t>(text.size(), static_cast<std::size_t>(digits)) - text.size(),
                       '0') +
           text;
}

void check(const std::string& pattern) {
    bool counts = false;
    for (std::size_t at = 0; at < pattern.size();) {
        const std::size_t open = pattern.find_first_of("{}", at);
        if (open == std::string::npos) break;
        const std::size_t close = pattern.find('}', open);
        const std::string found = pattern.substr(open, close == std::string::npos ? close : close - open + 1);
        const auto known =
            std::ranges::find(parts, found, [](const NamePart& p) { return std::string(p.placeholder); });
        if (known == std::end(parts))
            throw Error(say("'%1' stands for nothing", found), pattern,
                        say("Write {building}, {floor}, {zone} or {n}"));
        counts |= found == "{n}";
        at = close + 1;
    }
    if (!counts)
        throw Error(say("gives all access points the same name"), pattern, say("Add {n}, which is counted"));
}

void replace_all(std::string& text, std::string_view what, const std::string& by) {
    for (std::size_t at = text.find(what); at != std::string::npos; at = text.find(what, at + by.size()))
        text.replace(at, what.size(), by);
}

std::string name_of(const Project& project, const Floor& floor, const AccessPoint& ap,
                    const NamingScheme& scheme, int n) {
    const Zone* zone = zone_with(floor, ap);
    std::string name = scheme.pattern;
    // the number first: a zone may be called {n}
    replace_all(name, "{n}", padded(n, scheme.digits));
    replace_all(name, "{building}", building_with(project, floor.id).name);
    replace_all(name, "{floor}", floor.name);
    replace_all(name, "{zone}", zone ? zone->name : std::string());
    return name;
}

std::uint32_t counted_in(const Project& project, FloorId floor, CountedBy by) {
    switch (by) {
        case CountedBy::floor:
            return floor.value;
        case CountedBy::building:
            return building_with(project, floor).id.value;
        case CountedBy::site:
            break;
    }
    return 0;
}

}  // namespace

std::span<const NamePart> name_parts() { return parts; }

std::vector<const AccessPoint*> in_reading_order(const std::vector<AccessPoint>& all) {
    std::vector<const AccessPoint*> order;
    for (const AccessPoint& ap : all) order.push_back(&ap);
    const auto north_first = [](const AccessPoint* a, const AccessPoint* b) {
        return std::pair(-a->position.y, a->position.x) < std::pair(-b->position.y, b->position.x);
    };
    const auto west_first = [](const AccessPoint* a, const AccessPoint* b) {
        return std::pair(a->position.x, -a->position.y) < std::pair(b->position.x, -b->position.y);
    };
    std::ranges::sort(order, north_first);
    for (auto row = order.begin(); row != order.end();) {
        const double top = (*row)->position.y;
        const auto end = std::find_if(row, order.end(),
                                      [&](const AccessPoint* ap) { return ap->position.y < top - row_m; });
        std::sort(row, end, west_first);
        row = end;
    }
    return order;
}

std::vector<NewName> names_by(const Project& project, const NamingScheme& scheme,
                              std::span<const AccessPointId> only) {
    check(scheme.pattern);
    std::vector<NewName> all;
    std::map<std::uint32_t, int> next;
    std::map<std::string, int> taken;
    for (const Floor* floor : all_floors(project))
        for (const AccessPoint* ap : in_reading_order(access_points(project, floor->id))) {
            if (!only.empty() && std::ranges::find(only, ap->id) == only.end()) {
                ++taken[called(*ap)];
                continue;
            }
            int& n = next.try_emplace(counted_in(project, floor->id, scheme.by), scheme.first).first->second;
            all.push_back(
                {floor->id, ap->id, ap->number, ap->name, name_of(project, *floor, *ap, scheme, n++)});
            ++taken[all.back().name];
        }
    for (NewName& n : all) n.doubled = taken[n.name] > 1;
    return all;
}

void give_names(Project& project, const std::vector<NewName>& names) {
    for (const NewName& n : names) {
        if (n.doubled)
            throw Error(say("more than one access point would be called so"), n.name,
                        say("Add {floor} or {building} to the pattern"));
        AccessPoint ap = *find_access_point(project, n.floor, n.access_point);
        ap.name = n.name;
        replace_access_point(project, n.floor, ap);
    }
}

}  // namespace yemvo
