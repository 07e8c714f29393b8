// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/gear_edits.h"

#include <algorithm>
#include <cmath>
#include <set>

#include "project/edits.h"
#include "project/free_key.h"
#include "project/working_radio.h"

namespace yemvo {
namespace {

/// With an id of its own, and a key that no other entry has.
template <class T>
auto add_entry(Project& p, Shared<std::vector<T>>& list, T added) {
    added.id = new_id<decltype(added.id)>(p);
    added.key = free_key(*list, added.key);
    const auto id = added.id;
    list.edit().push_back(std::move(added));
    return id;
}

template <class Use>
void each_access_point(const Project& p, Use use) {
    for (const Variant& v : p.variants)
        for (const auto& [floor, list] : v.access_points)
            for (const AccessPoint& ap : *list) use(ap);
}

/// Calls `change` on copies of those that `concerns`; lists without any stay shared.
template <class Concerns, class Change>
void change_access_points(Project& p, Concerns concerns, Change change) {
    for (Variant& v : p.variants)
        for (auto& [floor, list] : v.access_points) {
            if (std::none_of(list->begin(), list->end(), concerns)) continue;
            for (AccessPoint& ap : list.edit())
                if (concerns(ap)) change(ap);
        }
}

bool fits(const Project& p, const RadioBand& can, AntennaId id) {
    return std::ranges::any_of(fitting_antennas(p, can), [&](const AntennaModel* a) { return a->id == id; });
}

/// The widest that the radio and the band have, not wider than wanted.
int width_for(const RadioBand& can, int wanted_mhz) {
    int best = 20;
    for (int width : channel_widths_mhz())
        if (width <= std::min(wanted_mhz, can.widest_mhz) && !channels(can.band, width).empty())
            best = std::max(best, width);
    return best;
}

/// The settings of `old` on a radio that works in the same band.
Radio carried(const Project& p, const Radio& old, const RadioBand& can, std::vector<Said>& changed) {
    Radio radio = old;
    const std::string& name = band(can.band).name;
    if (const int width = width_for(can, old.channel.width_mhz); width != old.channel.width_mhz) {
        changed.push_back(say("%1 GHz: %2 MHz wide instead of %3", name, width, old.channel.width_mhz));
        radio = retuned(radio, can.band, radio.primary, width);
    }
    radio.power_dbm = can.power.nearest_dbm(old.power_dbm);
    if (std::abs(radio.power_dbm - old.power_dbm) > 0.05)
        changed.push_back(say("%1 GHz: %2 dBm instead of %3", name, said_figure(radio.power_dbm, 1),
                              said_figure(old.power_dbm, 1)));
    if (radio.antenna && !fits(p, can, radio.antenna)) {
        if (const AntennaModel* antenna = find_antenna(p, radio.antenna))
            changed.push_back(say("%1 GHz: %2 does not fit", name, antenna->name));
        take_own_antenna(radio);
    }
    return radio;
}

/// The first of the old radios that is not taken and works in a band of this one; the band it is set to now
/// before any other.
const Radio* match(const AccessPoint& ap, const RadioModel& radio, std::set<std::size_t>& taken) {
    for (const RadioBand& b : radio.bands)
        for (std::size_t i = 0; i < ap.radios.size(); ++i)
            if (!taken.contains(i) && ap.radios[i].channel.band == b.band) {
                taken.insert(i);
                return &ap.radios[i];
            }
    return nullptr;
}

/// Whether an access point can stay just as it is while its model becomes this one.
bool still_fits(const Project& p, const AccessPoint& ap, const AccessPointModel& m) {
    if (ap.radios.size() != m.radios.size()) return false;
    if (const PowerRow* row = ap.source ? power_row(m, *ap.source) : nullptr) {
        if (static_cast<std::size_t>(std::max(ap.alternative, 0)) >= row->alternatives.size()) return false;
    } else if (ap.source && !m.power.empty()) {
        return false;
    }
    for (std::size_t r = 0; r < ap.radios.size(); ++r) {
        const Radio& radio = ap.radios[r];
        const RadioBand* can = radio_band(m, r, radio.channel.band);
        if (!can || radio.channel.width_mhz > can->widest_mhz) return false;
        if (radio.power_dbm < can->power.low_dbm || radio.power_dbm > can->power.high_dbm) return false;
        if (radio.antenna && !fits(p, *can, radio.antenna)) return false;
    }
    return true;
}

void keep_source(const AccessPoint& old, AccessPoint& ap, const AccessPointModel& to,
                 std::vector<Said>& changed) {
    if (!old.source || to.power.empty()) return;
    const PowerRow* row = power_row(to, *old.source);
    if (row) {
        ap.source = old.source;
        if (static_cast<std::size_t>(old.alternative) < row->alternatives.size() && old.model == to.id)
            ap.alternative = old.alternative;
    } else if (ap.source) {
        changed.push_back(say("it is fed by %1: %2 does not do", said_mark(power_source_name(*ap.source)),
                              said_mark(power_source_name(*old.source))));
    }
}

}  // namespace

AccessPoint as_model(const Project& p, const AccessPoint& old, const AccessPointModel& to,
                     std::vector<Said>& changed) {
    AccessPoint ap = make_access_point(to, old.id, old.number, old.position);
    ap.azimuth_deg = old.azimuth_deg;
    ap.downtilt_deg = old.downtilt_deg;
    ap.height_m = old.height_m;
    ap.name = old.name;
    ap.closet = old.closet;
    ap.on_site.note = old.on_site.note;
    ap.on_site.photo = old.on_site.photo;
    // another unit will hang there
    if (!(ap.on_site == old.on_site)) changed.push_back(say("its state on site, serial number and address"));
    if (std::ranges::find(to.mounts, old.mount) != to.mounts.end()) ap.mount = old.mount;
    std::set<std::size_t> taken;
    std::vector<bool> matched(to.radios.size());
    for (std::size_t i = 0; i < to.radios.size(); ++i) {
        const Radio* before = match(old, to.radios[i], taken);
        if (!before) continue;
        ap.radios[i] = carried(p, *before, *radio_band(to, i, before->channel.band), changed);
        matched[i] = true;
    }
    for (std::size_t i = 0; i < to.radios.size(); ++i)
        if (!matched[i])
            changed.push_back(
                say("%1 GHz: a radio that it did not have", band(ap.radios[i].channel.band).name));
    for (std::size_t i = 0; i < old.radios.size(); ++i)
        if (!taken.contains(i))
            changed.push_back(say("%1 GHz: this radio is gone", band(old.radios[i].channel.band).name));
    keep_source(old, ap, to, changed);
    return ap;
}

Radio in_band(const Project& p, const AccessPoint& ap, std::size_t index, BandId id) {
    const Radio& old = ap.radios.at(index);
    const RadioBand* can = radio_band(model(p, ap.model), index, id);
    if (!can) throw Error(say("this radio does not work at %1 GHz", band(id).name));
    Radio radio = starting_radio(*can);
    radio.on = old.on;
    radio.channel_open = old.channel_open;
    if (old.antenna && fits(p, *can, old.antenna)) {
        radio.antenna = old.antenna;
        radio.cable = old.cable;
        radio.cable_m = old.cable_m;
    }
    return radio;
}

std::vector<ModelChange> set_model(Project& p, const std::vector<AccessPointId>& ids, ModelId id) {
    const AccessPointModel to = model(p, id);
    std::vector<ModelChange> changes;
    const Project before = p;
    for (const PlacedAccessPoint& placed : placed_access_points(before)) {
        const AccessPoint& old = *placed.access_point;
        if (old.model == id || std::ranges::find(ids, old.id) == ids.end()) continue;
        changes.push_back({old.number, {}});
        replace_access_point(p, placed.floor->id, as_model(p, old, to, changes.back().changed));
    }
    return changes;
}

ModelId add_model(Project& p, AccessPointModel added) { return add_entry(p, p.models, std::move(added)); }

void replace_model(Project& p, const AccessPointModel& changed) {
    for (AccessPointModel& m : p.models.edit())
        if (m.id == changed.id) m = changed;
    std::vector<Said> unused;
    change_access_points(
        p, [&](const AccessPoint& ap) { return ap.model == changed.id && !still_fits(p, ap, changed); },
        [&](AccessPoint& ap) {
            const Mount mount = ap.mount;
            ap = as_model(p, ap, changed, unused);
            ap.mount = mount;
        });
}

std::size_t uses_of_model(const Project& p, ModelId id) {
    std::size_t uses = 0;
    each_access_point(p, [&](const AccessPoint& ap) { uses += ap.model == id; });
    return uses;
}

void remove_model(Project& p, ModelId id) {
    const std::string name = model(p, id).name;
    if (const std::size_t uses = uses_of_model(p, id))
        throw Error(say_counted("%n access point is a %1", "%n access points are %1", uses, name), {},
                    say("Give them another model first"));
    if (p.models->size() == 1)
        throw Error(say("%1 is the last model", name), {}, say("Add another one first"));
    std::erase_if(p.models.edit(), [&](const AccessPointModel& m) { return m.id == id; });
}

AntennaId add_antenna(Project& p, AntennaModel added) { return add_entry(p, p.antennas, std::move(added)); }

void replace_antenna(Project& p, const AntennaModel& changed) {
    for (AntennaModel& a : p.antennas.edit())
        if (a.id == changed.id) a = changed;
}

std::size_t uses_of_antenna(const Project& p, AntennaId id) {
    std::size_t uses = 0;
    each_access_point(p, [&](const AccessPoint& ap) {
        for (const Radio& r : ap.radios) uses += r.antenna == id;
    });
    return uses;
}

void remove_antenna(Project& p, AntennaId id) {
    const AntennaModel* antenna = find_antenna(p, id);
    if (!antenna) return;
    if (const std::size_t uses = uses_of_antenna(p, id))
        throw Error(say_counted("%1 is on %n radio", "%1 is on %n radios", uses, antenna->name), {},
                    say("Give them another antenna first"));
    std::erase_if(p.antennas.edit(), [&](const AntennaModel& a) { return a.id == id; });
}

}  // namespace yemvo
