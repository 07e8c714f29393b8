// SPDX-License-Identifier: GPL-3.0-or-later
#include "capacity/heard.h"

#include <algorithm>
#include <map>

#include "project/working_radio.h"

namespace yemvo {
namespace {

/// A field with its place among the site's radios.
struct Source {
    std::uint16_t radio;
    int offset_cdb;
    const std::int16_t* gain_cdb;
};

std::vector<Source> sources(const std::vector<AirRadio>& radios, const FloorPrediction& p) {
    std::map<std::pair<AccessPointId, std::size_t>, std::uint16_t> at;
    for (std::size_t i = 0; i < radios.size(); ++i)
        at[{radios[i].access_point, radios[i].radio}] = static_cast<std::uint16_t>(i);
    std::vector<Source> all;
    for (const RadioField& f : *p.radios) {
        const auto found = at.find({f.access_point, f.radio});
        if (found == at.end() || f.field->silent) continue;
        if (f.field->peak_cdb + f.offset_cdb < heard_least_cdbm) continue;
        all.push_back({found->second, f.offset_cdb, f.field->gain_cdb.data()});
    }
    return all;
}

template <class Each>
void each_level(const std::vector<Source>& sources, std::size_t cell, Each each) {
    for (const Source& s : sources) {
        const std::int16_t gain = s.gain_cdb[cell];
        if (gain == silent_cdb) continue;
        const int level = gain + s.offset_cdb;
        if (level >= heard_least_cdbm) each(HeardLevel{s.radio, static_cast<std::int16_t>(level)});
    }
}

/// The cell below an access point; the nearest where it hangs beyond the surface.
std::size_t cell_below(const Surface& surface, Point place) {
    const Box box = surface.box();
    const double in = surface.cell_m / 2;
    return *surface.cell_at({std::clamp(place.x, box.low.x + in, box.high.x - in),
                             std::clamp(place.y, box.low.y + in, box.high.y - in)});
}

}  // namespace

std::vector<AirRadio> air_radios(const Project& project) {
    std::vector<AirRadio> all;
    for (const RadioAt& r : radios_at_work(project)) {
        const AccessPoint& ap = *r.placed.access_point;
        const WorkingRadio working = working_radio(project, ap, r.radio);
        const Radio& set = r.set();
        AirRadio radio{ap.id,
                       ap.number,
                       r.radio,
                       r.placed.floor->id,
                       set.channel,
                       set.primary,
                       working.power_dbm,
                       {working.standard(), set.channel.band, working.chains.streams},
                       working.can->noise_figure_db,
                       working.model->most_clients,
                       {}};
        radio.channel_open = set.channel_open;
        for (const Network& n : *project.demand.networks)
            radio.carries.push_back(n.bands.contains(set.channel.band) &&
                                    std::ranges::count(set.without, n.key) == 0);
        all.push_back(std::move(radio));
    }
    return all;
}

HeardFloor heard_on(const Project& project, const std::vector<AirRadio>& radios, const FloorPrediction& p) {
    HeardFloor out;
    out.floor = p.floor;
    const Floor& floor = *find_floor(project, p.floor);
    out.standing = standing_clients(project, floor, p);
    const auto all = sources(radios, p);
    for (const AirRadio& r : radios) out.radios.push_back({r.access_point, r.radio});
    out.first.push_back(0);
    for (const StandingClient& c : out.standing.clients) {
        if (c.cell != beyond_surface) each_level(all, c.cell, [&](HeardLevel l) { out.levels.push_back(l); });
        out.first.push_back(static_cast<std::uint32_t>(out.levels.size()));
    }
    out.between = heard_between(project, radios, p);
    return out;
}

std::vector<HeardFloor::Pair> heard_between(const Project& project, const std::vector<AirRadio>& radios,
                                            const FloorPrediction& p) {
    std::vector<HeardFloor::Pair> out;
    if (p.surface.cells() == 0) return out;
    const auto all = sources(radios, p);
    for (std::size_t i = 0; i < radios.size(); ++i) {
        if (radios[i].floor != p.floor) continue;
        const AccessPoint* ap = find_access_point(project, p.floor, radios[i].access_point);
        each_level(all, cell_below(p.surface, ap->position), [&](HeardLevel l) {
            if (radios[l.radio].access_point == radios[i].access_point) return;
            out.push_back({static_cast<std::uint16_t>(i), l});
        });
    }
    return out;
}

std::shared_ptr<const HeardFloor> heard_among(const std::vector<AirRadio>& radios,
                                              std::shared_ptr<const HeardFloor> floor) {
    const auto is = [](const AirRadio& r, const RadioRef& ref) {
        return r.access_point == ref.access_point && r.radio == ref.radio;
    };
    if (std::ranges::equal(radios, floor->radios, is)) return floor;
    std::map<RadioRef, std::uint16_t> now;
    for (std::size_t i = 0; i < radios.size(); ++i)
        now[{radios[i].access_point, radios[i].radio}] = static_cast<std::uint16_t>(i);
    std::vector<std::int32_t> to;
    for (const RadioRef& ref : floor->radios) {
        const auto at = now.find(ref);
        to.push_back(at == now.end() ? -1 : at->second);
    }
    auto out = std::make_shared<HeardFloor>();
    out->floor = floor->floor;
    out->standing = floor->standing;
    for (const AirRadio& r : radios) out->radios.push_back({r.access_point, r.radio});
    out->first.push_back(0);
    for (std::size_t c = 0; c < floor->standing.clients.size(); ++c) {
        for (const HeardLevel& l : floor->of(c))
            if (to[l.radio] >= 0) out->levels.push_back({static_cast<std::uint16_t>(to[l.radio]), l.cdbm});
        out->first.push_back(static_cast<std::uint32_t>(out->levels.size()));
    }
    for (const HeardFloor::Pair& p : floor->between)
        if (to[p.listener] >= 0 && to[p.heard.radio] >= 0)
            out->between.push_back({static_cast<std::uint16_t>(to[p.listener]),
                                    {static_cast<std::uint16_t>(to[p.heard.radio]), p.heard.cdbm}});
    return out;
}

}  // namespace yemvo
