// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/file/project_parts.h"

#include "project/file/gear_steps.h"
#include "project/json_air.h"
#include "project/json_antenna.h"
#include "project/json_cabling.h"
#include "project/json_demand.h"
#include "project/json_gear.h"
#include "project/json_handover.h"
#include "project/json_requirements.h"
#include "project/json_shapes.h"
#include "project/json_types.h"
#include "project/library.h"

namespace yemvo {
namespace {

Json write_types(const Project& p, LargeLists&) {
    return {{"wall_types", write_list(*p.wall_types, write_wall_type)}};
}
void read_types(const Reader& r, Project& p) {
    r.part([&] { p.wall_types = read_list<WallType>(r.at("wall_types"), read_wall_type); });
}
bool same_types(const Project& a, const Project& b) { return a.wall_types.same(b.wall_types); }

Json write_gear(const Project& p, LargeLists&) {
    return {{"models", write_list(*p.models, write_model)},
            {"antennas", write_list(*p.antennas, write_antenna_model)},
            {"cables", write_list(*p.cables, write_cable)},
            {"clients", write_list(*p.clients, write_client)}};
}
void read_gear(const Reader& r, Project& p) {
    r.part([&] { p.models = read_list<AccessPointModel>(r.at("models"), read_model); });
    r.part([&] { p.antennas = read_list_if_any<AntennaModel>(r, "antennas", read_antenna_model); });
    r.part([&] { p.cables = read_list_if_any<CableType>(r, "cables", read_cable); });
    r.part([&] { p.clients = read_list<ClientProfile>(r.at("clients"), read_client); });
}
bool same_gear(const Project& a, const Project& b) {
    return a.models.same(b.models) && a.antennas.same(b.antennas) && a.cables.same(b.cables) &&
           a.clients.same(b.clients);
}

Json write_demand(const Project& p, LargeLists&) { return write_demand_book(p.demand); }
void read_demand(const Reader& r, Project& p) {
    // left out of a text that holds the whole project, too, where it is as in a new one
    if (r.find("hours") || r.find("applications")) r.part([&] { p.demand = read_demand_book(r); });
}
bool same_demand(const Project& a, const Project& b) {
    return a.demand.applications.same(b.demand.applications) && a.demand.networks.same(b.demand.networks) &&
           a.demand == b.demand;
}
bool standard_demand_alone(const Project& p) {
    static const DemandBook standard = standard_demand();
    return p.demand == standard;
}

Json write_air(const Project& p, LargeLists&) { return write_air_book(p.air); }
void read_air(const Reader& r, Project& p) {
    if (r.find("radar_channels")) r.part([&] { p.air = read_air_book(r); });
}
bool same_air(const Project& a, const Project& b) { return a.air == b.air; }
bool nothing_said_of_air(const Project& p) { return p.air == AirBook{}; }

Json write_cabling(const Project& p, LargeLists&) { return write_cabling_book(p.cabling); }
void read_cabling(const Reader& r, Project& p) {
    if (r.find("most_link_m")) r.part([&] { p.cabling = read_cabling_book(r); });
}
bool same_cabling(const Project& a, const Project& b) { return a.cabling == b.cabling; }
bool usual_cabling(const Project& p) { return p.cabling == CablingBook{}; }

Json write_handover(const Project& p, LargeLists&) { return write_handover_book(p.handover); }
void read_handover(const Reader& r, Project& p) {
    if (r.find("naming")) r.part([&] { p.handover = read_handover_book(r); });
}
bool same_handover(const Project& a, const Project& b) { return a.handover == b.handover; }
bool usual_handover(const Project& p) { return p.handover == HandoverBook{}; }

Json write_requirements(const Project& p, LargeLists&) {
    return {{"requirement_sets", write_list(*p.requirement_sets, write_requirement_set)}};
}
void read_requirements(const Reader& r, Project& p) {
    r.part([&] {
        p.requirement_sets = read_list<RequirementSet>(r.at("requirement_sets"), read_requirement_set);
    });
}
bool same_requirements(const Project& a, const Project& b) {
    return a.requirement_sets.same(b.requirement_sets);
}

Json write_waiver(const Waiver& w) {
    Json json{{"rule", w.rule}, {"subjects", w.subjects}, {"note", w.note}};
    if (w.zone) json["zone"] = w.zone.value;
    return json;
}
Waiver read_waiver(const Reader& r) {
    Waiver w{r.at("rule").text(),
             read_list<std::uint32_t>(r.at("subjects"), [](const Reader& id) { return id.id_value(); }),
             r.at("note").text()};
    if (const auto zone = r.find("zone")) w.zone = zone->id<ZoneId>();
    return r.kept(std::move(w));
}
Json write_findings(const Project& p, LargeLists&) {
    return {{"waivers", write_list(*p.waivers, write_waiver)}};
}
void read_findings(const Reader& r, Project& p) {
    r.part([&] { p.waivers = read_list<Waiver>(r.at("waivers"), read_waiver); });
}
bool same_findings(const Project& a, const Project& b) { return a.waivers.same(b.waivers); }

Json write_probe(const Probe& p) {
    return {{"number", p.number}, {"floor", p.floor.value}, {"place_m", write_point(p.place)}};
}
Probe read_probe(const Reader& r) {
    return r.kept(Probe{r.at("number").integer(), r.at("floor").id<FloorId>(), read_point(r.at("place_m"))});
}
Json write_probes(const Project& p, LargeLists&) { return {{"probes", write_list(*p.probes, write_probe)}}; }
void read_probes(const Reader& r, Project& p) {
    r.part([&] { p.probes = read_list<Probe>(r.at("probes"), read_probe); });
}
bool same_probes(const Project& a, const Project& b) { return a.probes.same(b.probes); }

Json write_colours(const LensColours& c) {
    return {{"lens", c.lens}, {"low", c.low}, {"step", c.step}, {"palette", c.palette}};
}
LensColours read_colours(const Reader& r) {
    return r.kept(LensColours{r.at("lens").text(limits::key), r.at("low").number(), r.at("step").number(),
                              r.at("palette").text(limits::key)});
}
Json write_kinds(const std::vector<ItemKind>& kinds) {
    return write_list(kinds, [](ItemKind k) { return Json(item_kind_name(k)); });
}
std::vector<ItemKind> read_kinds(const Reader& r) {
    return read_list<ItemKind>(r, [](const Reader& k) { return k.word(find_item_kind); });
}
Json write_display(const Project& p, LargeLists&) {
    return {{"display",
             {{"hidden", write_kinds(p.display.hidden)},
              {"locked", write_kinds(p.display.locked)},
              {"colours", write_list(p.display.colours, write_colours)}}}};
}
void read_display(const Reader& r, Project& p) {
    r.part([&] {
        const Reader display = r.at("display");
        p.display.hidden = read_kinds(display.at("hidden"));
        p.display.locked = read_kinds(display.at("locked"));
        p.display.colours = read_list_if_any<LensColours>(display, "colours", read_colours);
    });
}

Json write_set_aside(const SetAside& a) {
    return {{"place", a.place}, {"reason", a.reason}, {"json", a.json}};
}
SetAside read_set_aside(const Reader& r) {
    constexpr TextLimit any{10'000'000};
    return {r.at("place").text(), r.at("reason").text(), r.at("json").text(any)};
}
Json write_aside(const Project& p, LargeLists&) { return {{"aside", write_list(*p.aside, write_set_aside)}}; }
void read_aside(const Reader& r, Project& p) {
    p.aside = read_list_if_any<SetAside>(r, "aside", read_set_aside);
}
bool same_aside(const Project& a, const Project& b) { return a.aside.same(b.aside); }
bool nothing_aside(const Project& p) { return p.aside->empty(); }

}  // namespace

constinit const PartKind<Project> types_part{"types", write_types, read_types, same_types},
    gear_part{"gear", write_gear, read_gear, same_gear, nullptr, gear_steps},
    demand_part{"demand", write_demand, read_demand, same_demand, nullptr, {}, standard_demand_alone},
    air_part{"air", write_air, read_air, same_air, nullptr, {}, nothing_said_of_air},
    cabling_part{"cabling", write_cabling, read_cabling, same_cabling, nullptr, {}, usual_cabling},
    handover_part{"handover", write_handover, read_handover, same_handover, nullptr, {}, usual_handover},
    requirements_part{"requirements", write_requirements, read_requirements, same_requirements},
    findings_part{"findings", write_findings, read_findings, same_findings},
    probes_part{"probes", write_probes, read_probes, same_probes},
    display_part{"display", write_display, read_display},
    aside_part{"aside", write_aside, read_aside, same_aside, nullptr, {}, nothing_aside};

}  // namespace yemvo
