// SPDX-License-Identifier: GPL-3.0-or-later
// For the checks' own use: where they put what they find.
#pragma once
#include <span>
#include <sstream>

#include "base/length_text.h"
#include "checks/findings.h"
#include "geometry/segment_index.h"
#include "project/edits.h"

namespace yemvo {

struct Check {
    const Project& project;
    const Scene& scene;
    const Floor& floor;
    std::vector<Finding>& out;

    Said length(double m) const { return said_length(m, project.settings.units); }
    Said area(double m2) const { return said_area(m2, project.settings.units); }
    Finding& add(Rule rule, Point at, Said what, std::vector<Item> items) const {
        Finding f;
        f.rule = rule;
        f.floor = floor.id;
        f.place = at;
        f.has_place = true;
        f.what = std::move(what);
        for (const Item& i : items) f.subjects.push_back(i.id);
        f.items = std::move(items);
        out.push_back(std::move(f));
        return out.back();
    }
};

/// A change of one access point, wherever it is by then: for mends.
template <class Change>
std::function<void(Project&)> change_of(FloorId floor, AccessPointId id, Change change) {
    return [floor, id, change](Project& p) {
        AccessPoint changed = *find_access_point(p, floor, id);
        change(changed);
        replace_access_point(p, floor, changed);
    };
}

/// "access point 17 at 5 GHz"
inline Said radio_of(const AccessPoint& ap, std::size_t radio) {
    return say("access point %1 at %2 GHz", ap.number, band(ap.radios[radio].channel.band).name);
}

inline Item item_of(const Wall& w) { return {ItemKind::wall, w.id.value}; }

void check_walls(const Check&, const CancelToken&);
void check_rooms(const Check&, const CancelToken&);
void check_openings(const Check&);
void check_zones(const Check&);
void check_floor(const Check&);
void check_access_points(const Check&);
void check_gear(const Check&);
void check_demand(const Check&);
void check_radios(const Check&, const KnownAir*);
/// Of the whole project.
void check_types(const Project&, std::vector<Finding>&);
void check_site_demand(const Project&, std::vector<Finding>&);
void check_cables(const Project&, const KnownAir*, std::vector<Finding>&, const CancelToken&);
void check_site_air(const Project&, std::vector<Finding>&);

/// The rules of the air, from Rule::no_country_data on.
std::span<const RuleInfo> air_rules();

}  // namespace yemvo
