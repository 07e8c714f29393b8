// SPDX-License-Identifier: GPL-3.0-or-later
#include "coverage/probe.h"

#include <algorithm>
#include <cmath>
#include <stdexcept>

#include "project/working_radio.h"

namespace yemvo {

static LinkExplanation link(const Project& project, const Scene& scene, const PlacedAccessPoint& placed,
                            std::size_t radio, Point3 receiver, const Predicted& how) {
    const Floor& floor = *placed.floor;
    LinkExplanation link =
        how.tier ? how.tier->explain(project, scene, floor, *placed.access_point, radio, receiver)
                 : explain(project, scene, floor, *placed.access_point, radio, receiver);
    return how.overlay ? with_overlay(std::move(link), *how.overlay) : link;
}

std::vector<LinkExplanation> probe(const Project& project, const Scene& scene, const Floor& floor,
                                   Point place, BandSet bands, const Predicted& how) {
    if (scene.frame != building_with(project, floor.id).id)
        throw std::logic_error("a scene in the metres of another building");
    const Point3 receiver{place.x, place.y,
                          scene.floor(floor.id).ground_m(place) + project.settings.client_height_m};
    std::vector<LinkExplanation> links;
    for (const PlacedAccessPoint& placed : placed_access_points(project))
        for (std::size_t r = 0; r < placed.access_point->radios.size(); ++r)
            if (const Radio& radio = placed.access_point->radios[r];
                is_at_work(project, *placed.access_point, r) &&
                (bands.empty() || bands.contains(radio.channel.band)))
                links.push_back(link(project, scene, placed, r, receiver, how));
    std::stable_sort(links.begin(), links.end(), [](const LinkExplanation& a, const LinkExplanation& b) {
        return a.received_dbm > b.received_dbm;
    });
    return links;
}

Said told(const LinkExplanation& link, const std::string& place, double asked_dbm) {
    const double margin_db = link.received_dbm - asked_dbm;
    const Said reached =
        say(margin_db < 0 ? mark("Access point %1 reaches %2 at %3 dBm, %4 dB less than required")
                          : mark("Access point %1 reaches %2 at %3 dBm, %4 dB more than required"),
            link.number, place, said_figure(link.received_dbm, 1), said_figure(std::abs(margin_db), 1));
    const LinkTerm* most = nullptr;
    double in_the_way_db = 0;
    int things = 0;
    for (const LinkTerm& t : link.terms) {
        if (!is_in_the_way(t.kind)) continue;
        in_the_way_db -= t.db;
        things += t.db < 0;
        if (!most || t.db < most->db) most = &t;
    }
    if (!most || in_the_way_db < 0.05) return say("%1; nothing stands in the way.", reached);
    if (things == 1) return say("%1; %2 takes %3 dB.", reached, most->name, said_figure(in_the_way_db, 1));
    return say("%1; %2 takes %3 of the %4 dB lost in the way.", reached, most->name,
               said_figure(-most->db, 1), said_figure(in_the_way_db, 1));
}

}  // namespace yemvo
