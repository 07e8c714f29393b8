// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/demand_edits.h"

#include <algorithm>

#include "project/demand_place.h"
#include "project/free_key.h"
#include "project/limits.h"

namespace yemvo {
namespace {

/// Letters and digits of a name in small, hyphens between.
std::string key_of(const std::string& name) {
    std::string key;
    for (const char c : name) {
        const bool capital = c >= 'A' && c <= 'Z';
        if (capital || (c >= 'a' && c <= 'z') || (c >= '0' && c <= '9'))
            key += capital ? static_cast<char>(c - 'A' + 'a') : c;
        else if (!key.empty() && key.back() != '-')
            key += '-';
        if (key.size() >= 40) break;
    }
    while (!key.empty() && key.back() == '-') key.pop_back();
    return key;
}

template <class Thing>
std::string add_keyed(std::vector<Thing>& list, Thing thing, std::size_t most) {
    if (thing.name.empty()) throw Error(say("a name is needed"));
    if (list.size() >= most) throw Error(say("there can be at most %1", static_cast<int>(most)));
    thing.key = free_key(list, key_of(thing.name));
    list.push_back(std::move(thing));
    return list.back().key;
}

template <class Thing>
void replace_keyed(Shared<std::vector<Thing>>& list, const Thing& thing) {
    if (std::ranges::find(*list, thing.key, &Thing::key) == list->end()) return;
    *std::ranges::find(list.edit(), thing.key, &Thing::key) = thing;
}

/// All demand of zones and rows of devices, changed where `change` says that it did.
template <class Change>
void each_demand(Project& project, Change change) {
    std::vector<std::pair<FloorId, Item>> changed;
    for (const Floor* f : all_floors(project))
        for (const DemandPlace& p : told_places(*f)) {
            ZoneDemand d = p.demand();
            if (change(d)) changed.emplace_back(f->id, p.item());
        }
    for (const auto& [floor, item] : changed)
        change_demand(project, floor, item, [&](ZoneDemand& d) { change(d); });
}

void refuse_if_named(const Project& project, Mix ZoneDemand::*mix, const std::string& key) {
    for (const Floor* f : all_floors(project))
        for (const DemandPlace& p : told_places(*f))
            if (std::ranges::count(p.demand().*mix, key, &MixPart::key) > 0)
                throw Error(say("%1 still counts on it", p.name()), {}, say("Take it out of the mix there"));
}

}  // namespace

std::string add_busy_hour(Project& p, const std::string& name) {
    return add_keyed(p.demand.hours, BusyHour{{}, name}, limits::busy_hours);
}
std::string add_application(Project& p, Application a) {
    return add_keyed(p.demand.applications.edit(), std::move(a), limits::applications);
}
std::string add_client(Project& p, ClientProfile c) {
    return add_keyed(p.clients.edit(), std::move(c), limits::applications);
}
std::string add_network(Project& p, Network n) {
    return add_keyed(p.demand.networks.edit(), std::move(n), limits::networks);
}

void rename_busy_hour(Project& p, const std::string& key, const std::string& name) {
    for (BusyHour& h : p.demand.hours)
        if (h.key == key) h.name = name;
}

void remove_busy_hour(Project& p, std::string key) {
    if (p.demand.hours.size() < 2) throw Error(say("one busy hour has to stay"));
    std::erase_if(p.demand.hours, [&](const BusyHour& h) { return h.key == key; });
    if (p.demand.hour == key) p.demand.hour = p.demand.hours.front().key;
    for (std::size_t i = 0; i < p.requirement_sets->size(); ++i)
        if ((*p.requirement_sets)[i].hour == key) p.requirement_sets.edit()[i].hour.clear();
    each_demand(p, [&](ZoneDemand& d) {
        return std::erase_if(d.presence, [&](const Presence& a) { return a.hour == key; }) > 0;
    });
}

void replace_application(Project& p, const Application& a) { replace_keyed(p.demand.applications, a); }
void replace_client(Project& p, const ClientProfile& c) { replace_keyed(p.clients, c); }
void replace_network(Project& p, const Network& n) { replace_keyed(p.demand.networks, n); }

void remove_application(Project& p, std::string key) {
    refuse_if_named(p, &ZoneDemand::applications, key);
    std::erase_if(p.demand.applications.edit(), [&](const Application& a) { return a.key == key; });
}

void remove_client(Project& p, std::string key) {
    refuse_if_named(p, &ZoneDemand::profiles, key);
    if (p.settings.client == key)
        throw Error(say("the maps show rates for it"), {}, say("Choose another client for the maps first"));
    if (p.clients->size() < 2) throw Error(say("one client profile has to stay"));
    std::erase_if(p.clients.edit(), [&](const ClientProfile& c) { return c.key == key; });
}

void remove_network(Project& p, std::string key) {
    std::erase_if(p.demand.networks.edit(), [&](const Network& n) { return n.key == key; });
    each_demand(p, [&](ZoneDemand& d) {
        if (d.network != key) return false;
        d.network.clear();
        return true;
    });
    for (Variant& v : p.variants)
        for (auto& [floor, list] : v.access_points) {
            const auto names = [&](const AccessPoint& ap) {
                return std::ranges::any_of(
                    ap.radios, [&](const Radio& r) { return std::ranges::count(r.without, key) > 0; });
            };
            if (std::ranges::none_of(*list, names)) continue;
            for (AccessPoint& ap : list.edit())
                for (Radio& r : ap.radios) std::erase(r.without, key);
        }
}

}  // namespace yemvo
