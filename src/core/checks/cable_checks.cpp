// SPDX-License-Identifier: GPL-3.0-or-later
// Cables that are too long, lead nowhere, or end at a port that is not there or too weak. Nothing is said
// while no closet stands: then nobody plans cables here yet.
#include <cmath>

#include "base/number_text.h"
#include "cabling/closet_places.h"
#include "checks/collector.h"
#include "project/kinds/thing_edits.h"

namespace yemvo {
namespace {

class CableChecks {
public:
    CableChecks(const Project& project, const KnownAir* known, std::vector<Finding>& out,
                const CancelToken& cancel)
        : project_(project), known_(known), out_(out), plan_(plan_cables(project, cancel)) {
        // of a site that has hardly a closet the page looks for places, when it is asked to
        constexpr std::ptrdiff_t most_looked_for = 60;
        const auto out_of_reach = std::ranges::count_if(
            plan_.runs, [&](const CableRun& r) { return is_out_of_reach(project.cabling, r); });
        if (out_of_reach > 0 && out_of_reach <= most_looked_for)
            places_ = closet_places(project, plan_, cancel);
    }

    void run() {
        for (const CableRun& r : plan_.runs) {
            if (!r.closet)
                add(Rule::cable_nowhere, r, say("no way leads from access point %1 to a closet", r.number));
            else if (r.channel_m > project_.cabling.most_channel_m + 1e-9)
                add(Rule::cable_long, r,
                    say("the channel of access point %1 has %2, of at most %3", r.number, length(r.channel_m),
                        length(project_.cabling.most_channel_m)));
            else if (r.link_m > project_.cabling.most_link_m + 1e-9)
                add(Rule::cable_long, r,
                    say("the link of access point %1 has %2, of at most %3", r.number, length(r.link_m),
                        length(project_.cabling.most_link_m)));
            if (r.closet && !r.port && !closet_of(r.closet_floor, r.closet).switches.empty())
                add(Rule::port_missing, r,
                    say("no port is left for access point %1 at %2", r.number,
                        closet_of(r.closet_floor, r.closet).name));
            if (r.is_short_of_power()) add_weak(r);
        }
        for (const ClosetUse& use : plan_.closets)
            for (std::size_t i = 0; i < use.switches.size(); ++i) {
                add_watts(use, i);
                if (known_) add_uplink(use, i);
            }
    }

private:
    Said length(double m) const { return said_length(m, project_.settings.units); }
    const Closet& closet_of(FloorId floor, ClosetId id) const {
        return *find_closet(*find_floor(project_, floor), id);
    }

    Finding& add(Rule rule, const CableRun& r, Said what) {
        Finding f;
        f.rule = rule;
        f.floor = r.floor;
        f.place = find_access_point(project_, r.floor, r.access_point)->position;
        f.has_place = true;
        f.what = std::move(what);
        f.items = {{ItemKind::access_point, r.access_point.value}};
        f.subjects = {r.access_point.value};
        for (const ClosetPlace& place : places_.places) {
            if (std::ranges::count(place.reaches, r.access_point) == 0) continue;
            f.mends.push_back(
                {say("Place a closet on %1 that reaches %2",
                     floor_title(project_, *find_floor(project_, place.floor)), place.reaches.size()),
                 [at = place](Project& p) { place_closet(p, at); }});
        }
        out_.push_back(std::move(f));
        return out_.back();
    }

    /// With what the port gives, where the model knows what is left then.
    void add_weak(const CableRun& r) {
        const AccessPoint& ap = *find_access_point(project_, r.floor, r.access_point);
        Finding& f =
            add(Rule::port_weak, r,
                r.gets ? say("access point %1 counts on %2, its port gives %3", r.number,
                             said_mark(power_source_name(*r.wants)), said_mark(power_source_name(*r.gets)))
                       : say("access point %1 counts on %2, its port gives no power", r.number,
                             said_mark(power_source_name(*r.wants))));
        f.mends.clear();
        if (r.gets && power_row(model(project_, ap.model), *r.gets))
            f.mends.push_back(
                {say("Count on %1, with what that leaves", said_mark(power_source_name(*r.gets))),
                 change_of(r.floor, r.access_point, [source = *r.gets](AccessPoint& a) {
                     a.source = source;
                     a.alternative = 0;
                 })});
    }

    Finding& add_of_switch(Rule rule, const ClosetUse& use, std::size_t i, Said what) {
        Finding f;
        f.rule = rule;
        f.floor = use.floor;
        f.place = closet_of(use.floor, use.closet).position;
        f.has_place = true;
        f.what = std::move(what);
        f.items = {{ItemKind::closet, use.closet.value}};
        f.subjects = {use.closet.value, static_cast<std::uint32_t>(i)};
        out_.push_back(std::move(f));
        return out_.back();
    }

    void add_watts(const ClosetUse& use, std::size_t i) {
        const Switch& s = closet_of(use.floor, use.closet).switches[i];
        const double most_w = s.budget_w * project_.cabling.budget_share;
        if (!s.source || use.switches[i].class_w <= most_w + 1e-9) return;
        add_of_switch(Rule::switch_watts, use, i,
                      say("%1 sets aside %2 W for its ports, of %3 W that may be spoken for", s.name,
                          std::lround(use.switches[i].class_w), std::lround(most_w)));
    }

    void add_uplink(const ClosetUse& use, std::size_t i) {
        const Switch& s = closet_of(use.floor, use.closet).switches[i];
        const double asked_mbps = most_asked_mbps(known_->asked, fed_by(plan_, use.closet, i));
        const double most_share = limit_of(project_, Rule::switch_uplink) / 100;
        if (asked_mbps <= s.uplink_mbps * most_share + 1e-9) return;
        Finding& f =
            add_of_switch(Rule::switch_uplink, use, i,
                          say("%1 is asked for %2 Mbit/s at the busy hour, %3 of its uplink", s.name,
                              said_figure(asked_mbps, 0), format_percent(asked_mbps / s.uplink_mbps, 0)));
        for (const double usual_mbps : {1e3, 2.5e3, 1e4, 2.5e4, 4e4, 1e5}) {
            if (usual_mbps * most_share < asked_mbps) continue;
            f.mends.push_back({say("Give it an uplink of %1 Gbit/s",
                                   said_figure(usual_mbps / 1e3, usual_mbps == 2.5e3 ? 1 : 0)),
                               [floor = use.floor, id = use.closet, i, usual_mbps](Project& p) {
                                   Closet changed = *find_closet(*find_floor(p, floor), id);
                                   changed.switches[i].uplink_mbps = usual_mbps;
                                   replace_thing(p, floor, changed);
                               }});
            break;
        }
    }

    const Project& project_;
    const KnownAir* known_;
    std::vector<Finding>& out_;
    CablePlan plan_;
    ClosetPlaces places_;
};

}  // namespace

void check_cables(const Project& project, const KnownAir* known, std::vector<Finding>& out,
                  const CancelToken& cancel) {
    if (has_closets(project)) CableChecks(project, known, out, cancel).run();
}

}  // namespace yemvo
