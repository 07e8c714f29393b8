// SPDX-License-Identifier: GPL-3.0-or-later
#include "checks/findings.h"

#include <algorithm>
#include <array>

#include "checks/collector.h"

namespace yemvo {

const RuleInfo& rule_info(Rule rule) {
    static constexpr std::array<RuleInfo, static_cast<std::size_t>(Rule::no_country_data)> list{{
        {Rule::no_scale, "no-scale", mark("Drawing without scale"),
         mark("Nothing on the floor has a size until its drawing has one.")},
        {Rule::gap, "gap", mark("Gap between walls"),
         mark("Rays slip through a gap without loss, and no room closes round it.")},
        {Rule::doubled_wall, "doubled-wall", mark("Wall drawn twice"),
         mark("Loss is counted twice where only one wall stands.")},
        {Rule::wall_through, "wall-through", mark("Wall through another"),
         mark("A wall that runs on a little beyond another, or through a door or window, was hardly meant "
              "so.")},
        {Rule::opening_outside, "opening-outside", mark("Opening outside its wall"),
         mark("The part beyond the wall does not exist for rays.")},
        {Rule::opening_over, "opening-over", mark("Openings over each other"),
         mark("Only the first of them counts where they overlap.")},
        {Rule::zone_overlap, "zone-overlap", mark("Zones overlap"),
         mark("Area and people are counted twice.")},
        {Rule::room_open, "room-open", mark("Room not closed"),
         mark("Walls that nearly close round a room leave a way out of it.")},
        {Rule::not_aligned, "not-aligned", mark("Floor never aligned"),
         mark("Rays between floors are wrong by as much as the floors are shifted.")},
        {Rule::slab_missing, "slab-missing", mark("Slab missing"),
         mark("Rays pass between the floors as if nothing lay there.")},
        {Rule::type_without_loss, "type-without-loss", mark("Type without loss at a band"),
         mark("The nearest known figure is used, which may be far off.")},
        {Rule::inside_wall, "inside-wall", mark("Access point inside a wall"),
         mark("On which side it hangs decides its whole map.")},
        {Rule::above_ceiling, "above-ceiling", mark("Access point above the ceiling"),
         mark("It sends from the void over the ceiling, or from the next storey.")},
        {Rule::outside_venue, "outside-venue", mark("Access point outside the building"),
         mark("The walls stand between it and everybody it should serve.")},
        {Rule::radio_unfed, "radio-unfed", mark("Radio without power"),
         mark(
             "It is on in the plan, but the source of its access point does not feed it: it serves nobody.")},
        {Rule::antenna_unfit, "antenna-unfit", mark("Antenna that does not fit"),
         mark("It is not made for the radio's band or connector: the radio's own antenna is counted "
              "instead.")},
        {Rule::demand_unknown, "demand-unknown", mark("Demand counts on what is not there"),
         mark("These clients or applications are not counted.")},
        {Rule::demand_empty, "demand-empty", mark("People who ask for nothing"),
         mark("They cost no air, and are judged as if nobody were there.")},
        {Rule::demand_unserved, "demand-unserved", mark("People whom nothing can serve"),
         mark("Their demand is not carried, whatever the plan.")},
        {Rule::uplink_narrow, "uplink-narrow", mark("Uplink or gateway too small"),
         mark("What the radios carry does not get out of the site.")},
        {Rule::many_networks, "many-networks", mark("Too many networks"),
         mark("Their beacons take air at every radio, whoever is there. Fewer names or a higher lowest rate "
              "help.")},
        {Rule::cable_nowhere, "cable-nowhere", mark("Cable that leads nowhere"),
         mark("No closet can be reached from it by floors and risers.")},
        {Rule::cable_long, "cable-long", mark("Cable too long"),
         mark("Beyond its length a link may fail, or run slower.")},
        {Rule::port_missing, "port-missing", mark("No port left"),
         mark("The switches of its closet are full: it would hang without a connection.")},
        {Rule::port_weak, "port-weak", mark("Port too weak"),
         mark("What the plan counts on is not fed: radios or chains stay off.")},
        {Rule::switch_watts, "switch-watts", mark("Switch short of watts"),
         mark("It refuses power to ports once what it may set aside is spoken for.")},
        {Rule::switch_uplink, "switch-uplink", mark("Uplink of a switch too small"),
         mark("What its access points are asked for does not get away from it at the busy hour."),
         RuleLimit{80, 10, 100, 0, "%", mark("Asked of the uplink of a switch, at most")}},
        {Rule::set_aside, "set-aside", mark("Part of the file set aside"),
         mark("It could not be read, and takes no part in anything; it is kept in the file as it stood.")},
    }};
    const auto at = static_cast<std::size_t>(rule);
    return at < list.size() ? list[at] : air_rules()[at - list.size()];
}

double limit_of(const Project& project, Rule rule) {
    const RuleInfo& info = rule_info(rule);
    const auto own = project.air.limits.find(std::string(info.key));
    const double value = own == project.air.limits.end() ? info.limit->usual : own->second;
    return std::clamp(value, info.limit->low, info.limit->high);
}

void set_limit(Project& project, Rule rule, double value) {
    const RuleInfo& info = rule_info(rule);
    if (value == info.limit->usual)
        project.air.limits.erase(std::string(info.key));
    else
        project.air.limits[std::string(info.key)] = value;
}

static void check_set_aside(const Project& project, std::vector<Finding>& out) {
    for (const SetAside& part : *project.aside) {
        Finding f;
        f.rule = Rule::set_aside;
        f.what = said_joined(": ", part.place, part.reason);
        f.mends.push_back({say("Discard it"), [part](Project& p) { std::erase(p.aside.edit(), part); }});
        out.push_back(std::move(f));
    }
}

/// By what it is about, or by the zone that it lies in.
static bool waives(const Project& project, const Waiver& w, const Finding& f) {
    if (w.rule != rule_info(f.rule).key) return false;
    return w.zone ? w.zone == zone_of(project, f) : w.subjects == f.subjects;
}

std::vector<Finding> findings(const Project& project, const Scene& scene, const CancelToken& cancel,
                              const KnownAir* air) {
    std::vector<Finding> out;
    for (const Floor* floor : all_floors(project)) {
        cancel.check();
        const Check check{project, scene, *floor, out};
        check_floor(check);
        check_walls(check, cancel);
        check_rooms(check, cancel);
        check_openings(check);
        check_zones(check);
        check_access_points(check);
        check_gear(check);
        check_demand(check);
        check_radios(check, air);
    }
    check_site_demand(project, out);
    check_cables(project, air, out, cancel);
    check_site_air(project, out);
    check_types(project, out);
    check_set_aside(project, out);
    for (Finding& f : out)
        for (const Waiver& w : *project.waivers)
            if (waives(project, w, f)) f.waived = w.note;
    std::stable_sort(out.begin(), out.end(),
                     [](const Finding& a, const Finding& b) { return a.rule < b.rule; });
    return out;
}

void waive(Project& project, const Finding& finding, const std::optional<std::string>& note,
           bool whole_zone) {
    std::vector<Waiver> waivers = *project.waivers;
    const std::string rule(rule_info(finding.rule).key);
    std::erase_if(waivers, [&](const Waiver& w) { return waives(project, w, finding); });
    if (note) {
        Waiver w{rule, finding.subjects, *note};
        if (whole_zone) w.zone = zone_of(project, finding);
        if (w.zone) w.subjects.clear();
        waivers.push_back(std::move(w));
    }
    set_waivers(project, std::move(waivers));
}

ZoneId zone_of(const Project& project, const Finding& finding) {
    const Floor* floor = finding.has_place ? find_floor(project, finding.floor) : nullptr;
    if (!floor) return {};
    for (const Zone& z : *floor->zones)
        if (contains(z.outline, finding.place)) return z.id;
    return {};
}

}  // namespace yemvo
